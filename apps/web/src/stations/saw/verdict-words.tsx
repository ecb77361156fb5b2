import { brokenByShort, type Verdict } from '@spare-knot/core/cuts';
import type { PanelSet } from '@spare-knot/core/panels';
import type { BoxPlan } from '@spare-knot/core/plan';
import { useMemo } from 'react';
import { Length, Sentence } from '../../measure/length';

const listed = (words: readonly string[]): string =>
  words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`;

/** What opens when a panel stays short. */
function Gaps({ verdict, panelName }: { verdict: Verdict; panelName: (id: string) => string }) {
  const closed = verdict.ends.filter(({ against }) => against.length > 0);
  const free = verdict.ends.length - closed.length;
  const gap = <Length ticks={-verdict.by} unit />;
  if (closed.length === 0)
    return (
      <li>No other panel stands against that edge: it ends {gap} further in, and nothing opens.</li>
    );
  return (
    <>
      {closed.map(({ edge, against }) => (
        <li key={edge}>
          Set with its other end right, a gap of {gap} opens against{' '}
          {listed(against.map(panelName))}.
        </li>
      ))}
      {free > 0 && (
        <li>Or let it be short where no panel stands against it: there nothing opens.</li>
      )}
    </>
  );
}

/** What the rules of the box say to a short panel. */
function Rules({ verdict, plan, box }: { verdict: Verdict; plan: BoxPlan; box: PanelSet }) {
  const broken = useMemo(
    () => (verdict.short ? brokenByShort(plan, box, verdict.short) : null),
    [verdict, plan, box],
  );
  if (broken === null) return <li>No rule of the box looks at this size by itself.</li>;
  if (broken.length === 0) return <li>The box keeps every rule that it kept before.</li>;
  return broken.map(({ id, severity, text }) => (
    <li key={id} className={severity === 'stop' ? 'font-bold text-danger' : 'font-semibold'}>
      {severity === 'stop' ? 'Not so: ' : 'Think again: '}
      <Sentence text={text} />
    </li>
  ));
}

/** What it means that a piece measures so much. */
export function VerdictWords({
  verdict,
  panelName,
  plan,
  box,
}: {
  verdict: Verdict;
  panelName: (id: string) => string;
  plan: BoxPlan;
  box: PanelSet;
}) {
  const { is, by, should } = verdict;
  const off = <Length ticks={Math.abs(by)} unit />;
  return (
    <div role="status" className="rounded-lg border-2 border-line bg-card p-3">
      <p>
        It should be <Length ticks={should} unit />
        {is === 'fits' ? (
          ': it fits.'
        ) : (
          <>
            , so it is {off} too {by < 0 ? 'short' : 'long'}.
          </>
        )}
      </p>
      <ul className="mt-1 list-disc pl-5">
        {is === 'long' && <li>Saw it once more at the same setting: it is right then.</li>}
        {is === 'cut off' && (
          <li>
            Nothing is lost: what comes of it is measured at its own cuts, and the waste takes it
            up.
          </li>
        )}
        {is === 'thin' && (
          <li>
            There is not so much waste at its ends: one of the panels in it would come out short.
            Tell it as gone wrong with what is good of it, and it is planned again.
          </li>
        )}
        {is === 'short' && (
          <>
            <Gaps verdict={verdict} panelName={panelName} />
            <Rules verdict={verdict} plan={plan} box={box} />
          </>
        )}
      </ul>
    </div>
  );
}
