import type { BoxRecord } from '@spare-knot/core/api';
import { daysAfter } from '@spare-knot/core/building';
import L from 'leaflet';
import { useMemo, useState } from 'react';
import { CircleMarker, Marker, Tooltip, useMapEvents } from 'react-leaflet';
import { useNavigate } from 'react-router';
import type { Placed, Places, Spot } from './ground';
import { type Moved, spread } from './spread';
import type { DueBox, useDue } from './use-due';
import { animalName, KIND_WORDS, whenWords } from './words';

type State = 'late' | 'due' | 'alone' | 'rests' | 'untold' | 'down';
/** Each state has a shape of its own beside its colour, and a word. */
const STATES: Readonly<Record<State, { shape: string; colour: string; words: string }>> = {
  late: { shape: 'M9 1 17 9 9 17 1 9Z', colour: '#a8321f', words: 'visit is late' },
  due: { shape: 'M9 1 17 16 1 16Z', colour: '#1d5a96', words: 'due within a week' },
  alone: { shape: 'M6 1H12L17 6V12L12 17H6L1 12V6Z', colour: '#7d5a00', words: 'leave it alone' },
  rests: { shape: 'M9 1A8 8 0 1 1 9 17A8 8 0 1 1 9 1Z', colour: '#3c6b35', words: 'nothing to do' },
  untold: {
    shape: 'M2 2H16V16H2Z',
    colour: '#56615a',
    words: 'not said when it was hung, or for whom',
  },
  down: { shape: 'M2 2 16 16M16 2 2 16', colour: '#56615a', words: 'taken down' },
};

function stateOf(box: BoxRecord, due: DueBox['due'] | undefined, day: string, week: string): State {
  if (box.takenDownOn !== null) return 'down';
  if (!due) return box.animal === null || box.hungOn === null ? 'untold' : 'rests';
  if (due.alone && due.alone > day) return 'alone';
  if (due.on < day) return 'late';
  return due.on <= week ? 'due' : 'rests';
}

/** How high a mark is, and where its shape has its middle, in pixels. */
const HIGH = 24;
const MIDDLE = HIGH / 2;
const wideOf = (number: number): number => HIGH + 8 + 8 * String(number).length;

/** From a mark that is moved to where its box hangs. */
const leader = ([across, down]: Moved, colour: string): string =>
  across === 0 && down === 0
    ? ''
    : `<svg style="position:absolute;left:${MIDDLE}px;top:${MIDDLE}px;overflow:visible;pointer-events:none" width="1" height="1" aria-hidden="true"><path d="M0 0L${-across} ${-down}" stroke="${colour}" stroke-width="1.5"/><circle cx="${-across}" cy="${-down}" r="3" fill="${colour}"/></svg>`;

const icon = (state: State, number: number, moved: Moved): L.DivIcon => {
  const { shape, colour } = STATES[state];
  const filled = state === 'down' ? 'none' : colour;
  return L.divIcon({
    className: '',
    iconSize: [wideOf(number), HIGH],
    iconAnchor: [MIDDLE - moved[0], MIDDLE - moved[1]],
    html: `${leader(moved, colour)}<span style="position:relative;display:flex;align-items:center;gap:1px"><svg style="flex:none" width="24" height="24" viewBox="-3 -3 24 24" aria-hidden="true"><path d="${shape}" fill="${filled}" stroke="${state === 'down' ? colour : '#fff'}" stroke-width="2.5"/></svg><b style="font:600 13px sans-serif;white-space:nowrap;background:#fcfaf4e6;padding:0 3px;border-radius:3px">${number}</b></span>`,
  });
};

/** What the shapes on the plan mean. */
export function Legend() {
  return (
    <ul className="mt-2 flex flex-wrap gap-x-5 gap-y-1 text-sm">
      {Object.entries(STATES).map(([state, { shape, colour, words }]) => (
        <li key={state} className="flex items-center gap-1.5">
          <svg width="18" height="18" viewBox="-1 -1 20 20" aria-hidden>
            <path
              d={shape}
              fill={state === 'down' ? 'none' : colour}
              stroke={colour}
              strokeWidth="2"
            />
          </svg>
          {words}
        </li>
      ))}
      <li className="flex items-center gap-1.5">
        <svg width="26" height="10" aria-hidden>
          <path d="M1 5H25" stroke="#a8321f" strokeWidth="3" strokeDasharray="5 4" />
        </svg>
        nearer than is good
      </li>
      <li>
        <b className="rounded border-2 border-ink bg-white px-1">F</b> feeder,{' '}
        <b className="rounded border-2 border-ink bg-white px-1">R</b> rival
      </li>
    </ul>
  );
}

/** States in which something is to be done, or left. */
const DOING: ReadonlySet<State> = new Set(['late', 'due', 'alone']);

interface Mark {
  id: string;
  number: number;
  at: Spot;
  state: State;
  words: string;
}

/** The boxes as the plan shows them. */
export function marksOf(
  placed: readonly Placed[],
  places: Places,
  { day, due }: Pick<ReturnType<typeof useDue>, 'day' | 'due'>,
): Mark[] {
  const week = daysAfter(day, 7);
  const byBox = new Map(due.map(({ box, due: next }) => [box.id, next]));
  return placed.flatMap((box): Mark[] => {
    const at = places.get(box.id);
    if (!at) return [];
    const next = byBox.get(box.id);
    const state = stateOf(box, next, day, week);
    const doing =
      next && DOING.has(state)
        ? `${KIND_WORDS[next.kind]}, ${whenWords(next.on, day)}`
        : STATES[state].words;
    const words = `Box ${box.number}, ${animalName(box.animal)}: ${doing}`;
    return [{ id: box.id, number: box.number, at, state, words }];
  });
}

const pixelOf = (map: L.Map, at: Spot, zoom: number): { x: number; y: number } => {
  const { x, y } = map.project(at, zoom);
  return { x, y };
};

/** One box on the plan; its page opens at a tap. One for whose number there is no room is a dot. */
function BoxMark({ mark, moved }: { mark: Mark; moved: Moved | null }) {
  const { id, number, at, state, words } = mark;
  const go = useNavigate();
  const open = () => void go(`/trail/${id}`);
  const eventHandlers = { click: open };
  if (moved)
    return (
      <Marker
        position={at}
        icon={icon(state, number, moved)}
        eventHandlers={{
          ...eventHandlers,
          keydown: ({ originalEvent: { key } }: L.LeafletKeyboardEvent) => {
            if (key === 'Enter') open();
          },
          // Leaflet names pictures alone.
          add: ({ target }: L.LeafletEvent) =>
            (target as L.Marker).getElement()?.setAttribute('aria-label', words),
        }}
      >
        <Tooltip>{words}</Tooltip>
      </Marker>
    );
  return (
    <CircleMarker
      center={at}
      radius={6}
      pathOptions={{ color: STATES[state].colour, fillOpacity: 0.8 }}
      eventHandlers={eventHandlers}
    >
      <Tooltip>{words}</Tooltip>
    </CircleMarker>
  );
}

/** All boxes on the plan; marks that would lie on each other are moved apart, and point to where their boxes hang. */
export function BoxMarks({ marks, isNamed }: { marks: readonly Mark[]; isNamed: boolean }) {
  const [zoom, setZoom] = useState<number | null>(null);
  const map = useMapEvents({ zoomend: () => setZoom(map.getZoom()) });
  const seen = zoom ?? map.getZoom();
  // Where there is no room for all of them, those that something is to be done for are named.
  const ordered = useMemo(
    () => [...marks].sort((a, b) => Number(DOING.has(b.state)) - Number(DOING.has(a.state))),
    [marks],
  );
  const moved = useMemo(() => {
    if (!isNamed) return [];
    const wanted = ordered.map(({ at, number }) => ({
      ...pixelOf(map, at, seen),
      width: wideOf(number),
    }));
    return spread(wanted, HIGH);
  }, [ordered, isNamed, map, seen]);
  const unnamed = isNamed ? moved.filter((by) => by === null).length : 0;
  return (
    <>
      {ordered.map((mark, index) => (
        <BoxMark key={`${mark.id} ${mark.words}`} mark={mark} moved={moved[index] ?? null} />
      ))}
      {unnamed > 0 && (
        <p className="absolute top-2 right-2 z-[1000] max-w-52 rounded bg-card px-2 py-1 text-sm">
          {unnamed === 1 ? 'One box hangs' : `${unnamed} boxes hang`} too near to others to be named
          at this size: zoom in.
        </p>
      )}
    </>
  );
}
