import { useSyncExternalStore } from 'react';
import { lasting } from './steady-store';

/** Says so where this browser keeps nothing, or has no room for more: what is not kept by the server yet goes with the window. */
export function StoreWord() {
  const state = useSyncExternalStore(lasting.subscribe, lasting.snapshot);
  if (state === 'works') return null;
  return (
    <p
      role="status"
      className="border-warn border-b bg-warn-pale px-6 py-2 max-sm:px-3 print:hidden"
    >
      {state === 'full'
        ? 'This browser’s store is full.'
        : 'This browser lets the page keep nothing on this device.'}{' '}
      All goes on as usual, but what says <em>not kept yet</em> is lost when this window is closed.
    </p>
  );
}
