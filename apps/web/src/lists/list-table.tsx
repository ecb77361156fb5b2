import type { ListRow } from '@spare-knot/core/api';
import type { ListFields, ShopList } from '@spare-knot/core/exchange';
import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { CsvButtons } from '../ui/csv-buttons';
import { Trouble } from '../ui/trouble';
import { UnreadableHere } from '../ui/unreadable-here';
import { ListField } from './list-field';
import { useList } from './use-list';

function Row({
  list,
  row,
  name,
  onChange,
  onRemove,
}: {
  list: ShopList;
  row: ListRow;
  name: string;
  onChange: (to: ListFields) => void;
  onRemove: () => void;
}) {
  return (
    <tr className="border-b border-dotted border-line" data-row={name}>
      {list.columns.map((column) => (
        <td key={column.id} className="py-1.5 pr-2">
          <ListField
            column={column}
            label={`${column.label}: ${name}`}
            value={row.fields[column.id] ?? ''}
            onChange={(value) => onChange({ [column.id]: value })}
          />
        </td>
      ))}
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

/** The name is typed first; all else is said where it stands then. */
function Add({ list, onAdd }: { list: ShopList; onAdd: (fields: ListFields) => Promise<boolean> }) {
  const [name, setName] = useState('');
  const [first] = list.columns;
  const add = async () => {
    const said = name.trim();
    if (said === '' || !first) return;
    if (await onAdd({ [first.id]: said })) setName('');
  };
  return (
    <form
      className="mt-3 flex flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        void add();
      }}
    >
      <label>
        <span className="label mb-1 block">Add a {list.one}</span>
        <input
          className="field w-64"
          value={name}
          maxLength={120}
          onChange={(event) => setName(event.target.value)}
        />
      </label>
      <button type="submit" className="btn" disabled={name.trim() === ''}>
        Put it on the list
      </button>
    </form>
  );
}

/** One of the shop’s lists as a table that is typed in where it stands, with CSV in and out. */
export function ListTable({ list }: { list: ShopList }) {
  const { query, rows, nameOf, add, change, remove, read } = useList(list);
  return (
    <section aria-label={list.title} className="mt-6">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <h2 className="text-xl">{list.title}</h2>
        <CsvButtons
          href={`/api/lists/${list.id}/csv`}
          download={`${list.id}.csv`}
          of={list.title.toLowerCase()}
          goesTo="on the list"
          read={read}
        />
      </div>
      {query.isError && <Trouble error={query.error} retry={() => void query.refetch()} />}
      <UnreadableHere list={`lists/${list.id}`} />
      {query.data && rows.length === 0 && <p className="card mt-3 p-5">{list.empty}</p>}
      {rows.length > 0 && (
        <div className="relative overflow-x-auto">
          <table className="mt-2 w-full text-left">
            <thead>
              <tr className="border-b border-line text-sm text-soft">
                {list.columns.map(({ id, label }) => (
                  <th key={id} className="py-1 pr-2">
                    {label}
                  </th>
                ))}
                <th>
                  <span className="sr-only">Take off</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {rows.map((row) => (
                <Row
                  key={row.id}
                  list={list}
                  row={row}
                  name={nameOf(row)}
                  onChange={(to) => void change(row, to)}
                  onRemove={() => void remove(row)}
                />
              ))}
            </tbody>
          </table>
        </div>
      )}
      <Add list={list} onAdd={add} />
    </section>
  );
}
