import { type BoardCut, boardMarks, firstCuts, type TapeMark } from '@spare-knot/core/cuts';
import type { LayoutJob } from '@spare-knot/core/job';
import type { KeptOffcut } from '@spare-knot/core/layout';
import { printMoney, type Ticks } from '@spare-knot/core/measure';
import { partName } from '@spare-knot/core/panels';
import type { Point } from '@spare-knot/core/plane';
import { isSheet, materialName } from '@spare-knot/core/wood';

import { useMemo } from 'react';
import { BoardDrawing } from '../../board/board-drawing';
import { Length } from '../../measure/length';
import { Measured } from './measured';
import { type BoardOnPaper, boardName } from './paper';

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

/** The kerfs of a board, each with the number in which it is cut. */
function CutNumbers({
  cuts,
  width,
  scale,
}: {
  cuts: readonly BoardCut[];
  width: Ticks;
  scale: number;
}) {
  const path = (points: readonly Point[]) =>
    `M${points.map(([x, y]) => `${(x * scale).toFixed(1)} ${((width - y) * scale).toFixed(1)}`).join('L')}Z`;
  return cuts.map(({ number, line: [from, to], kerf }) => {
    const [x, y] = [((from[0] + to[0]) / 2) * scale, (width - (from[1] + to[1]) / 2) * scale];
    return (
      <g key={number}>
        <path d={path(kerf)} fill="#a8321f" fillOpacity="0.75" />
        <circle cx={x} cy={y} r="6.5" fill="#fff" stroke="#a8321f" />
        <text x={x} y={y + 3.2} textAnchor="middle" fontSize="9" fontWeight="700" fill="#a8321f">
          {number}
        </text>
      </g>
    );
  });
}

const RUNS: Readonly<Record<BoardCut['runs'], string>> = {
  along: 'along',
  across: 'across',
  slanted: 'slanted',
};

/** Where one cut lies: how far from the edge that it runs beside, and from where to where. */
function Coordinates({ cut: { runs, line, beyond } }: { cut: BoardCut }) {
  const [[x, y], [u, v]] = line;
  const span = (a: number, b: number) => (
    <>
      <Length ticks={Math.round(Math.min(a, b))} /> to <Length ticks={Math.round(Math.max(a, b))} />
    </>
  );
  if (runs === 'slanted')
    return (
      <>
        from <Length ticks={Math.round(x)} /> right and <Length ticks={Math.round(y)} /> up of the
        near left corner, to <Length ticks={Math.round(u)} /> right and{' '}
        <Length ticks={Math.round(v)} /> up; kerf {beyond} of it
      </>
    );
  return runs === 'along' ? (
    <>
      <strong>
        <Length ticks={Math.round(y)} />
      </strong>{' '}
      from the near edge, {span(x, u)} from the left end; kerf {beyond} of it
    </>
  ) : (
    <>
      <strong>
        <Length ticks={Math.round(x)} />
      </strong>{' '}
      from the left end, {span(y, v)} from the near edge; kerf {beyond} of it
    </>
  );
}

/** The cuts of a sheet, both coordinates of each from its factory edges. */
function Cuts({ cuts }: { cuts: readonly BoardCut[] }) {
  return (
    <>
      <p className="mt-[1mm] text-[3mm]">
        From its factory edges, face A up: the near edge below, the left end at the left.
      </p>
      <ol className="text-[3mm]">
        {cuts.map((cut) => (
          <li key={cut.number} data-cut={cut.number} className="border-b-[0.15mm] border-[#aaa]">
            {cut.number}. {RUNS[cut.runs]} (step {cut.step}
            {cut.isTilted && ', tilted'}): <Coordinates cut={cut} />
          </li>
        ))}
      </ol>
    </>
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
  of,
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
  const { laid, board, title, cuts } = of;
  const { marks, rips } = useMemo(() => boardMarks(job, laid), [job, laid]);
  const { crosscutAt, jigsaw } = useMemo(() => firstCuts(job, laid), [job, laid]);
  const scale = (width * share * FINE - FINE) / board.length;
  return (
    <Measured name={boardName(of)}>
      <article className="mt-[4mm]">
        <Heading board={board} title={title} rips={rips} crosscutAt={crosscutAt} />
        {jigsaw.length > 0 && (
          <p className="text-[3mm]">
            No cut from edge to edge parts{' '}
            {jigsaw.map((id) => partName(names, id).toLowerCase()).join(', ')}: saw along their
            lines with a jigsaw, the board clamped.
          </p>
        )}
        <div
          className="mt-[1mm] [&_svg]:h-auto [&_svg]:w-full"
          style={{ width: `${share * 100}%` }}
        >
          <BoardDrawing
            board={board}
            scale={scale}
            laid={{ job, board: laid }}
            names={names}
            tape
            label={title}
          >
            <CutNumbers cuts={cuts} width={board.width} scale={scale} />
          </BoardDrawing>
        </div>
        {isSheet(board.material) && cuts.length > 0 ? (
          <Cuts cuts={cuts} />
        ) : (
          <Marks marks={marks} names={names} />
        )}
        {laid.offcuts.length > 0 && <Kept offcuts={laid.offcuts} />}
      </article>
    </Measured>
  );
}
