import { atFullPrice, batchQuestion, type LayoutWishes } from '@spare-knot/core/api';
import { checkBox, familyById } from '@spare-knot/core/families';
import { layoutJob } from '@spare-knot/core/job';
import { type Purchase, shoppingList, sortPins } from '@spare-knot/core/layout';
import { sum } from '@spare-knot/core/lists';
import { panelNames } from '@spare-knot/core/panels';

import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { useBatch, useReady } from '../../batch/batch-context';
import { StationActions } from '../../batch/station-actions';
import { useWood, type WoodOfBatch } from '../../batch/use-wood';
import { Trouble } from '../../ui/trouble';
import { BinCard } from './bin-card';
import type { Way } from './compare-session';
import { CompareWays } from './compare-ways';
import { FitPanel } from './fit-panel';
import { LaidOut } from './laid-out';
import {
  AllReady,
  AskFirst,
  BrokenPins,
  Failed,
  LeftAlone,
  NoBoards,
  NotBuilt,
  NotMeasured,
} from './layout-notes';
import { ResultCard } from './result-card';
import { SawCard } from './saw-card';
import { SearchCard } from './search-card';
import { ShoppingCard } from './shopping-card';
import { SupplyCard } from './supply-card';
import { type Answer, useAnswer } from './use-answer';
import { useTaking } from './use-taking';

const NO_NAMES: ReadonlyMap<string, string> = new Map();

/** The job of the batch on the wood that it may use; null while it cannot be made. */
function useJob({ rack, offers }: WoodOfBatch, mayBegin: boolean) {
  const { draft, built } = useBatch();
  const ready = useReady();
  const { plan, boxes, saw, wishes } = draft;
  return useMemo(() => {
    if (!mayBegin || !built.ok) return null;
    const asked = batchQuestion(
      { name: 'batch', plan, boxes, saw, wishes, liesReady: ready },
      rack,
      offers,
    );
    const made = layoutJob(asked);
    return made.ok ? sortPins(made.job) : null;
  }, [mayBegin, built.ok, plan, boxes, saw, wishes, ready, rack, offers]);
}

function Actions({
  found: { layout, answer },
  taking: { busy, take, giveBack },
  toBuy,
}: {
  found: Answer;
  taking: ReturnType<typeof useTaking>;
  /** Boards that have to be bought before any is taken. */
  toBuy: number;
}) {
  const { batch } = useBatch();
  return (
    <StationActions>
      {layout && layout.boards.length > 0 && (
        <Link to="../sheets" className="btn">
          Print sheets
        </Link>
      )}
      {batch.accepted ? (
        <button type="button" className="btn" disabled={busy} onClick={() => void giveBack()}>
          Give the boards back
        </button>
      ) : (
        <button
          type="button"
          className={toBuy > 0 ? 'btn' : 'btn btn-main'}
          title={toBuy > 0 ? 'Some of these boards are still at the yard' : undefined}
          disabled={busy || !answer || answer.boards.length === 0 || toBuy > 0}
          onClick={() => answer && void take(answer)}
        >
          {busy ? 'Taking…' : 'Take these boards'}
        </button>
      )}
    </StationActions>
  );
}

/** Changes of what is wished of the layout. */
function useWishes() {
  const { edit } = useBatch();
  const change = (of: Partial<LayoutWishes>) =>
    edit((current) => ({ ...current, wishes: { ...current.wishes, ...of } }));
  const takeWay = (way: Way) =>
    edit((current) => ({
      ...current,
      saw: { ...current.saw, rip: way !== 'chop' },
      wishes: {
        ...current.wishes,
        goals: { ...current.wishes.goals, first: way === 'chop' ? 'cost' : way },
      },
    }));
  return { change, takeWay };
}

/** Ways to lay the boxes out otherwise: other goals, other sizes. */
function Otherwise({ made }: { made: NonNullable<ReturnType<typeof useJob>> }) {
  const { draft, locked, edit } = useBatch();
  const { takeWay } = useWishes();
  const { job } = made;
  const ready = useReady();
  const { plan, boxes, saw, units, wishes } = draft;
  const names = useNames();
  const question = useMemo(
    () => ({ plan, boxes, stock: job.stock, saw, inches: units === 'inch', ready }),
    [job.stock, plan, boxes, saw, units, ready],
  );
  return (
    <>
      <CompareWays
        job={job}
        goals={wishes.goals}
        way={saw.rip ? wishes.goals.first : 'chop'}
        locked={locked}
        onTake={takeWay}
      />
      <FitPanel
        question={question}
        names={names}
        locked={locked}
        onTake={(next) => edit((current) => ({ ...current, plan: next }))}
      />
    </>
  );
}

function useNames(): ReadonlyMap<string, string> {
  const { draft, sound } = useBatch();
  const { family } = draft.plan;
  return useMemo(
    () => (sound ? panelNames(familyById(family), sound.box) : NO_NAMES),
    [sound, family],
  );
}

/** Stops of the box that the maker has not been asked about; asked again when they are others. */
function useStops() {
  const { draft, built, batch } = useBatch();
  const { plan } = draft;
  const [answered, setAnswered] = useState('');
  const stops = useMemo(
    () => (built.ok ? checkBox(plan, built.box).filter(({ severity }) => severity === 'stop') : []),
    [plan, built],
  );
  const question = stops.map(({ id, role }) => `${id} ${role}`).join(', ');
  const asks = stops.length > 0 && answered !== question && !batch.accepted;
  return { stops, asks, layOutAnyway: () => setAnswered(question) };
}

/** The boards with every panel on them, or why there are none. */
function Boards({
  wood,
  made,
  found,
  names,
}: {
  wood: WoodOfBatch;
  made: ReturnType<typeof useJob>;
  found: Answer;
  names: ReadonlyMap<string, string>;
}) {
  const { draft, built, locked, edit } = useBatch();
  const { change } = useWishes();
  const { forbidden, pinned, supply } = draft.wishes;
  const { layout } = found;
  const job = made?.job ?? null;
  const isEmpty = job !== null && job.stock.length === 0;
  return (
    <>
      {wood.error && <Trouble error={wood.error} retry={wood.retry} />}
      {!built.ok && <NotBuilt />}
      {found.trouble && <Failed trouble={found.trouble} retry={found.search.retry} />}
      {built.ok && wood.isKnown && isEmpty && (
        <NoBoards supply={supply} onBuy={() => change({ supply: 'rack-first' })} />
      )}
      {made && made.broken.length > 0 && (
        <BrokenPins
          broken={made.broken}
          names={names}
          onForget={() => change({ pinned: [...made.job.pinned] })}
        />
      )}
      {job && layout && !isEmpty && (
        <>
          {!locked && <NotMeasured layout={layout} boards={wood.rack} />}
          <LaidOut
            job={job}
            layout={layout}
            boards={wood.all}
            offers={wood.offers}
            names={names}
            locked={locked}
            onPins={(next) =>
              edit((current) => ({
                ...current,
                wishes: { ...current.wishes, pinned: [...next(current.wishes.pinned)] },
              }))
            }
            onForbid={(board) =>
              change({
                forbidden: [...forbidden, board],
                pinned: pinned.filter((pin) => pin.stock !== board),
              })
            }
          />
        </>
      )}
      {job && !layout && !isEmpty && <p className="p-6 text-center">Laying out…</p>}
    </>
  );
}

const NOTHING: readonly Purchase[] = [];

/** The boards, laid out, and how far that is from the best possible. */
export function LayoutStation() {
  const { draft, batch, locked } = useBatch();
  const wood = useWood();
  const names = useNames();
  const { accepted } = batch;
  const { stops, asks, layOutAnyway } = useStops();
  const made = useJob(wood, !asks && wood.isKnown);
  const allReady = made?.job.parts.length === 0;
  const job = allReady ? null : (made?.job ?? null);
  const { goals, forbidden, handHeld, supply } = draft.wishes;
  const { change } = useWishes();
  const found = useAnswer(job, goals);
  const { layout, searching, search } = found;
  const taking = useTaking(found);
  const toBuy = layout ? shoppingList(layout, wood.offers) : NOTHING;
  const bought = sum(toBuy.map(({ count }) => count));
  const full = useMemo(() => job && atFullPrice(job, wood.all), [job, wood.all]);
  return (
    <div className="mt-3 grid grid-cols-[minmax(0,1fr)_300px] gap-3 max-lg:grid-cols-1">
      <Actions found={found} taking={taking} toBuy={bought} />
      <section
        className="min-w-0 self-start rounded-[10px] border border-line bg-[#e7dfcd] p-3"
        aria-label="Boards laid out"
        aria-busy={searching}
      >
        {asks && <AskFirst stops={stops} onAnyway={layOutAnyway} />}
        {allReady ? <AllReady /> : <Boards wood={wood} made={made} found={found} names={names} />}
      </section>
      <aside className="grid content-start gap-3">
        {full && layout && (
          <ResultCard
            job={full}
            layout={layout}
            supply={supply}
            toBuy={bought}
            boxes={draft.boxes}
            names={names}
            handHeld={handHeld}
          />
        )}
        {toBuy.length > 0 && (
          <ShoppingCard
            list={toBuy}
            offers={wood.offers}
            answer={found.answer}
            busy={taking.busy}
            onBought={(answer) => void taking.buy(answer)}
          />
        )}
        <BinCard />
        {!asks && <SupplyCard wood={wood} onTake={(to) => change({ supply: to })} />}
        {forbidden.length > 0 && !locked && (
          <LeftAlone
            forbidden={forbidden}
            boards={wood.all}
            onUse={(id) => change({ forbidden: forbidden.filter((each) => each !== id) })}
          />
        )}
        {!accepted && !asks && (
          <SearchCard found={found} start={job && (() => search.start(job, goals))} />
        )}
        {made && !allReady && <Otherwise made={made} />}
        <SawCard change={change} />
      </aside>
    </div>
  );
}
