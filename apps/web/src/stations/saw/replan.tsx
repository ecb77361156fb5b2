import type { LeftRecord } from '@spare-knot/core/api';
import type { LayoutJob, Part, Stock } from '@spare-knot/core/job';
import type { LaidBoard, Layout } from '@spare-knot/core/layout';
import { at, must, sum } from '@spare-knot/core/lists';
import { partName } from '@spare-knot/core/panels';
import { boundsOf } from '@spare-knot/core/plane';
import { materialName } from '@spare-knot/core/wood';
import { Dialog } from 'radix-ui';
import { useMemo } from 'react';
import { useBatch } from '../../batch/batch-context';
import { BoardDrawing } from '../../board/board-drawing';
import { useWidth } from '../../board/use-width';
import { Length } from '../../measure/length';
import { useFocusBack } from '../../ui/focus-back';
import type { SawingState } from './sawing-session';
import { type Replan, useReplan } from './use-replan';

type Found = { left: LeftRecord; layout: Layout };

/** A kind of stock that comes off the rack for the new plan. */
const isFromRack = ({ id }: Stock): boolean => id.includes('@');

/** The layout by the numbers that copies have in the batch, so that boxes are called as before. */
function byBatch({ left, layout }: Found): readonly LaidBoard[] {
  return layout.boards.map((board) => ({
    ...board,
    placements: board.placements.map((placement) => ({
      ...placement,
      copy: at(left.copies[placement.part] ?? [], placement.copy),
    })),
  }));
}

/** How large a board must be for a part, and of what. */
function ToBuy({
  part,
  count,
  names,
}: {
  part: Part;
  count: number;
  names: ReadonlyMap<string, string>;
}) {
  const [left, bottom, right, top] = boundsOf([...part.outline, ...part.underside]);
  return (
    <li>
      {count} × {partName(names, part.id)}: a board <Length ticks={part.thickness} unit /> thick, at
      least <Length ticks={top - bottom} unit /> wide and <Length ticks={right - left} unit /> long
      {part.materials && `, ${part.materials.map(materialName).join(' or ')}`}
      {part.inside === 'rough' && ', rough on one face'}
    </li>
  );
}

/** What the new plan takes and changes. */
function Changes({ found, names }: { found: Found; names: ReadonlyMap<string, string> }) {
  const { left, layout } = found;
  const stockOf = ({ stock }: LaidBoard) =>
    must(
      left.job.stock.find(({ id }) => id === stock),
      stock,
    );
  const nameOf = (id: string) => left.stock.find((each) => each.id === id)?.name ?? 'a board';
  const pieces = layout.boards.filter((board) => stockOf(board).from).length;
  const fromRack = layout.boards.filter((board) => isFromRack(stockOf(board)));
  const whole = layout.boards.length - pieces - fromRack.length;
  const panels = sum(layout.boards.map(({ placements }) => placements.length));
  return (
    <ul className="list-disc space-y-1 pl-6 text-lg">
      <li>
        {panels} {panels === 1 ? 'panel is' : 'panels are'} laid out anew
        {pieces > 0 && `, on ${pieces === 1 ? 'a piece' : `${pieces} pieces`} of what is left`}
        {whole > 0 &&
          `, on ${whole === 1 ? 'a board' : `${whole} boards`} of this batch that nobody has sawn yet`}
        .
      </li>
      {fromRack.length > 0 ? (
        <li>
          <strong>From the rack: {fromRack.map(({ stock }) => nameOf(stock)).join(', ')}.</strong>
        </li>
      ) : (
        layout.boards.length > 0 && <li>Nothing more is taken from the rack.</li>
      )}
      {whole < left.untouched && (
        <li>
          {left.untouched - whole} of the boards that nobody has sawn{' '}
          {left.untouched - whole === 1 ? 'goes' : 'go'} back to the rack.
        </li>
      )}
      {left.kept > 0 && (
        <li>
          {left.kept === 1 ? 'A piece' : `${left.kept} pieces`} that{' '}
          {left.kept === 1 ? 'is' : 'are'} sawn half {left.kept === 1 ? 'goes' : 'go'} on as{' '}
          {left.kept === 1 ? 'it was' : 'they were'}.
        </li>
      )}
      {layout.unplaced.map(({ part, count }) => {
        const wanted = left.job.parts.find(({ id }) => id === part);
        return wanted && <ToBuy key={part} part={wanted} count={count} names={names} />;
      })}
    </ul>
  );
}

function Drawings({
  found,
  job,
  names,
}: {
  found: Found;
  job: LayoutJob;
  names: ReadonlyMap<string, string>;
}) {
  const { left } = found;
  const [ref, width] = useWidth<HTMLOListElement>();
  const laid = useMemo(() => byBatch(found), [found]);
  const kinds = laid.map(({ stock }) => left.job.stock.find(({ id }) => id === stock));
  const scale = (width - 4) / Math.max(1, ...kinds.map((kind) => kind?.length ?? 0));
  return (
    <ol ref={ref} className="mt-3 grid gap-3">
      {width > 0 &&
        laid.map((board, index) => {
          const kind = kinds[index];
          if (!kind) return null;
          const name = left.stock.find(({ id }) => id === kind.id)?.name ?? 'a board';
          return (
            <li key={`${board.stock}/${board.piece}`}>
              <p>
                <strong>{name}</strong>, <Length ticks={kind.length} /> ×{' '}
                <Length ticks={kind.width} unit />
                {isFromRack(kind) && ', from the rack'}
              </p>
              <BoardDrawing
                board={kind}
                scale={scale}
                laid={{ job, board }}
                names={names}
                label={`${name}, laid out anew`}
              />
            </li>
          );
        })}
    </ol>
  );
}

function Proposal({
  replan,
  job,
  names,
}: {
  replan: Replan;
  job: LayoutJob;
  names: ReadonlyMap<string, string>;
}) {
  const { left, layout, isSearching, trouble, isBusy, accept } = replan;
  const found = useMemo(() => (left && layout ? { left, layout } : null), [left, layout]);
  const unplaced = sum((layout?.unplaced ?? []).map(({ count }) => count));
  return (
    <>
      {trouble && (
        <p role="alert" className="mt-2 text-danger">
          {trouble}
        </p>
      )}
      {!found && !trouble && <p className="mt-3 text-lg">Looking at what is left…</p>}
      {found && (
        <div className="mt-3">
          {unplaced > 0 && (
            <p className="mb-1 text-lg font-bold">
              For {unplaced === 1 ? 'one panel' : `${unplaced} panels`} there is no wood. Buy it,
              put it on the rack, and plan again:
            </p>
          )}
          <Changes found={found} names={names} />
          <Drawings found={found} job={job} names={names} />
        </div>
      )}
      <div className="mt-4 flex flex-wrap items-center gap-3">
        <button
          type="button"
          className="btn btn-main min-h-12 text-lg"
          disabled={!found || isBusy}
          onClick={accept}
        >
          Go on by this plan
        </button>
        <Dialog.Close className="btn min-h-12 text-lg">Not now</Dialog.Close>
        {isSearching && <span className="text-soft">still looking for better…</span>}
      </div>
    </>
  );
}

/** What is left, planned again: what changes is shown before it is accepted. */
export function ReplanDialog({
  job,
  names,
  keeping,
  onClose,
}: {
  /** The batch's own, whose numbers copies have. */
  job: LayoutJob;
  names: ReadonlyMap<string, string>;
  /** Whether what was pressed is kept by now: what is left follows from it. */
  keeping: SawingState['keeping'];
  onClose: () => void;
}) {
  const { batch } = useBatch();
  const replan = useReplan(batch.id, keeping.state === 'kept', onClose);
  const focusBack = useFocusBack();
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/40" />
        <Dialog.Content
          {...focusBack}
          className="card fixed top-[4vh] left-1/2 z-50 max-h-[92vh] w-[min(94vw,760px)] -translate-x-1/2 overflow-auto p-5 shadow-xl"
        >
          <Dialog.Title className="text-2xl">What is left, planned again</Dialog.Title>
          <Dialog.Description className="text-soft">
            What is made stays made. Wood that lies there is used first, then the rack.
          </Dialog.Description>
          {keeping.state === 'kept' || keeping.state === 'keeping' ? null : (
            <p role="alert" className="mt-2 text-danger">
              {keeping.why} What is left is planned when what you told is kept.
            </p>
          )}
          <Proposal replan={replan} job={job} names={names} />
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
