/** A closed way through all places, each once, as an order that may be cut and turned. */
export class Tour {
  private readonly at: Int32Array;

  constructor(readonly order: Int32Array) {
    this.at = new Int32Array(order.length);
    this.number();
  }

  private number(): void {
    this.order.forEach((place, index) => {
      this.at[place] = index;
    });
  }

  private indexOf(place: number): number {
    return this.at[place] ?? 0;
  }

  private placeAt(index: number): number {
    const { length } = this.order;
    return this.order[(index + length) % length] ?? 0;
  }

  after(place: number): number {
    return this.placeAt(this.indexOf(place) + 1);
  }

  before(place: number): number {
    return this.placeAt(this.indexOf(place) - 1);
  }

  /** So many places on from one, or back where it is negative. */
  from(place: number, steps: number): number {
    return this.placeAt(this.indexOf(place) + steps);
  }

  /** Steps from one place on to another. */
  steps(from: number, to: number): number {
    const { length } = this.order;
    return (this.indexOf(to) - this.indexOf(from) + length) % length;
  }

  /** Turns the way from one place to a later one round; the shorter side of the circle is turned, which is the same tour. */
  turn(first: number, last: number): void {
    const { length } = this.order;
    let [i, j] = [this.indexOf(first), this.indexOf(last)];
    let inside = ((j - i + length) % length) + 1;
    if (2 * inside > length) {
      [i, j] = [j + 1, i - 1 + length];
      inside = length - inside;
    }
    for (let swaps = Math.floor(inside / 2); swaps > 0; swaps -= 1) {
      const [a, b] = [this.placeAt(i), this.placeAt(j)];
      this.put(i % length, b);
      this.put(j % length, a);
      i += 1;
      j += length - 1;
    }
  }

  private put(index: number, place: number): void {
    this.order[index] = place;
    this.at[place] = index;
  }

  /** Takes so many places from one on out and puts them, in their order or turned, right after another that is none of them. */
  move(first: number, count: number, target: number, isTurned: boolean): void {
    const begin = this.indexOf(first);
    const taken = Array.from({ length: count }, (_unused, step) => this.placeAt(begin + step));
    if (isTurned) taken.reverse();
    // What lies between them and the target closes up; all else stays where it is.
    const between = this.steps(first, target) - count + 1;
    const { length } = this.order;
    for (let step = 0; step < between; step += 1)
      this.put((begin + step) % length, this.placeAt(begin + count + step));
    taken.forEach((place, step) => {
      this.put((begin + between + step) % length, place);
    });
  }

  set(order: Int32Array): void {
    this.order.set(order);
    this.number();
  }
}
