import { at } from '../lists/index.js';
import { fromMm, printAngle, type Ticks } from '../measure/index.js';
import {
  type Feature,
  type HoleKind,
  holeRise,
  measuresOf,
  type Panel,
  type PanelEdge,
} from '../panels/index.js';
import {
  type Drawing,
  type DrawingPoint,
  type DrawingShape,
  type DrawnText,
  LETTER_WIDE,
  line,
  note,
  type SayLength,
} from './drawing.js';
import { featureShapes } from './feature-shapes.js';
import { WordsAmongLines, wrapped } from './fit-words.js';

type Hole = Exclude<Feature, { kind: 'groove' | 'mesh' }>;

/** Letters are so high that they are read where the panel fills a page: parts of its length and width, and never lower than this. */
const LEAST_LETTERS = fromMm(4);
const ALONG = 48;
const ACROSS = 22;
/** Fewest letters in a line of words under a panel. */
const FEWEST = 40;
/** The two faces are drawn apart where they differ by more than a tenth of a millimetre. */
const APART = 32;
const SLANTED = 0.05;
const TAGS = 'ABCDEFGHJKLMNPQRSTUVWXYZ';

const HOLES: Record<Exclude<HoleKind, 'pilot'>, string> = {
  entrance: 'Entrance',
  vent: 'Vent',
  drain: 'Drain',
  pivot: 'Hole for the pivot',
  latch: 'Hole for the latch',
  mount: 'Hole to hang it by',
};

/** How far words along an edge are turned, in degrees, so that they are read from below or from the right. */
function alongEdge(from: DrawingPoint, to: DrawingPoint): number {
  const turn = (Math.atan2(to[1] - from[1], to[0] - from[0]) * 180) / Math.PI;
  if (turn <= -89.9) return turn + 180;
  return turn > 90.1 ? turn - 180 : turn;
}

/** Where a measure stands: across its axis at `stand`, its witness lines from `towards`. */
interface Stand {
  stand: number;
  towards: number;
  letters: Ticks;
}

/** A measure along x (level) or y (upright) beside the panel, with witness lines. */
function measure(
  axis: 0 | 1,
  [from, to]: readonly [number, number],
  { stand, towards, letters }: Stand,
  words: string,
): DrawingShape[] {
  const point = (along: number, across: number): DrawingPoint =>
    axis === 0 ? [along, across] : [across, along];
  const over = Math.sign(stand - towards) * fromMm(1.5);
  const off = letters * 0.4;
  return [
    line(point(from, stand), point(to, stand)),
    ...[from, to].map((end) => line(point(end, towards), point(end, stand + over))),
    note(point((from + to) / 2, stand + (axis === 0 ? off : -off)), words, {
      height: letters,
      ...(axis === 1 && { turn: 90 }),
    }),
  ];
}

function panelLines(panel: Panel): DrawingShape[] {
  const { outline, underside, features } = panel;
  const isApart = outline.some(([x, y], index) => {
    const [u, v] = at(underside, index);
    return Math.hypot(x - u, y - v) > APART;
  });
  return [
    { kind: 'path', layer: 'panel', points: outline, closed: true },
    ...(isApart
      ? [{ kind: 'path', layer: 'far-face', points: underside, closed: true } as const]
      : []),
    ...features.flatMap(featureShapes),
  ];
}

const sizeOf = (hole: Hole, say: SayLength): string =>
  hole.shape === 'round'
    ? `ø ${say(hole.diameter)}`
    : `${say(hole.width)} wide, ${say(hole.height)} high`;

/** Holes that are marked out, those of one kind and size together. */
function holeGroups({ features }: Panel, say: SayLength): { words: string; holes: Hole[] }[] {
  const groups = new Map<string, Hole[]>();
  for (const feature of features) {
    if (feature.kind === 'groove' || feature.kind === 'mesh' || feature.kind === 'pilot') continue;
    const key = `${HOLES[feature.kind]}, ${sizeOf(feature, say)}`;
    groups.set(key, [...(groups.get(key) ?? []), feature]);
  }
  return [...groups].map(([words, holes]) => ({ words, holes }));
}

const placesOf = (holes: readonly Hole[], say: SayLength): string =>
  holes.map(({ centre: [x, y] }) => `${say(x)} from the left and ${say(y)} from below`).join('; ');

function edgeWords({ tilt, mitre }: PanelEdge): string {
  const tilted =
    Math.abs(tilt) >= SLANTED
      ? [`tilt ${printAngle(Math.abs(tilt))}, ${tilt > 0 ? 'inside' : 'outside'} longer`]
      : [];
  const turned = mitre >= SLANTED && mitre < 89 ? [`mitre ${printAngle(mitre)}`] : [];
  return [...tilted, ...turned].join('; ');
}

/** Words along an edge, inside the panel, at several places of it. */
function alongEdgeInside(
  [from, to]: readonly [DrawingPoint, DrawingPoint],
  words: string,
  height: Ticks,
): DrawnText[] {
  const run = Math.hypot(to[0] - from[0], to[1] - from[1]) || 1;
  const long = words.length * height * LETTER_WIDE;
  if (long > 0.9 * run) return [];
  const turn = alongEdge(from, to);
  const inward: DrawingPoint = [-(to[1] - from[1]) / run, (to[0] - from[0]) / run];
  // Letters stand on their line: where that line faces the edge, they are set off by their own height more.
  const up = alongUp(turn);
  const facing = up[0] * inward[0] + up[1] * inward[1] > 0;
  return [0.5, 0.3, 0.7].flatMap((share) =>
    [0.5, 1.5, 2.5].map((away) => {
      const off = height * (away + (facing ? 0 : 1));
      const x = from[0] + (to[0] - from[0]) * share + inward[0] * off;
      const y = from[1] + (to[1] - from[1]) * share + inward[1] * off;
      return note([x, y], words, { height, turn });
    }),
  );
}

const alongUp = (turn: number): DrawingPoint => {
  const radians = (turn * Math.PI) / 180;
  return [-Math.sin(radians), Math.cos(radians)];
};

/** A letter beside a hole, on whichever side is free. */
function besideHole({ centre, ...hole }: Hole, tag: string, height: Ticks): DrawnText[] {
  const [x, y] = centre;
  const wide = hole.shape === 'round' ? hole.diameter : hole.width;
  const high = hole.shape === 'round' ? hole.diameter : hole.height;
  const [outX, outY] = [high / 2 + height, wide / 2 + height];
  const places: DrawingPoint[] = [
    [x + outX, y + height / 2],
    [x - outX, y + height / 2],
    [x + outX, y - height * 1.5],
    [x - outX, y - height * 1.5],
    [x, y + outY],
    [x, y - outY - height],
    [x + outX, y - height / 2],
  ];
  return places.map((place) => note(place, tag, { height }));
}

/** What is said under a panel, and the letters on it that the sentences begin with. */
class Keyed {
  readonly sentences: string[] = [];
  readonly tags: DrawnText[] = [];
  private readonly words: WordsAmongLines;

  constructor(
    lines: readonly DrawingShape[],
    private readonly letters: Ticks,
  ) {
    this.words = new WordsAmongLines(lines);
  }

  private get nextTag(): string {
    return TAGS[this.sentences.length % TAGS.length] ?? '';
  }

  holes({ words, holes }: { words: string; holes: readonly Hole[] }, say: SayLength): void {
    const tag = this.nextTag;
    this.sentences.push(`${tag}: ${words}, ${placesOf(holes, say)}.`);
    for (const hole of holes) {
      const placed = this.words.place(besideHole(hole, tag, this.letters));
      if (placed) this.tags.push(placed);
    }
  }

  /** Words along the edge itself, or a letter there and the words below. */
  edge(ends: readonly [DrawingPoint, DrawingPoint], words: string): void {
    const placed = this.words.place(alongEdgeInside(ends, words, this.letters));
    if (placed) {
      this.tags.push(placed);
      return;
    }
    const tag = this.nextTag;
    const letter = this.words.place(alongEdgeInside(ends, tag, this.letters));
    if (letter) this.tags.push(letter);
    this.sentences.push(`${letter ? `Edge ${tag}` : 'Edge'}: ${words}.`);
  }
}

/** Measures of the blank, and of where the entrance's middle is. */
function measures(panel: Panel, letters: Ticks, say: SayLength): DrawingShape[] {
  const { blankLength, blankWidth } = measuresOf(panel);
  const away = 2.5 * letters;
  const below: Stand = { stand: -away, towards: 0, letters };
  const shapes = [
    ...measure(0, [0, blankLength], below, say(blankLength)),
    ...measure(1, [0, blankWidth], below, say(blankWidth)),
  ];
  const entrance = panel.features.find((feature) => feature.kind === 'entrance');
  if (!entrance || !('centre' in entrance)) return shapes;
  const [x, y] = entrance.centre;
  return [
    ...shapes,
    ...measure(0, [0, x], { stand: blankWidth + away, towards: y, letters }, say(x)),
    ...measure(1, [0, y], { stand: blankLength + away, towards: x, letters }, say(y)),
  ];
}

function sentencesUnder(panel: Panel, name: string, say: SayLength): string[] {
  const entrance = panel.features.find((feature) => feature.kind === 'entrance');
  const rise = entrance ? holeRise(entrance) : 0;
  const { longPoint, shortPoint } = measuresOf(panel);
  return [
    `${name}, ${say(panel.thickness)} thick. Seen from outside, grain level.`,
    ...(Math.abs(longPoint - shortPoint) > APART
      ? [`Long point ${say(longPoint)}, short point ${say(shortPoint)}.`]
      : []),
    ...(rise > 0 ? [`Bore the entrance ${printAngle(rise)} upwards from outside.`] : []),
  ];
}

/** A panel flat with what is said of it, apart, for pages that set words themselves. */
export interface PanelSheet {
  drawing: Drawing;
  sentences: readonly string[];
  /** How high letters are on it, in ticks. */
  letters: Ticks;
}

/**
 * One panel flat, seen from its outside, its grain level: both faces, every hole and groove, and all measures a maker marks; what is
 * too long to stand at its place is a sentence beginning with the letter that stands there. Lengths in words by `say`.
 */
export function panelSheet(panel: Panel, name: string, say: SayLength): PanelSheet {
  const { blankLength, blankWidth } = measuresOf(panel);
  const letters = Math.max(LEAST_LETTERS, blankLength / ALONG, blankWidth / ACROSS);
  const lines = [...panelLines(panel), ...measures(panel, letters, say)];
  const keyed = new Keyed(lines, letters * 0.9);
  for (const group of holeGroups(panel, say)) keyed.holes(group, say);
  for (const edge of panel.edges) {
    const words = edgeWords(edge);
    if (words === '') continue;
    keyed.edge([at(panel.outline, edge.from), at(panel.outline, edge.to)], words);
  }
  return {
    drawing: { name, shapes: [...lines, ...keyed.tags] },
    sentences: [...sentencesUnder(panel, name, say), ...keyed.sentences],
    letters,
  };
}

/** The same with its sentences under it, as paper and files take it. */
export function panelDrawing(panel: Panel, name: string, say: SayLength): Drawing {
  const { drawing, sentences, letters } = panelSheet(panel, name, say);
  const most = Math.floor(measuresOf(panel).blankLength / (letters * LETTER_WIDE));
  const under = sentences
    .flatMap((sentence) => wrapped(sentence, Math.max(FEWEST, most)))
    .map((words, index) =>
      note([0, -letters * (5 + 1.5 * index)], words, {
        height: letters,
        align: 'start',
        layer: 'note',
      }),
    );
  return { name, shapes: [...drawing.shapes, ...under] };
}

/** A panel at full size for pricking through: edges and holes, no measures. */
export const templateOf = (panel: Panel, name: string): Drawing => ({
  name,
  shapes: panelLines(panel),
});
