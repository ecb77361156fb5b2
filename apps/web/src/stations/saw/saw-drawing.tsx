import type { SeenAtSaw, SeenLeaf } from '@spare-knot/core/cuts';
import type { Bounds, Point } from '@spare-knot/core/plane';
import { useId } from 'react';
import { patternsOf } from '../../board/bare-wood';
import type { NameOf } from './step-words';

/** Drawn with a millimetre as one unit. */
const TICKS = 320;
/** Room round the piece for fence, stop and blade, as shares of its longer side. */
const MARGIN = 0.06;

const inMm = ([left, top, right, bottom]: Bounds): Bounds => [
  left / TICKS,
  top / TICKS,
  right / TICKS,
  bottom / TICKS,
];

const path = (points: readonly Point[]): string =>
  points.length === 0
    ? ''
    : `M${points.map(([x, y]) => `${(x / TICKS).toFixed(2)} ${(y / TICKS).toFixed(2)}`).join('L')}Z`;

/** The middle of a leaf, for its name. */
function middleOf(outline: readonly Point[]): Point {
  const xs = outline.map(([x]) => x);
  const ys = outline.map(([, y]) => y);
  return [
    (Math.min(...xs) + Math.max(...xs)) / 2 / TICKS,
    (Math.min(...ys) + Math.max(...ys)) / 2 / TICKS,
  ];
}

/** What is no panel: an offcut is named, waste is hatched. */
const OTHERS: Readonly<Record<'offcut' | 'waste', { name?: string; fill?: string }>> = {
  offcut: { name: 'offcut', fill: '#e9dcc0' },
  waste: {},
};

function Leaf({
  leaf: { piece, outline },
  waste,
  nameOf,
  size,
}: {
  leaf: SeenLeaf;
  waste: string;
  nameOf: NameOf;
  size: number;
}) {
  const { is } = piece;
  if (outline.length === 0) return null;
  const isPart = is !== null && typeof is === 'object';
  const xs = outline.map(([x]) => x / TICKS);
  const wide = Math.max(...xs) - Math.min(...xs);
  const words = isPart ? nameOf(is) : (OTHERS[is ?? 'waste'].name ?? '');
  const [x, y] = middleOf(outline);
  return (
    <g>
      <path
        d={path(outline)}
        fill={isPart ? '#f6e6c8' : (OTHERS[is ?? 'waste'].fill ?? `url(#${waste})`)}
        stroke="#8a6a3c"
        strokeWidth={size / 12}
      />
      {words && wide > words.length * size * 0.5 && (
        <text x={x} y={y + size / 3} textAnchor="middle" fontSize={size} fill="#1f2e27">
          {words}
        </text>
      )}
    </g>
  );
}

/** The fence behind the piece, the stop at its left end, and the line of the blade. */
function SawLines({
  seen: { bounds, line, kerf, measured },
  size,
  isRip,
  hasStop,
}: {
  seen: SeenAtSaw;
  size: number;
  isRip: boolean;
  hasStop: boolean;
}) {
  const [left, fence, right] = inMm(bounds);
  const [from, to] = line.map(([x, y]) => [x / TICKS, y / TICKS]);
  const reach = size * 2;
  const beyond = (a: number[], b: number[]) => {
    const run = Math.hypot((a[0] ?? 0) - (b[0] ?? 0), (a[1] ?? 0) - (b[1] ?? 0)) || 1;
    return [0, 1].map((axis) => (a[axis] ?? 0) + (((a[axis] ?? 0) - (b[axis] ?? 0)) / run) * reach);
  };
  const ends = from && to ? [beyond(from, to), beyond(to, from)] : [];
  return (
    <g>
      <rect
        x={left - reach}
        y={fence - size * 1.3}
        width={right - left + 2 * reach}
        height={size * 1.2}
        fill="#33423a"
      />
      <text
        x={right + reach}
        y={fence - size * 1.6}
        textAnchor="end"
        fontSize={size * 0.9}
        fill="#33423a"
      >
        fence
      </text>
      {hasStop && measured && (
        // It stands on the fence and touches the corner there, however far the end leans.
        <rect
          x={measured.from[0] / TICKS - size * 1.4}
          y={fence - size * 0.1}
          width={size * 1.4}
          height={size * 0.8}
          fill="#1d5a96"
        />
      )}
      <path d={path(kerf)} fill="#a8321f" opacity={0.85} />
      {ends.length === 2 && (
        <line
          x1={ends[0]?.[0]}
          y1={ends[0]?.[1]}
          x2={ends[1]?.[0]}
          y2={ends[1]?.[1]}
          stroke="#a8321f"
          strokeWidth={size / 8}
          strokeDasharray={isRip ? undefined : `${size * 0.6} ${size * 0.4}`}
        />
      )}
    </g>
  );
}

/** The number to set where it is measured: along the fence to the blade, or from the fence to it. */
function Dimension({ seen: { bounds, measured }, size, isRip, words }: DimensionProps) {
  if (!measured) return null;
  const shared = { stroke: '#1d5a96', strokeWidth: size / 7, fill: 'none' };
  const text = { fontSize: size, fontWeight: 700, fill: '#1d5a96' };
  const [from, to] = [measured.from, measured.to].map(([x, y]) => [x / TICKS, y / TICKS] as const);
  if (!from || !to) return null;
  if (isRip) {
    const x = bounds[2] / TICKS + size * 1.2;
    const ends = `M${x - size / 2} ${from[1]}h${size}M${x - size / 2} ${to[1]}h${size}`;
    return (
      <g>
        <path d={`M${x} ${from[1]}V${to[1]}${ends}`} {...shared} />
        <text x={x + size} y={(from[1] + to[1]) / 2 + size / 3} {...text}>
          {words}
        </text>
      </g>
    );
  }
  const y = from[1] - size * 2.4;
  const ends = `M${from[0]} ${y - size / 2}v${size}M${to[0]} ${y - size / 2}v${size}`;
  return (
    <g>
      <path d={`M${from[0]} ${y}H${to[0]}${ends}`} {...shared} />
      <text x={(from[0] + to[0]) / 2} y={y - size * 0.5} textAnchor="middle" {...text}>
        {words}
      </text>
    </g>
  );
}

interface DimensionProps {
  seen: SeenAtSaw;
  size: number;
  isRip: boolean;
  words: string;
}

/** The piece in hand as it lies at the saw: the maker stands below, the fence is behind. */
export function SawDrawing({
  seen,
  isRip,
  hasStop,
  nameOf,
  label,
  dimension,
}: {
  seen: SeenAtSaw;
  isRip: boolean;
  hasStop: boolean;
  /** What is set, as it is measured; null where there is nothing to measure. */
  dimension: string | null;
  nameOf: NameOf;
  label: string;
}) {
  const { waste } = patternsOf(useId());
  const [left, top, right, bottom] = inMm(seen.bounds);
  // As the card is: more than twice as long as high.
  const longer = Math.max(right - left, (bottom - top) * 2.4);
  const size = longer / 34;
  const room = Math.max(longer * MARGIN, size * 3);
  // A rip's number stands at the right.
  const beside = isRip ? size * 5 : 0;
  const box = [
    left - room,
    top - room - size * 1.5,
    right - left + 2 * room + beside,
    bottom - top + 2 * room + size * 1.5,
  ];
  return (
    <svg viewBox={box.join(' ')} role="img" aria-label={label} className="h-full w-full">
      <defs>
        <pattern
          id={waste}
          width={size}
          height={size}
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <rect width={size} height={size} fill="#d8c09a" />
          <path d={`M0 0V${size}`} stroke="#a88a5c" strokeWidth={size / 4} />
        </pattern>
      </defs>
      <path
        d={path(seen.lower)}
        fill="none"
        stroke="#8a6a3c"
        strokeDasharray={`${size / 2} ${size / 3}`}
        strokeWidth={size / 10}
      />
      <path d={path(seen.upper)} fill="#edd2ad" stroke="#6b4f28" strokeWidth={size / 6} />
      {seen.leaves.map((leaf) => (
        <Leaf key={leaf.piece.id} leaf={leaf} waste={waste} nameOf={nameOf} size={size} />
      ))}
      <path d={path(seen.upper)} fill="none" stroke="#6b4f28" strokeWidth={size / 6} />
      <SawLines seen={seen} size={size} isRip={isRip} hasStop={hasStop} />
      {dimension && <Dimension seen={seen} size={size} isRip={isRip} words={dimension} />}
    </svg>
  );
}
