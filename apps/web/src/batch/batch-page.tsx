import { readySentence, spokenName } from '@spare-knot/core/animals';
import type { BatchRecord } from '@spare-knot/core/api';
import { animalsOf, buildBox, familyById } from '@spare-knot/core/families';
import { panelNames, partName } from '@spare-knot/core/panels';
import type { BoxPlan } from '@spare-knot/core/plan';

import { useQuery } from '@tanstack/react-query';
import { Redo2, Undo2 } from 'lucide-react';
import { AlertDialog } from 'radix-ui';
import { memo, useEffect, useMemo, useRef, useState } from 'react';
import { Link, Outlet, useLocation, useParams } from 'react-router';
import { client } from '../api/client';
import { CopyWordContext } from '../board/copy-word';
import { PanelWordsContext } from '../measure/length';
import { GivenUnits, styleOf, useUnits } from '../measure/units';
import { useLaidBy } from '../outdoors/use-laid-by';
import { STATIONS } from '../stations/stations';
import { useFocusBack } from '../ui/focus-back';
import { HeaderEnd } from '../ui/header-end';
import { Trouble } from '../ui/trouble';
import { BatchContext, BatchNameContext, type BatchOnBench, type Work } from './batch-context';
import type { BatchSession, BatchState, Keeping } from './batch-session';
import { differenceWords } from './difference-words';
import type { Draft } from './draft';
import { MendingNote } from './mending-note';
import { StationTape } from './station-tape';
import { useBatchSession } from './use-batch-session';
import { isSawn, useSawing } from './use-sawing';

/** A batch on its way along the stations. */
export function BatchPage() {
  const { id = '' } = useParams();
  const query = useQuery({
    queryKey: ['batch', id],
    queryFn: () => client.batch(id),
    // While it is open its session knows best; whoever comes back to it sees the newest.
    staleTime: Number.POSITIVE_INFINITY,
    refetchOnMount: 'always',
  });
  const { data, isFetchedAfterMount, failureCount } = query;
  // What was seen of it last is better than nothing where the server does not answer.
  if (data && (isFetchedAfterMount || failureCount > 0))
    return <OpenBatch key={id} initial={data} />;
  return (
    <main>
      <h1 className="sr-only">A batch</h1>
      {query.isError ? (
        <Trouble error={query.error} retry={() => void query.refetch()} />
      ) : (
        <p className="p-8">Fetching the batch…</p>
      )}
    </main>
  );
}

/** Ctrl+Z and Ctrl+Shift+Z, but in a field that has its own. */
function useUndoKeys({ undo, redo }: Pick<BatchSession, 'undo' | 'redo'>, locked: boolean) {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const isUndo = (event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z';
      if (!isUndo || locked || event.target instanceof HTMLInputElement) return;
      event.preventDefault();
      if (event.shiftKey) redo();
      else undo();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [undo, redo, locked]);
}

/** The box of the plan as it stands, and the last that could be built. */
function useBuilt(plan: BoxPlan): Pick<BatchOnBench, 'built' | 'sound'> {
  const built = useMemo(() => buildBox(plan), [plan]);
  const lastSound = useRef<BatchOnBench['sound']>(null);
  if (built.ok && lastSound.current?.box !== built.box)
    lastSound.current = { plan, box: built.box, derived: built.derived };
  return { built, sound: lastSound.current };
}

/** The draft without its name; the same as long as nothing but the name changes, so that no station is drawn anew for a key. */
function useWork({ name: _name, ...fields }: Draft): Work {
  const last = useRef<Work>(fields);
  const isSame = Object.keys(fields).every(
    (field) => last.current[field as keyof Work] === fields[field as keyof Work],
  );
  if (!isSame) last.current = fields;
  return last.current;
}

const Station = memo(Outlet);

/** Units of the batch for every length on its pages. */
function useBatchUnits({ units, division }: Draft, edit: BatchSession['edit']) {
  return useMemo(
    () => ({
      style: styleOf(units, division),
      setStyle: (style: ReturnType<typeof styleOf>) =>
        edit((current) => ({ ...current, units: style.system, division: style.division })),
    }),
    [units, division, edit],
  );
}

/** What panels are called in sentences. */
function usePanelWords(sound: BatchOnBench['sound']) {
  return useMemo(() => {
    if (!sound) return null;
    const names = panelNames(familyById(sound.plan.family), sound.box);
    return (id: string) => partName(names, id).toLowerCase();
  }, [sound]);
}

/** The batch's name, kept while it is typed; without a letter in it the name before comes back. */
function NameField({
  name,
  locked,
  onName,
}: {
  name: string;
  locked: boolean;
  onName: (name: string) => void;
}) {
  const [text, setText] = useState(name);
  const typing = useRef(false);
  useEffect(() => {
    if (!typing.current) setText(name);
  }, [name]);
  const isEmpty = text.trim() === '';
  return (
    <input
      aria-label="Name of the batch"
      className="w-full max-w-2xl rounded border border-transparent bg-transparent font-slab text-[1.55rem] font-bold hover:border-line focus:bg-white"
      value={text}
      maxLength={120}
      disabled={locked}
      aria-invalid={isEmpty}
      placeholder="A batch needs a name"
      onFocus={() => {
        typing.current = true;
      }}
      onChange={(event) => {
        setText(event.target.value);
        if (event.target.value.trim() !== '') onName(event.target.value);
      }}
      onBlur={() => {
        typing.current = false;
        setText(name);
      }}
    />
  );
}

function Headline({
  session,
  state,
  locked,
  station,
}: {
  session: BatchSession;
  state: BatchState;
  locked: boolean;
  /** What the station is called. */
  station: string | undefined;
}) {
  const { draft } = state;
  const animal = animalsOf(draft.plan)[0];
  return (
    <div className="flex flex-wrap items-end gap-x-4 gap-y-1 pt-3 print:hidden">
      <div className="min-w-0 flex-1 max-md:basis-full">
        <h1 className="sr-only">
          {draft.name}
          {station && `: ${station}`}
        </h1>
        <NameField
          name={draft.name}
          locked={locked}
          onName={(name) => session.edit((current) => ({ ...current, name }))}
        />
        <p className="text-soft">
          {state.batch.mends && 'Mends '}
          {draft.boxes} {draft.boxes === 1 ? 'box' : 'boxes'}
          {state.batch.mends &&
            ` that ${draft.boxes === 1 ? 'is' : 'are'} out: ${state.batch.mends.boxes.map(({ number }) => number).join(', ')}`}
          {animal && !state.batch.mends && ` for ${spokenName(animal)} · ${readySentence(animal)}`}
        </p>
      </div>
      <div className="flex gap-1">
        <button
          type="button"
          className="btn btn-quiet"
          disabled={!state.canUndo || locked}
          onClick={session.undo}
          title="Undo (Ctrl+Z)"
        >
          <Undo2 size={18} aria-hidden /> Undo
        </button>
        <button
          type="button"
          className="btn btn-quiet"
          disabled={!state.canRedo || locked}
          onClick={session.redo}
          title="Redo (Ctrl+Shift+Z)"
        >
          <Redo2 size={18} aria-hidden /> Redo
        </button>
      </div>
      <div id="station-actions" className="flex gap-2" />
    </div>
  );
}

/** Stations at which nothing is changed that taken boards depend on. */
const OPEN_WHEN_TAKEN = ['saw', 'build', 'sheets'];

function Taken() {
  return (
    <p className="mt-3 rounded-lg border border-moss bg-moss-pale px-4 py-2 print:hidden">
      The boards of this batch are taken, so its box stands as it is. To change it, give the boards
      back on{' '}
      <Link className="link" to="layout">
        Layout
      </Link>
      .
    </p>
  );
}

/** The window is called after the batch while it is open. */
function useTitle(name: string) {
  useEffect(() => {
    document.title = `${name} · Spare Knot`;
    return () => {
      document.title = 'Spare Knot';
    };
  }, [name]);
}

function OpenBatch({ initial }: { initial: BatchRecord }) {
  const { session, state } = useBatchSession(initial);
  const { draft, batch } = state;
  const { edit } = session;
  const { built, sound } = useBuilt(draft.plan);
  const locked = batch.accepted !== null;
  const sawing = useSawing(batch.id, locked);
  useLaidBy(batch.id, locked);
  const station = useLocation().pathname.split('/').at(-1);
  useUndoKeys(session, locked);
  useTitle(draft.name);
  const units = useBatchUnits(draft, edit);
  const panelWords = usePanelWords(sound);
  const work = useWork(draft);
  const value = useMemo(
    (): BatchOnBench => ({ draft: work, batch, session, edit, built, sound, locked }),
    [work, batch, session, edit, built, sound, locked],
  );
  return (
    <GivenUnits value={units}>
      <BatchContext value={value}>
        <PanelWordsContext value={panelWords}>
          <HeaderEnd>
            <KeepingWord keeping={state.keeping} />
          </HeaderEnd>
          <main className="mx-auto max-w-[1500px] px-6 pb-10 max-sm:px-3 print:m-0 print:max-w-none print:p-0">
            <Headline
              session={session}
              state={state}
              locked={locked}
              station={STATIONS.find(({ path }) => path === station)?.label}
            />
            <div className="print:hidden">
              <StationTape
                progress={{
                  sound: built.ok,
                  taken: locked,
                  laidOut: batch.proposed !== null,
                  sawn: isSawn(sawing.data),
                }}
              />
            </div>
            <Waits state={state} />
            <MendingNote />
            {locked && !OPEN_WHEN_TAKEN.includes(station ?? '') && <Taken />}
            <BatchNameContext value={draft.name}>
              <CopyWordContext value={batch.mends ? 'no.' : 'box'}>
                <Station />
              </CopyWordContext>
            </BatchNameContext>
          </main>
          <TwoVersions session={session} state={state} />
        </PanelWordsContext>
      </BatchContext>
    </GivenUnits>
  );
}

function KeepingWord({ keeping }: { keeping: Keeping }) {
  if (keeping.state === 'keeping')
    return (
      <span role="status" className="text-sm">
        keeping…
      </span>
    );
  if (keeping.state === 'not kept')
    return (
      <span
        role="status"
        className="rounded bg-danger px-2 py-1 text-sm font-semibold"
        title={keeping.why}
      >
        not kept yet
      </span>
    );
  return (
    <span role="status" className="text-sm">
      {keeping.at
        ? `kept ${keeping.at.toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' })}`
        : 'kept'}
    </span>
  );
}

/** Why something is not kept yet, and what could not be read any more. */
function Waits({ state: { keeping, isTorn, theirs } }: { state: BatchState }) {
  const words = [
    // What both changed is asked about instead.
    ...(keeping.state === 'not kept' && !theirs ? [keeping.why] : []),
    ...(isTorn
      ? [
          'Something that was typed here before cannot be read any more. It lies in this browser as it is; the batch stands as the server keeps it.',
        ]
      : []),
  ];
  return words.map((each) => (
    <p
      key={each}
      className="mt-3 rounded-lg border border-warn bg-warn-pale px-4 py-2 print:hidden"
    >
      {each}
    </p>
  ));
}

function TwoVersions({ session, state }: { session: BatchSession; state: BatchState }) {
  const { theirs, draft, clashes } = state;
  const { style } = useUnits();
  const focusBack = useFocusBack();
  const differences = clashes.map((each) => differenceWords(each, draft, style));
  return (
    <AlertDialog.Root open={theirs !== null}>
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="fixed inset-0 z-40 bg-black/40" />
        <AlertDialog.Content
          {...focusBack}
          className="card fixed top-1/4 left-1/2 z-50 w-[min(92vw,520px)] -translate-x-1/2 p-6 shadow-xl"
        >
          <AlertDialog.Title className="text-xl">
            This batch was changed in two places
          </AlertDialog.Title>
          <AlertDialog.Description className="mt-2">
            Another window or device kept something else
            {theirs && ` at ${new Date(theirs.changedAt).toLocaleTimeString()}`}. All other changes
            of both are put together.
          </AlertDialog.Description>
          <table className="mt-3 w-full text-left">
            <thead>
              <tr className="border-line border-b text-sm">
                <th scope="col" className="py-1 pr-3">
                  What
                </th>
                <th scope="col" className="py-1 pr-3">
                  Here
                </th>
                <th scope="col" className="py-1">
                  Elsewhere
                </th>
              </tr>
            </thead>
            <tbody>
              {differences.map(({ what, here, there }) => (
                <tr key={what} className="border-line border-b align-top">
                  <th scope="row" className="py-1 pr-3 font-normal">
                    {what}
                  </th>
                  <td className="max-w-40 py-1 pr-3 break-words">{here}</td>
                  <td className="max-w-40 py-1 break-words">{there}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <div className="mt-5 flex justify-end gap-2">
            <AlertDialog.Cancel className="btn" onClick={session.takeTheirs}>
              Take the other
            </AlertDialog.Cancel>
            <AlertDialog.Action className="btn btn-main" onClick={session.keepMine}>
              Keep what is here
            </AlertDialog.Action>
          </div>
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  );
}
