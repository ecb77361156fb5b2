import { type BoardRecord, batchQuestion, type LayoutWishes } from '@spare-knot/core/api';
import { checkBox, familyById } from '@spare-knot/core/families';
import { layoutJob } from '@spare-knot/core/job';
import { type Layout, sortPins } from '@spare-knot/core/layout';
import { panelNames } from '@spare-knot/core/panels';

import { useQueryClient } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { useBatch } from '../../batch/batch-context';
import { StationActions } from '../../batch/station-actions';
import { RACK, useRack } from '../../rack/use-rack';
import { messageOf } from '../../ui/message-of';
import { useNotice } from '../../ui/notice';
import { Trouble } from '../../ui/trouble';
import type { Way } from './compare-session';
import { CompareWays } from './compare-ways';
import { FitPanel } from './fit-panel';
import { LaidOut } from './laid-out';
import { AskFirst, BrokenPins, Failed, LeftAlone, NoBoards, NotBuilt } from './layout-notes';
import { ResultCard } from './result-card';
import { SawCard } from './saw-card';
import { SearchCard } from './search-card';
import { type Answer, useAnswer } from './use-answer';

const NO_NAMES: ReadonlyMap<string, string> = new Map();

/** The job of the batch on the boards of the rack, or on those that were taken for it; null while it cannot be made. */
function useJob(boards: readonly BoardRecord[], ready: boolean) {
  const { draft, built } = useBatch();
  const { plan, boxes, saw, wishes } = draft;
  return useMemo(() => {
    if (!ready || !built.ok) return null;
    const made = layoutJob(batchQuestion({ name: 'batch', plan, boxes, saw, wishes }, boards));
    return made.ok ? sortPins(made.job) : null;
  }, [ready, built.ok, plan, boxes, saw, wishes, boards]);
}

/** Taking the boards of a layout off the rack, and giving them back. */
function useTaking(stop: () => void) {
  const { session } = useBatch();
  const queries = useQueryClient();
  const say = useNotice();
  const [busy, setBusy] = useState(false);
  const act = async (does: () => Promise<unknown>, done: () => void) => {
    if (busy) return;
    setBusy(true);
    try {
      await does();
      done();
    } catch (error) {
      say(messageOf(error), { tone: 'danger' });
    }
    await queries.invalidateQueries({ queryKey: RACK });
    setBusy(false);
  };
  const giveBack = () =>
    act(
      () => session.giveBack(),
      () => say('The boards are back on the rack.'),
    );
  const take = (answer: Layout) => {
    stop();
    return act(
      () => session.accept(answer),
      () =>
        say('The boards are off the rack and the offcuts on it.', { undo: () => void giveBack() }),
    );
  };
  return { busy, take, giveBack };
}

function Actions({ layout, answer, search }: Answer) {
  const { batch } = useBatch();
  const { busy, take, giveBack } = useTaking(search.stop);
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
          className="btn btn-main"
          disabled={busy || !answer || answer.boards.length === 0}
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
  const { plan, boxes, saw, units, wishes } = draft;
  const names = useNames();
  const question = useMemo(
    () => ({ plan, boxes, stock: job.stock, saw, inches: units === 'inch' }),
    [job.stock, plan, boxes, saw, units],
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

/** The boards, laid out, and how far that is from the best possible. */
export function LayoutStation() {
  const { draft, built, batch, locked, edit } = useBatch();
  const rack = useRack();
  const names = useNames();
  const { accepted } = batch;
  const boards: readonly BoardRecord[] = accepted ? accepted.boards : rack.boards;
  const { stops, asks, layOutAnyway } = useStops();
  const made = useJob(boards, !asks && (accepted !== null || rack.query.data !== undefined));
  const job = made?.job ?? null;
  const { goals, forbidden, pinned, handHeld } = draft.wishes;
  const { change } = useWishes();
  const found = useAnswer(job, goals);
  const { layout, searching, search } = found;
  return (
    <main className="mt-3 grid grid-cols-[minmax(0,1fr)_300px] gap-3 max-lg:grid-cols-1">
      <Actions {...found} />
      <section
        className="min-w-0 self-start rounded-[10px] border border-line bg-[#e7dfcd] p-3"
        aria-label="Boards laid out"
        aria-busy={searching}
      >
        {rack.query.isError && (
          <Trouble error={rack.query.error} retry={() => void rack.query.refetch()} />
        )}
        {!built.ok && <NotBuilt />}
        {asks && <AskFirst stops={stops} onAnyway={layOutAnyway} />}
        {found.trouble && <Failed trouble={found.trouble} retry={search.retry} />}
        {built.ok && rack.query.data && boards.length === 0 && <NoBoards />}
        {made && made.broken.length > 0 && (
          <BrokenPins
            broken={made.broken}
            names={names}
            onForget={() => change({ pinned: [...made.job.pinned] })}
          />
        )}
        {job && layout && (
          <LaidOut
            job={job}
            layout={layout}
            boards={boards}
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
        )}
        {job && !layout && boards.length > 0 && <p className="p-6 text-center">Laying out…</p>}
      </section>
      <aside className="grid content-start gap-3">
        {job && layout && (
          <ResultCard
            job={job}
            layout={layout}
            boxes={draft.boxes}
            names={names}
            handHeld={handHeld}
          />
        )}
        {forbidden.length > 0 && !locked && (
          <LeftAlone
            forbidden={forbidden}
            boards={boards}
            onUse={(id) => change({ forbidden: forbidden.filter((each) => each !== id) })}
          />
        )}
        {!accepted && !asks && (
          <SearchCard found={found} start={job && (() => search.start(job, goals))} />
        )}
        {made && <Otherwise made={made} />}
        <SawCard change={change} />
      </aside>
    </main>
  );
}
