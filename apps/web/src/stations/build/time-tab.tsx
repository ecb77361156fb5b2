import { atFullPrice } from '@spare-knot/core/api';
import { batchCost } from '@spare-knot/core/building';
import { usedCost, worthOf } from '@spare-knot/core/layout';
import { printMoney } from '@spare-knot/core/measure';
import { ofWeight } from '@spare-knot/core/text';
import { type ReactNode, useMemo } from 'react';
import { Link } from 'react-router';
import { useFromBin } from '../../batch/batch-context';
import { Sentence } from '../../measure/length';
import { BatchCalendar } from './batch-calendar';
import { hoursWord, minutesWord } from './hours-word';
import type { BenchWork } from './use-bench-work';
import type { Built } from './use-build';
import { type Left, useLeft } from './use-left';
import { useNeeds } from './use-needs';

const WAITS = { glue: 'Clamps stay on', caulk: 'Caulk skins over', finish: 'Coats dry' } as const;
const PACE_WORDS = { bore: 'boring', assemble: 'putting together', finish: 'coats' } as const;

function Line({ name, children }: { name: ReactNode; children: ReactNode }) {
  return (
    <div className="flex justify-between gap-4 border-b border-dotted border-line py-1">
      <dt>{name}</dt>
      <dd className="mono text-right">{children}</dd>
    </div>
  );
}

function Cost({ built, left: { job, layout, wood: there } }: { built: Built; left: Left }) {
  const { boxes } = built.build;
  const ready = useFromBin();
  const needs = useNeeds(built);
  const wood = useMemo(() => {
    if (!job || !layout) return null;
    // What is on the rack was paid once: the boxes are worth it all the same.
    const priced = atFullPrice(job, there.all);
    return { share: usedCost(priced, layout), whole: worthOf(priced, layout) };
  }, [job, layout, there]);
  const unpriced = there.all.filter(
    ({ id, price }) => price === null && layout?.boards.some(({ stock }) => stock === id),
  );
  const cost = batchCost(wood, needs, boxes);
  return (
    <section aria-label="Cost" className="card p-4">
      <h2 className="text-lg">What it costs</h2>
      <dl className="mt-1">
        <Line name="Wood, what is used of it">
          {cost.wood ? printMoney(cost.wood.share) : 'not laid out yet'}
        </Line>
        <Line name="Screws, glue, finish, fixings, what is used of them">
          {printMoney(cost.supplies.share)}
        </Line>
        <Line name={<strong>One box</strong>}>
          <strong>{printMoney(cost.eachBox)}</strong>
        </Line>
        <Line name={`${boxes} ${boxes === 1 ? 'box' : 'boxes'}`}>{printMoney(cost.share)}</Line>
        <Line name="Whole boards, and the packs that have to be bought">
          {printMoney(cost.whole)}
        </Line>
      </dl>
      {!cost.wood && (
        <p className="mt-2">
          No wood is in these sums:{' '}
          <Link className="link" to="../layout">
            lay it out
          </Link>
          .
        </p>
      )}
      {ready.length > 0 && (
        <p className="mt-2 rounded-md bg-warn-pale px-3 py-2">
          Panels out of the bin, whose wood is not in these sums:{' '}
          {ready.map(({ name, count }) => `${count} × ${name.toLowerCase()}`).join(', ')}.
        </p>
      )}
      {built.build.mended && (
        <p className="mt-2 rounded-md bg-warn-pale px-3 py-2">
          Mending alone is counted: new wood, fasteners of the new joints, coats and caulk on what
          is new. Glue, covers and fixings are not: the old box may still have them.
        </p>
      )}
      {unpriced.length > 0 && (
        <p className="mt-2 rounded-md bg-warn-pale px-3 py-2">
          Wood without a price, not in these sums: {unpriced.map(({ name }) => name).join(', ')}.{' '}
          <Link className="link" to="/rack">
            Say what it is worth
          </Link>
        </p>
      )}
      {cost.unpriced.length > 0 && (
        <p className="mt-2 rounded-md bg-warn-pale px-3 py-2">
          Not in these sums, since nobody has told their price:{' '}
          {cost.unpriced.map(({ item, line }, index) => (
            <span key={item}>
              {index > 0 && ', '}
              <Sentence text={line.name} />
            </span>
          ))}
          .{' '}
          <Link className="link" to="?at=finish">
            Tell them
          </Link>
        </p>
      )}
    </section>
  );
}

/** Minutes of work and hours of waiting, as planned and as they take here; weights. */
function Times({
  built: { build },
  left: { pace, left, sawMinutes },
}: {
  built: Built;
  left: Left;
}) {
  const { times, boxes, weight } = build;
  const rows = [
    ['Boring', times.drilling * boxes, left.bore],
    ['Putting together', times.assembly * boxes, left.assemble],
    ['Coats', times.finish * boxes, left.finish],
  ] as const;
  const learned = (['bore', 'assemble', 'finish'] as const).flatMap((kind) => {
    const own = pace[kind];
    return own ? [`${PACE_WORDS[kind]} ${own.factor} times the usual, by ${own.of} timed`] : [];
  });
  return (
    <section aria-label="Time and weight" className="card p-4">
      <h2 className="text-lg">Time and weight</h2>
      <dl className="mt-1">
        {sawMinutes !== null && <Line name="Sawing">{minutesWord(sawMinutes)}</Line>}
        {rows
          .filter(([, all]) => all > 0)
          .map(([name, all, rest]) => (
            <Line key={name} name={`${name}, ${boxes} ${boxes === 1 ? 'box' : 'boxes'}`}>
              {minutesWord(all)}
              {rest < all - 1 && `, ${minutesWord(rest)} left`}
            </Line>
          ))}
        {times.waits.map(({ what, hours }) => (
          <Line key={what} name={WAITS[what]}>
            {hoursWord(hours)}
          </Line>
        ))}
        {(
          [
            ['One box, dry', weight.dry],
            ['Soaked by rain', weight.wet],
            ['Soaked, with screws and fixings', weight.withFixings],
          ] as const
        ).map(([name, kilograms]) => (
          <Line key={name} name={name}>
            <Sentence text={[ofWeight(kilograms)]} />
          </Line>
        ))}
      </dl>
      <p className="mt-2 text-sm text-soft">
        {learned.length > 0
          ? `By this shop’s own log: ${learned.join('; ')}. `
          : 'Minutes are what such work takes in common practice, no source, until three pieces of work of a kind are timed here. '}
        Glue, caulk and tins say their own times. All boxes wait at once: spray many, turn, next
        day.
      </p>
    </section>
  );
}

/** What a batch costs, how long it takes, and when it is ready: planned back from the day by which it is up. */
export function TimeTab({ built, work }: { built: Built; work: BenchWork }) {
  const left = useLeft(built, work);
  return (
    <div className="grid grid-cols-[1.2fr_1fr] gap-4 max-lg:grid-cols-1">
      <BatchCalendar built={built} left={left} />
      <div className="grid content-start gap-4">
        <Cost built={built} left={left} />
        <Times built={built} left={left} />
      </div>
    </div>
  );
}
