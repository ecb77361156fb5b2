import type { Family } from '@spare-knot/core/families';
import { must } from '@spare-knot/core/lists';
import type { Ticks } from '@spare-knot/core/measure';
import { holeSize, type Panel, type PanelSet } from '@spare-knot/core/panels';
import type { BoxPlan, Parameter } from '@spare-knot/core/plan';
import {
  behindSection,
  type DrawnFace,
  frontView,
  middleSection,
  sectionX,
} from '@spare-knot/core/sheets';
import type { Text } from '@spare-knot/core/text';

import { type ReactNode, useMemo } from 'react';
import { LengthField } from '../measure/length-field';
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

interface CutFeature {
  y: number;
  z: number;
  deep: number;
  high: number;
  hole: boolean;
}

/** Holes and grooves of upright panels that the cut at `x` goes through: rectangles across y and z, in ticks. */
function cutFeatures(panels: readonly Panel[], x: Ticks): CutFeature[] {
  return panels.flatMap((panel) =>
    panel.instances.flatMap((instance) => {
      const { frame, outsideNormal } = instance;
      const n = outsideNormal[1];
      if (Math.abs(n) < 0.999) return [];
      const outside = frame.origin[1];
      const inside = outside - n * panel.thickness;
      // The frame's y in box space: outsideNormal × x.
      const yAxis = [n * frame.x[2], 0, -n * frame.x[0]] as const;
      const toScreen = ([u, v]: readonly [number, number]) => ({
        x: frame.origin[0] + u * frame.x[0] + v * yAxis[0],
        z: frame.origin[2] + u * frame.x[2] + v * yAxis[2],
      });
      const upright = Math.abs(frame.x[2]) > 0.5;
      return panel.features.flatMap((feature): CutFeature[] => {
        const size = holeSize(feature);
        if (
          size &&
          'centre' in feature &&
          (feature.kind === 'entrance' || feature.kind === 'vent')
        ) {
          const middle = toScreen(feature.centre);
          const [wide, high] = upright ? [size.width, size.height] : [size.height, size.width];
          if (Math.abs(middle.x - x) > wide / 2) return [];
          return [
            {
              y: Math.min(outside, inside),
              z: middle.z + high / 2,
              deep: panel.thickness,
              high,
              hole: true,
            },
          ];
        }
        if (feature.kind !== 'groove') return [];
        const [from, to] = [toScreen(feature.from), toScreen(feature.to)];
        if (Math.min(from.x, to.x) > x || Math.max(from.x, to.x) < x) return [];
        const face = feature.face === 'inside' ? inside : outside;
        const into = feature.face === 'inside' ? n : -n;
        return [
          {
            y: Math.min(face, face + into * feature.depth),
            z: from.z + feature.width / 2,
            deep: feature.depth,
            high: feature.width,
            hole: false,
          },
        ];
      });
    }),
  );
}

/** Front and section of a box, to one scale, with the sizes to edit on them. */
export function Drawings({ family, plan, drawn, width, height, problems, locked, onSize }: Props) {
  const view = useMemo(() => {
    const front = frontView(drawn.box);
    const cut = middleSection(drawn.box);
    const behind = behindSection(drawn.box);
    const a = extentOf(front);
    const b = extentOf([...cut, ...behind]);
    return {
      front,
      cut,
      behind,
      ...layOutDimensions(family.dimensions(drawn.plan, drawn.box), a, b, width, height),
      features: cutFeatures(drawn.box.panels, sectionX(drawn.box)),
    };
  }, [drawn, family, width, height]);
  const {
    front,
    cut,
    behind,
    frontX,
    frontY,
    acrossX,
    acrossY,
    scale,
    captions,
    dimensions,
    features,
  } = view;
  const { box } = drawn;
  const pipes = (box.fittings ?? []).flatMap((fitting) =>
    fitting.kind === 'pipe' ? [fitting] : [],
  );
  const parameter = (id: string): Parameter =>
    must(
      family.parameters.find((each) => each.id === id),
      'one of the parameters',
    );
  const poly = (
    points: DrawnFace['points'],
    x: (value: number) => number,
    y: (value: number) => number,
  ) => points.map(([across, z]) => `${x(across).toFixed(1)},${y(z).toFixed(1)}`).join(' ');
  const inFront = (points: DrawnFace['points']) => poly(points, frontX, frontY);
  const inSection = (points: DrawnFace['points']) => poly(points, acrossX, acrossY);
  const floors = box.panels
    .filter((panel) => panel.role === 'floor')
    .flatMap((panel) =>
      panel.instances.map(({ solid }) =>
        extentOf([
          {
            panel: 'floor',
            points: solid.vertices.map((vertex) => [vertex[0], vertex[2]] as const),
          },
        ]),
      ),
    );

  return (
    <div className="relative" style={{ width, height: view.height }}>
      <svg
        width={width}
        height={view.height}
        role="img"
        aria-label="Front view and section through the middle of the box"
        className="absolute inset-0"
      >
        <Caption at={captions.front}>Front</Caption>
        <Caption at={captions.section}>Cut through the middle</Caption>
        <g stroke="#3b2a14" strokeWidth="1.1" strokeLinejoin="round">
          {front.map((face, index) => (
            <polygon key={index} points={inFront(face.points)} fill={fillOf(face.panel)} />
          ))}
          {floors.map((floor) => (
            <rect
              key={floor.low}
              x={frontX(floor.left)}
              y={frontY(floor.high)}
              width={(floor.right - floor.left) * scale}
              height={(floor.high - floor.low) * scale}
              fill="none"
              strokeDasharray="5 4"
              strokeWidth=".9"
            />
          ))}
          {box.openings
            .filter(
              (opening) =>
                (opening.kind === 'entrance' || opening.kind === 'vent-hole') &&
                opening.polygon.every((point) => Math.abs(point[1]) <= 2),
            )
            .map((opening, index) => (
              <polygon
                key={index}
                points={inFront(opening.polygon.map((point) => [point[0], point[2]] as const))}
                fill="#3a2a1a"
              />
            ))}
          {behind.map((face, index) => (
            <polygon
              key={index}
              points={inSection(face.points)}
              fill="#f8eedb"
              strokeWidth=".8"
              stroke="#a98b5d"
            />
          ))}
          {cut.map((face, index) => (
            <polygon
              key={`${face.panel} ${index}`}
              points={inSection(face.points)}
              fill={fillOf(face.panel)}
            />
          ))}
          {pipes.map(({ from, to, outside }) => (
            <rect
              key={from[2]}
              x={acrossX(from[1])}
              y={acrossY(from[2] + outside / 2)}
              width={(to[1] - from[1]) * scale}
              height={outside * scale}
              fill="#c9d2d6"
            />
          ))}
          {features.map((feature) => (
            <rect
              key={`${feature.y} ${feature.z} ${feature.high}`}
              x={acrossX(feature.y)}
              y={acrossY(feature.z)}
              width={feature.deep * scale}
              height={Math.max(feature.high * scale, 0.8)}
              fill={feature.hole ? '#fcfaf4' : '#3b2a14'}
              strokeWidth={feature.hole ? 0.9 : 0}
            />
          ))}
        </g>
        <g stroke="#7c756a" strokeWidth="1">
          {dimensions.map((dimension) => (
            <g key={dimension.size}>
              {dimension.witness.map(([x1, y1, x2, y2], index) => (
                <line
                  key={index}
                  x1={x1}
                  y1={y1}
                  x2={x2}
                  y2={y2}
                  strokeDasharray="2 3"
                  strokeWidth=".8"
                />
              ))}
              <line
                x1={dimension.from[0]}
                y1={dimension.from[1]}
                x2={dimension.to[0]}
                y2={dimension.to[1]}
              />
              {dimension.witness.length > 0 && <Ends dimension={dimension} />}
            </g>
          ))}
        </g>
      </svg>
      {dimensions.map((dimension) => (
        <At key={dimension.size} at={dimension.at} width={width}>
          <LengthField
            hideLabel
            label={parameter(dimension.size).label}
            value={plan.sizes[dimension.size] ?? 0}
            problem={problems.get(dimension.size) ?? null}
            disabled={locked}
            className="w-[92px] text-center !min-h-7 !px-1 font-semibold !text-chalk"
            onChange={(ticks) => onSize(dimension.size, ticks)}
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
