import type { ReadyPanel, SpareRecord } from '@spare-knot/core/api';
import { readyCopies } from '@spare-knot/core/job';
import { sum } from '@spare-knot/core/lists';
import { type UsefulSpare, usefulSpares } from '@spare-knot/core/spares';
import { useQueryClient } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { useBatch, useFromBin, useReady } from '../../batch/batch-context';
import { BIN, useBin } from '../../spares/use-bin';
import { messageOf } from '../../ui/message-of';
import { useNotice } from '../../ui/notice';

/** What the bin holds for this batch, what is set aside, and moving panels between the two. */
function useBatchBin() {
  const { draft, built, session, batch } = useBatch();
  const { spares } = useBin();
  const ready = useReady();
  const aside = useFromBin();
  const queries = useQueryClient();
  const say = useNotice();
  const [busy, setBusy] = useState(false);
  const { mends } = batch;
  const { plan, boxes } = draft;
  const box = built.ok ? built.box : null;
  const { useful, useless } = useMemo(() => {
    if (!box) return { useful: [], useless: 0 };
    const { left } = readyCopies(plan, box, boxes, ready);
    // What stands on boxes that are mended and fits no more is told of apart.
    const standing = readyCopies(plan, box, boxes, mends?.sound ?? []);
    const unfit = sum([...standing.left.values()]);
    return {
      useful: usefulSpares(plan, box, boxes, ready, spares),
      useless: sum([...left.values()]) - unfit,
    };
  }, [plan, box, boxes, ready, spares, mends]);
  const move = async (work: () => Promise<void>, said: string, undo: () => Promise<void>) => {
    setBusy(true);
    const again = async (of: () => Promise<void>) => {
      try {
        await of();
        return true;
      } catch (error) {
        say(messageOf(error), { tone: 'danger' });
        return false;
      } finally {
        await queries.invalidateQueries({ queryKey: BIN.queryKey });
      }
    };
    if (await again(work)) say(said, { undo: () => void again(undo) });
    setBusy(false);
  };
  const take = (wanted: readonly UsefulSpare<SpareRecord>[]) =>
    move(
      () => session.takeFromBin(wanted.map(({ spare, count }) => ({ spare: spare.id, count }))),
      `${sum(wanted.map(({ count }) => count))} panels are set aside: they are not sawn.`,
      async () => {
        const ids = wanted.map(({ spare }) => spare.id);
        const before = aside.filter(({ spare }) => ids.includes(spare));
        await session.putBackInBin(ids);
        if (before.length > 0)
          await session.takeFromBin(before.map(({ spare, count }) => ({ spare, count })));
      },
    );
  const putBack = (panels: readonly ReadyPanel[]) =>
    move(
      () => session.putBackInBin(panels.map(({ spare }) => spare)),
      `${sum(panels.map(({ count }) => count))} panels are back in the bin.`,
      () => session.takeFromBin(panels.map(({ spare, count }) => ({ spare, count }))),
    );
  return { useful, useless, ready: aside, busy, take, putBack };
}

function UsefulRow({
  of: { spare, count, isOtherWood },
  busy,
  onTake,
}: {
  of: UsefulSpare<SpareRecord>;
  busy: boolean;
  onTake: () => void;
}) {
  const { name, material, place } = spare;
  return (
    <li className="flex items-center gap-2 border-b border-dotted border-line py-1">
      <span>
        <strong>
          {count} × {name.toLowerCase()}
        </strong>
        {place && <span className="block text-sm text-soft">{place}</span>}
        {isOtherWood && (
          <span className="block text-sm text-warn-ink">
            of {material}: another wood than the plan’s
          </span>
        )}
      </span>
      <button
        type="button"
        className="btn ml-auto"
        disabled={busy}
        aria-label={`Take ${count} ${name}`}
        onClick={onTake}
      >
        Take
      </button>
    </li>
  );
}

/** Panels that lie ready for this batch: what is taken out of the bin is not sawn. */
export function BinCard() {
  const { locked } = useBatch();
  const { useful, useless, ready, busy, take, putBack } = useBatchBin();
  if (useful.length === 0 && ready.length === 0) return null;
  const ownWood = useful.filter(({ isOtherWood }) => !isOtherWood);
  return (
    <section className="card p-3" aria-label="Out of the bin">
      <h2 className="text-base">Out of the bin</h2>
      {ready.length > 0 && (
        <>
          <p className="mt-1">
            Set aside, not sawn:{' '}
            <strong>
              {ready.map(({ name, count }) => `${count} × ${name.toLowerCase()}`).join(', ')}
            </strong>
            . Their wood is not in what these boxes cost.
          </p>
          {useless > 0 && (
            <p role="alert" className="mt-1 rounded-md border border-warn bg-warn-pale px-2 py-1">
              {useless} of them {useless === 1 ? 'is' : 'are'} of no use to these boxes any more:
              the box or their number has changed. Put them back.
            </p>
          )}
          {!locked && (
            <button
              type="button"
              className="btn mt-2"
              disabled={busy}
              onClick={() => void putBack(ready)}
            >
              Put them back
            </button>
          )}
        </>
      )}
      {!locked && useful.length > 0 && (
        <>
          <p className="mt-2 text-soft">These lie in the bin and fit these boxes:</p>
          <ul>
            {useful.map((of) => (
              <UsefulRow key={of.spare.id} of={of} busy={busy} onTake={() => void take([of])} />
            ))}
          </ul>
          {ownWood.length > 1 && (
            <button
              type="button"
              className="btn btn-main mt-2"
              disabled={busy}
              onClick={() => void take(ownWood)}
            >
              Take all {sum(ownWood.map(({ count }) => count))}
            </button>
          )}
        </>
      )}
    </section>
  );
}
