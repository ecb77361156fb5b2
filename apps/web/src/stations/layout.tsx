import { type BoardRecord, batchQuestion, type LayoutWishes } from '@spare-knot/core/api';
import { familyById } from '@spare-knot/core/families';
import { type LayoutJob, layoutJob, type Saw } from '@spare-knot/core/job';
import {
  aboveBest,
  checkLayout,
  costByPart,
  countCuts,
  type Goals,
  type Layout,
  movedToPins,
  shortPieces,
  sortPins,
  usedCost,
} from '@spare-knot/core/layout';
import { printMoney, type Ticks } from '@spare-knot/core/measure';
import { panelNames, partName } from '@spare-knot/core/panels';

import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useMemo, useRef, useState } from 'react';
import { Link } from 'react-router';
import { useBatch } from '../batch/batch-context';
import { StationActions } from '../batch/station-actions';
import { AngleField } from '../measure/angle-field';
import { Length, Sentence } from '../measure/length';
import { LengthField } from '../measure/length-field';
import { RACK, useRack } from '../rack/use-rack';
import { useNotice } from '../ui/notice';
import { Trouble } from '../ui/trouble';
import { questionOf } from '../workers/search-session';
import { useSearchSession } from '../workers/use-search-session';
import { CompareWays, type Way } from './compare-ways';
import { FitPanel } from './fit-panel';
import { LaidOut } from './laid-out';

/** How a bound was proven, in words. */
const PROOFS: Record<Layout['boundProof'], string> = {
  area: 'by area and length with kerfs',
  lp: 'by the best mix of boards',
  exact: 'by trying every mix of boards',
};

/** The boards, laid out, and how far that is from the best possible. */
export function LayoutStation() {
  const { draft, built, sound, batch, locked, session, edit } = useBatch();
  const rack = useRack();
  const queries = useQueryClient();
  const say = useNotice();
  const names = useMemo(
    () =>
      sound ? panelNames(familyById(draft.plan.family), sound.box) : new Map<string, string>(),
    [sound, draft.plan.family],
  );
  const [busy, setBusy] = useState(false);
  const accepted = batch.accepted;
  const boards: readonly BoardRecord[] = accepted ? accepted.boards : rack.boards;
  const ready = accepted !== null || rack.query.data !== undefined;
  const made = useMemo(() => {
    if (!ready || !built.ok) return null;
    const of = layoutJob(
      batchQuestion(
        {
          name: 'batch',
          plan: draft.plan,
          boxes: draft.boxes,
          saw: draft.saw,
          wishes: draft.wishes,
        },
        boards,
      ),
    );
    return of.ok ? sortPins(of.job) : null;
  }, [ready, built.ok, draft.plan, draft.boxes, draft.saw, draft.wishes, boards]);
  const job = made?.job ?? null;
  const { goals, forbidden } = draft.wishes;
  const change = (wishes: Partial<LayoutWishes>) =>
    edit((current) => ({ ...current, wishes: { ...current.wishes, ...wishes } }));
  const way: Way = draft.saw.rip ? goals.first : 'chop';
  const fitQuestion = useMemo(
    () =>
      job
        ? {
            plan: draft.plan,
            boxes: draft.boxes,
            stock: job.stock,
            saw: draft.saw,
            inches: draft.units === 'inch',
          }
        : null,
    [job, draft.plan, draft.boxes, draft.saw, draft.units],
  );

  const keep = async (layout: Layout) => {
    if (layout.boards.length === 0) return;
    try {
      await session.propose(layout);
    } catch (error) {
      say(
        `This layout is not kept yet: ${error instanceof Error ? error.message : String(error)}`,
        { tone: 'danger' },
      );
    }
  };
  const { search, state: found } = useSearchSession((layout) => void keep(layout));
  const question = job && questionOf(job, goals);

  // A layout that was kept and still holds is shown as it was; from then on anything that changes is laid out anew.
  const proposed = useRef(batch.proposed);
  proposed.current = batch.proposed;
  const [held, setHeld] = useState<{ question: string; layout: Layout } | null>(null);
  const first = useRef(true);
  useEffect(() => {
    if (!job || !question || accepted) return;
    const kept = first.current ? proposed.current : null;
    if (kept && kept.unplaced.length === 0 && checkLayout(job, kept).length === 0) {
      first.current = false;
      setHeld({ question, layout: kept });
      return;
    }
    if (
      held?.question === question &&
      search.snapshot().asked !== question &&
      !search.snapshot().asked
    )
      return;
    // The first time at once; later a moment after the last change.
    const timer = setTimeout(() => search.lookAt(job, goals), first.current ? 0 : 40);
    first.current = false;
    return () => clearTimeout(timer);
  }, [job, question, goals, held, accepted, search]);

  const asKept = held !== null && held.question === question && found.asked !== question;
  const answer = asKept ? held.layout : found.answers === question ? found.layout : null;
  const lastAnswer = useRef<Layout | null>(null);
  useEffect(() => {
    if (answer) lastAnswer.current = answer;
  }, [answer]);
  // Until a changed job has its answer the last one stays, with every piece where it was dropped.
  const layout = accepted
    ? accepted.layout
    : (answer ?? (job && lastAnswer.current && movedToPins(lastAnswer.current, job.pinned)));
  const searching =
    !accepted &&
    job !== null &&
    !asKept &&
    (found.running || (found.asked !== question && found.trouble === null));
  const take = async () => {
    if (!answer || busy) return;
    setBusy(true);
    search.stop();
    try {
      await session.accept(answer);
      await queries.invalidateQueries({ queryKey: RACK });
      say('The boards are off the rack and the offcuts on it.', { undo: () => void giveBack() });
    } catch (error) {
      say(error instanceof Error ? error.message : String(error), { tone: 'danger' });
      await queries.invalidateQueries({ queryKey: RACK });
    }
    setBusy(false);
  };
  const giveBack = async () => {
    setBusy(true);
    try {
      await session.giveBack();
      await queries.invalidateQueries({ queryKey: RACK });
      say('The boards are back on the rack.');
    } catch (error) {
      say(error instanceof Error ? error.message : String(error), { tone: 'danger' });
    }
    setBusy(false);
  };
  const changeSaw = (change: Partial<Saw>) =>
    edit((current) => ({ ...current, saw: { ...current.saw, ...change } }));

  return (
    <main className="mt-3 grid grid-cols-[minmax(0,1fr)_300px] gap-3 max-lg:grid-cols-1">
      <StationActions>
        {layout && layout.boards.length > 0 && (
          <Link to="../sheets" className="btn">
            Print sheets
          </Link>
        )}
        {accepted ? (
          <button type="button" className="btn" disabled={busy} onClick={() => void giveBack()}>
            Give the boards back
          </button>
        ) : (
          <button
            type="button"
            className="btn btn-main"
            disabled={busy || !answer || answer.boards.length === 0}
            onClick={() => void take()}
          >
            {busy ? 'Taking…' : 'Take these boards'}
          </button>
        )}
      </StationActions>
      <section
        className="min-w-0 self-start rounded-[10px] border border-line bg-[#e7dfcd] p-3"
        aria-label="Boards laid out"
        aria-busy={searching}
      >
        {rack.query.isError && (
          <Trouble error={rack.query.error} retry={() => void rack.query.refetch()} />
        )}
        {!built.ok && (
          <p
            role="alert"
            className="rounded-md border border-danger bg-danger-pale p-3 text-danger"
          >
            The box cannot be built as it stands, so there is nothing to lay out.{' '}
            <Link className="link" to="../box">
              Mend the box
            </Link>
          </p>
        )}
        {found.trouble && (
          <p
            role="alert"
            className="mb-2 rounded-md border border-danger bg-danger-pale p-3 text-danger"
          >
            <strong>The search failed;</strong> what was found before it stays. {found.trouble}{' '}
            <button type="button" className="btn !min-h-8" onClick={search.retry}>
              Try again
            </button>
          </p>
        )}
        {built.ok && rack.query.data && boards.length === 0 && (
          <p className="p-6 text-center">
            There are no boards.{' '}
            <Link className="link" to="../wood">
              Put some on the rack
            </Link>
            , then they are laid out here.
          </p>
        )}
        {made && made.broken.length > 0 && (
          <ul role="alert" className="mb-2 rounded-md border border-warn bg-warn-pale p-2 text-sm">
            {made.broken.map(({ pin, reason }) => (
              <li key={`${pin.part}/${pin.copy}`}>
                {partName(names, pin.part)} is not kept where it was pinned:{' '}
                <Sentence text={reason} />.
              </li>
            ))}
            <li>
              <button
                type="button"
                className="link min-h-7"
                onClick={() => change({ pinned: [...(job?.pinned ?? [])] })}
              >
                Forget these pins
              </button>
            </li>
          </ul>
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
                pinned: draft.wishes.pinned.filter((pin) => pin.stock !== board),
              })
            }
          />
        )}
        {job && !layout && boards.length > 0 && <p className="p-6 text-center">Laying out…</p>}
      </section>
      <aside className="grid content-start gap-3">
        {job && layout && (
          <Statement
            job={job}
            layout={layout}
            boxes={draft.boxes}
            roles={names}
            handHeld={draft.wishes.handHeld}
          />
        )}
        {forbidden.length > 0 && !locked && (
          <section className="card p-3" aria-label="Boards left alone">
            <h2 className="text-base">Left alone</h2>
            <ul>
              {forbidden.map((id) => (
                <li key={id} className="flex justify-between">
                  {boards.find((board) => board.id === id)?.name ?? 'A board that is gone'}
                  <button
                    type="button"
                    className="link min-h-7"
                    onClick={() => change({ forbidden: forbidden.filter((each) => each !== id) })}
                  >
                    use it again
                  </button>
                </li>
              ))}
            </ul>
          </section>
        )}
        {!accepted && (
          <section className="card p-3" aria-label="Search">
            {searching ? (
              <>
                <p role="status" className="font-semibold">
                  Looking for better…
                </p>
                <div className="my-2 h-1.5 overflow-hidden rounded bg-line">
                  <div className="h-full animate-pulse bg-chalk" style={{ width: '100%' }} />
                </div>
                <button type="button" className="btn" onClick={search.stop}>
                  Stop, keep the best so far
                </button>
              </>
            ) : (
              <>
                <p role="status" className="text-soft">
                  {asKept ? 'As it was kept.' : answer ? 'The search has ended.' : ''}
                </p>
                <button
                  type="button"
                  className="btn mt-1"
                  disabled={!job}
                  onClick={() => {
                    if (job) search.start(job, goals);
                  }}
                >
                  Look again
                </button>
              </>
            )}
          </section>
        )}
        {job && (
          <CompareWays
            job={job}
            goals={goals}
            way={way}
            locked={locked}
            onTake={(next) =>
              edit((current) => ({
                ...current,
                saw: { ...current.saw, rip: next !== 'chop' },
                wishes: {
                  ...current.wishes,
                  goals: { ...current.wishes.goals, first: next === 'chop' ? 'cost' : next },
                },
              }))
            }
          />
        )}
        {fitQuestion && (
          <FitPanel
            question={fitQuestion}
            names={names}
            locked={locked}
            onTake={(plan) => edit((current) => ({ ...current, plan }))}
          />
        )}
        <section className="card p-3" aria-label="Boxes and saw">
          <h2 className="text-base">Boxes and saw</h2>
          <div className="mt-1 grid grid-cols-2 gap-2">
            <BoxCount
              value={draft.boxes}
              locked={locked}
              onChange={(boxes) => edit((current) => ({ ...current, boxes }))}
            />
            <LengthField
              label="Kerf"
              value={draft.saw.kerf}
              disabled={locked}
              onChange={(kerf) => changeSaw({ kerf })}
            />
            <LengthField
              label="Trim each end"
              value={draft.saw.endTrim}
              disabled={locked}
              onChange={(endTrim) => changeSaw({ endTrim })}
            />
            <LengthField
              label="Keep offcuts long from"
              value={draft.saw.keep.length}
              disabled={locked}
              onChange={(length) => changeSaw({ keep: { ...draft.saw.keep, length } })}
            />
          </div>
          <label className="mt-2 flex min-h-7 items-center gap-2">
            <input
              type="checkbox"
              className="size-4 accent-chalk"
              checked={!draft.saw.rip}
              disabled={locked}
              onChange={(event) => changeSaw({ rip: !event.target.checked })}
            />
            Chop saw only: nothing is ripped
          </label>
          <details className="mt-1">
            <summary className="min-h-7 font-semibold text-chalk">More of the saw</summary>
            <div className="mt-1 grid grid-cols-2 gap-2">
              <AngleField
                label="Fence turns to"
                value={draft.saw.maxMitre}
                problem={null}
                locked={locked}
                onChange={(angle) => angle >= 0 && angle <= 90 && changeSaw({ maxMitre: angle })}
              />
              <AngleField
                label="Blade tilts to"
                value={draft.saw.maxTilt}
                problem={null}
                locked={locked}
                onChange={(angle) => angle >= 0 && angle <= 90 && changeSaw({ maxTilt: angle })}
              />
              <LengthField
                label="Keep offcuts wide from"
                value={draft.saw.keep.width}
                disabled={locked}
                onChange={(width) => changeSaw({ keep: { ...draft.saw.keep, width } })}
              />
              <LengthField
                label="Held by hand from"
                value={draft.wishes.handHeld}
                disabled={locked}
                onChange={(handHeld) => change({ handHeld })}
              />
              {!draft.saw.rip && (
                <LengthField
                  label="Cuts across up to"
                  value={draft.wishes.crosscut ?? 305 * 320}
                  disabled={locked}
                  onChange={(crosscut) => change({ crosscut: crosscut > 0 ? crosscut : null })}
                />
              )}
            </div>
            <label className="mt-2 flex min-h-7 items-center gap-2">
              <input
                type="checkbox"
                className="size-4 accent-chalk"
                checked={!draft.saw.throughCuts}
                disabled={locked}
                onChange={(event) => changeSaw({ throughCuts: !event.target.checked })}
              />
              A jigsaw may part what no through cut does
            </label>
            <label className="mt-1 block">
              <span className="label block">Look for better for</span>
              <select
                className="field"
                value={draft.wishes.seconds}
                disabled={locked}
                onChange={(event) => change({ seconds: Number(event.target.value) })}
              >
                {[1, 3, 5, 10, 20, 60].map((seconds) => (
                  <option key={seconds} value={seconds}>
                    {seconds} s
                  </option>
                ))}
              </select>
            </label>
            <OffcutClasses
              goals={goals}
              locked={locked}
              onChange={(classes) => change({ goals: { ...goals, classes } })}
            />
          </details>
          <p className="mt-2 text-sm text-soft">
            Measure the kerf on a scrap: it is the saw’s, not the book’s. Guards on, eyes and ears
            covered; pieces too short to hold are clamped. Follow the saw’s own manual.
          </p>
        </section>
      </aside>
    </main>
  );
}

function BoxCount({
  value,
  locked,
  onChange,
}: {
  value: number;
  locked: boolean;
  onChange: (boxes: number) => void;
}) {
  const [text, setText] = useState(String(value));
  useEffect(() => setText(String(value)), [value]);
  const count = Number(text);
  const wrong = !Number.isInteger(count) || count < 1 || count > 1000;
  return (
    <label className="block">
      <span className="label block">Boxes</span>
      <input
        className="field mono w-20"
        inputMode="numeric"
        value={text}
        disabled={locked}
        aria-invalid={wrong}
        onChange={(event) => setText(event.target.value)}
        onBlur={() => (wrong ? setText(String(value)) : count !== value && onChange(count))}
        onKeyDown={(event) => event.key === 'Enter' && !wrong && onChange(count)}
      />
    </label>
  );
}

/** What an offcut is worth by its length, to set. */
function OffcutClasses({
  goals,
  locked,
  onChange,
}: {
  goals: Goals;
  locked: boolean;
  onChange: (classes: Goals['classes'][number][]) => void;
}) {
  return (
    <fieldset className="mt-2" disabled={locked}>
      <legend className="label">What an offcut is worth, of its share of the board</legend>
      {goals.classes.map((each, index) => (
        <div key={index} className="mt-1 flex items-center gap-2">
          <span className="flex-1 text-sm">
            from <Length ticks={each.from} unit />
          </span>
          <input
            type="range"
            min="0"
            max="1"
            step="0.1"
            aria-label={`Worth of an offcut from ${Math.round(each.from / 320)} mm on`}
            value={each.worth}
            className="h-6 w-24 accent-chalk"
            onChange={(event) =>
              onChange(
                goals.classes.map((other, at) =>
                  at === index ? { ...other, worth: Number(event.target.value) } : other,
                ),
              )
            }
          />
          <span className="mono w-14 whitespace-nowrap text-right text-sm">
            {Math.round(each.worth * 100)} %
          </span>
        </div>
      ))}
    </fieldset>
  );
}

function Statement({
  job,
  layout,
  boxes,
  roles,
  handHeld,
}: {
  job: LayoutJob;
  layout: Layout;
  boxes: number;
  roles: ReadonlyMap<string, string>;
  handHeld: Ticks;
}) {
  const { boards, cost, lowerBound, optimal, unplaced } = layout;
  const count = `${boards.length} ${boards.length === 1 ? 'board' : 'boards'}`;
  const kept = boards.reduce((sum, board) => sum + board.offcuts.length, 0);
  const short = shortPieces(job, handHeld);
  const above = aboveBest(layout);
  const parts = useMemo(() => costByPart(job, layout), [job, layout]);
  const rows: [string, string][] = [
    ['Whole boards, price', printMoney(cost)],
    ['Only what is used', printMoney(usedCost(job, layout))],
    ['For one box', printMoney(Math.round(cost / boxes))],
    ['Cuts', String(countCuts(job, layout))],
    [
      'Different patterns',
      String(
        new Set(
          boards.map((board) =>
            JSON.stringify([board.stock, board.placements.map(({ part, x, y }) => [part, x, y])]),
          ),
        ).size,
      ),
    ],
    ['Wood in the boxes', `${(layout.yield * 100).toFixed(1)} %`],
    ['Wasted', `${(100 - layout.yield * 100).toFixed(1)} %`],
    ['Back to the rack', `${kept} ${kept === 1 ? 'piece' : 'pieces'}`],
  ];
  return (
    <section className="card p-3" aria-label="Result">
      {unplaced.length > 0 ? (
        <div role="alert" className="-m-3 mb-2 rounded-t-[10px] bg-danger-pale p-3">
          <h2 className="text-lg text-danger">
            {unplaced.reduce((sum, entry) => sum + entry.count, 0)} panels find no place
          </h2>
          <ul className="mt-1 text-sm">
            {unplaced.map((entry) => (
              <li key={entry.part}>
                <strong>
                  {entry.count} × {partName(roles, entry.part).toLowerCase()}
                </strong>
                : <Sentence text={entry.reason} />
              </li>
            ))}
          </ul>
          <p className="mt-1 text-sm">
            All others are placed.{' '}
            <Link className="link" to="../wood">
              Find more wood
            </Link>
          </p>
        </div>
      ) : cost === 0 ? (
        <h2 className="text-lg">{count}, none with a price</h2>
      ) : optimal ? (
        <h2 className="text-lg">{count}, and no layout can cost less</h2>
      ) : (
        <h2 className="text-lg">
          {count} for {printMoney(cost)}; at least {printMoney(lowerBound)} is needed
        </h2>
      )}
      <p className="text-sm text-soft">
        {optimal
          ? `Proven ${PROOFS[layout.boundProof]}: the panels with their kerfs need boards of at least this price.`
          : above === null
            ? 'How far from the best possible is not known: no bound was found for these boards.'
            : `At most ${(above * 100).toFixed(1)} % above the best possible: ${PROOFS[layout.boundProof]}, no layout can cost less than ${printMoney(lowerBound)}.`}
      </p>
      {short.length > 0 && (
        <p className="mt-1 border-l-4 border-warn pl-2 text-sm">
          Too short to hold by hand:{' '}
          {short.map(({ part }) => partName(roles, part).toLowerCase()).join(', ')}. Cut them off
          the long board with a stop and a clamp.
        </p>
      )}
      <dl className="mt-2">
        {rows.map(([name, value]) => (
          <div
            key={name}
            className="flex justify-between border-b border-dotted border-line py-0.5"
          >
            <dt>{name}</dt>
            <dd className="mono font-semibold">{value}</dd>
          </div>
        ))}
      </dl>
      {cost > 0 && (
        <details className="mt-2">
          <summary className="min-h-7 font-semibold text-chalk">What each panel costs</summary>
          <table className="mt-1 w-full text-sm">
            <thead>
              <tr className="text-left text-soft">
                <th className="font-normal">panel</th>
                <th className="text-right font-normal">how many</th>
                <th className="text-right font-normal">for one</th>
                <th className="text-right font-normal">all</th>
              </tr>
            </thead>
            <tbody>
              {parts.map(({ part, copies, cost: all }) => (
                <tr key={part} className="border-t border-dotted border-line">
                  <td>{partName(roles, part)}</td>
                  <td className="mono text-right">{copies}</td>
                  <td className="mono text-right">{printMoney(Math.round(all / copies))}</td>
                  <td className="mono text-right font-semibold">{printMoney(all)}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <p className="mt-1 text-sm text-soft">
            Each board’s whole price, shared among the panels on it by their area.
          </p>
        </details>
      )}
    </section>
  );
}
