import type { ShopRecord } from '@spare-knot/core/api';
import type { Bit } from '@spare-knot/core/building';
import { type Learned, type OwnedSaw, SAW_KINDS } from '@spare-knot/core/cuts';
import { PAPERS, PEOPLE, readBitsCsv, readSawsCsv } from '@spare-knot/core/exchange';
import { useQuery } from '@tanstack/react-query';
import { client } from '../api/client';
import { ListTable } from '../lists/list-table';
import { BitsList } from '../shop/bits-list';
import { Everything } from '../shop/everything';
import { SawRow } from '../shop/saw-row';
import { SAW_NAMES, usualSaw } from '../shop/saw-words';
import { SuppliesList } from '../shop/supplies-list';
import { useTools } from '../shop/use-tools';
import { AmountField } from '../ui/amount-field';
import { CsvButtons, type CsvRead } from '../ui/csv-buttons';
import { HeaderEnd } from '../ui/header-end';
import { Trouble } from '../ui/trouble';

const COSTS: readonly { of: keyof ShopRecord['costs']; words: string }[] = [
  { of: 'saw', words: 'walking to another saw' },
  { of: 'tilt', words: 'a new tilt, with its test piece' },
  { of: 'angle', words: 'a new fence angle, with its test piece' },
  { of: 'stop', words: 'a new stop or fence distance' },
  { of: 'cut', words: 'one cut' },
];

function Minutes({
  words,
  value,
  learned,
  onChange,
}: {
  words: string;
  value: number;
  /** What it took by the batches that were sawn. */
  learned: Learned | undefined;
  onChange: (minutes: number) => void;
}) {
  return (
    <div className="flex flex-wrap items-center gap-x-4">
      <AmountField
        label={`minutes for ${words}`}
        value={value}
        most={120}
        onChange={(minutes) => minutes !== null && onChange(minutes)}
      />
      {learned && learned.minutes !== value && (
        <button type="button" className="btn" onClick={() => onChange(learned.minutes)}>
          It took {learned.minutes}, by {learned.of} that were timed: take that
        </button>
      )}
    </div>
  );
}

interface ToolsProps {
  shop: ShopRecord;
  change: ReturnType<typeof useTools>['change'];
}

/** Tools out of a file: kept, told, and taken back as they were. */
function useReadTools({ shop, change }: ToolsProps) {
  return async (
    next: Partial<Pick<ShopRecord, 'saws' | 'bits'>>,
    kept: number,
    problems: CsvRead['problems'],
  ): Promise<CsvRead | undefined> => {
    if (kept === 0) return { kept, problems, undo: () => {} };
    const changed = await change(next);
    if (!changed) return undefined;
    const undo = () => void change({ ...shop, version: changed.version });
    return { kept, problems, undo };
  };
}

function Saws({ shop, change }: ToolsProps) {
  const { saws } = shop;
  const readTools = useReadTools({ shop, change });
  const keep = (next: readonly OwnedSaw[], said: string) => void change({ saws: [...next] }, said);
  return (
    <section aria-label="Saws" className="mt-5">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <h2 className="text-xl">Saws</h2>
        <CsvButtons
          href="/api/shop/saws.csv"
          download="saws.csv"
          of="saws"
          goesTo="on the list"
          read={async (csv) => {
            const { entries, problems } = readSawsCsv(csv);
            const read = new Map(entries.map((saw) => [saw.name, saw]));
            const stay = saws.map((saw) => read.get(saw.name) ?? saw);
            const more = entries.filter(({ name }) => !saws.some((saw) => saw.name === name));
            return readTools({ saws: [...stay, ...more] }, entries.length, problems);
          }}
        />
      </div>
      <p className="max-w-3xl text-soft">
        Each cut goes to the first of them that can make it, so the one you like best stands first.
        What they can do is what a batch’s cuts may be. A scale that is off by 0.5 cuts half a
        degree more than it shows.
      </p>
      {saws.length === 0 && (
        <p className="card mt-3 p-5">
          No saw is told yet. Until then a batch says itself what its cuts may be, and its cuts are
          planned for a mitre saw, and a table saw where it rips. Add yours, and steps call them by
          name, turn the piece for a blade that tilts one way, and set a scale that is off right.
        </p>
      )}
      <ul className="mt-3 grid gap-3">
        {saws.map((saw, index) => (
          <SawRow
            key={saw.name}
            saw={saw}
            onChange={(next) =>
              keep(
                saws.map((each, at) => (at === index ? { ...each, ...next } : each)),
                `Changed: ${saw.name}.`,
              )
            }
            onRemove={() =>
              keep(
                saws.filter((_each, at) => at !== index),
                `${saw.name} is off the list.`,
              )
            }
          />
        ))}
      </ul>
      <div className="mt-3 flex flex-wrap items-center gap-2">
        <span className="font-semibold">Add a</span>
        {SAW_KINDS.map((kind) => (
          <button
            key={kind}
            type="button"
            className="btn"
            disabled={saws.length >= 20}
            onClick={() => {
              const added = usualSaw(
                kind,
                saws.map(({ name }) => name),
              );
              keep(
                [...saws, added],
                `On the list: ${added.name}. Its figures are the usual ones: measure yours.`,
              );
            }}
          >
            {SAW_NAMES[kind]}
          </button>
        ))}
      </div>
      <p className="mt-3 text-sm text-soft">
        Guards on, eyes and ears covered, hands out of the blade’s line. What a saw may be used for,
        and how short a piece it may hold, its own manual says.
      </p>
    </section>
  );
}

/** Bits, by which a hole is bored or one is missed. */
function Bits({ shop, change }: ToolsProps) {
  const { bits } = shop;
  const readTools = useReadTools({ shop, change });
  const isNew = (bit: Bit) =>
    !bits.some(({ kind, diameter }) => kind === bit.kind && diameter === bit.diameter);
  return (
    <section aria-label="Bits" className="mt-6">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <h2 className="text-xl">Bits</h2>
        <CsvButtons
          href="/api/shop/bits.csv"
          download="bits.csv"
          of="bits"
          goesTo="on the list"
          read={async (csv) => {
            const { entries, problems } = readBitsCsv(csv);
            const all = [...bits, ...entries.filter(isNew)];
            return readTools({ bits: all }, entries.length, problems);
          }}
        />
      </div>
      <p className="max-w-3xl text-soft">
        By these a batch says which bit bores what, and which hole has none.
      </p>
      <BitsList bits={bits} onChange={(next) => void change({ bits: next }, 'Bits changed.')} />
    </section>
  );
}

/** What the shop owns beside its wood. */
export function ShopPlace() {
  const { query, shop, change } = useTools();
  const learned = useQuery({ queryKey: ['learned'], queryFn: client.learned });
  return (
    <main className="mx-auto max-w-[1200px] px-6 py-6">
      <HeaderEnd />
      <h1 className="text-3xl">Shop</h1>
      {query.isError && <Trouble error={query.error} retry={() => void query.refetch()} />}
      {shop && (
        <>
          <Saws shop={shop} change={change} />
          <Bits shop={shop} change={change} />
          <SuppliesList />
          <ListTable list={PEOPLE} />
          <ListTable list={PAPERS} />
          <Everything />
          <section aria-label="What changing a saw costs" className="mt-6">
            <h2 className="text-xl">What changing a saw costs</h2>
            <p className="max-w-3xl text-soft">
              The order of the cuts is chosen so that these add up to least. Usual figures, common
              practice, no source.
            </p>
            <div className="mt-2 grid gap-2">
              {COSTS.map(({ of, words }) => (
                <Minutes
                  key={`${of} ${shop.costs[of]}`}
                  words={words}
                  value={shop.costs[of]}
                  learned={learned.data?.[of]}
                  onChange={(minutes) =>
                    void change({ costs: { ...shop.costs, [of]: minutes } }, 'Changed.')
                  }
                />
              ))}
            </div>
          </section>
        </>
      )}
    </main>
  );
}
