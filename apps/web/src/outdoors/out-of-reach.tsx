import { useSyncExternalStore } from 'react';
import { reach } from './reach';

/** Says so where what is shown was kept on this device, since the server cannot be reached. */
export function OutOfReach() {
  const since = useSyncExternalStore(reach.subscribe, reach.snapshot);
  if (since === null) return null;
  const at = new Date(since);
  return (
    <p role="status" className="mt-3 rounded-md border border-warn bg-warn-pale px-3 py-2">
      The server cannot be reached: this is as things stood{' '}
      {Number.isNaN(at.getTime()) ? 'when it last answered' : `on ${at.toLocaleString('en-GB')}`}.
      Visits can be recorded all the same.
    </p>
  );
}
