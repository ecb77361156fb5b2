import type { Animal } from '../animals/index.js';
import { fromInches, fromMm, type Ticks } from '../measure/index.js';
import type { HoleShape } from '../plan/index.js';
import { ofLength, type Text, text } from '../text/index.js';

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

/** How a hole is made with the bits at hand. */
export interface Boring {
  words: Text;
  /** The bit for it, when one is there. */
  bit: Bit | null;
  /** What to set the entrance to instead, never larger than the animal allows. */
  nearest: Ticks | null;
}

/** A hole this much off is the hole asked for: common practice, no source. */
const SAME: Ticks = fromMm(0.5);
const bitWords = (bit: Bit): Text => text`a ${ofLength(bit.diameter)} ${BIT_NAMES[bit.kind]}`;
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
  const [min, max] = range ? [fromMm(range[0]) - SAME, fromMm(range[1]) + SAME] : [0, asked + SAME];
  const safe = bits.filter((bit) => bit.diameter >= min && bit.diameter <= max);
  return (
    [...safe].sort((a, b) => Math.abs(a.diameter - asked) - Math.abs(b.diameter - asked))[0] ?? null
  );
}

/** The bit that bores this diameter, if there is one. */
const bitFor = (diameter: Ticks, bits: readonly Bit[]): Bit | null =>
  bits.find((bit) => bit.kind !== 'twist' && Math.abs(bit.diameter - diameter) <= SAME) ?? null;

function roundHole(diameter: Ticks, bits: readonly Bit[], animal: Animal | undefined): Boring {
  const bit = bitFor(diameter, bits);
  if (bit) return { bit, nearest: null, words: text`Bore it with ${bitWords(bit)}: ${THROUGH}.` };
  const wide = bits.filter((each) => each.kind !== 'twist');
  const near = nearestSafe(diameter, wide, animal?.entranceSize ?? null);
  const none = text`None of your bits bores ${ofLength(diameter)}`;
  return {
    bit: null,
    nearest: near?.diameter ?? null,
    words: near
      ? text`${none}. The nearest that the animal allows is ${bitWords(near)}.`
      : text`${none} or any size that the animal allows. Borrow one: do not open a smaller hole by eye.`,
  };
}

function ovalHole(width: Ticks, height: Ticks, bits: readonly Bit[]): Boring {
  const across = Math.min(width, height);
  const bit = bitFor(across, bits);
  const holes = bit
    ? text`Two holes with ${bitWords(bit)}`
    : text`Two holes of ${ofLength(across)}`;
  const apart = ofLength(Math.max(width, height) - across);
  const way = width > height ? 'across' : 'up';
  return {
    bit,
    nearest: null,
    words: text`${holes}, their centres ${apart} apart ${way} the panel; saw or rasp away what stands between.`,
  };
}

function archHole(width: Ticks, height: Ticks, bits: readonly Bit[]): Boring {
  const bit = bitFor(width, bits);
  const hole = bit
    ? text`One hole with ${bitWords(bit)}`
    : text`One hole of ${ofLength(width)}, or the jigsaw round a drawn half circle`;
  return {
    bit,
    nearest: null,
    words: text`${hole} for the top, its centre ${ofLength(height - width / 2)} above the sill; two saw cuts down to the sill and one across.`,
  };
}

/** How to make an entrance with the bits that are there, or which bit comes nearest within what the animal allows. */
export function boringOf(
  entrance: HoleToBore,
  bits: readonly Bit[],
  animal: Animal | undefined,
): Boring {
  if (entrance.shape === 'round') return roundHole(entrance.diameter, bits, animal);
  const { shape, width, height } = entrance;
  if (shape === 'oval') return ovalHole(width, height, bits);
  if (shape === 'arch') return archHole(width, height, bits);
  return {
    bit: null,
    nearest: null,
    words: text`A hole in each corner large enough for the jigsaw’s blade, then saw along the four lines: ${ofLength(width)} × ${ofLength(height)}.`,
  };
}
