import { boardMarks, firstCuts, type TapeMark } from '@spare-knot/core/cuts';
import type { LayoutJob } from '@spare-knot/core/job';
import type { KeptOffcut } from '@spare-knot/core/layout';
import { printMoney, type Ticks } from '@spare-knot/core/measure';
import { partName } from '@spare-knot/core/panels';
import { materialName } from '@spare-knot/core/wood';

import { useMemo } from 'react';
import { BoardDrawing } from '../../board/board-drawing';
import { Length } from '../../measure/length';
import type { BoardOnPaper } from './paper';

/** Near and far ends that differ by less than half a millimetre are one mark. */
const ONE_MARK = 160;
/** Drawing units for a millimetre of paper, so that lettering keeps its size. */
const FINE = 4;

/** Lengths one after the other. */
function Lengths({ of }: { of: readonly Ticks[] }) {
  return of.map((length, index) => (
    <span key={length}>
      {index > 0 && ', '}
      <Length ticks={length} />
    </span>
  ));
}

/** What the board is, and what is done to it before its marks. */
function Heading({
  board,
  title,
  rips,
  crosscutAt,
}: Pick<BoardOnPaper, 'board' | 'title'> & { rips: readonly Ticks[]; crosscutAt: Ticks | null }) {
  return (
    <p>
      <strong className="text-[3.8mm]">{title}</strong>: <Length ticks={board.thickness} /> ×{' '}
      <Length ticks={board.width} /> × <Length ticks={board.length} unit />,{' '}
      {materialName(board.material)}, face A up ({board.faceA})
      {board.price !== null && `, ${printMoney(board.price)}`}
      {rips.length > 0 && crosscutAt !== null && (
        <>
          {' '}
          · first crosscut at <Length ticks={crosscutAt} />, so that the offcut keeps its width
        </>
      )}
      {rips.length > 0 && (
        <>
          {' '}
          · {crosscutAt !== null && 'then '}rip to <Lengths of={rips} />
        </>
      )}
    </p>
  );
}

function Marks({
  marks,
  names,
}: {
  marks: readonly TapeMark[];
  names: ReadonlyMap<string, string>;
}) {
  return (
    <ol className="mt-[1mm] grid grid-cols-2 gap-x-[8mm] text-[3mm]">
      {marks.map((mark, index) => (
        <li
          key={`${mark.part}/${mark.copy}`}
          className="flex justify-between border-b-[0.15mm] border-[#aaa]"
        >
          <span>
            {index + 1}. {partName(names, mark.part)}{' '}
            <span className="text-[#444]">{mark.row === 'far' && '(not on the near edge)'}</span>
          </span>
          <span className="mono">
            ends at{' '}
            <strong>
              <Length ticks={mark.near} />
            </strong>
            {Math.abs(mark.near - mark.far) > ONE_MARK && (
              <>
                {' '}
                near,{' '}
                <strong>
                  <Length ticks={mark.far} />
                </strong>{' '}
                far edge
              </>
            )}
          </span>
        </li>
      ))}
    </ol>
  );
}

function Kept({ offcuts }: { offcuts: readonly KeptOffcut[] }) {
  return (
    <p className="text-[3mm]">
      Keep:{' '}
      {offcuts.map(({ x, y, length, width }, index) => (
        <span key={`${x},${y}`}>
          {index > 0 && '; '}
          <Length ticks={length} /> × <Length ticks={width} unit />
        </span>
      ))}
    </p>
  );
}

/** One board with its drawing, tape marks and what is kept of it. */
export function BoardSheet({
  job,
  of: { laid, board, title },
  names,
  width,
  share,
}: {
  job: LayoutJob;
  of: BoardOnPaper;
  names: ReadonlyMap<string, string>;
  /** Millimetres of paper for the longest board, and this board's share of them. */
  width: number;
  share: number;
}) {
  const { marks, rips } = useMemo(() => boardMarks(job, laid), [job, laid]);
  const { crosscutAt, jigsaw } = useMemo(() => firstCuts(job, laid), [job, laid]);
  const scale = (width * share * FINE - FINE) / board.length;
  return (
    <article className="mt-[4mm]">
      <Heading board={board} title={title} rips={rips} crosscutAt={crosscutAt} />
      {jigsaw.length > 0 && (
        <p className="text-[3mm]">
          No cut from edge to edge parts{' '}
          {jigsaw.map((id) => partName(names, id).toLowerCase()).join(', ')}: saw along their lines
          with a jigsaw, the board clamped.
        </p>
      )}
      <div className="mt-[1mm] [&_svg]:h-auto [&_svg]:w-full" style={{ width: `${share * 100}%` }}>
        <BoardDrawing
          board={board}
          scale={scale}
          laid={{ job, board: laid }}
          names={names}
          tape
          label={title}
        />
      </div>
      <Marks marks={marks} names={names} />
      {laid.offcuts.length > 0 && <Kept offcuts={laid.offcuts} />}
    </article>
  );
}
