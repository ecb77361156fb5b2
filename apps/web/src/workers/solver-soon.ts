import { highsSolver, type LinearSolver } from '@spare-knot/core/layout';

import loadHighs from 'highs';
import wasm from 'highs/runtime?url';

let prepared: Promise<LinearSolver | null> | null = null;

/** The solver of this worker, loaded once when it is asked for first: the module is large. Null where it cannot be loaded. */
export function solverSoon(): Promise<LinearSolver | null> {
  prepared ??= loadHighs({ locateFile: () => wasm })
    .then((highs) => highsSolver(highs as never))
    .catch(() => null);
  return prepared;
}

/** Lets messages in between two steps. */
export const breath = () =>
  new Promise<void>((done) => {
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = () => {
      port1.close();
      done();
    };
    port2.postMessage(null);
  });
