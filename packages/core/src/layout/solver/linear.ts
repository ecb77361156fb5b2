/** A linear programme, perhaps with whole-number columns: minimise cost · x over rows, 0 ≤ x ≤ most. */
export interface LinearModel {
  columns: readonly { cost: number; most: number; whole: boolean }[];
  /** Row by row: which columns with which factors, and the limit. */
  rows: readonly {
    terms: readonly (readonly [column: number, factor: number])[];
    sense: 'at least' | 'at most';
    limit: number;
  }[];
}

export interface LinearSolution {
  objective: number;
  values: readonly number[];
  /** Price of one more unit of each row's limit; zeros for a programme with whole numbers. */
  duals: readonly number[];
  /** Whether the solver proved it the best; with whole numbers it may have run out of time. */
  proven: boolean;
}

/** Solves a programme, or says null when it has no solution or none was found in `seconds`. */
export type LinearSolver = (model: LinearModel, seconds: number) => LinearSolution | null;
