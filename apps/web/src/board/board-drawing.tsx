import { boardMarks } from '@spare-knot/core/cuts';
import { boxNumber, type LayoutJob, type Placement } from '@spare-knot/core/job';
import type { KeptOffcut, LaidBoard } from '@spare-knot/core/layout';
import { printLength } from '@spare-knot/core/measure';
import { partName } from '@spare-knot/core/panels';
import type { BoardKind } from '@spare-knot/core/wood';

import { memo, type ReactNode, useId, useMemo } from 'react';
import { useUnits } from '../measure/units';
import { BareWood, PatternDefinitions, patternsOf } from './bare-wood';
import { useCopyWord } from './copy-word';
import { DefectMark } from './defect-mark';
import { type DrawnBoard, PieceFace, type PieceInHand } from './piece';
import { Tape, tapeOf, UpperMarks } from './tape';
import { WordsInRegion } from './words-in-region';

type DrawableBoard = Pick<
  BoardKind,
  'length' | 'width' | 'faceA' | 'faceB' | 'defects' | 'grained'
>;

interface Props {
  board: DrawableBoard;
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

function Offcut({ offcut, drawn }: { offcut: KeptOffcut; drawn: DrawnBoard }) {
  const { style } = useUnits();
  const { scale, width: high } = drawn;
  const { x, y, length, width } = offcut;
  return (
    <g>
      <rect
        x={x * scale + 1.5}
        y={(high - y - width) * scale + 1.5}
        width={length * scale - 3}
        height={width * scale - 3}
        fill="#dfead6"
        stroke="#3c6b35"
        strokeWidth="1.6"
        strokeDasharray="6 3"
      />
      <WordsInRegion
        region={{
          x: (x + length / 2) * scale,
          y: (high - y - width / 2) * scale,
          width: length * scale,
          height: width * scale,
        }}
        lines={['keep', `${printLength(length, style)} × ${printLength(width, style)}`]}
        fill="#2c5226"
      />
    </g>
  );
}

/** What makes a piece something to take hold of. */
const heldAttributes = (held: PieceInHand) => ({
  ...held.on,
  role: 'button',
  tabIndex: 0,
  'aria-label': held.label,
  'aria-pressed': held.pinned,
  className: 'cursor-grab touch-none',
});

/** The panels on a board. */
function Pieces({
  board,
  job,
  placements,
  drawn,
  names,
  hand,
}: {
  board: DrawableBoard;
  job: LayoutJob;
  placements: readonly Placement[];
  drawn: DrawnBoard;
  names: ReadonlyMap<string, string> | undefined;
  hand: Props['hand'];
}) {
  const parts = useMemo(() => new Map(job.parts.map((part) => [part.id, part])), [job]);
  const word = useCopyWord();
  const linesOf = useMemo(() => linesBy(names, word), [names, word]);
  return placements.map((placement) => {
    const { part: id, copy, flipped } = placement;
    const part = parts.get(id);
    if (!part) return null;
    const held = hand?.(placement);
    const box = boxNumber(job, placement);
    return (
      <g key={`${id}/${copy}`} data-part={id} {...(held && heldAttributes(held))}>
        <PieceFace
          part={part}
          placement={placement}
          drawn={drawn}
          isRoughUp={(flipped ? board.faceB : board.faceA) === 'rough'}
          lines={linesOf(id, box, flipped)}
          selected={held?.selected === true}
          pinned={held?.pinned === true}
        />
      </g>
    );
  });
}

/** What is written on a panel; the same list for the same words, so that nothing is drawn anew for it. */
function linesBy(names: ReadonlyMap<string, string> | undefined, word: string) {
  const known = new Map<string, readonly string[]>();
  return (part: string, box: number, flipped: boolean): readonly string[] => {
    const key = `${part}/${box}/${flipped}`;
    const lines = known.get(key) ?? [
      names ? partName(names, part) : part,
      `${word} ${box}`,
      ...(flipped ? ['face down'] : []),
    ];
    known.set(key, lines);
    return lines;
  };
}

const Defects = memo(function Defects({ board, scale }: { board: DrawableBoard; scale: number }) {
  return board.defects.map((defect, index) => (
    <DefectMark key={index} defect={defect} scale={scale} boardWidth={board.width} />
  ));
});

/**
 * A board lying on the bench, to scale, seen from face A with its near edge below: wood, defects, and where they are laid out the
 * panels with their far faces, waste, kept offcuts, and the tape with the marks to pencil.
 */
export function BoardDrawing({
  board,
  scale,
  laid,
  names,
  tape: isTaped = false,
  label,
  children,
  hand,
}: Props) {
  const { style } = useUnits();
  const id = useId().replace(/[^a-z0-9]/gi, '');
  const patterns = useMemo(() => patternsOf(id), [id]);
  const drawn = useMemo(
    () => ({ scale, width: board.width, rough: patterns.rough }),
    [scale, board.width, patterns],
  );
  const tape = useMemo(() => {
    if (!isTaped) return null;
    const marks = laid ? boardMarks(laid.job, laid.board).marks : [];
    return tapeOf(marks, scale, (ticks) => printLength(ticks, style));
  }, [isTaped, laid, scale, style]);
  const [length, height] = [board.length * scale, board.width * scale];
  const top = tape?.above ?? 0;
  const total = top + height + (tape?.below ?? 0);
  return (
    <svg
      viewBox={`-1 -1 ${(length + 2).toFixed(1)} ${(total + 2).toFixed(1)}`}
      width={length + 2}
      height={total + 2}
      // A picture may hold nothing to take hold of; with panels that can be moved, or a face to mark, it is a group of them.
      role={hand || children ? 'group' : 'img'}
      aria-label={label}
      className="block max-w-full overflow-visible"
    >
      <PatternDefinitions patterns={patterns} length={length} height={height} />
      <g transform={`translate(0 ${top})`}>
        <g clipPath={`url(#${patterns.clip})`}>
          {laid ? (
            <rect width={length} height={height} fill={`url(#${patterns.waste})`} />
          ) : (
            <BareWood board={board} length={length} height={height} patterns={patterns} />
          )}
        </g>
        {laid?.board.offcuts.map((offcut) => (
          <Offcut key={`${offcut.x},${offcut.y}`} offcut={offcut} drawn={drawn} />
        ))}
        {laid && (
          <Pieces
            board={board}
            job={laid.job}
            placements={laid.board.placements}
            drawn={drawn}
            names={names}
            hand={hand}
          />
        )}
        <g clipPath={`url(#${patterns.clip})`} pointerEvents={hand ? 'none' : undefined}>
          <Defects board={board} scale={scale} />
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
        {tape && <Tape length={board.length} scale={scale} y={height + 2} tape={tape} />}
      </g>
      {tape && <UpperMarks y={top} tape={tape} />}
    </svg>
  );
}
