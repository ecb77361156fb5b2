import { type NamedStep, type OwnedSaw, onScale, scaleOff } from '@spare-knot/core/cuts';
import { printAngle } from '@spare-knot/core/measure';
import { useState } from 'react';
import { useTools } from '../../shop/use-tools';

/** The two scales of a saw, and what a step asks of each. */
const SCALES = [
  { of: 'angle', off: 'mitreOff', words: 'fence' },
  { of: 'tilt', off: 'tiltOff', words: 'blade' },
] as const;

/** A saw of the shop by the name that a step gives; undefined where the shop has told none. */
export function useOwnedSaw(name: string): OwnedSaw | undefined {
  const { shop } = useTools();
  return shop?.saws.find((saw) => saw.name === name);
}

/** What to set where a scale is off. */
export function ScaleWords({ step, saw }: { step: NamedStep; saw: OwnedSaw | undefined }) {
  if (!saw) return null;
  return SCALES.filter(({ of, off }) => step[of] > 0 && saw[off] !== 0).map(
    ({ of, off, words }) => (
      <p key={of} className="font-bold">
        On its scale set the {words} to {printAngle(onScale(step[of], saw[off]))}: it cuts{' '}
        {Math.abs(saw[off])}° {saw[off] > 0 ? 'more' : 'less'} than it shows.
      </p>
    ),
  );
}

function Shown({
  step,
  saw,
  scale: { of, off, words },
}: {
  step: NamedStep;
  saw: OwnedSaw;
  scale: (typeof SCALES)[number];
}) {
  const { shop, change } = useTools();
  const [text, setText] = useState('');
  const shown = Number(text.replace(',', '.').replace('°', ''));
  const isRead = text.trim() !== '' && Number.isFinite(shown);
  const next = isRead ? scaleOff(step[of], { shown, before: saw[off] }) : null;
  const isNear = next !== null && Math.abs(next) <= 5;
  const keep = () => {
    if (!shop || next === null) return;
    const saws = shop.saws.map((each) =>
      each.name === saw.name ? { ...each, [off]: next } : each,
    );
    void change(
      { saws },
      `The ${saw.name}’s ${words} scale is off by ${next}°; it is set for that from now on.`,
    );
    setText('');
  };
  return (
    <div className="mt-2">
      <label className="flex flex-wrap items-center gap-2">
        The halves of the {words}’s test piece show together
        <input
          className="field mono !min-h-11 w-24 text-xl"
          inputMode="decimal"
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
        ° (right is {printAngle(2 * step[of])})
        <button type="button" className="btn min-h-11" disabled={!isNear} onClick={keep}>
          Keep the error
        </button>
      </label>
      {next !== null && !isNear && (
        <p role="alert" className="text-danger">
          That would be {next}° off: measure again, or square the scale first.
        </p>
      )}
    </div>
  );
}

/** What the test pieces showed: the saw remembers it. */
export function TestPieces({ step }: { step: NamedStep }) {
  const saw = useOwnedSaw(step.saw);
  if (!saw) return null;
  return SCALES.filter(({ of }) => step[of] > 0).map((scale) => (
    <Shown key={scale.of} step={step} saw={saw} scale={scale} />
  ));
}
