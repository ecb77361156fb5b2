import type { SawingLog } from '@spare-knot/core/api';
import type { NamedPlan } from '@spare-knot/core/cuts';
import { sum } from '@spare-knot/core/lists';
import { useQuery } from '@tanstack/react-query';
import { RotateCcw } from 'lucide-react';
import { client } from '../../api/client';
import { useBatch } from '../../batch/batch-context';
import { LengthField } from '../../measure/length-field';
import { useRack } from '../../rack/use-rack';
import { Trouble } from '../../ui/trouble';
import { type NameOf, settingWords, toolWord } from './step-words';

const MISHAP_WORDS: Readonly<Record<SawingLog['mishaps'][number]['mishap'], string>> = {
  ruined: 'ruined',
  short: 'came out short',
  'wrong side': 'sawn on the wrong side of the line',
  split: 'was split',
};

const share = (part: number, of: number): string =>
  `${Math.round((100 * part) / Math.max(1, of))} %`;

const minutesWords = (minutes: number): string => {
  const whole = Math.round(minutes);
  return whole === 1 ? '1 minute' : `${whole} minutes`;
};

/** Minutes by setting, of the plan that was followed last. */
function Minutes({ log, plan }: { log: SawingLog; plan: NamedPlan }) {
  const steps = log.rounds.at(-1)?.steps ?? [];
  const timed = steps.filter(({ taken }) => taken !== null);
  if (timed.length === 0) return <p>No cut was timed.</p>;
  const [planned, taken] = [
    sum(timed.map((step) => step.planned)),
    sum(timed.map((step) => step.taken ?? 0)),
  ];
  return (
    <details>
      <summary className="min-h-11 cursor-pointer font-semibold text-chalk">
        {minutesWords(taken)} at{' '}
        {timed.length === 1 ? 'the setting' : `the ${timed.length} settings`} that{' '}
        {timed.length === 1 ? 'was' : 'were'} timed; planned: {minutesWords(planned)}
      </summary>
      <table className="w-full max-w-xl text-lg">
        <thead>
          <tr className="text-left">
            <th scope="col">Setting</th>
            <th scope="col">Cuts</th>
            <th scope="col">Planned</th>
            <th scope="col">Took</th>
          </tr>
        </thead>
        <tbody className="mono">
          {steps.map(({ step, cuts, planned: minutes, taken: took }) => {
            const own = plan.steps[step];
            return (
              <tr key={step} className="border-t border-line">
                <td className="font-sans">
                  {step + 1}. {own && `${toolWord(own)}, ${settingWords(own)}`}
                </td>
                <td>{cuts}</td>
                <td>{minutes.toFixed(1)}</td>
                <td>{took === null ? 'not timed' : took.toFixed(1)}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </details>
  );
}

function Facts({ log, plan, nameOf }: { log: SawingLog; plan: NamedPlan; nameOf: NameOf }) {
  const { wood, mishaps } = log;
  return (
    <>
      <p>
        {wood.boards} {wood.boards === 1 ? 'board' : 'boards'}: {share(wood.panels, wood.area)} of
        the wood is panels, {share(wood.offcuts, wood.area)} offcuts, the rest waste and dust.
      </p>
      <Minutes log={log} plan={plan} />
      {mishaps.length > 0 && (
        <>
          <h3 className="mt-2 text-xl">What went wrong</h3>
          <ul className="list-disc pl-6">
            {mishaps.map(({ round, piece, mishap, parts }) => (
              <li key={`${round} ${piece}`}>
                {parts.length === 0 ? 'A piece without a panel' : parts.map(nameOf).join(', ')}:{' '}
                {MISHAP_WORDS[mishap]}
              </li>
            ))}
          </ul>
        </>
      )}
    </>
  );
}

/** Offcuts of the batch as they lie on the rack: measured once more, they are kept with their real size. */
function Offcuts() {
  const { batch } = useBatch();
  const { boards, change, remove } = useRack();
  const own = boards.filter(({ fromBatch }) => fromBatch === batch.id);
  if (own.length === 0) return null;
  return (
    <section aria-label="Offcuts" className="mt-4">
      <h3 className="text-xl">Offcuts, on the rack</h3>
      <p className="text-soft">As they were planned: measure them, and put their real size.</p>
      <ul className="mt-2 grid gap-2">
        {own.map((board) => (
          <li key={board.id} className="flex flex-wrap items-end gap-4">
            <strong className="min-w-56">{board.name}</strong>
            <LengthField
              label="Long"
              className="w-32"
              value={board.length}
              least={1}
              onChange={(length) => void change(board, { length })}
            />
            <LengthField
              label="Wide"
              className="w-32"
              value={board.width}
              least={1}
              onChange={(width) => void change(board, { width })}
            />
            <button type="button" className="btn min-h-11" onClick={() => void remove(board)}>
              Not kept
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Every cut of a plan is made: what is still missing, else what became of the wood and the time. */
export function AfterSawing({
  count,
  wanted,
  plan,
  nameOf,
  back,
}: {
  count: number;
  wanted: number;
  plan: NamedPlan;
  nameOf: NameOf;
  back: () => void;
}) {
  const { batch } = useBatch();
  const isOver = wanted === 0;
  const log = useQuery({
    queryKey: ['sawing-log', batch.id, count],
    queryFn: () => client.sawingLog(batch.id),
    enabled: isOver,
  });
  return (
    <div className="card p-6 text-xl">
      <h2 className="text-3xl">
        {isOver ? 'Every cut is made' : 'Every cut of this plan is made'}
      </h2>
      <p className="mt-2">
        {count} cuts.{' '}
        {isOver
          ? 'The panels go on to the drill; the offcuts are on the rack.'
          : `${wanted === 1 ? 'One panel is' : `${wanted} panels are`} still missing: plan what is left again.`}
      </p>
      {log.isError && <Trouble error={log.error} retry={() => void log.refetch()} />}
      {log.data && <Facts log={log.data} plan={plan} nameOf={nameOf} />}
      {isOver && <Offcuts />}
      <button type="button" className="btn mt-4 min-h-12 text-lg" onClick={back}>
        <RotateCcw size={20} aria-hidden /> The last one was not
      </button>
    </div>
  );
}
