import type { Animal } from '../../animals/index.js';
import { fromMm, type Ticks, toMm } from '../../measure/index.js';
import { ofLength, type Text, text } from '../../text/index.js';
import { BIT_NAMES, type Bit, type BitKind, boringOf } from '../bits.js';
import type { Hole, HoleSize } from './hole.js';

/** What a hole is made with. */
export interface BitUse {
  /** The same for all holes that are made with one bit in the drill. */
  key: string;
  name: Text;
  /** For files: kind and millimetres. */
  plain: string;
  /** How the hole is made, where there is more to it than boring; which bit is wanting, where the maker owns none. */
  says: Text | null;
  wanting: boolean;
}

/** A hole with what it is made with. */
export type BoredHole = Hole & { bit: BitUse };

/** Twist drills are sold up to this; wider holes take a spade or Forstner bit, the widest a hole saw. Common practice, no source. */
const TWIST: Ticks = fromMm(13);
const SPADE: Ticks = fromMm(40);
/** A hole this much off is the hole asked for: common practice, no source. */
const SAME: Ticks = fromMm(0.5);
/** The jigsaw’s blade goes in through a hole of this size. Common practice, no source. */
const STARTING: Ticks = fromMm(10);

const usualKind = (diameter: Ticks): BitKind => {
  if (diameter <= TWIST) return 'twist';
  return diameter <= SPADE ? 'spade' : 'hole-saw';
};

const named = ({ kind, diameter }: Bit): Text => text`${BIT_NAMES[kind]} ${ofLength(diameter)}`;
const round = (ticks: Ticks): number => Math.round(toMm(ticks) * 100) / 100;

/** Twist drills are sold in steps of half a millimetre; within that a hole is made with the nearest. Common practice, no source. */
const STEP: Ticks = fromMm(0.5);
const sold = (diameter: Ticks): Ticks =>
  diameter <= TWIST ? Math.max(STEP, Math.round(diameter / STEP) * STEP) : diameter;

/** The usual bit for a round hole. */
const usualBit = (diameter: Ticks): Bit => ({
  kind: usualKind(diameter),
  diameter: sold(diameter),
});

const used = (bit: Bit, says: Text | null, wanting = false): BitUse => ({
  key: `${bit.kind}-${round(bit.diameter)}`,
  name: named(bit),
  plain: `${bit.kind} ${round(bit.diameter)} mm`,
  says,
  wanting,
});

const JIGSAW = (says: Text): BitUse => ({
  key: 'jigsaw',
  name: text`jigsaw, along a template`,
  plain: `jigsaw, started through ${round(STARTING)} mm`,
  says,
  wanting: false,
});

/** The owned bit of a size, if there is one; twist drills count as owned where the list says nothing about any. */
function ownedFor(diameter: Ticks, owned: readonly Bit[]): Bit | null {
  const kind = usualKind(diameter);
  const fits = owned.filter(
    (bit) =>
      Math.abs(bit.diameter - diameter) <= SAME && (bit.kind === 'twist') === (kind === 'twist'),
  );
  const found = fits.sort(
    (a, b) => Math.abs(a.diameter - diameter) - Math.abs(b.diameter - diameter),
  )[0];
  if (found) return found;
  const silent = kind === 'twist' && !owned.some((bit) => bit.kind === 'twist');
  return silent ? usualBit(diameter) : null;
}

/** The largest owned twist drill that is not wider: a tight pilot is opened, a wide one holds nothing. */
const tighter = (diameter: Ticks, owned: readonly Bit[]): Bit | undefined =>
  owned
    .filter((bit) => bit.kind === 'twist' && bit.diameter <= diameter)
    .sort((a, b) => b.diameter - a.diameter)[0];

function roundBit(
  hole: Hole,
  diameter: Ticks,
  owned: readonly Bit[] | null,
  animal: Animal | undefined,
): BitUse {
  if (owned === null) return used(usualBit(diameter), null);
  const own = ownedFor(diameter, owned);
  if (own) return used(own, null);
  const wanted = usualBit(diameter);
  if (hole.for === 'entrance')
    return used(wanted, boringOf({ shape: 'round', diameter }, owned, animal).words, true);
  const near = tighter(diameter, owned);
  if (near && diameter <= TWIST)
    return used(
      near,
      text`You own no twist drill ${ofLength(diameter)}; the next below, ${ofLength(near.diameter)}, holds tighter. ${hole.for === 'clearance' || hole.for === 'pivot' ? 'Open the hole until the screw slips through.' : ''}`,
      hole.for === 'clearance' || hole.for === 'pivot',
    );
  return used(wanted, text`You own no ${named(wanted)}: borrow or buy one.`, true);
}

function shapedBit(
  size: Exclude<HoleSize, { shape: 'round' }>,
  owned: readonly Bit[] | null,
  animal: Animal | undefined,
): BitUse {
  const boring = boringOf(size, owned ?? [], animal);
  const across = Math.min(size.width, size.height);
  const bored = size.shape === 'oval' || size.shape === 'arch';
  if (bored && (owned === null || boring.bit))
    return used(boring.bit ?? usualBit(across), boring.words);
  return JIGSAW(boring.words);
}

/**
 * The bit for a hole: among those that the maker owns, or by its size alone where that is not known (null). Where none fits it says so, and
 * which would do; never one that opens an entrance wider than its animal allows.
 */
export function bitFor(
  hole: Hole,
  owned: readonly Bit[] | null,
  animal: Animal | undefined,
): BitUse {
  const { size } = hole;
  return size.shape === 'round'
    ? roundBit(hole, size.diameter, owned, animal)
    : shapedBit(size, owned, animal);
}
