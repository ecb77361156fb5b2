import type { NewSupply, SupplyRecord } from '@spare-knot/core/api';
import { SUPPLY_UNITS, type SupplyUnit } from '@spare-knot/core/building';
import { FASTENERS, fastenerById } from '@spare-knot/core/panels';
import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { client } from '../api/client';
import { useUnits } from '../measure/units';
import { CsvButtons } from '../ui/csv-buttons';
import { Trouble } from '../ui/trouble';
import { UnreadableHere } from '../ui/unreadable-here';
import { WordField } from '../ui/word-field';
import { CountField, MetalField, PackFields } from './supply-fields';
import { useSupplies } from './use-supplies';

const EMPTY = { drive: '', weather: null, count: 0, pack: null, price: null } as const;

function SupplyRow({
  supply,
  onTell,
  onRemove,
}: {
  supply: SupplyRecord;
  onTell: (change: Partial<NewSupply>) => void;
  onRemove: () => void;
}) {
  const { style } = useUnits();
  const { name, unit, item, drive, weather, count, pack, price } = supply;
  const inches = style.system === 'inch' ? fastenerById(item)?.inchName : undefined;
  const counted = unit === 'pieces' ? '' : unit;
  return (
    <tr className="border-b border-dotted border-line" data-supply={item}>
      <td className="py-1.5 pr-3 font-semibold">
        {name}
        {inches && <span className="block text-sm font-normal text-soft">{inches}</span>}
      </td>
      <td className="py-1.5 pr-3 whitespace-nowrap">
        <CountField name={name} counted={counted} count={count} onTell={onTell} />
      </td>
      <td className="py-1.5 pr-3 whitespace-nowrap">
        <PackFields name={name} counted={counted} pack={pack} price={price} onTell={onTell} />
      </td>
      <td className="py-1.5 pr-3">
        <WordField
          label={`Drive of ${name}`}
          most={40}
          className="w-24"
          value={drive}
          onChange={(next) => onTell({ drive: next })}
        />
      </td>
      <td className="py-1.5 pr-3">
        <MetalField name={name} weather={weather} onTell={onTell} />
      </td>
      <td className="py-1.5 text-right">
        <button
          type="button"
          className="btn btn-quiet"
          aria-label={`Take ${name} off the list`}
          onClick={onRemove}
        >
          <Trash2 size={16} aria-hidden />
        </button>
      </td>
    </tr>
  );
}

/** A screw or nail of the table, or anything else by its name. */
function AddSupply({
  known,
  onTell,
}: {
  known: readonly SupplyRecord[];
  onTell: (supply: NewSupply) => void;
}) {
  const { style } = useUnits();
  const [name, setName] = useState('');
  const [unit, setUnit] = useState<SupplyUnit>('pieces');
  const left = FASTENERS.filter(({ id }) => !known.some(({ item }) => item === id));
  const words = (fastener: (typeof FASTENERS)[number]) =>
    `${fastener.kind === 'screw' ? 'Screw' : 'Nail'} ${style.system === 'inch' ? fastener.inchName : fastener.name}`;
  const addNamed = () => {
    const said = name.trim();
    if (said === '' || known.some(({ item }) => item === said)) return;
    onTell({ ...EMPTY, item: said, name: said, unit });
    setName('');
  };
  return (
    <div className="mt-3 flex flex-wrap items-end gap-x-4 gap-y-2">
      <label>
        <span className="label block">Add a screw or nail</span>
        <select
          className="field"
          value=""
          onChange={(event) => {
            const fastener = fastenerById(event.target.value);
            if (!fastener) return;
            const kind = fastener.kind === 'screw' ? 'Exterior screw' : 'Ring-shank nail';
            onTell({
              ...EMPTY,
              item: fastener.id,
              name: `${kind} ${fastener.name}`,
              unit: 'pieces',
            });
          }}
        >
          <option value="">which?</option>
          {left.map((each) => (
            <option key={each.id} value={each.id}>
              {words(each)}
            </option>
          ))}
        </select>
      </label>
      <label>
        <span className="label block">or anything else, by its name</span>
        <input
          className="field w-64"
          value={name}
          maxLength={160}
          placeholder="Exterior glue"
          onChange={(event) => setName(event.target.value)}
          onKeyDown={(event) => event.key === 'Enter' && addNamed()}
        />
      </label>
      <label>
        <span className="label block">counted in</span>
        <select
          className="field"
          value={unit}
          onChange={(event) => setUnit(event.target.value as SupplyUnit)}
        >
          {SUPPLY_UNITS.map((each) => (
            <option key={each}>{each}</option>
          ))}
        </select>
      </label>
      <button type="button" className="btn" disabled={name.trim() === ''} onClick={addNamed}>
        Put it in
      </button>
    </div>
  );
}

function SuppliesCsv({ drawers }: { drawers: ReturnType<typeof useSupplies> }) {
  const { supplies: before, attempt } = drawers;
  return (
    <CsvButtons
      href="/api/supplies/csv"
      download="supplies.csv"
      of="what is in the drawers"
      goesTo="in the drawers"
      read={async (csv) => {
        const report = await attempt(() => client.importSuppliesCsv(csv));
        if (!report) return undefined;
        const { supplies, problems } = report;
        const takeBack = () =>
          Promise.all(
            supplies.map(({ id, version }) => {
              const was = before.find((each) => each.id === id);
              return was
                ? client.changeSupply(id, { ...was, version })
                : client.removeSupply(id, version);
            }),
          );
        return { kept: supplies.length, problems, undo: () => void attempt(takeBack) };
      }}
    />
  );
}

/** What lies in the drawers and stands on the shelves, with what a pack holds and costs: held against every batch. */
export function SuppliesList() {
  const drawers = useSupplies();
  const { query, supplies, tell, remove } = drawers;
  return (
    <section aria-label="Drawers" className="mt-6">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h2 className="text-xl">Drawers</h2>
          <p className="max-w-3xl text-soft">
            Screws, nails, hinges, glue, caulk, finish: what is there, and what a pack costs. Build
            holds each batch against it and says what is short.
          </p>
        </div>
        <SuppliesCsv drawers={drawers} />
      </div>
      {query.isError && <Trouble error={query.error} retry={() => void query.refetch()} />}
      <UnreadableHere list="supplies" />
      {query.data && supplies.length === 0 && (
        <p className="card mt-3 p-5">
          Nothing is counted yet. Put in what you have, or open a batch at Build, “Screws, glue,
          finish”: it lists what it takes, and what you count there stands here too.
        </p>
      )}
      {supplies.length > 0 && (
        <div className="relative overflow-x-auto">
          <table className="mt-2 w-full text-left">
            <thead>
              <tr className="border-b border-line text-sm text-soft">
                <th className="py-1">What</th>
                <th>There</th>
                <th>One pack holds, at</th>
                <th>Drive</th>
                <th>Metal</th>
                <th>
                  <span className="sr-only">Take off</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {supplies.map((supply) => (
                <SupplyRow
                  key={supply.id}
                  supply={supply}
                  onTell={(change) => void tell(supply, change)}
                  onRemove={() => void remove(supply)}
                />
              ))}
            </tbody>
          </table>
        </div>
      )}
      <AddSupply known={supplies} onTell={(supply) => void tell(supply)} />
    </section>
  );
}
