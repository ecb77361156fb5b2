import type { Making } from '@spare-knot/core/api';
import {
  ASSEMBLY_SCHOOLS,
  type AssemblySchool,
  type AssemblyStep,
  SCHOOL_WORDS,
  stepKey,
  stepWork,
} from '@spare-knot/core/building';
import { Check, ChevronLeft, ChevronRight } from 'lucide-react';
import { useBatch } from '../../batch/batch-context';
import { Sentence } from '../../measure/length';
import { BoxBar } from './box-bar';
import { pieceName } from './build-words';
import { StepPicture, StepWords } from './step-shown';
import { type Assembly, useAssembly } from './use-assembly';
import type { BenchWork } from './use-bench-work';
import type { Built } from './use-build';
import { usePace } from './use-pace';
import { useStepKeys } from './use-step-keys';

interface Props {
  built: Built;
  nameOf: (id: string) => string;
}

/** What the maker decides at the bench, changed. */
function useMaking() {
  const { draft, edit } = useBatch();
  const change = (next: Partial<Making>) =>
    edit((current) => ({ ...current, making: { ...current.making, ...next } }));
  return { making: draft.making, change };
}

function SchoolPicker() {
  const { making, change } = useMaking();
  return (
    <label className="flex flex-wrap items-center gap-2">
      <span className="label">Order</span>
      <select
        className="field min-h-11"
        value={making.order ? 'own' : making.school}
        onChange={(event) => change({ school: event.target.value as AssemblySchool, order: null })}
      >
        {ASSEMBLY_SCHOOLS.map((school) => (
          <option key={school} value={school}>
            {SCHOOL_WORDS[school][0]}
          </option>
        ))}
        {making.order && (
          <option value="own" disabled>
            my own
          </option>
        )}
      </select>
    </label>
  );
}

/** Moves a step to an earlier or a later place; the order is then the maker’s own. */
function MoveStep({
  steps,
  step,
  busy,
  onMoved,
}: {
  steps: readonly AssemblyStep[];
  step: number;
  /** The steps are of an order that has changed since. */
  busy: boolean;
  onMoved: (to: number) => void;
}) {
  const { making, change } = useMaking();
  const move = (by: 1 | -1) => {
    const order = steps.map(stepKey);
    const [key] = order.splice(step, 1);
    if (key === undefined) return;
    order.splice(step + by, 0, key);
    change({ order });
    onMoved(step + by);
  };
  return (
    <>
      <button type="button" className="btn" disabled={busy || step === 0} onClick={() => move(-1)}>
        Do it earlier
      </button>
      <button
        type="button"
        className="btn"
        disabled={busy || step === steps.length - 1}
        onClick={() => move(1)}
      >
        Do it later
      </button>
      {making.order && (
        <button type="button" className="btn" onClick={() => change({ order: null })}>
          Back to the order that was found
        </button>
      )}
    </>
  );
}

function StepList({
  built,
  steps,
  now,
  isDone,
  onGo,
  nameOf,
}: {
  built: Built;
  steps: readonly AssemblyStep[];
  now: number;
  isDone: (step: AssemblyStep) => boolean;
  onGo: (step: number) => void;
  nameOf: Props['nameOf'];
}) {
  return (
    <ol aria-label="Steps" className="flex flex-wrap gap-1.5">
      {steps.map((step, index) => (
        <li key={stepKey(step)}>
          <button
            type="button"
            aria-current={index === now ? 'step' : undefined}
            className={`min-h-11 rounded-md border px-3 font-semibold ${index === now ? 'border-chalk bg-chalk text-white' : 'border-line bg-white text-chalk'}`}
            onClick={() => onGo(index)}
          >
            {isDone(step) && <Check size={16} aria-label="done:" className="mr-1 inline" />}
            {index + 1} {pieceName(built, step, nameOf)}
            {step.out === null && ' — stop'}
          </button>
        </li>
      ))}
    </ol>
  );
}

/** Back, done and next, to be pressed with a glove. */
function Presses({ assembly, steps }: { assembly: Assembly; steps: number }) {
  const { place, isDone, go, done, undo } = assembly;
  return (
    <div className="mb-3 flex flex-wrap items-center gap-2">
      <button type="button" className="btn min-h-11" disabled={place === 0} onClick={() => go(-1)}>
        <ChevronLeft aria-hidden /> Back
      </button>
      <span className="mono text-lg">
        {place + 1} of {steps}
      </span>
      <button
        type="button"
        className="btn min-h-11"
        disabled={place === steps - 1}
        onClick={() => go(1)}
      >
        Next step <ChevronRight aria-hidden />
      </button>
      {isDone ? (
        <>
          <span className="inline-flex items-center gap-1 font-semibold text-moss">
            <Check size={18} aria-hidden /> done
          </span>
          <button type="button" className="btn min-h-11" onClick={undo}>
            It is not done
          </button>
        </>
      ) : (
        <button
          type="button"
          className="btn btn-main min-h-14 flex-1 text-xl"
          disabled={assembly.step.out === null}
          onClick={done}
        >
          <Check aria-hidden /> Done
        </button>
      )}
    </div>
  );
}

/** What of the box on the bench is made anew, and what comes first. */
function MendingHint({ built, box, nameOf }: Props & { box: number }) {
  const { mends } = useBatch().batch;
  const panels = mends?.boxes[box - 1]?.panels ?? [];
  const seals = built.build.seal.length > 0;
  return (
    <p className="mb-3 rounded-md bg-warn-pale px-3 py-2 text-lg">
      New in this box:{' '}
      <strong>
        {panels
          .map(({ panel, count }) => `${count > 1 ? `${count} × ` : ''}${nameOf(panel)}`)
          .join(', ')}
      </strong>
      . Look first that nothing lives in it; take the old panel off by its screws, and nails out
      before anything is sawn. Hold the new panel against the box before a hole is bored: a box that
      has stood in the rain is not square any more.{seals && ' Old caulk is scraped off first.'}
    </p>
  );
}

/** The box put together step by step, each with its picture, its fasteners, and what to check. */
export function AssemblyTab({
  built,
  nameOf,
  busy,
  work,
}: Props & { busy: boolean; work: BenchWork }) {
  const { problems, mended } = built.build;
  const assembly = useAssembly(built, work);
  const { step, steps, place, box, go, done, setPlace } = assembly;
  const pace = usePace()?.assemble?.factor ?? 1;
  useStepKeys(go, done);
  const own = new Set(step.add.map(({ panel }) => panel));
  const notes = problems.filter(
    ({ severity, id, panels }) =>
      severity === 'note' && id === 'driver' && panels.some((panel) => own.has(panel)),
  );
  return (
    <section aria-label="Assembly" className="card p-4">
      <BoxBar build={built.build} work={work} assembly={assembly} />
      <div className="mb-3 flex flex-wrap items-center justify-between gap-3">
        <StepList
          built={built}
          steps={steps}
          now={place}
          isDone={(each) => work.isDone(stepWork(each, box))}
          onGo={setPlace}
          nameOf={nameOf}
        />
        {!mended && <SchoolPicker />}
      </div>
      {mended && <MendingHint built={built} box={box} nameOf={nameOf} />}
      <div className="grid grid-cols-[1.2fr_1fr] gap-5 max-lg:grid-cols-1">
        <StepPicture built={built} nameOf={nameOf} steps={steps} step={place} box={box} />
        <div>
          <Presses assembly={assembly} steps={steps.length} />
          <StepWords
            step={step}
            title={pieceName(built, step, nameOf)}
            minutes={assembly.own.minutes * pace}
            nameOf={nameOf}
          />
          {notes.map(({ text }, index) => (
            <p key={index} className="mt-2 text-soft">
              <Sentence text={text} />
            </p>
          ))}
          <div className="mt-4 flex flex-wrap gap-2">
            {!mended && <MoveStep steps={steps} step={place} busy={busy} onMoved={setPlace} />}
          </div>
        </div>
      </div>
    </section>
  );
}
