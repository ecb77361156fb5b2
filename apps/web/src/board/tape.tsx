import type { TapeMark } from '@spare-knot/core/cuts';
import { TICKS_PER_INCH, TICKS_PER_MM, type Ticks } from '@spare-knot/core/measure';

import { useUnits } from '../measure/units';
import { labelRows, type PlacedLabel, rowsOf } from './fit-words';

/** Height of the tape with one row of numbers, and of each further row. */
const TAPE = 24;
const ROW = 11;
const TOP_ROW = 15;
/** Numbers in pixels; near and far ends of a slanted cut that differ by less than this many ticks are one mark. */
const FIGURES = 11;
const ONE_MARK = 160;

/** Marks on the tape, and those on the far edge: where a sloped end comes out there, and the ends of panels in a second row. */
export interface BoardTape {
  near: readonly { mark: TapeMark; label: PlacedLabel }[];
  far: readonly { mark: TapeMark; label: PlacedLabel }[];
  /** Heights in pixels that tape and upper marks take. */
  below: number;
  above: number;
}

/** Where the numbers of these marks stand, at a scale in pixels for a tick. */
export function tapeOf(
  marks: readonly TapeMark[],
  scale: number,
  print: (ticks: Ticks) => string,
): BoardTape {
  const labelled = (of: readonly TapeMark[], end: 'near' | 'far') => {
    const sorted = [...of].sort((a, b) => a[end] - b[end]);
    const labels = labelRows(
      sorted.map((mark) => ({ x: mark[end] * scale, text: print(mark[end]), size: FIGURES })),
    );
    return sorted.flatMap((mark, index) => {
      const label = labels[index];
      return label ? [{ mark, label }] : [];
    });
  };
  const near = labelled(
    marks.filter(({ row }) => row === 'near'),
    'near',
  );
  const far = labelled(
    marks.filter((mark) => mark.row === 'far' || Math.abs(mark.near - mark.far) > ONE_MARK),
    'far',
  );
  const rows = (of: BoardTape['near']) => rowsOf(of.map(({ label }) => label));
  return {
    near,
    far,
    below: TAPE + ROW * Math.max(0, rows(near) - 1) + 2,
    above: far.length > 0 ? TOP_ROW + ROW * (rows(far) - 1) : 0,
  };
}

function Figure({ label, y }: { label: PlacedLabel; y: number }) {
  return (
    <text
      x={label.x + (label.anchor === 'end' ? -2 : 2)}
      y={y}
      textAnchor={label.anchor}
      fontSize={label.size}
      fontWeight="650"
      fill="#12406e"
      className="mono"
    >
      {label.text}
    </text>
  );
}

/** The strip with its divisions, and the feet or decimetres on it where no marks are. */
function Strip({
  length,
  scale,
  height,
  bare,
}: {
  length: Ticks;
  scale: number;
  height: number;
  bare: boolean;
}) {
  const { style } = useUnits();
  const isInch = style.system === 'inch';
  const step = isInch ? TICKS_PER_INCH : TICKS_PER_MM * 10;
  const every = isInch ? 12 : 10;
  const divisions = Math.floor(length / step);
  const lines = Array.from(
    { length: divisions },
    (_unused, index) =>
      `M${((index + 1) * step * scale).toFixed(2)} 0v${(index + 1) % every === 0 ? 7 : 3.5}`,
  );
  return (
    <>
      <rect
        width={length * scale}
        height={height}
        fill="#f6e2a0"
        stroke="#c9a84c"
        strokeWidth=".8"
      />
      <path d={lines.join('')} stroke="#9c7f2e" strokeWidth=".7" />
      {bare &&
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
            {(index + 1) * every * (isInch ? 1 : 10)}
          </text>
        ))}
    </>
  );
}

/** A tape along the near edge; its marks are the numbers to pencil, in as many rows as they need. */
export function Tape({
  length,
  scale,
  y,
  tape,
}: {
  length: Ticks;
  scale: number;
  y: number;
  tape: BoardTape;
}) {
  return (
    <g transform={`translate(0 ${y})`}>
      <Strip length={length} scale={scale} height={tape.below - 2} bare={tape.near.length === 0} />
      {tape.near.map(({ mark, label }) => (
        <g key={`${mark.part}/${mark.copy}`}>
          <path
            d={`M${label.x} -3v${8 + ROW * label.row}`}
            stroke={label.row === 0 ? '#1d5a96' : '#9db9d3'}
            strokeWidth={label.row === 0 ? 2 : 0.9}
          />
          <Figure label={label} y={16 + ROW * label.row} />
        </g>
      ))}
    </g>
  );
}

/** Marks on the far edge, their numbers above it. */
export function UpperMarks({ y, tape }: { y: number; tape: BoardTape }) {
  return (
    <g>
      {tape.far.map(({ mark, label }) => (
        <g key={`${mark.part}/${mark.copy}`}>
          <path
            d={`M${label.x} ${y - 6 - ROW * label.row}v${8 + ROW * label.row}`}
            stroke={label.row === 0 ? '#1d5a96' : '#9db9d3'}
            strokeWidth={label.row === 0 ? 1.6 : 0.9}
          />
          <Figure label={label} y={y - 4 - ROW * label.row} />
        </g>
      ))}
    </g>
  );
}
