import { coatWork } from '@spare-knot/core/building';
import { TICKS_PER_MM } from '@spare-knot/core/measure';
import { ofArea, ofLiquid } from '@spare-knot/core/text';
import { Check } from 'lucide-react';
import { Link } from 'react-router';
import { useBatch } from '../../batch/batch-context';
import { Sentence } from '../../measure/length';
import { useSupplies } from '../../shop/use-supplies';
import { Trouble } from '../../ui/trouble';
import { useNow } from '../../ui/use-now';
import { clockWords } from './clock-words';
import { hoursWord } from './hours-word';
import { NeedRow } from './need-row';
import type { BenchWork } from './use-bench-work';
import type { Built } from './use-build';
import { useNeeds } from './use-needs';

/** What the whole batch takes beside its panels, and whether the shop has it. */
function Takes({ built }: { built: Built }) {
  const { draft } = useBatch();
  const { query, supplies, tell } = useSupplies();
  const needs = useNeeds(built);
  const { boxes } = draft;
  return (
    <section aria-label="What it takes" className="card min-w-0 p-4">
      <div className="flex flex-wrap items-baseline justify-between gap-2">
        <h2 className="text-lg">
          For {boxes} {boxes === 1 ? 'box' : 'boxes'}
        </h2>
        <Link className="link" to="/shop">
          All drawers of the shop
        </Link>
      </div>
      {query.isError && !query.data && (
        <Trouble error={query.error} retry={() => void query.refetch()} />
      )}
      <div className="relative overflow-x-auto">
        <table className="mt-1 w-full max-md:block">
          <thead className="max-md:hidden">
            <tr className="border-b border-line text-left text-sm text-soft">
              <th className="py-1">What</th>
              <th className="text-right">Needed</th>
              <th className="pl-4">In the shop</th>
              <th className="pl-4">One pack holds, at</th>
              <th className="pl-4">So</th>
            </tr>
          </thead>
          <tbody className="max-md:block">
            {needs.map((need) => (
              <NeedRow
                key={need.item}
                need={need}
                built={built}
                supplies={query.data ? supplies : null}
                onTell={tell}
              />
            ))}
          </tbody>
        </table>
      </div>
      <p className="mt-2 text-sm text-soft">
        Count what is in the drawer and it is held against every batch. Needed: what the boxes take,
        and a few to spare.
      </p>
    </section>
  );
}

/** One coat: put on, dry by when. */
function Coat({
  built: { build },
  work,
  finish,
  coat,
}: {
  built: Built;
  work: BenchWork;
  finish: number;
  coat: number;
}) {
  const now = useNow();
  const own = coatWork(build, finish, coat);
  const at = work.doneAt(own);
  const { waitHours = 0 } = build.finish[finish - 1] ?? {};
  const dry = at === null ? null : at + waitHours * 3_600_000;
  return (
    <li className="flex flex-wrap items-center gap-3">
      <button
        type="button"
        aria-pressed={at !== null}
        className={`btn min-h-11 ${at === null ? '' : 'border-moss bg-moss-pale text-moss'}`}
        onClick={() => work.tell([own], at === null)}
      >
        {at !== null && <Check size={18} aria-hidden />} Coat {coat} is on
      </button>
      {dry !== null && (
        <span>
          {dry > now ? `dries until ${clockWords(dry, now)}` : 'dry by now: feel it first'}
        </span>
      )}
    </li>
  );
}

function Finishes({ built, work }: { built: Built; work: BenchWork }) {
  const { build } = built;
  if (build.finish.length === 0)
    return (
      <p>
        The plan leaves the wood bare. Where it is to be stained, painted or oiled, say so at{' '}
        <Link className="link" to="../box">
          Box
        </Link>
        : outside only, nothing inside or round the entrance.
      </p>
    );
  return (
    <ul className="grid gap-3">
      {build.finish.map(({ name, where, squareMetres, millilitres, coats, waitHours }, index) => (
        <li key={index} className="border-b border-dotted border-line pb-2">
          <p>
            <strong>
              <Sentence text={name} />
            </strong>{' '}
            on {where}: {coats} coats over <Sentence text={[ofArea(squareMetres)]} /> a box,{' '}
            <Sentence text={[ofLiquid(millilitres * build.boxes)]} /> for all; wait{' '}
            {hoursWord(waitHours)} after each, or as the tin says.
          </p>
          <ul className="mt-1 grid gap-1">
            {Array.from({ length: coats }, (_unused, coat) => (
              <Coat key={coat} built={built} work={work} finish={index + 1} coat={coat + 1} />
            ))}
          </ul>
        </li>
      ))}
    </ul>
  );
}

/** Screws, glue, caulk, coats: how much, what is short, in which order, with waits on a clock. */
export function FinishTab({ built, work }: { built: Built; work: BenchWork }) {
  const { seal } = built.build;
  return (
    <div className="grid gap-4">
      <Takes built={built} />
      <section aria-label="Finish" className="card p-4">
        <h2 className="text-lg">Seal and finish</h2>
        {seal.length > 0 && (
          <p className="mb-2">
            Caulk {(seal.length / TICKS_PER_MM / 1000).toFixed(1)} m of seams a box, before any
            coat.
          </p>
        )}
        <Finishes built={built} work={work} />
        <p className="mt-2 text-sm text-soft">
          Doors open, no flame; rags with oil dry spread out in the open, never in a heap: they can
          burn by themselves. Follow the tin.
        </p>
      </section>
    </div>
  );
}
