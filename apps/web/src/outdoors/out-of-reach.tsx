import { useSyncExternalStore } from 'react';
import { reach } from './reach';

/** Says so where what is shown was kept on this device, since the server cannot be reached. */
export function OutOfReach() {
  const since = useSyncExternalStore(reach.subscribe, reach.snapshot);
  if (since === null) return null;
  const at = new Date(since);
  return (
    <p
      role="status"
      className="border-warn border-b bg-warn-pale px-6 py-2 max-sm:px-3 print:hidden"
    >
      The server cannot be reached: this is as things stood{' '}
      {Number.isNaN(at.getTime()) ? 'when it last answered' : `on ${at.toLocaleString('en-GB')}`}.
      Boxes can be changed, cuts pressed and visits recorded all the same: they wait here, and are
      sent when it answers again.
    </p>
  );
}
