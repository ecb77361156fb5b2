import type { Ticks } from '@spare-knot/core/measure';
import { zoneBounds } from '@spare-knot/core/plane';
import { DEFECT_NAMES, type Defect, type DefectKind } from '@spare-knot/core/wood';

import type { ReactNode } from 'react';

/** Where a defect is drawn: the middle and half sizes of what it takes up, in pixels. */
interface Place {
  cx: number;
  cy: number;
  rx: number;
  ry: number;
}

interface Look {
  fill: string;
  stroke?: string;
  width?: number;
  dash?: string;
  opacity?: number;
}

const inked = ({ fill, stroke, width, dash, opacity }: Look) => ({
  fill,
  ...(stroke !== undefined && { stroke }),
  ...(width !== undefined && { strokeWidth: width }),
  ...(dash !== undefined && { strokeDasharray: dash }),
  ...(opacity !== undefined && { fillOpacity: opacity }),
});

function Ring({
  at: { cx, cy, rx, ry },
  share = 1,
  look,
}: {
  at: Place;
  share?: number;
  look: Look;
}) {
  return <ellipse cx={cx} cy={cy} rx={rx * share} ry={ry * share} {...inked(look)} />;
}

function Block({ at: { cx, cy, rx, ry }, look }: { at: Place; look: Look }) {
  return <rect x={cx - rx} y={cy - ry} width={2 * rx} height={2 * ry} {...inked(look)} />;
}

/** A crack that runs to and fro along its length. */
function Crack({ at: { cx, cy, rx, ry } }: { at: Place }) {
  const step = rx / 4;
  const turns = Array.from({ length: 8 }, (_unused, index) => {
    const side = index % 2 === 0 ? -ry : ry;
    return `L${(cx - rx + (index + 1) * step).toFixed(1)} ${(cy + side * 0.45).toFixed(1)}`;
  });
  return (
    <path d={`M${cx - rx} ${cy}${turns.join('')}`} fill="none" stroke="#3a2210" strokeWidth="1.6" />
  );
}

const LOOKS: Record<DefectKind, (at: Place) => ReactNode> = {
  'knot-sound': (at) => (
    <>
      <Ring at={at} look={{ fill: '#a9713a', stroke: '#7a4a1f', width: 1 }} />
      <Ring at={at} share={0.6} look={{ fill: 'none', stroke: '#7a4a1f', width: 0.8 }} />
      <Ring at={at} share={0.25} look={{ fill: '#6b3f18' }} />
    </>
  ),
  'knot-loose': (at) => (
    <>
      <Ring at={at} look={{ fill: '#6b4422', stroke: '#24160a', width: 2 }} />
      <Ring at={at} share={0.5} look={{ fill: 'none', stroke: '#24160a', width: 0.8 }} />
    </>
  ),
  split: (at) => (
    <>
      <Block
        at={at}
        look={{ fill: '#a8321f', opacity: 0.12, stroke: '#a8321f', width: 0.7, dash: '3 2' }}
      />
      <Crack at={at} />
    </>
  ),
  nail: ({ cx, cy, rx }) => (
    <>
      <circle
        cx={cx}
        cy={cy}
        r={Math.max(3, rx)}
        fill="#4b5560"
        stroke="#1e242a"
        strokeWidth=".8"
      />
      <path d={`M${cx - 2} ${cy}h4M${cx} ${cy - 2}v4`} stroke="#e5e9ed" strokeWidth=".9" />
    </>
  ),
  hole: (at) => <Ring at={at} look={{ fill: '#24160a' }} />,
  rot: (at) => (
    <Ring
      at={at}
      look={{ fill: '#5d5238', opacity: 0.85, stroke: '#37301e', width: 1, dash: '2 2' }}
    />
  ),
  wane: (at) => (
    <Block at={at} look={{ fill: '#6e4d2a', opacity: 0.65, stroke: '#3f2a12', width: 0.8 }} />
  ),
};

/** Wood that is missing in another shape than a round: its outline. */
function MissingPart({
  points,
  scale,
  boardWidth,
}: {
  points: readonly (readonly [number, number])[];
  scale: number;
  boardWidth: Ticks;
}) {
  const corners = points.map(([x, y]) => `${x * scale},${(boardWidth - y) * scale}`);
  return (
    <polygon
      points={corners.join(' ')}
      fill="#f3eee2"
      stroke="#6b4c26"
      strokeWidth="1.2"
      strokeDasharray="5 3"
    />
  );
}

/** A defect as it looks in the wood, never smaller than the eye can find. */
export function DefectMark({
  defect,
  scale,
  boardWidth,
  selected = false,
}: {
  defect: Defect;
  scale: number;
  boardWidth: Ticks;
  selected?: boolean;
}) {
  const [left, bottom, right, top] = zoneBounds(defect.zone);
  const at: Place = {
    cx: ((left + right) / 2) * scale,
    cy: (boardWidth - (bottom + top) / 2) * scale,
    rx: Math.max(2.2, ((right - left) / 2) * scale),
    ry: Math.max(2.2, ((top - bottom) / 2) * scale),
  };
  const { kind, zone } = defect;
  return (
    <g data-defect={kind}>
      <title>{DEFECT_NAMES[kind]}</title>
      {kind === 'hole' && zone.kind === 'polygon' ? (
        <MissingPart points={zone.points} scale={scale} boardWidth={boardWidth} />
      ) : (
        LOOKS[kind](at)
      )}
      {selected && (
        <rect
          x={at.cx - at.rx - 4}
          y={at.cy - at.ry - 4}
          width={2 * at.rx + 8}
          height={2 * at.ry + 8}
          fill="none"
          stroke="#1d5a96"
          strokeWidth="2"
          strokeDasharray="4 3"
        />
      )}
    </g>
  );
}
