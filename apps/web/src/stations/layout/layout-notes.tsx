import type { BoardRecord, Supply } from '@spare-knot/core/api';
import type { Check } from '@spare-knot/core/checks';
import type { PinnedPlacement } from '@spare-knot/core/job';
import type { Layout } from '@spare-knot/core/layout';
import { partName } from '@spare-knot/core/panels';
import type { Text } from '@spare-knot/core/text';
import { isAssumed } from '@spare-knot/core/wood';

import { OctagonX } from 'lucide-react';
import { Link } from 'react-router';
import { Sentence } from '../../measure/length';

export function NotBuilt() {
  return (
    <p role="alert" className="rounded-md border border-danger bg-danger-pale p-3 text-danger">
      The box cannot be built as it stands, so there is nothing to lay out.{' '}
      <Link className="link" to="../box">
        Mend the box
      </Link>
    </p>
  );
}

/** Nothing is left to be sawn. */
export function AllReady() {
  return (
    <p className="rounded-md border border-line bg-white p-4 text-lg">
      Every panel of these boxes comes out of the bin: nothing is sawn.{' '}
      <Link className="link" to="../build">
        Go on to Build
      </Link>
    </p>
  );
}

/** Stops of the box: it is laid out only when the maker says so. */
export function AskFirst({ stops, onAnyway }: { stops: readonly Check[]; onAnyway: () => void }) {
  return (
    <div
      role="alert"
      className="rounded-md border-2 border-danger bg-danger-pale p-4"
      aria-label="Stops of this box"
    >
      <h2 className="text-xl text-danger">Stop: this box is not to be built as it is</h2>
      <ul className="mt-2 grid gap-1">
        {stops.map(({ id, role, text }) => (
          <li key={`${id} ${role}`} className="flex gap-2">
            <OctagonX size={20} className="mt-0.5 shrink-0 text-danger" aria-hidden />
            <span>
              <Sentence text={text} />
            </span>
          </li>
        ))}
      </ul>
      <p className="mt-3 flex flex-wrap items-center gap-3">
        <Link className="btn btn-main" to="../box">
          Back to the box, and mend it
        </Link>
        <button type="button" className="btn" onClick={onAnyway}>
          Lay it out all the same
        </button>
      </p>
    </div>
  );
}

export function Failed({ trouble, retry }: { trouble: string; retry: () => void }) {
  return (
    <p role="alert" className="mb-2 rounded-md border border-danger bg-danger-pale p-3 text-danger">
      <strong>The search failed;</strong> what was found before it stays. {trouble}{' '}
      <button type="button" className="btn !min-h-8" onClick={retry}>
        Try again
      </button>
    </p>
  );
}

/** Nothing to lay the boxes out on, and the ways to come by some. */
export function NoBoards({ supply, onBuy }: { supply: Supply; onBuy: () => void }) {
  return (
    <div className="p-6 text-center">
      {supply === 'rack' ? (
        <>
          <p>
            No board on the rack may be used for these panels.{' '}
            <Link className="link" to="../wood">
              Put some on the rack
            </Link>
            , or see what the yard would have to sell.
          </p>
          <button type="button" className="btn btn-main mt-3" onClick={onBuy}>
            What would I have to buy?
          </button>
        </>
      ) : (
        <p>
          Neither on the rack nor at the yard is there a board for these panels.{' '}
          <Link className="link" to="../wood">
            Choose other wood
          </Link>{' '}
          or{' '}
          <Link className="link" to="/yard">
            list what your yard sells
          </Link>
          .
        </p>
      )}
    </div>
  );
}

/** Boards in use that nobody has held a tape to. */
export function NotMeasured({
  layout,
  boards,
}: {
  layout: Layout;
  boards: readonly BoardRecord[];
}) {
  const used = boards.filter(
    (board) => isAssumed(board, 'size') && layout.boards.some(({ stock }) => stock === board.id),
  );
  if (used.length === 0) return null;
  return (
    <p className="mb-2 rounded-md border border-warn bg-warn-pale p-2 text-sm">
      <strong>Not measured yet:</strong> {used.map(({ name }) => name).join(', ')}. They stand here
      as the yard sells them.{' '}
      <Link className="link" to="/rack">
        Hold a tape to them and confirm it on the rack
      </Link>{' '}
      before the first cut.
    </p>
  );
}

/** Pins that cannot be kept, each with its reason. */
export function BrokenPins({
  broken,
  names,
  onForget,
}: {
  broken: readonly { pin: PinnedPlacement; reason: Text }[];
  names: ReadonlyMap<string, string>;
  onForget: () => void;
}) {
  return (
    <ul role="alert" className="mb-2 rounded-md border border-warn bg-warn-pale p-2 text-sm">
      {broken.map(({ pin, reason }) => (
        <li key={`${pin.part}/${pin.copy}`}>
          {partName(names, pin.part)} is not kept where it was pinned: <Sentence text={reason} />.
        </li>
      ))}
      <li>
        <button type="button" className="link min-h-7" onClick={onForget}>
          Forget these pins
        </button>
      </li>
    </ul>
  );
}

/** Boards on which nothing is laid, to be used again. */
export function LeftAlone({
  forbidden,
  boards,
  onUse,
}: {
  forbidden: readonly string[];
  boards: readonly BoardRecord[];
  onUse: (id: string) => void;
}) {
  return (
    <section className="card p-3" aria-label="Boards left alone">
      <h2 className="text-base">Left alone</h2>
      <ul>
        {forbidden.map((id) => (
          <li key={id} className="flex justify-between">
            {boards.find((board) => board.id === id)?.name ?? 'A board that is gone'}
            <button type="button" className="link min-h-7" onClick={() => onUse(id)}>
              use it again
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
