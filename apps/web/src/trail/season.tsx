import type { SeasonRecord } from '@spare-knot/core/api';
import { FEW, SEASON_KEYS, type SeasonKey } from '@spare-knot/core/trail';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import {
  Bar,
  BarChart,
  CartesianGrid,
  ErrorBar,
  LabelList,
  ResponsiveContainer,
  XAxis,
  YAxis,
} from 'recharts';
import { client } from '../api/client';
import { Trouble } from '../ui/trouble';
import { animalName, percent } from './words';

const KEY_WORDS: Readonly<Record<SeasonKey, string>> = {
  year: 'by year',
  animal: 'by animal',
  plan: 'by plan',
  place: 'by place',
  facing: 'by the way they face',
  height: 'by height',
};
const NOT_SAID = 'not said';
/** More bars than that are read in the table alone. */
const MOST_BARS = 14;

type Row = SeasonRecord['rows'][number];

function keyWords(by: SeasonKey, key: Row['key']): string {
  if (key === null) return NOT_SAID;
  if (by === 'animal') return animalName(String(key));
  return by === 'height' ? `${key} to ${Number(key) + 1} m` : String(key);
}

const rangeWords = ({ hung, low, high }: Row['taken']): string =>
  hung === 0 ? 'nobody looked' : `${percent(low)} to ${percent(high)}`;

/** Shares as bars, each with the interval in which it lies; the counts stand on them. */
function Chart({ rows, by }: { rows: readonly Row[]; by: SeasonKey }) {
  const shown = rows.filter(({ taken }) => taken.hung > 0).slice(0, MOST_BARS);
  if (shown.length === 0) return null;
  const data = shown.map(({ key, taken }) => ({
    name: keyWords(by, key),
    share: 100 * taken.share,
    spread: [100 * (taken.share - taken.low), 100 * (taken.high - taken.share)],
    counts: `${taken.of} of ${taken.hung}`,
  }));
  return (
    <div className="card mt-3 p-3" aria-hidden>
      <ResponsiveContainer width="100%" height={300}>
        <BarChart
          accessibilityLayer={false}
          data={data}
          margin={{ top: 22, right: 10, bottom: 4, left: 0 }}
        >
          <CartesianGrid vertical={false} stroke="#d6ccb6" />
          <XAxis dataKey="name" tick={{ fill: '#1f2e27', fontSize: 13 }} interval={0} />
          <YAxis
            domain={[0, 100]}
            ticks={[0, 25, 50, 75, 100]}
            unit=" %"
            tick={{ fill: '#56615a', fontSize: 12 }}
          />
          <Bar
            dataKey="share"
            fill="#cf9f63"
            stroke="#4d3414"
            maxBarSize={70}
            isAnimationActive={false}
          >
            <ErrorBar
              dataKey="spread"
              width={8}
              strokeWidth={2}
              stroke="#1d5a96"
              isAnimationActive={false}
            />
            <LabelList dataKey="counts" position="insideBottom" fill="#1f2e27" fontSize={13} />
          </Bar>
        </BarChart>
      </ResponsiveContainer>
      <p className="text-sm text-soft">
        Lived in (eggs, young or flown), of the boxes that somebody looked into. The blue line is
        where the true share lies, 95 times in 100.
      </p>
    </div>
  );
}

function Table({ rows, by }: { rows: readonly Row[]; by: SeasonKey }) {
  return (
    <div className="relative mt-3 overflow-x-auto">
      <table className="w-full text-left">
        <thead>
          <tr className="border-b border-line text-sm text-soft">
            <th className="py-1 pr-4">{KEY_WORDS[by].replace('by ', '')}</th>
            <th className="pr-4">Lived in, of visited</th>
            <th className="pr-4">Share lies between</th>
            <th className="pr-4">Eggs</th>
            <th className="pr-4">Young</th>
            <th className="pr-4">Flown</th>
            <th>Nobody looked</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr
              key={String(row.key)}
              className="border-b border-dotted border-line"
              data-season={keyWords(by, row.key)}
            >
              <td className="py-1.5 pr-4 font-semibold">{keyWords(by, row.key)}</td>
              <td className="mono pr-4">
                {row.taken.of} of {row.taken.hung}
              </td>
              <td className="pr-4">
                {rangeWords(row.taken)}
                {row.taken.hung > 0 && row.taken.hung < FEW && (
                  <span className="block text-sm text-warn-ink">
                    few boxes: this says little yet
                  </span>
                )}
              </td>
              <td className="mono pr-4">{row.eggs}</td>
              <td className="mono pr-4">{row.young}</td>
              <td className="mono pr-4">{row.fledged}</td>
              <td className="mono">{row.unseen}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-2 text-sm text-soft">
        A box counts in the seasons for which it hung. Eggs and young are the most that were seen at
        once in a box that year; a box that nobody looked into counts apart, not as empty.
      </p>
    </div>
  );
}

/** What came of the boxes, by what they are alike in, with counts and how sure that is. */
export function Season() {
  const [by, setBy] = useState<SeasonKey>('year');
  const [year, setYear] = useState<number | null>(null);
  const query = useQuery({
    queryKey: ['season', by, year],
    queryFn: () => client.season(by, year),
    placeholderData: (before) => before,
  });
  const { data } = query;
  return (
    <section aria-label="Season">
      <div className="mt-3 flex flex-wrap items-end gap-3">
        <label>
          <span className="label block">Boxes</span>
          <select
            className="field min-h-11"
            value={by}
            onChange={(event) => {
              const next = SEASON_KEYS.find((key) => key === event.target.value);
              if (next) setBy(next);
            }}
          >
            {SEASON_KEYS.map((key) => (
              <option key={key} value={key}>
                {KEY_WORDS[key]}
              </option>
            ))}
          </select>
        </label>
        <label>
          <span className="label block">Of which year</span>
          <select
            className="field min-h-11"
            value={year ?? ''}
            onChange={(event) =>
              setYear(event.target.value === '' ? null : Number(event.target.value))
            }
          >
            <option value="">all of them</option>
            {data?.years.map((each) => (
              <option key={each}>{each}</option>
            ))}
          </select>
        </label>
      </div>
      {query.isError && <Trouble error={query.error} retry={() => void query.refetch()} />}
      {query.isPending && <p className="mt-4">Counting…</p>}
      {data && data.rows.length === 0 && (
        <p className="card mt-4 p-5">
          There is no season to tell of yet: boxes that hang and are visited are counted here.
        </p>
      )}
      {data && data.rows.length > 0 && (
        <>
          <Chart rows={data.rows} by={by} />
          <Table rows={data.rows} by={by} />
        </>
      )}
    </section>
  );
}
