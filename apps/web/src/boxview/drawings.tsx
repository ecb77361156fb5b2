import type { Family } from '@spare-knot/core/families';
import type { Ticks } from '@spare-knot/core/measure';
import type { PanelSet } from '@spare-knot/core/panels';
import type { BoxPlan } from '@spare-knot/core/plan';
import {
  behindSection,
  type DrawnFace,
  frontView,
  middleSection,
  sectionX,
} from '@spare-knot/core/sheets';
import type { Text } from '@spare-knot/core/text';

import { memo, type ReactNode, useMemo } from 'react';
import { LengthField } from '../measure/length-field';
import { cutFeatures } from './cut-features';
import { extentOf, layOutDimensions, type PlacedDimension } from './dimension-layout';

interface Props {
  family: Family;
  /** The plan as it stands, whose sizes are edited. */
  plan: BoxPlan;
  /** The plan and the box that are drawn: the last sound ones. */
  drawn: { plan: BoxPlan; box: PanelSet };
  width: number;
  height: number;
  problems: ReadonlyMap<string, Text>;
  locked: boolean;
  onSize: (id: string, ticks: Ticks) => void;
}

const PANEL_FILL: Record<string, string> = {
  roof: '#c58f50',
  floor: '#d7ae76',
  front: '#edd2ad',
  back: '#dcb784',
  partition: '#e0bd8c',
  middle: '#e0bd8c',
  post: '#d2a76d',
  batten: '#d2a76d',
  lid: '#d2a76d',
  spacer: '#cfa468',
  cleat: '#cfa468',
  slab: '#d9b078',
};
const fillOf = (panel: string) => PANEL_FILL[panel.split('-')[0] ?? panel] ?? '#e4c396';

type ToScreen = (value: number) => number;
type View = ReturnType<typeof viewOf>;

/** Everything on the two views, and where it stands. */
function viewOf({
  family,
  drawn,
  width,
  height,
}: Pick<Props, 'family' | 'drawn' | 'width' | 'height'>) {
  const { plan, box } = drawn;
  const front = frontView(box);
  const cut = middleSection(box);
  const behind = behindSection(box);
  const placed = layOutDimensions(
    family.dimensions(plan, box),
    extentOf(front),
    extentOf([...cut, ...behind]),
    width,
    height,
  );
  return { ...placed, front, cut, behind, box, features: cutFeatures(box.panels, sectionX(box)) };
}

const corners = (points: DrawnFace['points'], x: ToScreen, y: ToScreen): string =>
  points.map(([across, z]) => `${x(across).toFixed(1)},${y(z).toFixed(1)}`).join(' ');

/** Where floors lie behind the front. */
const floorsOf = (box: PanelSet) =>
  box.panels
    .filter(({ role }) => role === 'floor')
    .flatMap(({ instances }) => instances)
    .map(({ solid }) =>
      extentOf([{ panel: 'floor', points: solid.vertices.map(([x, , z]) => [x, z] as const) }]),
    );

/** Holes in the front. */
const holesIn = ({ openings }: PanelSet) =>
  openings.filter(
    ({ kind, polygon }) =>
      (kind === 'entrance' || kind === 'vent-hole') && polygon.every(([, y]) => Math.abs(y) <= 2),
  );

function Front({ view: { front, box, frontX, frontY, scale } }: { view: View }) {
  return (
    <>
      {front.map((face, index) => (
        <polygon
          key={index}
          points={corners(face.points, frontX, frontY)}
          fill={fillOf(face.panel)}
        />
      ))}
      {floorsOf(box).map(({ left, right, low, high }) => (
        <rect
          key={low}
          x={frontX(left)}
          y={frontY(high)}
          width={(right - left) * scale}
          height={(high - low) * scale}
          fill="none"
          strokeDasharray="5 4"
          strokeWidth=".9"
        />
      ))}
      {holesIn(box).map(({ polygon }, index) => (
        <polygon
          key={index}
          points={corners(
            polygon.map(([x, , z]) => [x, z] as const),
            frontX,
            frontY,
          )}
          fill="#3a2a1a"
        />
      ))}
    </>
  );
}

const pipesOf = ({ fittings = [] }: PanelSet) =>
  fittings.flatMap((fitting) => (fitting.kind === 'pipe' ? [fitting] : []));

function Section({ view }: { view: View }) {
  const { cut, behind, box, features, acrossX, acrossY, scale } = view;
  return (
    <>
      {behind.map((face, index) => (
        <polygon
          key={index}
          points={corners(face.points, acrossX, acrossY)}
          fill="#f8eedb"
          strokeWidth=".8"
          stroke="#a98b5d"
        />
      ))}
      {cut.map((face, index) => (
        <polygon
          key={`${face.panel} ${index}`}
          points={corners(face.points, acrossX, acrossY)}
          fill={fillOf(face.panel)}
        />
      ))}
      {pipesOf(box).map(({ from, to, outside }) => (
        <path
          key={from[2]}
          d={`M${acrossX(from[1])} ${acrossY(from[2])}L${acrossX(to[1])} ${acrossY(to[2])}`}
          strokeWidth={outside * scale}
          stroke="#c9d2d6"
          fill="none"
        />
      ))}
      {features.map(({ y, z, deep, high, hole }) => (
        <rect
          key={`${y} ${z} ${high}`}
          x={acrossX(y)}
          y={acrossY(z)}
          width={deep * scale}
          height={Math.max(high * scale, 0.8)}
          fill={hole ? '#fcfaf4' : '#3b2a14'}
          strokeWidth={hole ? 0.9 : 0}
        />
      ))}
    </>
  );
}

function DimensionLines({ dimensions }: Pick<View, 'dimensions'>) {
  return dimensions.map((dimension) => (
    <g key={dimension.size}>
      {dimension.witness.map(([x1, y1, x2, y2], index) => (
        <line key={index} x1={x1} y1={y1} x2={x2} y2={y2} strokeDasharray="2 3" strokeWidth=".8" />
      ))}
      <line
        x1={dimension.from[0]}
        y1={dimension.from[1]}
        x2={dimension.to[0]}
        y2={dimension.to[1]}
      />
      {dimension.witness.length > 0 && <Ends dimension={dimension} />}
    </g>
  ));
}

/** The two views themselves: drawn anew only when the box or the room for it changes. */
const Views = memo(function Views({ view, width }: { view: View; width: number }) {
  return (
    <svg
      width={width}
      height={view.height}
      role="img"
      aria-label="Front view and section through the middle of the box"
      className="absolute inset-0"
    >
      <Caption at={view.captions.front}>Front</Caption>
      <Caption at={view.captions.section}>Cut through the middle</Caption>
      <g stroke="#3b2a14" strokeWidth="1.1" strokeLinejoin="round">
        <Front view={view} />
        <Section view={view} />
      </g>
      <g stroke="#7c756a" strokeWidth="1">
        <DimensionLines dimensions={view.dimensions} />
      </g>
    </svg>
  );
});

/** Front and section of a box, to one scale, with the sizes to edit on them. */
export function Drawings({ family, plan, drawn, width, height, problems, locked, onSize }: Props) {
  const view = useMemo(
    () => viewOf({ family, drawn, width, height }),
    [drawn, family, width, height],
  );
  const labelOf = (size: string) => family.parameters.find(({ id }) => id === size)?.label ?? size;
  return (
    <div className="relative" style={{ width, height: view.height }}>
      <Views view={view} width={width} />
      {view.dimensions.map(({ size, at }) => (
        <At key={size} at={at} width={width}>
          <LengthField
            hideLabel
            label={labelOf(size)}
            value={plan.sizes[size] ?? 0}
            problem={problems.get(size) ?? null}
            disabled={locked}
            className="w-[92px] text-center !min-h-7 !px-1 font-semibold !text-chalk"
            onChange={(ticks) => onSize(size, ticks)}
          />
        </At>
      ))}
    </div>
  );
}

const Caption = ({ at: [x, y], children }: { at: readonly [number, number]; children: string }) => (
  <text
    x={x}
    y={y}
    textAnchor="middle"
    className="font-slab"
    fontSize="14"
    fontWeight="650"
    fill="#1f2e27"
  >
    {children}
  </text>
);

function Ends({ dimension: { from, to } }: { dimension: PlacedDimension }) {
  const vertical = Math.abs(from[0] - to[0]) < 0.5;
  return (
    <path
      d={
        vertical
          ? `M${from[0] - 4} ${from[1]}h8M${to[0] - 4} ${to[1]}h8`
          : `M${from[0]} ${from[1] - 4}v8M${to[0]} ${to[1] - 4}v8`
      }
      strokeWidth="1.2"
    />
  );
}

function At({
  at,
  width,
  children,
}: {
  at: readonly [number, number];
  width: number;
  children: ReactNode;
}) {
  return (
    <div
      className="absolute -translate-x-1/2 -translate-y-1/2"
      style={{ left: Math.min(Math.max(at[0], 40), width - 40), top: at[1] }}
    >
      {children}
    </div>
  );
}
