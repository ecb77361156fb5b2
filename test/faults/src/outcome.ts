/** What a harness found: figures to show, and what must not be. */
export interface Outcome {
  /** What was done, with figures, in one line. */
  readonly told: string;
  /** What was wrong, each with how to see it again. */
  readonly faults: readonly string[];
}

/** Counts of what was met. */
export class Tally {
  private readonly counts = new Map<string, number>();

  add(what: string): void {
    this.counts.set(what, (this.counts.get(what) ?? 0) + 1);
  }

  toString(): string {
    return [...this.counts]
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([what, count]) => `${count} × ${what}`)
      .join(', ');
  }
}

/** The value at a share of them all, of numbers in any order. */
export function quantile(values: readonly number[], share: number): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? Number.NaN;
}
