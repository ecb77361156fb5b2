import { useSyncExternalStore } from 'react';
import { unreadableRows } from '../api/unreadable-rows';

/** Rows of a list that are kept and cannot be read, each by its name and why; the others stand beside as ever. */
export function UnreadableHere({ list }: { list: string }) {
  const rows = useSyncExternalStore(unreadableRows.subscribe, () => unreadableRows.of(list));
  if (rows.length === 0) return null;
  return (
    <section
      aria-label="Cannot be read"
      className="mt-3 rounded-lg border border-warn bg-warn-pale px-4 py-2"
    >
      <p>
        {rows.length === 1 ? 'One more is' : `${rows.length} more are`} kept here and cannot be
        read. {rows.length === 1 ? 'It is' : 'They are'} left as {rows.length === 1 ? 'it' : 'they'}{' '}
        {rows.length === 1 ? 'stands' : 'stand'}.
      </p>
      <ul className="mt-1 list-disc pl-6">
        {rows.map(({ id, name, why }) => (
          <li key={id} className="break-words">
            <strong>{name}</strong>: {why}
          </li>
        ))}
      </ul>
    </section>
  );
}
