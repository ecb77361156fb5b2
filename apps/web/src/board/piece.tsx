import type { Part, Placement } from '@spare-knot/core/job';
import { placePart } from '@spare-knot/core/layout';
import type { Ticks } from '@spare-knot/core/measure';
import { type Point, type Zone, zoneBounds } from '@spare-knot/core/plane';

import { memo, type SVGProps } from 'react';
import { clearWidth, type HoleBounds } from './fit-words';
import { WordsInRegion } from './words-in-region';

/** A piece that can be taken hold of: by the mouse, a finger or the keyboard. */
export interface PieceInHand {
  label: string;
  pinned: boolean;
  selected: boolean;
  on: Pick<
    SVGProps<SVGGElement>,
    'onPointerDown' | 'onPointerMove' | 'onPointerUp' | 'onPointerCancel' | 'onKeyDown' | 'onFocus'
  >;
}

/** How a board is drawn: pixels for a tick, and its width, from which heights are counted downwards. */
export interface DrawnBoard {
  scale: number;
  width: Ticks;
  /** The pattern of rough wood, by its id on the page. */
  rough: string;
}

/** The two faces are drawn apart where a corner differs by more than half a millimetre. */
const APART = 160;

const pointsAttribute = (corners: readonly Point[], { scale, width }: DrawnBoard): string =>
  corners
    .map(([x, y]) => `${(x * scale).toFixed(2)},${((width - y) * scale).toFixed(2)}`)
    .join(' ');

const isApart = (a: readonly Point[], b: readonly Point[]): boolean =>
  a.some(([x, y]) => !b.some(([u, v]) => Math.hypot(x - u, y - v) < APART));

function CutAway({ zone, drawn: { scale, width } }: { zone: Zone; drawn: DrawnBoard }) {
  if (zone.kind === 'polygon') return null;
  if (zone.kind === 'rect')
    return (
      <rect
        x={zone.corner[0] * scale}
        y={(width - zone.corner[1] - zone.height) * scale}
        width={zone.width * scale}
        height={zone.height * scale}
        fill="#c79a63"
        fillOpacity=".45"
        stroke="#2c2013"
      />
    );
  const [x, y] = zone.centre;
  const [cx, cy, r] = [x * scale, (width - y) * scale, zone.radius * scale];
  return (
    <g fill="none" stroke="#2c2013">
      <circle cx={cx} cy={cy} r={r} strokeWidth="1" fill="#c79a63" fillOpacity=".45" />
      <path
        d={`M${cx - r - 3} ${cy}h${2 * r + 6}M${cx} ${cy - r - 3}v${2 * r + 6}`}
        strokeWidth=".6"
      />
    </g>
  );
}

const holeBounds = (zone: Zone, { scale, width }: DrawnBoard): HoleBounds => {
  const [left, bottom, right, top] = zoneBounds(zone);
  return [left * scale, (width - top) * scale, right * scale, (width - bottom) * scale];
};

/** One panel on its board: both faces, what is cut out of it, and its name where there is room. Drawn anew only when it changes. */
export const PieceFace = memo(function PieceFace({
  part,
  placement,
  drawn,
  isRoughUp,
  lines,
  selected,
  pinned,
}: {
  part: Part;
  placement: Placement;
  drawn: DrawnBoard;
  isRoughUp: boolean;
  /** Its name and what else is said on it. */
  lines: readonly string[];
  selected: boolean;
  pinned: boolean;
}) {
  const { scale, width } = drawn;
  const placed = placePart(part, placement);
  const [left, bottom, right, top] = placed.bounds;
  const [from, to] = clearWidth(placed.faceA, bottom, top) ?? [left, right];
  const face = pointsAttribute(placed.faceA, drawn);
  return (
    <>
      <polygon
        points={face}
        fill={selected ? '#e2edf7' : '#f2dcbc'}
        stroke={selected ? '#1d5a96' : '#2c2013'}
        strokeWidth={selected ? 2.4 : 1.1}
        strokeLinejoin="round"
      />
      {isRoughUp && <polygon points={face} fill={`url(#${drawn.rough})`} />}
      {isApart(placed.faceA, placed.faceB) && (
        <polygon
          points={pointsAttribute(placed.faceB, drawn)}
          fill="none"
          stroke="#2c2013"
          strokeWidth=".7"
          strokeDasharray="3 2"
        />
      )}
      {placed.cutAway.map((zone, index) => (
        <CutAway key={index} zone={zone} drawn={drawn} />
      ))}
      <WordsInRegion
        region={{
          x: ((from + to) / 2) * scale,
          y: (width - (bottom + top) / 2) * scale,
          width: (to - from) * scale,
          height: (top - bottom) * scale,
        }}
        holes={placed.cutAway.map((zone) => holeBounds(zone, drawn))}
        lines={lines}
        fill="#1f1609"
      />
      {pinned && (
        <circle
          cx={left * scale + 8}
          cy={(width - top) * scale + 8}
          r="4.2"
          fill="#a8321f"
          stroke="#fff"
          strokeWidth="1"
        />
      )}
    </>
  );
});
