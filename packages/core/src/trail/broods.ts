/**
 * How long eggs are sat on and young stay in the box, in days, and how many broods a year are usual. Rounded upwards where sources give a
 * range, so that nobody comes too early: figures of common handbooks, from memory, none looked up [M]. Ducklings leave the day after they
 * hatch.
 */
export interface Brood {
  eggs: number;
  young: number;
  broods: number;
}

const brood = (eggs: number, young: number, broods = 1): Brood => ({ eggs, young, broods });

const BROODS: Readonly<Record<string, Brood>> = {
  'eastern-bluebird': brood(14, 19, 2),
  'mountain-bluebird': brood(14, 21, 2),
  'black-capped-chickadee': brood(13, 17),
  'tufted-titmouse': brood(14, 17),
  'white-breasted-nuthatch': brood(14, 26),
  'house-wren': brood(14, 18, 2),
  'bewicks-wren': brood(16, 16, 2),
  'carolina-wren': brood(16, 14, 3),
  'tree-swallow': brood(15, 22),
  'purple-martin': brood(17, 30),
  'prothonotary-warbler': brood(14, 11, 2),
  'great-crested-flycatcher': brood(15, 18),
  'ash-throated-flycatcher': brood(15, 17),
  'eastern-phoebe': brood(16, 18, 2),
  'american-robin': brood(14, 16, 2),
  'downy-woodpecker': brood(12, 23),
  'hairy-woodpecker': brood(14, 30),
  'red-headed-woodpecker': brood(14, 31, 2),
  'northern-flicker': brood(13, 28),
  'american-kestrel': brood(31, 31),
  'screech-owl': brood(34, 32),
  'saw-whet-owl': brood(29, 36),
  'barred-owl': brood(33, 35),
  'barn-owl-na': brood(34, 62),
  'wood-duck': brood(35, 2),
  'blue-tit': brood(15, 21),
  'coal-tit': brood(16, 19, 2),
  'marsh-tit': brood(15, 19),
  'great-tit': brood(15, 21),
  'tree-sparrow': brood(14, 18, 3),
  'pied-flycatcher': brood(15, 18),
  'house-sparrow': brood(14, 18, 3),
  'eurasian-nuthatch': brood(18, 26),
  'common-starling': brood(13, 22),
  'great-spotted-woodpecker': brood(12, 24),
  'european-robin': brood(15, 15, 2),
  'eurasian-wren': brood(17, 18, 2),
  'spotted-flycatcher': brood(14, 16, 2),
  'pied-wagtail': brood(14, 16, 2),
  'common-swift': brood(21, 56),
  'barn-owl-eu': brood(34, 62),
  'eastern-rosella': brood(21, 36),
  pardalote: brood(20, 26, 2),
};

/** Null for bats, whose boxes are never opened, and for what is not in the table. */
export const broodOf = (animal: string): Brood | null => BROODS[animal] ?? null;
