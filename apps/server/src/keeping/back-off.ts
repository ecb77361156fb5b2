/** Milliseconds to wait before a program that ended by itself is started again. */
const FIRST_WAIT = 500;
const LONGEST_WAIT = 30_000;
/** A program that ran this long was well: the next end is a first one. */
const WELL_AFTER = 10_000;

/** How long to wait before each new start: twice as long each time, from the beginning again after a program ran well. */
export class BackOff {
  private ends = 0;

  /**
   * The wait after one more end.
   *
   * @param ran milliseconds that the program ran
   * @returns milliseconds
   */
  after(ran: number): number {
    this.ends = ran >= WELL_AFTER ? 1 : this.ends + 1;
    return Math.min(LONGEST_WAIT, FIRST_WAIT * 2 ** (this.ends - 1));
  }
}
