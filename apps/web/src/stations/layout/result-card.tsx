import type { Supply } from '@spare-knot/core/api';
import type { LayoutJob } from '@spare-knot/core/job';
import {
  costByPart,
  countCuts,
  type Layout,
  shortPieces,
  usedCost,
  worthOf,
} from '@spare-knot/core/layout';
import { sum } from '@spare-knot/core/lists';
import { printMoney, type Ticks } from '@spare-knot/core/measure';
import { partName } from '@spare-knot/core/panels';

import { useMemo } from 'react';
import { Link } from 'react-router';
import { Sentence } from '../../measure/length';
import { headline, provenWords } from './proof-words';

type Names = ReadonlyMap<string, string>;

function Unplaced({ unplaced, names }: { unplaced: Layout['unplaced']; names: Names }) {
  return (
    <div role="alert" className="-m-3 mb-2 rounded-t-[10px] bg-danger-pale p-3">
      <h2 className="text-lg text-danger">
        {sum(unplaced.map(({ count }) => count))} panels find no place
      </h2>
      <ul className="mt-1 text-sm">
        {unplaced.map(({ part, count, reason }) => (
          <li key={part}>
            <strong>
              {count} × {partName(names, part).toLowerCase()}
            </strong>
            : <Sentence text={reason} />
          </li>
        ))}
      </ul>
      <p className="mt-1 text-sm">
        All others are placed.{' '}
        <Link className="link" to="../wood">
          Find more wood
        </Link>
      </p>
    </div>
  );
}

const patternsOf = ({ boards }: Layout): number =>
  new Set(
    boards.map(({ stock, placements }) =>
      JSON.stringify([stock, placements.map(({ part, x, y }) => [part, x, y])]),
    ),
  ).size;

/** What the wood is worth; `job` has every board at its own price. */
function figures(job: LayoutJob, layout: Layout, boxes: number): [name: string, value: string][] {
  const worth = worthOf(job, layout);
  const kept = sum(layout.boards.map(({ offcuts }) => offcuts.length));
  return [
    ['Whole boards, price', printMoney(worth)],
    ['Only what is used', printMoney(usedCost(job, layout))],
    ['For one box', printMoney(Math.round(worth / boxes))],
    ['Cuts', String(countCuts(job, layout))],
    ['Different patterns', String(patternsOf(layout))],
    ['Wood in the boxes', `${(layout.yield * 100).toFixed(1)} %`],
    ['Wasted', `${(100 - layout.yield * 100).toFixed(1)} %`],
    ['Back to the rack', `${kept} ${kept === 1 ? 'piece' : 'pieces'}`],
  ];
}

function PanelCosts({ job, layout, names }: { job: LayoutJob; layout: Layout; names: Names }) {
  const parts = useMemo(() => costByPart(job, layout), [job, layout]);
  return (
    <details className="mt-2">
      <summary className="min-h-7 font-semibold text-chalk">What each panel costs</summary>
      <table className="mt-1 w-full text-sm">
        <thead>
          <tr className="text-left text-soft">
            <th className="font-normal">panel</th>
            <th className="text-right font-normal">how many</th>
            <th className="text-right font-normal">for one</th>
            <th className="text-right font-normal">all</th>
          </tr>
        </thead>
        <tbody>
          {parts.map(({ part, copies, cost }) => (
            <tr key={part} className="border-t border-dotted border-line">
              <td>{partName(names, part)}</td>
              <td className="mono text-right">{copies}</td>
              <td className="mono text-right">{printMoney(Math.round(cost / copies))}</td>
              <td className="mono text-right font-semibold">{printMoney(cost)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-1 text-sm text-soft">
        Each board’s whole price, shared among the panels on it by their area.
      </p>
    </details>
  );
}

/** What the layout comes to, and how far that is from the best possible. */
export function ResultCard({
  job,
  layout,
  supply,
  toBuy,
  boxes,
  names,
  handHeld,
}: {
  /** The job with every board at its own price. */
  job: LayoutJob;
  layout: Layout;
  supply: Supply;
  /** Boards of the layout that are not on the rack. */
  toBuy: number;
  boxes: number;
  names: Names;
  handHeld: Ticks;
}) {
  const { unplaced } = layout;
  const comesTo = useMemo(() => figures(job, layout, boxes), [job, layout, boxes]);
  const short = shortPieces(job, handHeld).map(({ part }) => partName(names, part).toLowerCase());
  return (
    <section className="card p-3" aria-label="Result">
      {unplaced.length > 0 ? (
        <Unplaced unplaced={unplaced} names={names} />
      ) : (
        <h2 className="text-lg">{headline(layout, supply, toBuy)}</h2>
      )}
      <p className="text-sm text-soft">{provenWords(layout, supply)}</p>
      {short.length > 0 && (
        <p className="mt-1 border-l-4 border-warn pl-2 text-sm">
          Too short to hold by hand: {short.join(', ')}. Cut them off the long board with a stop and
          a clamp.
        </p>
      )}
      <dl className="mt-2">
        {comesTo.map(([name, value]) => (
          <div
            key={name}
            className="flex justify-between border-b border-dotted border-line py-0.5"
          >
            <dt>{name}</dt>
            <dd className="mono font-semibold">{value}</dd>
          </div>
        ))}
      </dl>
      {worthOf(job, layout) > 0 && <PanelCosts job={job} layout={layout} names={names} />}
    </section>
  );
}
