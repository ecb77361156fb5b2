import type { PlanVersion, RepairRecord, WantedRepair } from '@spare-knot/core/api';
import { useQueryClient } from '@tanstack/react-query';
import { Trash2 } from 'lucide-react';
import { useMemo, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { client } from '../api/client';
import { useNewBatchFields } from '../batch/use-new-batch-fields';
import { useBin } from '../spares/use-bin';
import { today } from '../trail/words';
import { Trouble } from '../ui/trouble';
import { UnreadableHere } from '../ui/unreadable-here';
import { countWords, type MendingGroup, mendingGroups, outOfBin } from './mending-group';
import { type BrokenBox, RepairDialog } from './repair-dialog';
import { repairWords, useRepairs } from './use-repairs';

const asBroken = ({ box, number, planKey, wants }: WantedRepair): BrokenBox => ({
  box,
  number,
  planKey,
  wants,
});

/** What visits found, and nobody has said yet which panels it is. */
function Found({
  wanted,
  onSay,
}: {
  wanted: readonly WantedRepair[];
  onSay: (of: BrokenBox) => void;
}) {
  if (wanted.length === 0) return null;
  return (
    <section aria-label="Found at visits" className="card mt-4 p-4">
      <h2 className="text-xl">Found at visits</h2>
      <p className="text-soft">Say which panels of these it is: then they can be made.</p>
      <ul className="mt-1">
        {wanted.map((each) => (
          <li
            key={each.visit}
            className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-dotted border-line py-1.5"
          >
            <Link className="link w-16 text-lg font-semibold" to={`/trail/${each.box}`}>
              Box {each.number}
            </Link>
            <span className="flex-1 basis-60">
              <strong>{each.wants}</strong>
              <span className="block text-sm text-soft">
                {each.on}
                {each.place && `, ${each.place}`}
              </span>
            </span>
            <button
              type="button"
              className="btn"
              aria-label={`Say what is broken of box ${each.number}`}
              onClick={() => onSay(asBroken(each))}
            >
              Say what is broken
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}

function RepairRow({
  repair,
  isChosen,
  onChoose,
  onMended,
  onRemove,
}: {
  repair: RepairRecord;
  isChosen: boolean;
  /** Null where it is not chosen for a batch: it is in one, or it is no panel. */
  onChoose: ((isChosen: boolean) => void) | null;
  onMended: () => void;
  onRemove: () => void;
}) {
  const { box, number, name, count, what, toldOn, batch, place } = repair;
  return (
    <li
      className="flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-dotted border-line py-1.5"
      data-repair={repairWords(repair)}
    >
      {onChoose && (
        <input
          type="checkbox"
          className="size-6 accent-chalk"
          aria-label={`${repairWords(repair)}, in the batch`}
          checked={isChosen}
          onChange={(event) => onChoose(event.target.checked)}
        />
      )}
      <span className="flex-1 basis-60">
        <strong className="text-lg">
          <Link className="link" to={`/trail/${box}`}>
            Box {number}
          </Link>
          {name && `: ${count > 1 ? `${count} × ` : ''}${name.toLowerCase()}`}
        </strong>
        {what && <span>{name ? `, ${what}` : `: ${what}`}</span>}
        <span className="block text-sm text-soft">
          told {toldOn}
          {place && `, ${place}`}
          {batch && (
            <>
              , made in{' '}
              <Link className="link" to={`/batches/${batch.id}/layout`}>
                {batch.name}
              </Link>
            </>
          )}
        </span>
      </span>
      <button
        type="button"
        className="btn"
        aria-label={`${repairWords(repair)} is mended`}
        onClick={onMended}
      >
        Mended
      </button>
      {!batch && (
        <button
          type="button"
          className="btn btn-quiet"
          aria-label={`Take ${repairWords(repair)} off the list`}
          onClick={onRemove}
        >
          <Trash2 size={16} aria-hidden />
        </button>
      )}
    </li>
  );
}

const called = (repairs: readonly RepairRecord[]): string => {
  const numbers = [...new Set(repairs.map(({ number }) => number))];
  const shown = numbers.slice(0, 6).join(', ');
  const more = numbers.length > 6 ? ` and ${numbers.length - 6} more` : '';
  return `Mending ${numbers.length === 1 ? 'box' : 'boxes'} ${shown}${more}`;
};

/** Begins a batch of repairs and goes to its layout. */
function useMendingBatch() {
  const { attempt } = useRepairs();
  const fields = useNewBatchFields();
  const queries = useQueryClient();
  const navigate = useNavigate();
  const [busy, setBusy] = useState(false);
  const begin = async (repairs: readonly RepairRecord[]) => {
    setBusy(true);
    const begun = await attempt(() =>
      client.beginMending({
        repairs: repairs.map(({ id }) => id),
        batch: { ...fields('rack'), name: called(repairs) },
      }),
    );
    setBusy(false);
    if (!begun) return;
    for (const key of ['batches', 'bin', 'plans'])
      void queries.invalidateQueries({ queryKey: [key] });
    navigate(`/batches/${begun.batch}/layout`);
  };
  return { busy, begin };
}

function BatchOfThese({ plan, chosen }: { plan: PlanVersion; chosen: readonly RepairRecord[] }) {
  const { spares } = useBin();
  const { busy, begin } = useMendingBatch();
  const { words, left } = useMemo(() => outOfBin(plan, chosen, spares), [plan, chosen, spares]);
  return (
    <div className="mt-3 flex flex-wrap items-center gap-4 rounded-md bg-chalk-pale p-3">
      <p className="flex-1 basis-72">
        {chosen.length === 0 ? (
          'Tick what is to be made in one batch.'
        ) : (
          <>
            <strong>{countWords(chosen)}</strong>.{' '}
            {words ? `Out of the bin: ${words}; ` : 'Nothing of it lies in the bin; '}
            {left === 0
              ? 'nothing has to be sawn.'
              : `${left} to be sawn, from offcuts of the rack first.`}
          </>
        )}
      </p>
      <button
        type="button"
        className="btn btn-main min-h-12"
        disabled={chosen.length === 0 || busy}
        onClick={() => void begin(chosen)}
      >
        Make a batch of these
      </button>
    </div>
  );
}

function Group({ group: { plan, repairs } }: { group: MendingGroup }) {
  const { done, remove } = useRepairs();
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const free = repairs.filter(({ batch }) => plan !== null && batch === null);
  const chosen = useMemo(
    () => repairs.filter(({ id, batch }) => plan !== null && batch === null && !left.has(id)),
    [repairs, plan, left],
  );
  const choose = (id: string, isChosen: boolean) =>
    setLeft((before) => {
      const next = new Set(before);
      if (isChosen) next.delete(id);
      else next.add(id);
      return next;
    });
  const mended = (repair: RepairRecord) =>
    void done([repair], today(), repair.batch ? `in “${repair.batch.name}”`.slice(0, 200) : '');
  const title = plan
    ? `Of ${plan.name}, as it was on ${new Date(plan.since).toLocaleDateString('en-CA')}`
    : 'What is no panel';
  return (
    <section aria-label={title} className="card mt-4 p-4">
      <h2 className="text-xl">{title}</h2>
      <ul>
        {repairs.map((repair) => (
          <RepairRow
            key={repair.id}
            repair={repair}
            isChosen={chosen.includes(repair)}
            onChoose={free.includes(repair) ? (isChosen) => choose(repair.id, isChosen) : null}
            onMended={() => mended(repair)}
            onRemove={() => void remove(repair)}
          />
        ))}
      </ul>
      {plan && free.length > 0 && <BatchOfThese plan={plan} chosen={chosen} />}
    </section>
  );
}

/** Boxes that are out and want mending: what was found, which panels it is, and the batch that makes them. */
export function BrokenBoxes() {
  const { query, repairs, wanted, plans, tell } = useRepairs();
  const [asked, setAsked] = useState<BrokenBox | null>(null);
  const groups = useMemo(() => mendingGroups(repairs, plans), [repairs, plans]);
  return (
    <section aria-label="Broken boxes">
      <p className="mt-3 max-w-3xl text-soft">
        A broken panel is taken from the bin, else sawn from an offcut, else from a board. A batch
        of repairs is laid out, sawn and built like any other, for its panels alone.
      </p>
      {query.isError && <Trouble error={query.error} retry={() => void query.refetch()} />}
      <UnreadableHere list="repairs" />
      {query.data && groups.length === 0 && wanted.length === 0 && (
        <p className="card mt-4 p-5">
          Nothing is to be mended. What a visit finds broken is called up here; at a box of the
          Trail you can say it too.
        </p>
      )}
      <Found wanted={wanted} onSay={setAsked} />
      {groups.map((group) => (
        <Group key={group.plan?.key ?? ''} group={group} />
      ))}
      <RepairDialog of={asked} onTell={tell} onClose={() => setAsked(null)} />
    </section>
  );
}
