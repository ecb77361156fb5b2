import { hardwareOf } from '@spare-knot/core/building';
import { TICKS_PER_MM } from '@spare-knot/core/measure';
import { ofArea, ofLiquid, ofWeight } from '@spare-knot/core/text';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { useBatch } from '../../batch/batch-context';
import { HardwareTable } from '../../boxview/hardware-table';
import { Sentence } from '../../measure/length';
import type { Built } from './use-build';
import { planToBuild } from './use-build';

const WAITS = {
  glue: 'Clamps stay on',
  caulk: 'Caulk skins over',
  finish: 'Coats dry',
} as const;

const hoursWord = (hours: number): string =>
  hours < 1 ? `${Math.round(hours * 60)} minutes` : `${hours} ${hours === 1 ? 'hour' : 'hours'}`;

/** What the whole batch takes beside its panels, with what to keep spare. */
function Takes({ built }: { built: Built }) {
  const { draft, sound } = useBatch();
  const { boxes, making } = draft;
  const lines = useMemo(
    () => (sound ? hardwareOf(planToBuild(sound.plan, making), built.box, making.site) : []),
    [sound, making, built],
  );
  const spares = new Map(built.build.hardware.map(({ item, spare }) => [item, spare]));
  return (
    <section aria-label="What it takes" className="card p-4">
      <h2 className="text-lg">
        For {boxes} {boxes === 1 ? 'box' : 'boxes'}
      </h2>
      <HardwareTable lines={lines} boxes={boxes} spares={spares} />
    </section>
  );
}

function Finishes({ built: { build } }: { built: Built }) {
  if (build.finish.length === 0)
    return (
      <p>
        The plan leaves the wood bare. Where it is to be stained, painted or oiled, say so at{' '}
        <Link className="link" to="../box">
          Box
        </Link>
        : outside only, nothing inside or round the entrance.
      </p>
    );
  return (
    <ul className="grid gap-2">
      {build.finish.map(({ name, where, squareMetres, millilitres, coats, waitHours }, index) => (
        <li key={index} className="border-b border-dotted border-line pb-1">
          <strong>
            <Sentence text={name} />
          </strong>{' '}
          on {where}: {coats} coats over <Sentence text={[ofArea(squareMetres)]} />,{' '}
          <Sentence text={[ofLiquid(millilitres * build.boxes)]} /> for all boxes; wait{' '}
          {hoursWord(waitHours)} after each.
        </li>
      ))}
    </ul>
  );
}

/** Minutes of work and hours of waiting, of one box and of the batch. */
function Times({ built: { build } }: { built: Built }) {
  const { times, boxes, weight } = build;
  const minutes = (each: number) => `${Math.round(each * boxes)} min`;
  const rows = [
    ['Boring', minutes(times.drilling)],
    ['Putting together', minutes(times.assembly)],
    ...(times.finish > 0 ? [['Finishing', minutes(times.finish)] as const] : []),
  ] as const;
  return (
    <section aria-label="Time and weight" className="card p-4">
      <h2 className="text-lg">Time and weight</h2>
      <dl className="mt-1">
        {rows.map(([name, value]) => (
          <div
            key={name}
            className="flex justify-between border-b border-dotted border-line py-0.5"
          >
            <dt>
              {name}, {boxes} {boxes === 1 ? 'box' : 'boxes'}
            </dt>
            <dd className="mono">{value}</dd>
          </div>
        ))}
        {times.waits.map(({ what, hours }) => (
          <div
            key={what}
            className="flex justify-between border-b border-dotted border-line py-0.5"
          >
            <dt>{WAITS[what]}</dt>
            <dd className="mono">{hoursWord(hours)}</dd>
          </div>
        ))}
        {(
          [
            ['One box, dry', weight.dry],
            ['Soaked by rain', weight.wet],
            ['Soaked, with screws and fixings', weight.withFixings],
          ] as const
        ).map(([name, kilograms]) => (
          <div
            key={name}
            className="flex justify-between border-b border-dotted border-line py-0.5"
          >
            <dt>{name}</dt>
            <dd className="mono">
              <Sentence text={[ofWeight(kilograms)]} />
            </dd>
          </div>
        ))}
      </dl>
      <p className="mt-2 text-sm text-soft">
        Minutes are what such work takes in common practice, no source; glue, caulk and tins say
        their own times. All boxes wait at once: spray many, turn, next day.
      </p>
    </section>
  );
}

/** Screws, glue, caulk, coats: how much, in which order, with what waits. */
export function FinishTab({ built }: { built: Built }) {
  const { seal } = built.build;
  return (
    <div className="grid grid-cols-[1.3fr_1fr] gap-4 max-lg:grid-cols-1">
      <Takes built={built} />
      <div className="grid content-start gap-4">
        <section aria-label="Finish" className="card p-4">
          <h2 className="text-lg">Seal and finish</h2>
          {seal.length > 0 && (
            <p className="mb-2">
              Caulk {(seal.length / TICKS_PER_MM / 1000).toFixed(1)} m of seams a box, before any
              coat.
            </p>
          )}
          <Finishes built={built} />
        </section>
        <Times built={built} />
      </div>
    </div>
  );
}
