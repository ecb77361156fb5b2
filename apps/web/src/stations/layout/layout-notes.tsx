import type { BoardRecord } from '@spare-knot/core/api';
import type { PinnedPlacement } from '@spare-knot/core/job';
import { partName } from '@spare-knot/core/panels';
import type { Text } from '@spare-knot/core/text';

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

export function NoBoards() {
  return (
    <p className="p-6 text-center">
      There are no boards.{' '}
      <Link className="link" to="../wood">
        Put some on the rack
      </Link>
      , then they are laid out here.
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
