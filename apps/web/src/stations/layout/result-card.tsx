import type { LayoutJob } from '@spare-knot/core/job';
import {
  aboveBest,
  costByPart,
  countCuts,
  type Layout,
  shortPieces,
  usedCost,
} from '@spare-knot/core/layout';
import { sum } from '@spare-knot/core/lists';
import { printMoney, type Ticks } from '@spare-knot/core/measure';
import { partName } from '@spare-knot/core/panels';

import { useMemo } from 'react';
import { Link } from 'react-router';
import { Sentence } from '../../measure/length';

type Names = ReadonlyMap<string, string>;

/** How a bound was proven, in words. */
const PROOFS: Record<Layout['boundProof'], string> = {
  area: 'by area and length with kerfs',
  lp: 'by the best mix of boards',
  exact: 'by trying every mix of boards',
};

/** How far from the best possible a layout is, as far as that is known. */
function provenWords(layout: Layout): string {
  const { optimal, boundProof, lowerBound } = layout;
  if (optimal)
    return `Proven ${PROOFS[boundProof]}: the panels with their kerfs need boards of at least this price.`;
  const above = aboveBest(layout);
  if (above === null)
    return 'How far from the best possible is not known: no bound was found for these boards.';
  return `At most ${(above * 100).toFixed(1)} % above the best possible: ${PROOFS[boundProof]}, no layout can cost less than ${printMoney(lowerBound)}.`;
}

function headline({ boards, cost, lowerBound, optimal }: Layout): string {
  const count = `${boards.length} ${boards.length === 1 ? 'board' : 'boards'}`;
  if (cost === 0) return `${count}, none with a price`;
  if (optimal) return `${count}, and no layout can cost less`;
  return `${count} for ${printMoney(cost)}; at least ${printMoney(lowerBound)} is needed`;
}

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

function figures(job: LayoutJob, layout: Layout, boxes: number): [name: string, value: string][] {
  const kept = sum(layout.boards.map(({ offcuts }) => offcuts.length));
  return [
    ['Whole boards, price', printMoney(layout.cost)],
    ['Only what is used', printMoney(usedCost(job, layout))],
    ['For one box', printMoney(Math.round(layout.cost / boxes))],
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
  boxes,
  names,
  handHeld,
}: {
  job: LayoutJob;
  layout: Layout;
  boxes: number;
  names: Names;
  handHeld: Ticks;
}) {
  const { cost, unplaced } = layout;
  const short = shortPieces(job, handHeld).map(({ part }) => partName(names, part).toLowerCase());
  return (
    <section className="card p-3" aria-label="Result">
      {unplaced.length > 0 ? (
        <Unplaced unplaced={unplaced} names={names} />
      ) : (
        <h2 className="text-lg">{headline(layout)}</h2>
      )}
      <p className="text-sm text-soft">{provenWords(layout)}</p>
      {short.length > 0 && (
        <p className="mt-1 border-l-4 border-warn pl-2 text-sm">
          Too short to hold by hand: {short.join(', ')}. Cut them off the long board with a stop and
          a clamp.
        </p>
      )}
      <dl className="mt-2">
        {figures(job, layout, boxes).map(([name, value]) => (
          <div
            key={name}
            className="flex justify-between border-b border-dotted border-line py-0.5"
          >
            <dt>{name}</dt>
            <dd className="mono font-semibold">{value}</dd>
          </div>
        ))}
      </dl>
      {cost > 0 && <PanelCosts job={job} layout={layout} names={names} />}
    </section>
  );
}
