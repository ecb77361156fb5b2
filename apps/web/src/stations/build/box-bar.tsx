import { type AssemblyStep, type BuildPlan, stepsOfBox, stepWork } from '@spare-knot/core/building';
import { useBatch } from '../../batch/batch-context';
import { useNow } from '../../ui/use-now';
import { clockWords } from './clock-words';
import type { Assembly } from './use-assembly';
import type { BenchWork } from './use-bench-work';

const isGlued = ({ joints }: AssemblyStep): boolean => joints.some(({ glue }) => glue);

/** Boxes whose last glue has not set yet, with the time until which their clamps stay on. */
function setting(build: BuildPlan, work: BenchWork, now: number) {
  const { boxes, times } = build;
  const hours = times.waits.find(({ what }) => what === 'glue')?.hours ?? 0;
  return Array.from({ length: boxes }, (_unused, index) => index + 1).flatMap((box) => {
    const last = Math.max(
      0,
      ...stepsOfBox(build, box)
        .filter(isGlued)
        .map((step) => work.doneAt(stepWork(step, box)) ?? 0),
    );
    const until = last + hours * 3_600_000;
    return last > 0 && until > now ? [{ box, until }] : [];
  });
}

function togetherWords(whole: number, boxes: number): string {
  if (whole === 0) return boxes === 1 ? 'not together yet' : 'none is together yet';
  return whole === boxes ? 'all are together' : `${whole} of them together`;
}

function mendedWords(whole: number, boxes: number): string {
  if (whole === 0) return boxes === 1 ? 'not mended yet' : 'none is mended yet';
  return whole === boxes ? 'all are mended' : `${whole} of them mended`;
}

/** Which box of the batch is on the bench, how many are together, and what has to wait. */
export function BoxBar({
  build,
  work,
  assembly: { box, whole, setBox },
}: {
  build: BuildPlan;
  work: BenchWork;
  assembly: Assembly;
}) {
  const now = useNow();
  const { boxes } = build;
  const { mends } = useBatch().batch;
  const numberOf = (each: number) => mends?.boxes[each - 1]?.number ?? each;
  const waits = setting(build, work, now);
  return (
    <div className="mb-3 flex flex-wrap items-center gap-x-4 gap-y-2">
      {boxes > 1 && (
        <label className="flex items-center gap-2 text-lg font-semibold">
          Box
          <select
            aria-label="Box on the bench"
            className="field min-h-11"
            value={box}
            onChange={(event) => setBox(Number(event.target.value))}
          >
            {Array.from({ length: boxes }, (_unused, index) => (
              <option key={index} value={index + 1}>
                {numberOf(index + 1)}
              </option>
            ))}
          </select>
          {mends ? `of ${boxes} that are mended` : `of ${boxes}`}
        </label>
      )}
      <p className="text-soft">{mends ? mendedWords(whole, boxes) : togetherWords(whole, boxes)}</p>
      {waits.length > 0 && (
        <p className="rounded-md bg-warn-pale px-3 py-1">
          Clamps stay on:{' '}
          {waits
            .map(({ box: each, until }) => `box ${numberOf(each)} until ${clockWords(until, now)}`)
            .join(', ')}
        </p>
      )}
    </div>
  );
}
