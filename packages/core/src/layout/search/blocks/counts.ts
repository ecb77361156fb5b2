import { at } from '../../../lists/index.js';

/** Copies of each type, packed into whole numbers: a field of bits for each type, one more than its demand needs. */
export type Packed = Int32Array<ArrayBuffer>;

/** Bits of a whole number that are used: its sign is left alone. */
const BITS = 30;

/** How copies are packed, and which sums of them ask for more than there are. */
export class Packing {
  readonly words: number;
  /** Word and lowest bit of each type. */
  private readonly word: Int32Array;
  private readonly shift: Int32Array;
  /** Added to copies, a type's highest bit tells that there are more than are wanted. */
  private readonly bias: Int32Array;
  private readonly guards: Int32Array;

  constructor(private readonly demand: readonly number[]) {
    this.word = new Int32Array(demand.length);
    this.shift = new Int32Array(demand.length);
    let [word, bit] = [0, 0];
    const widths = demand.map((copies) => Math.max(1, Math.ceil(Math.log2(copies + 1))) + 1);
    widths.forEach((width, type) => {
      if (bit + width > BITS) [word, bit] = [word + 1, 0];
      this.word[type] = word;
      this.shift[type] = bit;
      bit += width;
    });
    this.words = word + 1;
    this.bias = new Int32Array(this.words);
    this.guards = new Int32Array(this.words);
    demand.forEach((copies, type) => {
      const [where, shift, width] = [at(this.word, type), at(this.shift, type), at(widths, type)];
      this.bias[where] = at(this.bias, where) + ((2 ** (width - 1) - 1 - copies) << shift);
      this.guards[where] = at(this.guards, where) | (1 << (shift + width - 1));
    });
  }

  /** So many copies of one type. */
  of(type: number, copies: number): Packed {
    const packed = new Int32Array(this.words);
    packed[at(this.word, type)] = copies << at(this.shift, type);
    return packed;
  }

  /** Whether both together ask for no more than there is. */
  fits(a: Packed, b: Packed): boolean {
    for (let word = 0; word < this.words; word += 1)
      if (
        (((a[word] as number) + (b[word] as number) + (this.bias[word] as number)) &
          (this.guards[word] as number)) !==
        0
      )
        return false;
    return true;
  }

  copies(packed: Packed, type: number): number {
    const width = Math.max(1, Math.ceil(Math.log2(at(this.demand, type) + 1)));
    return (at(packed, at(this.word, type)) >> at(this.shift, type)) & (2 ** width - 1);
  }
}

export function add(a: Packed, b: Packed): Packed {
  const sum = new Int32Array(a.length);
  for (let word = 0; word < sum.length; word += 1)
    sum[word] = (a[word] as number) + (b[word] as number);
  return sum;
}

export function less(a: Packed, b: Packed): Packed {
  const rest = new Int32Array(a.length);
  for (let word = 0; word < rest.length; word += 1)
    rest[word] = (a[word] as number) - (b[word] as number);
  return rest;
}
