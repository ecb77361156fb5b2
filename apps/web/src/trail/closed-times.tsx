import type { ShopRecord } from '@spare-knot/core/api';
import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { useTools } from '../shop/use-tools';

type Time = ShopRecord['closed'][number];
const MONTHS = Array.from({ length: 12 }, (_unused, index) =>
  new Date(Date.UTC(2028, index, 1)).toLocaleDateString('en', { month: 'long', timeZone: 'UTC' }),
);
const two = (part: number) => String(part).padStart(2, '0');

/** A day of the year as far as it is told. */
interface Told {
  month: number | null;
  date: number | null;
}
const UNTOLD: Told = { month: null, date: null };

const daysIn = (month: number | null): number =>
  month === null ? 31 : new Date(Date.UTC(2028, month, 0)).getUTCDate();

/** As it is kept, `04-01`; null while it is not told, or is no day of that month. */
const dayOf = ({ month, date }: Told): string | null =>
  month !== null && date !== null && date <= daysIn(month) ? `${two(month)}-${two(date)}` : null;

const numberOf = (value: string): number | null => (value === '' ? null : Number(value));

/** Day and month, asked for: no day is put in anybody's place. */
function DayOfYear({
  label,
  told,
  onTell,
}: {
  label: string;
  told: Told;
  onTell: (told: Told) => void;
}) {
  return (
    <span className="flex items-center gap-1">
      {label}
      <select
        className="field min-h-11"
        aria-label={`${label}, day`}
        value={told.date ?? ''}
        onChange={(event) => onTell({ ...told, date: numberOf(event.target.value) })}
      >
        <option value="">day?</option>
        {Array.from({ length: daysIn(told.month) }, (_unused, index) => (
          <option key={index}>{index + 1}</option>
        ))}
      </select>
      <select
        className="field min-h-11"
        aria-label={`${label}, month`}
        value={told.month ?? ''}
        onChange={(event) => onTell({ ...told, month: numberOf(event.target.value) })}
      >
        <option value="">month?</option>
        {MONTHS.map((name, index) => (
          <option key={name} value={index + 1}>
            {name}
          </option>
        ))}
      </select>
    </span>
  );
}

const inWords = (day: string): string => {
  const [month = 1, date = 1] = day.split('-').map(Number);
  return `${date} ${MONTHS[month - 1]}`;
};

/** One more time, once both its days are told. */
function AddTime({ onTold }: { onTold: (time: Time) => void }) {
  const [from, setFrom] = useState(UNTOLD);
  const [to, setTo] = useState(UNTOLD);
  const [what, setWhat] = useState('');
  const [begins, ends] = [dayOf(from), dayOf(to)];
  return (
    <div className="mt-2 flex flex-wrap items-center gap-3">
      <DayOfYear label="From" told={from} onTell={setFrom} />
      <DayOfYear label="to" told={to} onTell={setTo} />
      <label className="flex items-center gap-2">
        by which rule
        <input
          className="field min-h-11 w-56"
          maxLength={120}
          value={what}
          onChange={(event) => setWhat(event.target.value)}
        />
      </label>
      <button
        type="button"
        className="btn min-h-11"
        disabled={begins === null || ends === null}
        onClick={() => {
          if (begins === null || ends === null) return;
          onTold({ from: begins, to: ends, what: what.trim() });
          setFrom(UNTOLD);
          setTo(UNTOLD);
          setWhat('');
        }}
      >
        Heed it
      </button>
    </div>
  );
}

/** Times of the year in which nests may not be touched: the maker has them from the authority, and enters them here. */
export function ClosedTimes() {
  const { shop, change } = useTools();
  if (!shop) return null;
  const keep = (closed: Time[], said: string) => void change({ closed }, said);
  return (
    <details className="mt-4" open={shop.closed.length === 0}>
      <summary className="font-semibold text-chalk">
        Times when nests may not be touched
        {shop.closed.length > 0 &&
          `: ${shop.closed.map(({ from, to }) => `${inWords(from)} to ${inWords(to)}`).join(', ')}`}
      </summary>
      <div className="card mt-2 p-3">
        <p className="max-w-3xl">
          Eggs, nests and the birds on them are protected by laws that differ by country and state.
          Ask your local wildlife authority, and enter the times here: cleaning is then called up
          outside them.
          {shop.closed.length === 0 && <strong> None is told yet, so none is heeded.</strong>}
        </p>
        <ul className="mt-2">
          {shop.closed.map((time, index) => (
            <li key={index} className="flex items-center gap-3 py-1">
              {inWords(time.from)} to {inWords(time.to)}
              {time.what && `, ${time.what}`}
              <button
                type="button"
                className="btn btn-quiet"
                aria-label={`Forget ${inWords(time.from)} to ${inWords(time.to)}`}
                onClick={() =>
                  keep(
                    shop.closed.filter((_time, at) => at !== index),
                    'That time is no longer heeded.',
                  )
                }
              >
                <Trash2 size={16} aria-hidden />
              </button>
            </li>
          ))}
        </ul>
        <AddTime onTold={(time) => keep([...shop.closed, time], 'It is heeded from now on.')} />
      </div>
    </details>
  );
}
