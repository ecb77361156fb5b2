/** Numbers that look drawn and are the same each time: mulberry32, a small generator in the public domain. */
export class Random {
  constructor(private state: number) {}

  /** From 0 to below 1. */
  next(): number {
    this.state = (this.state + 0x6d2b79f5) | 0;
    let mixed = Math.imul(this.state ^ (this.state >>> 15), 1 | this.state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32;
  }

  /** A whole number from 0 to below `count`. */
  below(count: number): number {
    return Math.floor(this.next() * count);
  }

  chance(share: number): boolean {
    return this.next() < share;
  }

  pick<T>(from: readonly T[]): T {
    const picked = from[this.below(from.length)];
    if (picked === undefined) throw new Error('there is nothing to pick from');
    return picked;
  }
}
