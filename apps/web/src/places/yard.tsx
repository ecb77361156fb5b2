import type { NewBoard, NewOffer, OfferRecord } from '@spare-knot/core/api';
import { useId, useState } from 'react';
import { client } from '../api/client';
import { useWidth } from '../board/use-width';
import { QuickEntry } from '../rack/quick-entry';
import { rackScale } from '../rack/rack-scale';
import { CsvButtons } from '../ui/csv-buttons';
import { HeaderEnd } from '../ui/header-end';
import { useNotice } from '../ui/notice';
import { Trouble } from '../ui/trouble';
import { UnreadableHere } from '../ui/unreadable-here';
import { OfferOnList } from '../yard/offer-row';
import { useYard } from '../yard/use-yard';

/** A line that was read, as an offer: a number before it says how many there are; one, or none said, is no end of them. */
function offerOf(yard: string, board: NewBoard): NewOffer {
  const { offcut: _offcut, defects: _defects, planed: _planed, quantity, ...wood } = board;
  return { ...wood, yard, available: quantity > 1 ? quantity : null };
}

const yardsOf = (offers: readonly OfferRecord[]): string[] => [
  ...new Set(offers.map(({ yard }) => yard)),
];

/** Which yard a line is for: one of those that are known, or another. */
function YardField({
  yard,
  known,
  onChange,
}: {
  yard: string;
  known: readonly string[];
  onChange: (yard: string) => void;
}) {
  const id = useId();
  return (
    <label className="mt-2 flex flex-wrap items-center gap-2">
      <span className="font-semibold">Which yard sells it?</span>
      <input
        className="field !min-h-10 w-64"
        list={id}
        value={yard}
        maxLength={80}
        placeholder="name of the yard"
        onChange={(event) => onChange(event.target.value)}
      />
      <datalist id={id}>
        {known.map((each) => (
          <option key={each} value={each} />
        ))}
      </datalist>
      {yard.trim() === '' && (
        <span className="text-sm text-soft">Nothing goes on the list without it.</span>
      )}
    </label>
  );
}

/** What can be bought: every yard’s list, drawn to scale. */
export function Yard() {
  const yard = useYard();
  const { query, offers } = yard;
  const known = yardsOf(offers);
  const [typed, setTyped] = useState<string | null>(null);
  const name = typed ?? (known.length === 1 ? (known[0] ?? '') : '');
  const say = useNotice();
  const add = async ([board]: NewBoard[]) => {
    if (name.trim() === '')
      say('Which yard sells it? Name it first; the line stays.', { tone: 'danger' });
    else if (board) return yard.add([offerOf(name.trim(), board)]);
    return undefined;
  };
  return (
    <main className="mx-auto max-w-[1200px] px-6 py-6">
      <HeaderEnd />
      <div className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1 className="text-3xl">Yard</h1>
          <p className="max-w-2xl text-soft">
            What can be bought, whole and new. Layout spends the rack first and buys from here what
            is still wanted, at the least price.
          </p>
        </div>
        <YardCsv yard={yard} />
      </div>
      <div className="mt-4">
        <QuickEntry onAdd={add} put="Put on the list">
          <YardField yard={name} known={known} onChange={setTyped} />
        </QuickEntry>
      </div>
      {query.isError && <Trouble error={query.error} retry={() => void query.refetch()} />}
      <UnreadableHere list="yard" />
      {query.data && offers.length === 0 && <NoOffers />}
      {known.map((each) => (
        <OffersOf key={each} name={each} yard={yard} />
      ))}
    </main>
  );
}

const NoOffers = () => (
  <div className="card mt-6 p-8 text-center">
    <h2 className="text-xl">No yard is listed yet</h2>
    <p className="mx-auto mt-2 max-w-lg">
      Type above what your yard sells, one kind of board at a time, with the price of one: 1×6 and
      1×8, each length, pickets, sheets. Then a batch can say what to buy, how many, and why that
      costs least.
    </p>
  </div>
);

function OffersOf({ name, yard }: { name: string; yard: ReturnType<typeof useYard> }) {
  const own = yard.offers.filter((offer) => offer.yard === name);
  const [ref, width] = useWidth<HTMLUListElement>();
  const scaleOf = rackScale(yard.offers, width - 40);
  return (
    <section aria-label={name} className="mt-6">
      <h2 className="text-xl">
        {name} <span className="text-base font-normal text-soft">{own.length} kinds</span>
      </h2>
      <ul ref={ref} className="mt-2 grid gap-3">
        {width > 0 &&
          own.map((offer) => (
            <OfferOnList
              key={offer.id}
              offer={offer}
              scale={scaleOf(offer)}
              onChange={(change) => void yard.change(offer, change)}
              onRemove={() => void yard.remove(offer)}
            />
          ))}
      </ul>
    </section>
  );
}

function YardCsv({ yard }: { yard: ReturnType<typeof useYard> }) {
  return (
    <CsvButtons
      href="/api/yard/csv"
      download="yard.csv"
      of="what a yard sells"
      goesTo="on the list"
      read={async (csv) => {
        const report = await yard.attempt(() => client.importYardCsv(csv));
        if (!report) return undefined;
        const { offers, problems } = report;
        const takeOff = () =>
          Promise.all(offers.map(({ id, version }) => client.removeOffer(id, version)));
        return { kept: offers.length, problems, undo: () => void yard.attempt(takeOff) };
      }}
    />
  );
}
