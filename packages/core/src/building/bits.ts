import type { Animal } from '../animals/index.js';
import { fromInches, fromMm, type Ticks } from '../measure/index.js';
import type { HoleShape } from '../plan/index.js';
import { say } from '../text/index.js';

/** Size and shape of a hole to be bored; a panel’s entrance is one. */
export type HoleToBore =
  | { shape: 'round'; diameter: Ticks }
  | { shape: HoleShape; width: Ticks; height: Ticks };

export const BIT_KINDS = ['spade', 'forstner', 'hole-saw', 'twist'] as const;
export type BitKind = (typeof BIT_KINDS)[number];
export const BIT_NAMES: Record<BitKind, string> = {
  spade: 'spade bit',
  forstner: 'Forstner bit',
  'hole-saw': 'hole saw',
  twist: 'twist drill',
};

/** A bit that the maker owns. */
export interface Bit {
  kind: BitKind;
  diameter: Ticks;
}

/** How a hole is made with the bits at hand. Lengths in the words stand as `{mm}`. */
export interface Boring {
  words: string;
  /** The bit for it, when one is there. */
  bit: Bit | null;
  /** What to set the entrance to instead, never larger than the animal allows. */
  nearest: Ticks | null;
}

/** A hole this much off is the hole asked for: common practice, no source. */
const SAME: Ticks = fromMm(0.5);
const bitWords = (bit: Bit): string => `a ${say(bit.diameter)} ${BIT_NAMES[bit.kind]}`;
const THROUGH =
  'clamp the panel over scrap, or drill from both faces to the point, so that the rim does not tear';

/** Bits in most drill boxes, for a first list: common practice, no source. */
export const USUAL_BITS: readonly Bit[] = [
  ...[1, 1.125, 1.25, 1.5].map((inches): Bit => ({ kind: 'spade', diameter: fromInches(inches) })),
  ...[25, 28, 32, 35].map((mm): Bit => ({ kind: 'forstner', diameter: fromMm(mm) })),
];

/** The largest bit that makes a hole inside the animal's range, if any: the nearest safe size to what was asked, never above it. */
function nearestSafe(
  asked: Ticks,
  bits: readonly Bit[],
  range: readonly [number, number] | null,
): Bit | null {
  const [least, greatest] = range
    ? [fromMm(range[0]) - SAME, fromMm(range[1]) + SAME]
    : [0, asked + SAME];
  const safe = bits.filter((bit) => bit.diameter >= least && bit.diameter <= greatest);
  return (
    [...safe].sort((a, b) => Math.abs(a.diameter - asked) - Math.abs(b.diameter - asked))[0] ?? null
  );
}

/** How to make an entrance with the bits that are there, or which bit comes nearest within what the animal allows. */
export function boringOf(
  entrance: HoleToBore,
  bits: readonly Bit[],
  animal: Animal | undefined,
): Boring {
  const find = (diameter: Ticks) =>
    bits.find((bit) => bit.kind !== 'twist' && Math.abs(bit.diameter - diameter) <= SAME) ?? null;
  if (entrance.shape === 'round') {
    const bit = find(entrance.diameter);
    if (bit) return { bit, nearest: null, words: `Bore it with ${bitWords(bit)}: ${THROUGH}.` };
    const near = nearestSafe(
      entrance.diameter,
      bits.filter((each) => each.kind !== 'twist'),
      animal?.entranceSize ?? null,
    );
    return {
      bit: null,
      nearest: near?.diameter ?? null,
      words: near
        ? `None of your bits bores ${say(entrance.diameter)}. The nearest that the animal allows is ${bitWords(near)}.`
        : `None of your bits bores ${say(entrance.diameter)} or any size that the animal allows. Borrow one: do not open a smaller hole by eye.`,
    };
  }
  const { width, height } = entrance;
  if (entrance.shape === 'oval') {
    const across = Math.min(width, height);
    const bit = find(across);
    const apart = Math.max(width, height) - across;
    return {
      bit,
      nearest: null,
      words: `${bit ? `Two holes with ${bitWords(bit)}` : `Two holes of ${say(across)}`}, their centres ${say(apart)} apart ${width > height ? 'across' : 'up'} the panel; saw or rasp away what stands between.`,
    };
  }
  if (entrance.shape === 'arch') {
    const bit = find(width);
    return {
      bit,
      nearest: null,
      words: `${bit ? `One hole with ${bitWords(bit)}` : `One hole of ${say(width)}, or the jigsaw round a drawn half circle`} for the top, its centre ${say(height - width / 2)} above the sill; two saw cuts down to the sill and one across.`,
    };
  }
  return {
    bit: null,
    nearest: null,
    words: `A hole in each corner large enough for the jigsaw’s blade, then saw along the four lines: ${say(width)} × ${say(height)}.`,
  };
}
