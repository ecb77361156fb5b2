import type { OfferRecord } from '@spare-knot/core/api';
import { type Layout, type Purchase, totalOf } from '@spare-knot/core/layout';
import { printMoney } from '@spare-knot/core/measure';
import { Link } from 'react-router';
import { Length } from '../../measure/length';

/** What is to be bought, yard by yard, and a press for when it has been. */
export function ShoppingCard({
  list,
  offers,
  answer,
  busy,
  onBought,
}: {
  list: readonly Purchase[];
  offers: readonly OfferRecord[];
  /** The layout that the list is of; null while it is searched. */
  answer: Layout | null;
  busy: boolean;
  onBought: (answer: Layout) => void;
}) {
  const lines = list.flatMap((line) => {
    const offer = offers.find(({ id }) => id === line.stock);
    return offer ? [{ ...line, offer }] : [];
  });
  const yards = [...new Set(lines.map(({ offer }) => offer.yard))];
  return (
    <section className="card p-3" aria-label="To buy">
      <h2 className="text-base">To buy</h2>
      {yards.map((yard) => (
        <div key={yard} className="mt-1">
          <h3 className="font-sans text-sm text-soft">{yard}</h3>
          <ul>
            {lines
              .filter(({ offer }) => offer.yard === yard)
              .map(({ offer, count, each, cost }) => (
                <li
                  key={offer.id}
                  className="flex justify-between gap-2 border-b border-dotted border-line py-1"
                >
                  <span>
                    <strong>
                      <span className="mono">{count} ×</span> {offer.name}
                    </strong>
                    <span className="block text-sm text-soft">
                      <Length ticks={offer.thickness} /> × <Length ticks={offer.width} /> ×{' '}
                      <Length ticks={offer.length} unit />, {printMoney(each)} each
                    </span>
                  </span>
                  <span className="mono font-semibold">{printMoney(cost)}</span>
                </li>
              ))}
          </ul>
        </div>
      ))}
      <p className="mt-1 flex justify-between font-semibold">
        <span>All together</span>
        <span className="mono">{printMoney(totalOf(list))}</span>
      </p>
      <div className="mt-2 flex flex-wrap gap-2">
        <button
          type="button"
          className="btn btn-main"
          disabled={busy || !answer}
          onClick={() => answer && onBought(answer)}
        >
          {busy ? 'Putting them on the rack…' : 'They are bought'}
        </button>
        <Link to="../sheets" className="btn">
          Print the list
        </Link>
      </div>
      <p className="mt-1 text-sm text-soft">
        Bought boards go on the rack with the measures that the yard gives, to be confirmed there.{' '}
        <Link to="../wood" className="link">
          Would other wood cost less?
        </Link>
      </p>
    </section>
  );
}
