import type { SawingRecord } from '@spare-knot/core/api';
import {
  type CutAtHand,
  cutAtHand,
  cutKey,
  cutsInOrder,
  lastCut,
  type NamedPlan,
  type NamedStep,
  type SeenAtSaw,
  seenAtSaw,
} from '@spare-knot/core/cuts';
import { at } from '@spare-knot/core/lists';
import { printLength } from '@spare-knot/core/measure';
import { useQueryClient } from '@tanstack/react-query';
import { Maximize, Minimize, RotateCcw } from 'lucide-react';
import { useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import { client } from '../../api/client';
import { useBatch } from '../../batch/batch-context';
import { sawingKey } from '../../batch/use-sawing';
import { Length } from '../../measure/length';
import { useUnits } from '../../measure/units';
import { Ribbon } from './ribbon';
import { SawDrawing } from './saw-drawing';
import { SawingSession, type SawingState } from './sawing-session';
import { givenWords, holdWords, lieWords, type NameOf, settingWords, toolWord } from './step-words';
import { useScreenAwake, useShopMode } from './use-shop';

/** Two presses nearer to each other than this are one, made with a glove. */
const ONE_PRESS = 300;

/** One session for as long as the station is open; what it knows goes into what the page has fetched. */
function useSession(
  id: string,
  sawing: SawingRecord,
): { session: SawingSession; state: SawingState } {
  const queries = useQueryClient();
  const [session] = useState(
    () => new SawingSession(id, sawing.plan, sawing.progress, client, localStorage),
  );
  const state = useSyncExternalStore(session.subscribe, session.snapshot);
  useEffect(() => {
    session.open();
    return session.close;
  }, [session]);
  const { done } = state;
  useEffect(() => {
    queries.setQueryData<SawingRecord | null>(sawingKey(id), (kept) =>
      kept ? { ...kept, progress: { ...kept.progress, done } } : kept,
    );
  }, [queries, id, done]);
  return { session, state };
}

/** Space, the arrow to the right or Enter: made. The arrow to the left or Backspace: the last one was not. */
function useSawKeys(made: () => void, back: () => void) {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const isField =
        event.target instanceof HTMLInputElement || event.target instanceof HTMLSelectElement;
      const isButton =
        event.target instanceof HTMLButtonElement || event.target instanceof HTMLAnchorElement;
      if (event.repeat || isField || event.ctrlKey || event.metaKey || event.altKey) return;
      if (
        event.key === 'ArrowRight' ||
        (!isButton && (event.key === ' ' || event.key === 'Enter'))
      ) {
        event.preventDefault();
        made();
      } else if (event.key === 'ArrowLeft' || event.key === 'Backspace') {
        event.preventDefault();
        back();
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [made, back]);
}

function Keeping({ keeping }: Pick<SawingState, 'keeping'>) {
  if (keeping.state === 'not kept' || keeping.state === 'let go')
    return (
      <p role="status" className="rounded bg-danger px-3 py-1 font-semibold text-white">
        {keeping.state === 'let go' ? 'That press was not taken: ' : 'Not kept yet: '}
        {keeping.why}
      </p>
    );
  return (
    <p role="status" className="text-soft">
      {keeping.state === 'keeping' ? 'keeping…' : 'every cut is kept'}
    </p>
  );
}

/** The number to set, in letters two fingers high. */
function Setting({ step, number }: { step: NamedStep; number: number | null }) {
  const { style } = useUnits();
  return (
    <div>
      <p className="font-slab text-2xl font-bold">
        {toolWord(step)}, {step.saw}
      </p>
      <p className="text-xl">
        {settingWords(step)}
        {(step.angle > 0 || step.tilt > 0) && ', turned as it is drawn'}
      </p>
      {number !== null && (
        <>
          <p className="mono text-[clamp(3rem,5.2vw,4.6rem)] leading-tight font-bold tracking-tighter">
            <Length ticks={number} />
            <span className="ml-3 text-3xl tracking-normal">
              {style.system === 'mm' ? 'mm' : 'in'}
            </span>
          </p>
          <p className="text-lg">
            {step.stop === null && 'to a mark, from the end at your left along the fence'}
            {step.stop !== null &&
              (step.tool === 'rip' ? 'from the fence to the blade' : 'from the stop to the blade')}
          </p>
        </>
      )}
    </div>
  );
}

/** What lies in hand, how it lies, and what comes of it. */
function CutWords({
  plan,
  hand,
  done,
  firstAt,
  nameOf,
  boardName,
}: {
  plan: NamedPlan;
  hand: CutAtHand;
  done: ReadonlySet<string>;
  firstAt: SeenAtSaw['firstAt'];
  nameOf: NameOf;
  boardName: string;
}) {
  const step = at(plan.steps, hand.step);
  const given = givenWords(plan, hand, firstAt, nameOf);
  const more = step.cuts.filter((cut) => !done.has(cutKey(cut))).length - 1;
  return (
    <div className="space-y-2 text-xl">
      <p>
        <strong>
          Board {hand.board + 1}, {boardName}
        </strong>
        {hand.piece.id !== 'p0' && ', what is left of it'}
      </p>
      <p>{lieWords(hand)}</p>
      <p className={hand.how.hold === 'hand' ? '' : 'font-bold'}>{holdWords(hand.how.hold)}</p>
      <ul>
        {given.map(({ words, place }) => (
          <li key={place}>
            {place && <span className="inline-block first-letter:uppercase">{place}:</span>}{' '}
            <strong>{words}</strong>
          </li>
        ))}
      </ul>
      <p>{more === 0 ? 'The last one' : `${more} more`} at this setting.</p>
    </div>
  );
}

/** What is done before the first cut of a setting. */
function Before({ before }: { before: readonly string[] }) {
  return (
    <div className="card border-2 border-warn bg-warn-pale p-4 text-xl">
      <h2 className="text-2xl">Before the first cut at this setting</h2>
      <ul className="mt-2 list-disc pl-6">
        {before.map((words) => (
          <li key={words} className="first-letter:uppercase">
            {words}.
          </li>
        ))}
      </ul>
    </div>
  );
}

/** Which settings were tested on this page. */
function useTested(plan: NamedPlan, hand: CutAtHand | null, done: ReadonlySet<string>) {
  const [tested, setTested] = useState<ReadonlySet<number>>(new Set());
  const step = hand && at(plan.steps, hand.step);
  const isBegun = step?.cuts.some((cut) => done.has(cutKey(cut))) ?? false;
  const before = step && !isBegun && !tested.has(hand.step) ? step.before : [];
  const onTested = () => hand && setTested((known) => new Set(known).add(hand.step));
  return { before, onTested };
}

function useDesk(sawing: SawingRecord) {
  const { batch } = useBatch();
  const { plan } = sawing;
  const { session, state } = useSession(batch.id, sawing);
  const done = useMemo(() => new Set(state.done), [state.done]);
  const hand = useMemo(() => cutAtHand(plan, state), [plan, state]);
  const { before, onTested } = useTested(plan, hand, done);
  const [pressedAt, setPressedAt] = useState(0);
  const made = () => {
    const now = performance.now();
    if (now - pressedAt < ONE_PRESS) return;
    setPressedAt(now);
    if (before.length > 0) onTested();
    else if (hand) session.press({ done: [hand.key] });
  };
  const back = () => {
    const last = lastCut(plan, state);
    if (last) session.press({ undone: [last] });
  };
  useSawKeys(made, back);
  return { plan, state, done, hand, before, made, back };
}

function AllSawn({ count, back }: { count: number; back: () => void }) {
  return (
    <div className="card p-6 text-xl">
      <h2 className="text-3xl">Every cut is made</h2>
      <p className="mt-2">
        {count} cuts. The panels go on to the drill; the offcuts are on the rack.
      </p>
      <button type="button" className="btn mt-4 min-h-12 text-lg" onClick={back}>
        <RotateCcw size={20} aria-hidden /> The last one was not
      </button>
    </div>
  );
}

/** The cut at hand: the piece as it lies, the number to set, the words, and what is pressed. */
function CutDesk({
  desk,
  hand,
  nameOf,
}: {
  desk: ReturnType<typeof useDesk>;
  hand: CutAtHand;
  nameOf: NameOf;
}) {
  const { batch } = useBatch();
  const { plan, state, done, before, made, back } = desk;
  const { style } = useUnits();
  const board = at(plan.boards, hand.board);
  const step = at(plan.steps, hand.step);
  const stock = batch.accepted?.boards.find(({ id }) => id === board.stock);
  const seen = useMemo(
    () =>
      seenAtSaw(board, hand, {
        tool: step.tool,
        kerf: batch.saw.kerf,
        thickness: stock?.thickness ?? 0,
      }),
    [board, hand, step.tool, batch.saw.kerf, stock],
  );
  const number = step.stop ?? seen.measured?.length ?? null;
  return (
    <div className="mt-2 grid gap-x-4 gap-y-3 md:grid-cols-[minmax(0,3fr)_minmax(0,2fr)] md:grid-rows-[auto_1fr]">
      <div className="md:col-start-2">
        <Setting step={step} number={number} />
      </div>
      <div className="md:col-start-1 md:row-span-2 md:row-start-1">
        <button
          type="button"
          onClick={made}
          className="card block h-[40vh] min-h-44 w-full p-2 text-left max-md:h-[24vh] md:group-data-[shop=true]:h-[56vh]"
          aria-label="The piece at the saw. Press when the cut is made"
        >
          <SawDrawing
            seen={seen}
            isRip={step.tool === 'rip'}
            hasStop={step.stop !== null && hand.how.end !== null}
            nameOf={nameOf}
            label={`${lieWords(hand)} The blade’s line in red.`}
            dimension={number === null ? null : printLength(number, style)}
          />
        </button>
        <div className="mt-3 flex flex-wrap gap-3">
          <button
            type="button"
            className="btn btn-main min-h-14 flex-1 justify-center px-8 text-2xl"
            onClick={made}
          >
            {before.length > 0 ? 'Set and tested' : 'Made it'}
          </button>
          <button
            type="button"
            className="btn min-h-14 text-lg"
            disabled={state.done.length === 0}
            onClick={back}
          >
            <RotateCcw size={20} aria-hidden /> The last one was not
          </button>
        </div>
      </div>
      <div className="md:col-start-2">
        {before.length > 0 ? (
          <Before before={before} />
        ) : (
          <CutWords
            plan={plan}
            hand={hand}
            done={done}
            firstAt={seen.firstAt}
            nameOf={nameOf}
            boardName={stock?.name ?? ''}
          />
        )}
      </div>
    </div>
  );
}

/** Sawing, one cut at a time. */
export function SawDesk({ sawing, nameOf }: { sawing: SawingRecord; nameOf: NameOf }) {
  const desk = useDesk(sawing);
  const { plan, state, done, hand, back } = desk;
  const [isShop, setShop] = useShopMode();
  useScreenAwake();
  const all = cutsInOrder(plan).length;
  return (
    <section
      aria-label="Sawing"
      data-shop={isShop}
      className={`group ${isShop ? 'fixed inset-0 z-30 overflow-auto bg-white p-4 text-black' : 'mt-4'}`}
    >
      <div className="mb-2 flex flex-wrap items-center gap-x-4 gap-y-1">
        <p className="text-lg font-semibold">
          {state.done.length} of {all} cuts
        </p>
        <Keeping keeping={state.keeping} />
        <button
          type="button"
          className="btn ml-auto min-h-11"
          aria-pressed={isShop}
          onClick={() => setShop(!isShop)}
        >
          {isShop ? <Minimize size={18} aria-hidden /> : <Maximize size={18} aria-hidden />} Shop
          mode
        </button>
      </div>
      <Ribbon plan={plan} done={done} step={hand?.step ?? null} />
      {hand ? (
        <CutDesk desk={desk} hand={hand} nameOf={nameOf} />
      ) : (
        <AllSawn count={all} back={back} />
      )}
      <p className="mt-3 text-soft">
        Saw off and blade still before a setting is changed or a piece is touched; guard, eyes and
        ears as its manual says. Space or → when a cut is made, ← when the last one was not.
      </p>
    </section>
  );
}
