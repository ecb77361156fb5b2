import type { SawingRecord } from '@spare-knot/core/api';
import {
  type CutAtHand,
  cutKey,
  inStack,
  type NamedPlan,
  type NamedStep,
  type SeenAtSaw,
  seenAtSaw,
  sizeOf,
} from '@spare-knot/core/cuts';
import { at } from '@spare-knot/core/lists';
import {
  type LengthStyle,
  printLength,
  printLengthUnit,
  roundedOff,
  TICKS_PER_MM,
  type Ticks,
} from '@spare-knot/core/measure';
import { CircleAlert, RotateCcw } from 'lucide-react';
import { useMemo } from 'react';
import { useBatch } from '../../batch/batch-context';
import { Length } from '../../measure/length';
import { useUnits } from '../../measure/units';
import { type Mark, markOf } from './marks';
import { useSpoken } from './read-aloud';
import { SawDrawing } from './saw-drawing';
import { givenWords, holdWords, lieWords, type NameOf, settingWords, toolWord } from './step-words';
import { ScaleWords, TestPieces, useOwnedSaw } from './test-pieces';
import type { Desk } from './use-desk';
import type { Marking } from './use-marking';

/** What rounding to the tape hides, where it can be seen: a tenth of a millimetre. */
function roundedWords(ticks: Ticks, style: LengthStyle): string {
  const mm = Math.round((roundedOff(ticks, style) / TICKS_PER_MM) * 10) / 10;
  if (mm === 0) return '';
  return ` (exactly ${Math.abs(mm)} mm ${mm > 0 ? 'more' : 'less'})`;
}

/** The number to set, in letters two fingers high. */
function Setting({ step, mark: { number, words } }: { step: NamedStep; mark: Mark }) {
  const { style } = useUnits();
  const saw = useOwnedSaw(step.saw);
  return (
    <div>
      <p className="font-slab text-2xl font-bold">
        {toolWord(step)}, {step.saw}
      </p>
      <p className="text-xl">
        {settingWords(step)}
        {(step.angle > 0 || step.tilt > 0) && ', turned as it is drawn'}
      </p>
      <ScaleWords step={step} saw={saw} />
      {number !== null && (
        <>
          <p className="mono text-[clamp(2rem,10vw,3rem)] sm:text-[clamp(3rem,5.2vw,4.6rem)] leading-tight font-bold tracking-tighter">
            <Length ticks={number} />
            <span className="ml-3 text-3xl tracking-normal">
              {style.system === 'mm' ? 'mm' : 'in'}
            </span>
          </p>
          <p className="text-lg">
            {words}
            {roundedWords(number, style)}
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
  lost,
  firstAt,
  nameOf,
  boardName,
}: {
  plan: NamedPlan;
  hand: CutAtHand;
  done: ReadonlySet<string>;
  lost: ReadonlySet<string>;
  firstAt: SeenAtSaw['firstAt'];
  nameOf: NameOf;
  boardName: string;
}) {
  const step = at(plan.steps, hand.step);
  const given = givenWords(plan, hand, firstAt, nameOf);
  const stack = useMemo(() => inStack(plan, hand), [plan, hand]);
  const isOpen = (key: string) => !done.has(key) && !lost.has(key);
  const more = step.cuts.filter((cut) => isOpen(cutKey(cut))).length - 1;
  return (
    <div className="space-y-2 text-xl">
      <p>
        <strong>
          Board {hand.board + 1}, {boardName}
        </strong>
        {hand.piece.id !== 'p0' && ', what is left of it'},{' '}
        <Length ticks={sizeOf(hand.piece, 'along')} /> ×{' '}
        <Length ticks={sizeOf(hand.piece, 'across')} unit />
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
      <p>
        {stack.of > 1 && `Number ${stack.number} of ${stack.of} that are cut alike. `}
        {more === 0 ? 'The last one' : `${more} more`} at this setting.
      </p>
    </div>
  );
}

/** What is done before the first cut of a setting. */
function Before({ before, step }: { before: readonly string[]; step: NamedStep }) {
  return (
    <div className="card border-2 border-warn bg-warn-pale p-4 text-xl">
      <h2 className="text-2xl">
        {step.before.length === before.length
          ? 'Before the first cut at this setting'
          : 'Before the first cut, while the boards are long'}
      </h2>
      <ul className="mt-2 list-disc pl-6">
        {before.map((words) => (
          <li key={words} className="first-letter:uppercase">
            {words}.
          </li>
        ))}
      </ul>
      {before.some((words) => words.startsWith('test piece')) && <TestPieces step={step} />}
    </div>
  );
}

/** What is pressed when all that comes before the first cut is done. */
const readyWords = (step: NamedStep): string =>
  step.before.length > 0 ? 'Set and tested' : 'All looked over';

/** Made, not made, or gone wrong. */
function Presses({
  desk: { progress, before, made, back },
  step,
  onWrong,
}: {
  desk: Desk;
  step: NamedStep;
  onWrong: () => void;
}) {
  return (
    <div className="mt-3 flex flex-wrap gap-x-3 gap-y-2 max-md:sticky max-md:bottom-0 max-md:z-10 max-md:bg-paper max-md:py-2 max-md:group-data-[shop=true]:bg-white">
      <button
        type="button"
        className="btn btn-main min-h-14 flex-1 justify-center px-8 text-2xl"
        onClick={made}
      >
        {before.length > 0 ? readyWords(step) : 'Made it'}
      </button>
      <button
        type="button"
        className="btn min-h-14 text-lg"
        disabled={progress.done.length === 0}
        onClick={back}
      >
        <RotateCcw size={20} aria-hidden /> The last one was not
      </button>
      <button
        type="button"
        className="btn min-h-14 border-danger text-danger text-lg"
        onClick={onWrong}
      >
        <CircleAlert size={20} aria-hidden /> That one went wrong, or measures…
      </button>
    </div>
  );
}

/** The cut at hand: the piece as it lies, the number to set, the words, and what is pressed. */
export function CutDesk({
  desk,
  hand,
  stock,
  nameOf,
  isAloud,
  marking,
  onWrong,
}: {
  desk: Desk;
  hand: CutAtHand;
  stock: SawingRecord['stock'];
  nameOf: NameOf;
  /** Whether it is read out. */
  isAloud: boolean;
  marking: Marking;
  onWrong: () => void;
}) {
  const { batch } = useBatch();
  const { plan, done, lost, before, made } = desk;
  const { style } = useUnits();
  const board = at(plan.boards, hand.board);
  const step = at(plan.steps, hand.step);
  const kind = stock.find(({ id }) => id === board.stock);
  const seen = useMemo(
    () =>
      seenAtSaw(board, hand, {
        tool: step.tool,
        kerf: batch.saw.kerf,
        thickness: kind?.thickness ?? 0,
      }),
    [board, hand, step.tool, batch.saw.kerf, kind],
  );
  const saw = useOwnedSaw(step.saw);
  const mark = markOf(plan, hand, marking, {
    step,
    measured: seen.measured?.length ?? null,
    hasStop: saw?.hasStop,
    kerf: batch.saw.kerf,
    thickness: kind?.thickness ?? 0,
  });
  // On the drawing it stands where it is measured, whatever was marked before.
  const drawn = step.stop ?? seen.measured?.length ?? null;
  const { number } = mark;
  const measure = number === null ? '' : `${printLengthUnit(number, style)}. `;
  const given = givenWords(plan, hand, seen.firstAt, nameOf);
  const spoken =
    before.length > 0
      ? `${toolWord(step)}, ${settingWords(step)}. ${before.join('. ')}`
      : `${measure}${toolWord(step)}, ${settingWords(step)}. Board ${hand.board + 1}. ${lieWords(hand)} ${given.map(({ words, place }) => (place ? `${place}, ${words}` : words)).join('. ')}`;
  useSpoken(spoken, isAloud);
  return (
    <div className="mt-2 grid grid-cols-[minmax(0,1fr)] gap-x-4 gap-y-3 md:grid-cols-[minmax(0,3fr)_minmax(0,2fr)] md:grid-rows-[auto_1fr]">
      <div className="md:col-start-2">
        <Setting step={step} mark={mark} />
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
            hasStop={marking === 'stop' && step.stop !== null && hand.how.end !== null}
            nameOf={nameOf}
            label={`${lieWords(hand)} The blade’s line in red.`}
            dimension={drawn === null ? null : printLength(drawn, style)}
          />
        </button>
        <Presses desk={desk} step={step} onWrong={onWrong} />
      </div>
      <div className="md:col-start-2">
        {before.length > 0 ? (
          <Before before={before} step={step} />
        ) : (
          <CutWords
            plan={plan}
            hand={hand}
            done={done}
            firstAt={seen.firstAt}
            nameOf={nameOf}
            lost={lost}
            boardName={kind?.name ?? ''}
          />
        )}
      </div>
    </div>
  );
}
