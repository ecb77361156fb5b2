import { nearMarks, type TrailMark, tooNear } from '@spare-knot/core/trail';
import L from 'leaflet';
import { useMemo } from 'react';
import { Marker, Polyline } from 'react-leaflet';
import { Sentence } from '../measure/length';
import type { Ground, Placed, Places } from './ground';

/** Pairs that stand nearer to each other than their animal bears. */
export function NearPairs({ placed, places }: { placed: readonly Placed[]; places: Places }) {
  const near = useMemo(() => tooNear(placed), [placed]);
  return near.map(({ boxes: [a, b] }) => {
    const [one, other] = [placed[a], placed[b]].map((box) => places.get(box?.id ?? ''));
    if (!one || !other) return null;
    return (
      <Polyline
        key={`${a} ${b}`}
        positions={[one, other]}
        pathOptions={{ color: '#a8321f', dashArray: '5 4', weight: 3 }}
      />
    );
  });
}

/** Feeders and rivals, and the boxes that hang too near to them. */
export function Marks({
  marks,
  placed,
  places,
  ground,
}: {
  marks: readonly TrailMark[];
  placed: readonly Placed[];
  places: Places;
  ground: Ground;
}) {
  const near = useMemo(() => nearMarks(placed, marks), [placed, marks]);
  return (
    <>
      {marks.map((mark, index) => (
        <Marker
          key={`${index} ${mark.name}`}
          position={ground.spotOf(mark.at)}
          icon={markIcon(mark)}
          interactive={false}
          keyboard={false}
        />
      ))}
      {near.map(({ box, mark }) => {
        const [one, other] = [places.get(placed[box]?.id ?? ''), marks[mark]?.at];
        if (!one || !other) return null;
        return (
          <Polyline
            key={`${box} ${mark}`}
            positions={[one, ground.spotOf(other)]}
            pathOptions={{ color: '#a8321f', dashArray: '5 4', weight: 3 }}
          />
        );
      })}
    </>
  );
}

const markIcon = ({ kind, name }: TrailMark): L.DivIcon => {
  const letter = kind === 'other' ? '•' : kind.charAt(0).toUpperCase();
  const words = document.createElement('span');
  words.textContent = `${letter} `;
  words.title = name;
  words.style.cssText =
    'display:inline-block;font:700 13px sans-serif;background:#fff;border:2px solid #1f2e27;border-radius:4px;padding:0 4px';
  return L.divIcon({ className: '', iconSize: [24, 24], html: words });
};

/** What hangs too near to something, in words: drawings are not for all. */
export function TooNearWords({
  placed,
  marks,
}: {
  placed: readonly Placed[];
  marks: readonly TrailMark[];
}) {
  const likes = useMemo(() => tooNear(placed), [placed]);
  const near = useMemo(() => nearMarks(placed, marks), [placed, marks]);
  const number = (index: number) => placed[index]?.number;
  if (likes.length + near.length === 0) return null;
  return (
    <section aria-label="Too near" className="card mt-3 p-3">
      <h2 className="text-lg">Too near</h2>
      <ul>
        {likes.map(({ boxes: [a, b], why }) => (
          <li key={`${a} ${b}`}>
            Boxes {number(a)} and {number(b)}: <Sentence text={why} />
          </li>
        ))}
        {near.map(({ box, mark, why }) => (
          <li key={`mark ${box} ${mark}`}>
            Box {number(box)}, {marks[mark]?.name}: <Sentence text={why} />
          </li>
        ))}
      </ul>
    </section>
  );
}
