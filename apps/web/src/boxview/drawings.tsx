import { behindSection, type DrawnFace, frontView, middleSection } from '@spare-knot/core/box/drawing.js';
import type { Family, Parameter } from '@spare-knot/core/box/family.js';
import type { PanelSet } from '@spare-knot/core/box/panel-set.js';
import type { BoxPlan } from '@spare-knot/core/box/plan.js';
import type { Ticks } from '@spare-knot/core/measure/ticks.js';
import { type ReactNode, useMemo } from 'react';
import { LengthField } from '../measure/length-field';

interface Props {
  family: Family;
  /** The plan as it stands, whose sizes are edited. */
  plan: BoxPlan;
  /** The plan and the box that are drawn: the last sound ones. */
  drawn: { plan: BoxPlan; box: PanelSet };
  width: number;
  height: number;
  problems: ReadonlyMap<string, string>;
  locked: boolean;
  onSize: (id: string, ticks: Ticks) => void;
}

const PANEL_FILL: Record<string, string> = { roof: '#c58f50', floor: '#d7ae76', front: '#edd2ad', back: '#dcb784' };
const fillOf = (panel: string) => PANEL_FILL[panel] ?? '#e4c396';

interface Extent {
  left: number;
  right: number;
  low: number;
  high: number;
}

function extentOf(faces: readonly DrawnFace[]): Extent {
  const all = faces.flatMap((face) => face.points);
  const xs = all.map((point) => point[0]);
  const ys = all.map((point) => point[1]);
  return { left: Math.min(...xs), right: Math.max(...xs), low: Math.min(...ys), high: Math.max(...ys) };
}

/** A dimension line with its size, which is edited where it stands. */
interface Dimension {
  id: string;
  from: readonly [number, number];
  to: readonly [number, number];
  /** Where the field's middle stands. */
  at: readonly [number, number];
  /** Witness lines from the thing measured. */
  witness?: readonly (readonly [number, number, number, number])[];
}

/** Front and section of a box, to one scale, with the sizes to edit on them. */
export function Drawings({ family, plan, drawn, width, height, problems, locked, onSize }: Props) {
  const view = useMemo(() => {
    const front = frontView(drawn.box);
    const cut = middleSection(drawn.box);
    const behind = behindSection(drawn.box);
    const a = extentOf(front);
    const b = extentOf([...cut, ...behind]);
    const margin = { left: 100, middle: 168, right: 104, top: 78, bottom: 62 };
    const scale = Math.min(
      (width - margin.left - margin.middle - margin.right) / (a.right - a.left + b.right - b.left),
      (height - margin.top - margin.bottom) / (Math.max(a.high, b.high) - Math.min(a.low, b.low)),
    );
    const slack = width - margin.left - margin.middle - margin.right - (a.right - a.left + b.right - b.left) * scale;
    const base = margin.top + Math.max(a.high, b.high) * scale;
    const frontX = (x: number) => margin.left + slack * 0.3 + (x - a.left) * scale;
    const sectionX = (y: number) => margin.left + slack * 0.75 + (a.right - a.left) * scale + margin.middle + (y - b.left) * scale;
    const toY = (z: number) => base - z * scale;
    return { front, cut, behind, a, b, frontX, sectionX, toY, scale };
  }, [drawn.box, width, height]);
  const { front, cut, behind, a, b, frontX, sectionX, toY, scale } = view;

  const { box } = drawn;
  const cavity = box.cavities[0]!;
  const schools = drawn.plan.schools;
  const side = box.panels.find((panel) => panel.role === 'side-left')!.instances[0]!.solid.vertices;
  const sideFrom = Math.min(...side.map((vertex) => vertex[1]));
  const sideTo = Math.max(...side.map((vertex) => vertex[1]));
  const sideLow = Math.min(...side.map((vertex) => vertex[2]));
  const heightAt = (y: number) => Math.max(...side.filter((vertex) => vertex[1] === y).map((vertex) => vertex[2]));
  const outside = schools.measure === 'outside';
  const wood = (role: string) => drawn.plan.wood[role]?.thickness ?? 0;
  const half = cavity.width / 2;
  const [widthFrom, widthTo] = outside ? [-half - wood('side-left'), half + wood('side-right')] : [-half, half];
  const [depthFrom, depthTo] = outside ? [-wood('front'), cavity.depth + wood('back')] : [0, cavity.depth];
  const entrance = box.panels.flatMap((panel) => panel.features).find((feature) => feature.kind === 'entrance');
  const entranceWide = entrance?.kind === 'entrance' ? (entrance.shape === 'round' ? entrance.diameter : entrance.width) : 0;
  const entranceHigh = entrance?.kind === 'entrance' ? (entrance.shape === 'round' ? entrance.diameter : entrance.height) : 0;
  const centre = cavity.sill + entranceHigh / 2;
  const entranceTo = schools.entranceTo === 'sill' ? cavity.sill : centre;
  const belowFront = toY(a.low) + 18;
  const belowSection = toY(b.low) + 18;
  const leftOfFront = frontX(a.left) - 34;
  const leftOfSection = sectionX(b.left) - 20;
  const rightOfSection = sectionX(b.right) + 18;
  const overhangFrom = -wood('front') - (drawn.plan.sizes.overhangFront ?? 0);

  const vertical = (id: string, x: number, low: number, high: number, from: number): Dimension => ({
    id,
    from: [x, toY(low)],
    to: [x, toY(high)],
    at: [x, (toY(low) + toY(high)) / 2],
    witness: [
      [from, toY(low), x, toY(low)],
      [from, toY(high), x, toY(high)],
    ],
  });
  const level = (id: string, y: number, from: number, to: number, at: number): Dimension => ({
    id,
    from: [from, y],
    to: [to, y],
    at: [(from + to) / 2, y + 16],
    witness: [
      [from, at, from, y],
      [to, at, to, y],
    ],
  });
  const dimensions: Dimension[] = [
    level('width', belowFront, frontX(widthFrom), frontX(widthTo), toY(sideLow)),
    vertical('entranceHeight', leftOfFront, 0, entranceTo, frontX(-half)),
    vertical('frontAboveFloor', leftOfFront, 0, cavity.sill, frontX(-half)),
    level('depth', belowSection, sectionX(depthFrom), sectionX(depthTo), toY(sideLow)),
    vertical('frontHeight', leftOfSection, sideLow, heightAt(sideFrom), sectionX(sideFrom)),
    ...(schools.roof !== 'flat' && schools.slope === 'heights'
      ? [vertical('backHeight', rightOfSection + 28, sideLow, heightAt(sideTo), sectionX(sideTo))]
      : []),
    {
      id: 'overhangFront',
      from: [sectionX(overhangFrom), toY(b.high) - 8],
      to: [sectionX(-wood('front')), toY(b.high) - 8],
      at: [(sectionX(overhangFrom) + sectionX(-wood('front'))) / 2, toY(b.high) - 24],
      witness: [
        [sectionX(overhangFrom), toY(cavity.heightFront), sectionX(overhangFrom), toY(b.high) - 8],
        [sectionX(-wood('front')), toY(cavity.heightFront), sectionX(-wood('front')), toY(b.high) - 8],
      ],
    },
    {
      id: 'entranceWidth',
      from: [frontX(entranceWide / 2), toY(centre)],
      to: [frontX(a.right) + 14, toY(centre)],
      at: [frontX(a.right) + 50, toY(centre)],
    },
  ];
  const parameter = (id: string): Parameter => family.parameters.find((each) => each.id === id)!;
  const shown = dimensions.filter((dimension) => family.parameters.some((each) => each.id === dimension.id));
  const poly = (face: DrawnFace, x: (value: number) => number) =>
    face.points.map(([across, z]) => `${x(across).toFixed(1)},${toY(z).toFixed(1)}`).join(' ');

  return (
    <div className="relative" style={{ width, height }}>
      <svg
        width={width}
        height={height}
        role="img"
        aria-label="Front view and section through the middle of the box"
        className="absolute inset-0"
      >
        <Caption x={frontX((a.left + a.right) / 2)} y={16}>
          Front
        </Caption>
        <Caption x={sectionX((b.left + b.right) / 2)} y={16}>
          Cut through the middle
        </Caption>
        <g stroke="#3b2a14" strokeWidth="1.1" strokeLinejoin="round">
          {front.map((face, index) => (
            <polygon key={index} points={poly(face, frontX)} fill={fillOf(face.panel)} />
          ))}
          <rect
            x={frontX(-half)}
            y={toY(0)}
            width={cavity.width * scale}
            height={wood('floor') * scale}
            fill="none"
            strokeDasharray="5 4"
            strokeWidth=".9"
          />
          {entrance && (
            <rect
              x={frontX(-entranceWide / 2)}
              y={toY(centre + entranceHigh / 2)}
              width={entranceWide * scale}
              height={entranceHigh * scale}
              rx={(Math.min(entranceWide, entranceHigh) / 2) * scale}
              fill="#3a2a1a"
            />
          )}
          {behind.map((face, index) => (
            <polygon key={index} points={poly(face, sectionX)} fill="#f8eedb" strokeWidth=".8" stroke="#a98b5d" />
          ))}
          {cut.map((face) => (
            <polygon key={face.panel} points={poly(face, sectionX)} fill={fillOf(face.panel)} />
          ))}
          {entrance && (
            <rect
              x={sectionX(-wood('front'))}
              y={toY(centre + entranceHigh / 2)}
              width={wood('front') * scale}
              height={entranceHigh * scale}
              fill="#fcfaf4"
              strokeWidth=".9"
            />
          )}
          {box.panels
            .flatMap((panel) => panel.features)
            .filter((feature) => feature.kind === 'groove')
            .map((groove) => {
              const front_ = box.panels.find((panel) => panel.role === 'front')!.instances[0]!.frame.origin[2];
              const z = groove.from[0] + front_;
              return <path key={groove.from[0]} d={`M${sectionX(0)} ${toY(z)}h${-groove.depth * scale}`} strokeWidth="1.4" />;
            })}
        </g>
        <g stroke="#7c756a" strokeWidth="1">
          {shown.map((dimension) => (
            <g key={dimension.id}>
              {dimension.witness?.map(([x1, y1, x2, y2], index) => (
                <line key={index} x1={x1} y1={y1} x2={x2} y2={y2} strokeDasharray="2 3" strokeWidth=".8" />
              ))}
              <line x1={dimension.from[0]} y1={dimension.from[1]} x2={dimension.to[0]} y2={dimension.to[1]} />
              {dimension.witness && <Ends dimension={dimension} />}
            </g>
          ))}
        </g>
      </svg>
      {shown.map((dimension) => (
        <At key={dimension.id} at={dimension.at} width={width}>
          <LengthField
            hideLabel
            label={parameter(dimension.id).label}
            value={plan.sizes[dimension.id] ?? 0}
            problem={problems.get(dimension.id) ?? null}
            disabled={locked}
            className="w-[78px] text-center !min-h-7 !px-1 font-semibold !text-chalk"
            onChange={(ticks) => onSize(dimension.id, ticks)}
          />
        </At>
      ))}
    </div>
  );
}

const Caption = ({ x, y, children }: { x: number; y: number; children: string }) => (
  <text x={x} y={y} textAnchor="middle" className="font-slab" fontSize="14" fontWeight="650" fill="#1f2e27">
    {children}
  </text>
);

function Ends({ dimension: { from, to } }: { dimension: Dimension }) {
  const vertical = Math.abs(from[0] - to[0]) < 0.5;
  return (
    <path
      d={vertical ? `M${from[0] - 4} ${from[1]}h8M${to[0] - 4} ${to[1]}h8` : `M${from[0]} ${from[1] - 4}v8M${to[0]} ${to[1] - 4}v8`}
      strokeWidth="1.2"
    />
  );
}

function At({ at, width, children }: { at: readonly [number, number]; width: number; children: ReactNode }) {
  return (
    <div className="absolute -translate-x-1/2 -translate-y-1/2" style={{ left: Math.min(Math.max(at[0], 36), width - 36), top: at[1] }}>
      {children}
    </div>
  );
}
