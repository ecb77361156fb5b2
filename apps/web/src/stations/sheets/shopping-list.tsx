import type { OfferRecord } from '@spare-knot/core/api';
import { type Layout, type Purchase, totalOf } from '@spare-knot/core/layout';
import { printMoney } from '@spare-knot/core/measure';
import { Length } from '../../measure/length';
import { facesWords, woodWords } from '../../wood/wood-words';
import { provenWords } from '../layout/proof-words';

/** What to buy, yard by yard, with a box to tick for each line, and why it is no more. */
export function ShoppingList({
  list,
  offers,
  layout,
  boxes,
}: {
  list: readonly Purchase[];
  offers: readonly OfferRecord[];
  layout: Layout;
  boxes: number;
}) {
  const lines = list.flatMap((line) => {
    const offer = offers.find(({ id }) => id === line.stock);
    return offer ? [{ ...line, offer }] : [];
  });
  const yards = [...new Set(lines.map(({ offer }) => offer.yard))];
  return (
    <>
      <h2 className="mt-[3mm] font-slab text-[4.2mm]">
        To buy for {boxes} {boxes === 1 ? 'box' : 'boxes'}
      </h2>
      <table className="mt-[1.5mm] w-full border-collapse">
        <thead>
          <tr className="border-b-[0.3mm] border-black text-left [&>th]:py-[1mm] [&>th]:pr-[2mm]">
            <th>
              <span className="sr-only">Bought</span>
            </th>
            <th className="text-right">How many</th>
            <th>What</th>
            <th className="text-right">Thick</th>
            <th className="text-right">Wide</th>
            <th className="text-right">Long</th>
            <th>Wood and faces</th>
            <th className="text-right">One</th>
            <th className="text-right">All</th>
          </tr>
        </thead>
        {yards.map((yard) => (
          <tbody key={yard}>
            <tr>
              <th colSpan={9} className="pt-[2.5mm] text-left font-slab">
                {yard}
              </th>
            </tr>
            {lines
              .filter(({ offer }) => offer.yard === yard)
              .map(({ offer, count, each, cost }) => (
                <tr
                  key={offer.id}
                  className="border-b-[0.2mm] border-[#999] align-top [&>td]:py-[1.3mm] [&>td]:pr-[2mm]"
                >
                  <td>
                    <span className="inline-block size-[4mm] border-[0.3mm] border-black" />
                  </td>
                  <td className="mono text-right font-bold">{count}</td>
                  <td className="font-bold">{offer.name}</td>
                  <td className="mono text-right">
                    <Length ticks={offer.thickness} />
                  </td>
                  <td className="mono text-right">
                    <Length ticks={offer.width} />
                  </td>
                  <td className="mono text-right">
                    <Length ticks={offer.length} />
                  </td>
                  <td>
                    {woodWords(offer)}, {facesWords(offer)}
                  </td>
                  <td className="mono text-right">{printMoney(each)}</td>
                  <td className="mono text-right font-bold">{printMoney(cost)}</td>
                </tr>
              ))}
          </tbody>
        ))}
        <tfoot>
          <tr className="[&>td]:pt-[2mm] [&>td]:pr-[2mm]">
            <td colSpan={8} className="text-right">
              All together
            </td>
            <td className="mono text-right font-bold">{printMoney(totalOf(list))}</td>
          </tr>
        </tfoot>
      </table>
      <p className="mt-[3mm]">{provenWords(layout, 'rack-first')}</p>
      <p className="mt-[1.5mm]">
        Take a tape to the yard: a board that is thinner, narrower or shorter than it stands here
        moves the panels. Look for splits and loose knots, at faces that are to be rough, and at the
        stamp of pallets (HT only). Nothing treated.
      </p>
    </>
  );
}
