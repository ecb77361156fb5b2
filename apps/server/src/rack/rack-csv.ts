import type { BoardRecord } from '@spare-knot/core/api';
import { writeStockCsv } from '@spare-knot/core/exchange';

/** The boards of a rack as CSV. */
export const rackCsv = (boards: readonly BoardRecord[]): string =>
  writeStockCsv(
    boards.map(({ name, quantity, ...kind }) => ({ name, quantity, nominal: null, kind })),
  );
