import type { ShopRecord } from '@spare-knot/core/api';
import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { useTools } from '../shop/use-tools';

type Time = ShopRecord['closed'][number];
const MONTHS = Array.from({ length: 12 }, (_unused, index) =>
  new Date(Date.UTC(2028, index, 1)).toLocaleDateString('en', { month: 'long', timeZone: 'UTC' }),
);
const two = (part: number) => String(part).padStart(2, '0');

function DayOfYear({
  label,
  value,
  onTell,
}: {
  label: string;
  value: string;
  onTell: (day: string) => void;
}) {
  const [month = 1, date = 1] = value.split('-').map(Number);
  const days = new Date(Date.UTC(2028, month, 0)).getUTCDate();
  return (
    <span className="flex items-center gap-1">
      {label}
      <select
        className="field min-h-11"
        aria-label={`${label}, day`}
        value={date}
        onChange={(event) => onTell(`${two(month)}-${two(Number(event.target.value))}`)}
      >
        {Array.from({ length: days }, (_unused, index) => (
          <option key={index}>{index + 1}</option>
        ))}
      </select>
      <select
        className="field min-h-11"
        aria-label={`${label}, month`}
        value={month}
        onChange={(event) => {
          const to = Number(event.target.value);
          const most = new Date(Date.UTC(2028, to, 0)).getUTCDate();
          onTell(`${two(to)}-${two(Math.min(date, most))}`);
        }}
      >
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

/** Times of the year in which nests may not be touched: the maker has them from the authority, and enters them here. */
export function ClosedTimes() {
  const { shop, change } = useTools();
  const [told, setTold] = useState<Time>({ from: '04-01', to: '08-31', what: '' });
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
        <div className="mt-2 flex flex-wrap items-center gap-3">
          <DayOfYear label="From" value={told.from} onTell={(from) => setTold({ ...told, from })} />
          <DayOfYear label="to" value={told.to} onTell={(to) => setTold({ ...told, to })} />
          <label className="flex items-center gap-2">
            by which rule
            <input
              className="field min-h-11 w-56"
              maxLength={120}
              value={told.what}
              onChange={(event) => setTold({ ...told, what: event.target.value })}
            />
          </label>
          <button
            type="button"
            className="btn min-h-11"
            onClick={() => {
              keep(
                [...shop.closed, { ...told, what: told.what.trim() }],
                'It is heeded from now on.',
              );
              setTold({ ...told, what: '' });
            }}
          >
            Heed it
          </button>
        </div>
      </div>
    </details>
  );
}
