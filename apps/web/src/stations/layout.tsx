import { familyById } from '@spare-knot/core/box/families/families.js';
import { panelNames, partName } from '@spare-knot/core/box/panel-names.js';
import { batchJob } from '@spare-knot/core/exchange/batch-job.js';
import type { BoardRecord } from '@spare-knot/core/exchange/kept.js';
import { checkLayout } from '@spare-knot/core/layout/checker/check.js';
import type { LayoutJob, Saw } from '@spare-knot/core/layout/job.js';
import type { Layout } from '@spare-knot/core/layout/layout.js';
import { printMoney } from '@spare-knot/core/measure/money.js';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useMemo, useRef, useState } from 'react';
import { Link } from 'react-router';
import { client } from '../api/client';
import { useBatch } from '../batch/batch-context';
import { StationActions } from '../batch/station-actions';
import { BoardDrawing } from '../board/board-drawing';
import { useWidth } from '../board/use-width';
import { AngleField } from '../measure/angle-field';
import { Length } from '../measure/length';
import { LengthField } from '../measure/length-field';
import { RACK, useRack } from '../rack/use-rack';
import { useNotice } from '../ui/notice';
import { Trouble } from '../ui/trouble';
import { useLayoutSearch } from '../workers/use-layout-search';

const SECONDS = 3;

/** The boards, laid out, and how far that is from the best possible. */
export function LayoutStation() {
  const { draft, built, sound, batch, locked, settle, replace, edit } = useBatch();
  const rack = useRack();
  const queries = useQueryClient();
  const say = useNotice();
  const names = useMemo(
    () => (sound ? panelNames(familyById(draft.plan.family), sound.box) : new Map<string, string>()),
    [sound, draft.plan.family],
  );
  const [busy, setBusy] = useState(false);
  const accepted = batch.accepted;
  const boards: readonly BoardRecord[] = accepted ? accepted.boards : rack.boards;
  const ready = accepted !== null || rack.query.data !== undefined;
  const job = useMemo(() => {
    if (!ready || !built.ok) return null;
    const made = batchJob({ name: 'batch', plan: draft.plan, boxes: draft.boxes, saw: draft.saw }, boards, SECONDS);
    return made.ok ? made.job : null;
  }, [ready, built.ok, draft.plan, draft.boxes, draft.saw, boards]);

  const keep = async (layout: Layout) => {
    if (layout.boards.length === 0) return;
    try {
      const current = await settle();
      await client.proposeLayout(current.id, layout);
      replace({ ...current, proposed: layout });
    } catch (error) {
      say(`This layout is not kept yet: ${error instanceof Error ? error.message : String(error)}`, { tone: 'danger' });
    }
  };
  const search = useLayoutSearch((layout) => void keep(layout));
  const { start } = search;

  // A layout that was kept and still holds is shown as it was; anything else is laid out anew as soon as it changes.
  const proposed = useRef(batch.proposed);
  proposed.current = batch.proposed;
  const [held, setHeld] = useState<Layout | null>(null);
  const started = useRef(false);
  useEffect(() => {
    if (!job || accepted) return;
    const kept = proposed.current;
    if (kept && kept.unplaced.length === 0 && checkLayout(job, kept).length === 0) {
      setHeld(kept);
      return;
    }
    setHeld(null);
    // The first time at once; later a moment after the last change.
    const timer = setTimeout(() => start(job), started.current ? 120 : 0);
    started.current = true;
    return () => clearTimeout(timer);
  }, [job, accepted, start]);

  const layout = accepted ? accepted.layout : (search.layout ?? held);
  const take = async () => {
    if (!layout || busy) return;
    setBusy(true);
    search.stop();
    try {
      const current = await settle();
      replace(await client.acceptLayout(current.id, current.version, layout));
      await queries.invalidateQueries({ queryKey: RACK });
      say('The boards are off the rack and the offcuts on it.', { undo: () => void giveBack() });
    } catch (error) {
      say(error instanceof Error ? error.message : String(error), { tone: 'danger' });
      await Promise.all([
        queries.invalidateQueries({ queryKey: RACK }),
        client
          .batch(batch.id)
          .then(replace)
          .catch(() => {}),
      ]);
    }
    setBusy(false);
  };
  const giveBack = async () => {
    setBusy(true);
    try {
      const current = await client.batch(batch.id);
      replace(await client.giveBack(current.id, current.version));
      await queries.invalidateQueries({ queryKey: RACK });
      say('The boards are back on the rack.');
    } catch (error) {
      say(error instanceof Error ? error.message : String(error), { tone: 'danger' });
    }
    setBusy(false);
  };
  const changeSaw = (change: Partial<Saw>) => edit((current) => ({ ...current, saw: { ...current.saw, ...change } }));

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
            disabled={busy || !layout || layout.boards.length === 0}
            onClick={() => void take()}
          >
            {busy ? 'Taking…' : 'Take these boards'}
          </button>
        )}
      </StationActions>
      <section
        className="min-w-0 rounded-[10px] border border-line bg-[#e7dfcd] p-3"
        aria-label="Boards laid out"
        aria-busy={search.running}
      >
        {rack.query.isError && <Trouble error={rack.query.error} retry={() => void rack.query.refetch()} />}
        {!built.ok && (
          <p role="alert" className="rounded-md border border-danger bg-danger-pale p-3 text-danger">
            The box cannot be built as it stands, so there is nothing to lay out.{' '}
            <Link className="link" to="../box">
              Mend the box
            </Link>
          </p>
        )}
        {search.trouble && (
          <p role="alert" className="mb-2 rounded-md border border-danger bg-danger-pale p-3 text-danger">
            The search gave a layout that the checker refused; it is not shown. {search.trouble}
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
        {job && layout && <LaidOut job={job} layout={layout} boards={boards} names={names} />}
        {job && !layout && boards.length > 0 && <p className="p-6 text-center">Laying out…</p>}
      </section>
      <aside className="grid content-start gap-3">
        {layout && <Statement layout={layout} boxes={draft.boxes} roles={names} />}
        {!accepted && (
          <section className="card p-3" aria-label="Search">
            {search.running ? (
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
                  {search.layout ? 'The search has ended.' : held ? 'As it was kept.' : ''}
                </p>
                <button type="button" className="btn mt-1" disabled={!job} onClick={() => job && start(job)}>
                  Look again
                </button>
              </>
            )}
          </section>
        )}
        <section className="card p-3" aria-label="Boxes and saw">
          <h2 className="text-base">Boxes and saw</h2>
          <div className="mt-1 grid grid-cols-2 gap-2">
            <BoxCount value={draft.boxes} locked={locked} onChange={(boxes) => edit((current) => ({ ...current, boxes }))} />
            <LengthField label="Kerf" value={draft.saw.kerf} disabled={locked} onChange={(kerf) => changeSaw({ kerf })} />
            <LengthField label="Trim each end" value={draft.saw.endTrim} disabled={locked} onChange={(endTrim) => changeSaw({ endTrim })} />
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
            </div>
          </details>
          <p className="mt-2 text-sm text-soft">
            Measure the kerf on a scrap: it is the saw’s, not the book’s. Guards on, eyes and ears covered; pieces too short to hold are
            clamped. Follow the saw’s own manual.
          </p>
        </section>
      </aside>
    </main>
  );
}

function BoxCount({ value, locked, onChange }: { value: number; locked: boolean; onChange: (boxes: number) => void }) {
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

function Statement({ layout, boxes, roles }: { layout: Layout; boxes: number; roles: ReadonlyMap<string, string> }) {
  const { boards, cost, lowerBound, optimal, unplaced } = layout;
  const count = `${boards.length} ${boards.length === 1 ? 'board' : 'boards'}`;
  const kept = boards.reduce((sum, board) => sum + board.offcuts.length, 0);
  const gap = cost > 0 ? ((cost - lowerBound) / cost) * 100 : 0;
  const rows: [string, string][] = [
    ['Whole boards, price', printMoney(cost)],
    ['For one box', printMoney(Math.round(cost / boxes))],
    ['Wood in the boxes', `${(layout.yield * 100).toFixed(1)} %`],
    ['Wasted', `${(100 - layout.yield * 100).toFixed(1)} %`],
    ['Back to the rack', `${kept} ${kept === 1 ? 'piece' : 'pieces'}`],
  ];
  return (
    <section className="card p-3" aria-label="Result">
      {unplaced.length > 0 ? (
        <div role="alert" className="-m-3 mb-2 rounded-t-[10px] bg-danger-pale p-3">
          <h2 className="text-lg text-danger">{unplaced.reduce((sum, entry) => sum + entry.count, 0)} panels find no place</h2>
          <ul className="mt-1 text-sm">
            {unplaced.map((entry) => (
              <li key={entry.part}>
                <strong>
                  {entry.count} × {partName(roles, entry.part).toLowerCase()}
                </strong>
                : {entry.reason}
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
      ) : optimal ? (
        <h2 className="text-lg">{count}, and no layout can cost less</h2>
      ) : (
        <h2 className="text-lg">
          {count} for {printMoney(cost)}; at least {printMoney(lowerBound)} is needed
        </h2>
      )}
      <p className="text-sm text-soft">
        {optimal
          ? 'Proven: the panels with their kerfs need boards of at least this price.'
          : `At most ${gap.toFixed(1)} % above the best possible: by area and length with kerfs, no layout can cost less than ${printMoney(lowerBound)}.`}
      </p>
      <dl className="mt-2">
        {rows.map(([name, value]) => (
          <div key={name} className="flex justify-between border-b border-dotted border-line py-0.5">
            <dt>{name}</dt>
            <dd className="mono font-semibold">{value}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}

function LaidOut({
  job,
  layout,
  boards,
  names,
}: {
  job: LayoutJob;
  layout: Layout;
  boards: readonly BoardRecord[];
  names: ReadonlyMap<string, string>;
}) {
  const [ref, width] = useWidth<HTMLOListElement>();
  const used = layout.boards.flatMap((laid) => boards.filter((board) => board.id === laid.stock));
  const longest = Math.max(1, ...used.map((board) => board.length));
  const scale = (width - 4) / longest;
  const seen = new Map<string, number>();
  return (
    <ol ref={ref} className="grid gap-2.5">
      {width > 0 &&
        layout.boards.map((laid) => {
          const board = boards.find((each) => each.id === laid.stock);
          if (!board) return null;
          const number = (seen.get(board.id) ?? 0) + 1;
          seen.set(board.id, number);
          const title = board.quantity > 1 ? `${board.name} ${number}` : board.name;
          return (
            <li key={`${laid.stock}/${laid.piece}`}>
              <p className="mb-0.5 flex gap-3 text-sm">
                <strong>{title}</strong>
                <span className="text-soft">
                  <Length ticks={board.thickness} /> × <Length ticks={board.width} /> × <Length ticks={board.length} unit />, face A up (
                  {board.faceA})
                </span>
              </p>
              <BoardDrawing
                board={board}
                scale={scale}
                laid={{ job, board: laid }}
                names={names}
                tape
                label={`${title}: ${laid.placements.length} panels, ${laid.offcuts.length} offcuts to keep`}
              />
            </li>
          );
        })}
    </ol>
  );
}
