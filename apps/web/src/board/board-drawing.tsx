import { boardMarks, type TapeMark } from '@spare-knot/core/cuts';
import type { LayoutJob, Placement } from '@spare-knot/core/job';
import { type LaidBoard, placePart } from '@spare-knot/core/layout';
import { at, must } from '@spare-knot/core/lists';
import { printLength, TICKS_PER_INCH, TICKS_PER_MM, type Ticks } from '@spare-knot/core/measure';
import { partName } from '@spare-knot/core/panels';
import { type Point, type Zone, zoneBounds } from '@spare-knot/core/plane';
import type { BoardKind } from '@spare-knot/core/wood';

import { type ReactNode, type SVGProps, useId, useMemo } from 'react';
import { useUnits } from '../measure/units';
import { DefectMark } from './defect-mark';

interface Props {
  board: Pick<BoardKind, 'length' | 'width' | 'faceA' | 'faceB' | 'defects' | 'grained'>;
  /** Drawn pixels (or user units) for one tick. */
  scale: number;
  /** What is cut from it; without this the board is drawn whole. */
  laid?: { job: LayoutJob; board: LaidBoard } | undefined;
  /** Panel names by part id. */
  names?: ReadonlyMap<string, string>;
  tape?: boolean;
  label: string;
  children?: ReactNode;
  /** How a piece looks and what moves it, where pieces can be moved by hand. */
  hand?: (placement: Placement) => PieceInHand;
}

/** A piece that can be taken hold of: by the mouse, a finger or the keyboard. */
export interface PieceInHand {
  label: string;
  pinned: boolean;
  selected: boolean;
  /** Where it is held while it is dragged, in drawn pixels from where it lies. */
  shift: readonly [number, number] | null;
  on: Pick<
    SVGProps<SVGGElement>,
    'onPointerDown' | 'onPointerMove' | 'onPointerUp' | 'onPointerCancel' | 'onKeyDown' | 'onFocus'
  >;
}

const TAPE_HEIGHT = 24;
const TOP_MARKS = 15;
const points = (corners: readonly Point[], scale: number, width: Ticks): string =>
  corners
    .map(([x, y]) => `${(x * scale).toFixed(2)},${((width - y) * scale).toFixed(2)}`)
    .join(' ');

/** Lines of grain, always the same for the same seed, gently waved. */
function grainLines(length: number, height: number, seed: number): string[] {
  const count = Math.max(3, Math.round(height / 9));
  return Array.from({ length: count }, (_unused, index) => {
    const phase = Math.sin(seed * 12.9 + index * 78.2) * 43758.5;
    const random = phase - Math.floor(phase);
    const y = ((index + 0.3 + random * 0.6) / count) * height;
    const sway = 1 + random * 2.2;
    const step = length / 4;
    return `M0 ${y.toFixed(1)} q${(step / 2).toFixed(1)} ${(-sway).toFixed(1)} ${step.toFixed(1)} 0 t${step.toFixed(1)} ${(sway * 0.4).toFixed(1)} t${step.toFixed(1)} 0 t${step.toFixed(1)} 0`;
  });
}

/**
 * A board lying on the bench, to scale, seen from face A with its near edge below: wood, defects, and where they are laid out the
 * panels with their far faces, waste, kept offcuts, and the tape with the marks to pencil.
 */
export function BoardDrawing({
  board,
  scale,
  laid,
  names,
  tape = false,
  label,
  children,
  hand,
}: Props) {
  const { style } = useUnits();
  const id = useId().replace(/[^a-z0-9]/gi, '');
  const length = board.length * scale;
  const height = board.width * scale;
  const marks = useMemo(() => (laid ? boardMarks(laid.job, laid.board).marks : []), [laid]);
  const sloped = marks.some((mark) => Math.abs(mark.near - mark.far) > 160 || mark.row === 'far');
  const top = tape && sloped ? TOP_MARKS : 0;
  const total = top + height + (tape ? TAPE_HEIGHT + 2 : 0);
  const lines = useMemo(
    () => grainLines(length, height, board.length % 97),
    [length, height, board.length],
  );
  const parts = useMemo(() => new Map(laid?.job.parts.map((part) => [part.id, part])), [laid]);
  return (
    <svg
      viewBox={`-1 -1 ${(length + 2).toFixed(1)} ${(total + 2).toFixed(1)}`}
      width={length + 2}
      height={total + 2}
      // A picture may hold nothing to take hold of; with panels that can be moved it is a group of them.
      role={hand ? 'group' : 'img'}
      aria-label={label}
      className="block max-w-full overflow-visible"
    >
      <defs>
        <clipPath id={`${id}c`}>
          <rect width={length} height={height} />
        </clipPath>
        <pattern
          id={`${id}h`}
          width="7"
          height="7"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <rect width="7" height="7" fill="#d8c09a" />
          <path d="M0 0V7" stroke="#a88a5c" strokeWidth="1.4" />
        </pattern>
        <pattern id={`${id}r`} width="9" height="6" patternUnits="userSpaceOnUse">
          <path
            d="M1 1.2h1.6M5.4 3.8h1.2M7.6 .6h.8M3 5h.9"
            stroke="#9a6f3c"
            strokeWidth=".7"
            opacity=".5"
          />
        </pattern>
      </defs>
      <g transform={`translate(0 ${top})`}>
        <g clipPath={`url(#${id}c)`}>
          <rect
            width={length}
            height={height}
            fill={laid ? `url(#${id}h)` : board.grained ? '#edd2ad' : '#ead9bd'}
          />
          {!laid && board.faceA === 'rough' && (
            <rect width={length} height={height} fill={`url(#${id}r)`} />
          )}
          {!laid &&
            board.grained &&
            lines.map((line) => (
              <path
                key={line}
                d={line}
                fill="none"
                stroke="#c79a63"
                strokeWidth=".8"
                opacity=".55"
              />
            ))}
        </g>
        {laid?.board.offcuts.map((offcut) => (
          <g key={`${offcut.x},${offcut.y}`}>
            <rect
              x={offcut.x * scale + 1.5}
              y={(board.width - offcut.y - offcut.width) * scale + 1.5}
              width={offcut.length * scale - 3}
              height={offcut.width * scale - 3}
              fill="#dfead6"
              stroke="#3c6b35"
              strokeWidth="1.6"
              strokeDasharray="6 3"
            />
            <FitText
              x={(offcut.x + offcut.length / 2) * scale}
              y={(board.width - offcut.y - offcut.width / 2) * scale}
              width={offcut.length * scale}
              height={offcut.width * scale}
              lines={[
                `keep ${printLength(offcut.length, style)} × ${printLength(offcut.width, style)}`,
              ]}
              fill="#2c5226"
            />
          </g>
        ))}
        {laid?.board.placements.map((placement) => {
          const part = parts.get(placement.part);
          if (!part) return null;
          const placed = placePart(part, placement);
          const [left, bottom, right, upper] = placed.bounds;
          const far = placed.faceA.some(
            (corner) =>
              !placed.faceB.some(
                (other) => Math.hypot(corner[0] - other[0], corner[1] - other[1]) < 160,
              ),
          );
          const clear = clearWidth(placed.faceA, bottom, upper) ?? [left, right];
          const roughUp = (placement.flipped ? board.faceB : board.faceA) === 'rough';
          const box =
            Math.floor(placement.copy / Math.max(1, part.quantity / boxesOf(laid.job))) + 1;
          const held = hand?.(placement);
          return (
            <g
              key={`${placement.part}/${placement.copy}`}
              data-part={placement.part}
              {...(held && {
                ...held.on,
                role: 'button',
                tabIndex: 0,
                'aria-label': held.label,
                'aria-pressed': held.pinned,
                className: 'cursor-grab touch-none outline-none',
                ...(held.shift && {
                  transform: `translate(${held.shift[0]} ${held.shift[1]})`,
                  opacity: 0.75,
                  pointerEvents: 'none' as const,
                }),
              })}
            >
              <polygon
                points={points(placed.faceA, scale, board.width)}
                fill={held?.selected ? '#e2edf7' : '#f2dcbc'}
                stroke={held?.selected ? '#1d5a96' : '#2c2013'}
                strokeWidth={held?.selected ? 2.4 : 1.1}
                strokeLinejoin="round"
              />
              {roughUp && (
                <polygon points={points(placed.faceA, scale, board.width)} fill={`url(#${id}r)`} />
              )}
              {far && (
                <polygon
                  points={points(placed.faceB, scale, board.width)}
                  fill="none"
                  stroke="#2c2013"
                  strokeWidth=".7"
                  strokeDasharray="3 2"
                />
              )}
              {placed.cutAway.map((zone, index) => (
                <CutAway key={index} zone={zone} scale={scale} width={board.width} />
              ))}
              <FitText
                x={((clear[0] + clear[1]) / 2) * scale}
                y={(board.width - (bottom + upper) / 2) * scale}
                width={(clear[1] - clear[0]) * scale}
                height={(upper - bottom) * scale}
                holes={placed.cutAway
                  .map(zoneBounds)
                  .map(([from, low, to, high]) => [
                    from * scale,
                    (board.width - high) * scale,
                    to * scale,
                    (board.width - low) * scale,
                  ])}
                lines={[
                  names ? partName(names, placement.part) : placement.part,
                  `box ${box}`,
                  ...(placement.flipped ? ['face down'] : []),
                ]}
                fill="#1f1609"
              />
              {held?.pinned && (
                <circle
                  cx={left * scale + 8}
                  cy={(board.width - upper) * scale + 8}
                  r="4.2"
                  fill="#a8321f"
                  stroke="#fff"
                  strokeWidth="1"
                />
              )}
            </g>
          );
        })}
        <g clipPath={`url(#${id}c)`}>
          {board.defects.map((defect, index) => (
            <DefectMark key={index} defect={defect} scale={scale} boardWidth={board.width} />
          ))}
        </g>
        <rect
          data-wood=""
          width={length}
          height={height}
          fill="none"
          stroke="#6b4c26"
          strokeWidth="1.2"
          pointerEvents="none"
        />
        {children}
        {tape && (
          <Tape
            length={board.length}
            scale={scale}
            y={height + 2}
            marks={marks.filter((mark) => mark.row === 'near')}
          />
        )}
      </g>
      {tape && sloped && (
        <UpperMarks
          scale={scale}
          y={top}
          marks={marks.filter((mark) => mark.row === 'far' || Math.abs(mark.near - mark.far) > 160)}
        />
      )}
    </svg>
  );
}

/** Every part of a job for boxes comes once a box or more: the greatest common number of boxes. */
const boxesOf = (job: LayoutJob): number => Math.min(...job.parts.map((part) => part.quantity));

function CutAway({ zone, scale, width }: { zone: Zone; scale: number; width: Ticks }) {
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
  const [cx, cy, r] = [
    zone.centre[0] * scale,
    (width - zone.centre[1]) * scale,
    zone.radius * scale,
  ];
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

interface FitTextProps {
  x: number;
  y: number;
  width: number;
  height: number;
  lines: readonly string[];
  fill: string;
  /** Holes in the region, drawn: left, upper edge, right, lower edge. */
  holes?: readonly (readonly [number, number, number, number])[];
}

/** Where a panel is wood over the middle half of its height, so that words stay inside slanted ends. */
function clearWidth(
  face: readonly Point[],
  bottom: Ticks,
  upper: Ticks,
): readonly [Ticks, Ticks] | null {
  const chords = [0.25, 0.5, 0.75].map((share) => {
    const y = bottom + (upper - bottom) * share;
    const xs = face.flatMap(([x, where], index) => {
      const [nextX, next] = at(face, (index + 1) % face.length);
      return (where - y) * (next - y) < 0 ? [x + ((nextX - x) * (y - where)) / (next - where)] : [];
    });
    return [Math.min(...xs), Math.max(...xs)] as const;
  });
  const [from, to] = [
    Math.max(...chords.map((chord) => chord[0])),
    Math.min(...chords.map((chord) => chord[1])),
  ];
  return to > from ? [from, to] : null;
}

interface TextRegion {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** Parts of a region beside its holes: bands across it and along it that no hole reaches into. */
function besideHoles({ x, y, width, height, holes = [] }: FitTextProps): TextRegion[] {
  const region = {
    left: x - width / 2,
    right: x + width / 2,
    top: y - height / 2,
    bottom: y + height / 2,
  };
  const bands = (from: number, to: number, taken: readonly (readonly [number, number])[]) => {
    const free: [number, number][] = [];
    let at = from;
    for (const [low, high] of [...taken].sort((p, q) => p[0] - q[0])) {
      if (low > at) free.push([at, Math.min(low, to)]);
      at = Math.max(at, high);
    }
    if (at < to) free.push([at, to]);
    return free;
  };
  const found = [
    ...bands(
      region.left,
      region.right,
      holes.map(([left, , right]) => [left - 2, right + 2] as const),
    ).map(([left, right]) => ({
      x: (left + right) / 2,
      y,
      width: right - left,
      height,
    })),
    ...bands(
      region.top,
      region.bottom,
      holes.map(([, top, , bottom]) => [top - 2, bottom + 2] as const),
    ).map(([top, bottom]) => ({
      x,
      y: (top + bottom) / 2,
      width,
      height: bottom - top,
    })),
  ];
  return found.length > 0 ? found : [{ x, y, width, height }];
}

/** How large the lines can be written in a region, and how many of them: better the name alone and legible than all of it and not. */
function fitIn(region: TextRegion, lines: readonly string[]) {
  const first = lines[0]?.length ?? 0;
  const longest = Math.max(
    ...lines.map((line, index) => line.length * (index === 0 ? 1 : SMALLER)),
  );
  const turned = region.width < region.height && first * 6.6 > region.width - 6;
  const [along, across] = turned ? [region.height, region.width] : [region.width, region.height];
  const fitting = (count: number) =>
    Math.min(
      13,
      (along - 6) / ((count === 1 ? first : longest) * 0.56),
      (across - 3) / (count * 1.16),
    );
  const count = Math.min(
    lines.length,
    fitting(lines.length) >= 8 ? lines.length : fitting(2) >= 8 ? 2 : 1,
  );
  return { region, turned, count, size: fitting(count) };
}

/** Words in the middle of a region, turned or made smaller to stay inside it, moved off its holes. */
function FitText(props: FitTextProps) {
  const { lines, fill } = props;
  // Where most of it stands, in the largest letters; of places alike in both the roomiest.
  const [best] = besideHoles(props)
    .map((region) => fitIn(region, lines))
    .sort(
      (p, q) =>
        (Math.abs(p.size - q.size) > 0.5
          ? q.size * q.count - p.size * p.count
          : q.count - p.count) ||
        q.region.width * q.region.height - p.region.width * p.region.height,
    );
  const { region, turned, count, size } = must(best, 'region');
  if (size < 5) return null;
  const shown = lines.slice(0, count);
  return (
    <text
      transform={`translate(${region.x.toFixed(1)} ${region.y.toFixed(1)})${turned ? ' rotate(-90)' : ''}`}
      textAnchor="middle"
      fill={fill}
      fontSize={size}
      className="pointer-events-none select-none"
    >
      {shown.map((line, index) => (
        <tspan
          key={line}
          x="0"
          y={(index - (shown.length - 1) / 2) * size * 1.12 + size * 0.35}
          fontWeight={index === 0 ? 700 : 400}
          fontSize={index === 0 ? size : size * SMALLER}
        >
          {line}
        </tspan>
      ))}
    </text>
  );
}

/** Size of the lines under a name. */
const SMALLER = 0.88;

/** A tape along the near edge; its marks are the numbers to pencil. Marks too close together go to a second line. */
function Tape({
  length,
  scale,
  y,
  marks,
}: {
  length: Ticks;
  scale: number;
  y: number;
  marks: readonly TapeMark[];
}) {
  const { style } = useUnits();
  const step = style.system === 'inch' ? TICKS_PER_INCH : TICKS_PER_MM * 10;
  const divisions = Math.floor(length / step);
  const every = style.system === 'inch' ? 12 : 10;
  let end = Number.NEGATIVE_INFINITY;
  return (
    <g transform={`translate(0 ${y})`}>
      <rect
        width={length * scale}
        height={TAPE_HEIGHT}
        fill="#f6e2a0"
        stroke="#c9a84c"
        strokeWidth=".8"
      />
      <path
        d={Array.from(
          { length: divisions },
          (_unused, index) =>
            `M${((index + 1) * step * scale).toFixed(2)} 0v${(index + 1) % every === 0 ? 7 : 3.5}`,
        ).join('')}
        stroke="#9c7f2e"
        strokeWidth=".7"
      />
      {marks.length === 0 &&
        Array.from({ length: Math.floor(divisions / every) }, (_unused, index) => (
          <text
            key={index}
            x={(index + 1) * every * step * scale - 3}
            y={17}
            textAnchor="end"
            fontSize="10"
            fill="#6d5410"
            className="mono"
          >
            {(index + 1) * every * (style.system === 'inch' ? 1 : 10)}
          </text>
        ))}
      {marks.map((mark) => {
        const x = mark.near * scale;
        const text = printLength(mark.near, style);
        const wide = text.length * 6.6 + 5;
        const low = x - wide < end;
        if (!low) end = x;
        return (
          <g key={`${mark.part}/${mark.copy}`}>
            <path d={`M${x} -3v8`} stroke="#1d5a96" strokeWidth="2" />
            <text
              x={x - 3}
              y={low ? 22 : 13.5}
              textAnchor={x < wide ? 'start' : 'end'}
              fontSize={low ? 9 : 11}
              fontWeight="650"
              fill="#12406e"
              className="mono"
            >
              {text}
            </text>
          </g>
        );
      })}
    </g>
  );
}

/** Marks on the far edge: where a sloped end comes out there, and the ends of panels in a second row. */
function UpperMarks({ scale, y, marks }: { scale: number; y: number; marks: readonly TapeMark[] }) {
  const { style } = useUnits();
  let end = Number.NEGATIVE_INFINITY;
  return (
    <g>
      {[...marks]
        .sort((a, b) => a.far - b.far)
        .map((mark) => {
          const x = mark.far * scale;
          const text = printLength(mark.far, style);
          const wide = text.length * 6 + 4;
          const free = x - wide >= end;
          if (free) end = x;
          return (
            <g key={`${mark.part}/${mark.copy}`}>
              <path d={`M${x} ${y - 6}v8`} stroke="#1d5a96" strokeWidth="1.6" />
              {free && (
                <text
                  x={x - 3}
                  y={y - 4}
                  textAnchor={x < wide ? 'start' : 'end'}
                  fontSize="10"
                  fontWeight="600"
                  fill="#12406e"
                  className="mono"
                >
                  {text}
                </text>
              )}
            </g>
          );
        })}
    </g>
  );
}
