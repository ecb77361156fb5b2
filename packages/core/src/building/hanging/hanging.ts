import type { Ticks } from '../../measure/index.js';
import type { PanelSet } from '../../panels/index.js';
import {
  type BoxPlan,
  HANGING_WAYS,
  HANGING_WORDS,
  type HangingWay,
  isHangingWay,
  type Place,
} from '../../plan/index.js';
import { joinTexts, ofWeight, type Text, text } from '../../text/index.js';
import type { HardwareLine } from '../hardware/line.js';
import type { Hole } from '../holes/hole.js';
import { hangingLines } from './hanging-lines.js';
import { type Siting, sitingOf } from './siting.js';
import type { Site } from './way-parts.js';

/** One way to hang this box, and what speaks against it here; nothing where it suits. */
export interface WaySuits {
  way: HangingWay;
  name: string;
  what: string;
  against: readonly Text[];
}

/** How a box hangs: the way, what it takes, the holes in its back, and how heavy it is to lift. */
export interface Hanging {
  way: HangingWay | null;
  name: string;
  parts: readonly HardwareLine[];
  holes: readonly Hole[];
  notes: readonly Text[];
  siting: Siting;
  ways: readonly WaySuits[];
}

type On = NonNullable<Place['on']>;

/** What each way hangs on, what it carries in kilograms, and whether a hand has to get inside. Common practice, no source. */
const SUITS: Readonly<
  Record<HangingWay, { on: readonly On[]; most: number; fromInside: boolean }>
> = {
  'screws-inside': { on: ['tree', 'wall', 'post', 'building', 'water'], most: 6, fromInside: true },
  'coach-screws': { on: ['tree', 'wall', 'post', 'building', 'water'], most: 40, fromInside: true },
  'back-plate': { on: ['tree', 'wall', 'post', 'building'], most: 10, fromInside: false },
  wire: { on: ['tree'], most: 5, fromInside: false },
  chain: { on: ['tree'], most: 40, fromInside: true },
  hanger: { on: ['wall', 'building'], most: 2, fromInside: false },
  rod: { on: ['post', 'water'], most: 20, fromInside: true },
  pole: { on: ['pole', 'water'], most: 12, fromInside: true },
  'post-rod': { on: ['post', 'pole'], most: 40, fromInside: false },
  'winch-pole': { on: ['pole'], most: 40, fromInside: false },
  eaves: { on: ['wall', 'building'], most: 6, fromInside: true },
  'barn-wall': { on: ['building', 'wall'], most: 60, fromInside: true },
};

const ON_WORDS: Readonly<Record<On, string>> = {
  tree: 'a tree',
  wall: 'a wall',
  post: 'a post',
  pole: 'a pole',
  water: 'a post over water',
  building: 'a building',
};

const listed = (all: readonly On[]): string => all.map((on) => ON_WORDS[on]).join(', ');

interface Weighed {
  plan: BoxPlan;
  /** Wet, with what is screwed into it. */
  kilograms: number;
  opens: boolean;
}

function against(way: HangingWay, { plan, kilograms, opens }: Weighed): Text[] {
  const { on, most, fromInside } = SUITS[way];
  const here = plan.place.on;
  const found: Text[] = [];
  if (here !== null && !on.includes(here))
    found.push(text`It is for ${listed(on)}; this box is to hang on ${ON_WORDS[here]}.`);
  if (kilograms > most)
    found.push(
      text`It carries ${ofWeight(most)}; this box weighs ${ofWeight(kilograms)} when it is wet.`,
    );
  if (fromInside && !opens)
    found.push(text`It is driven from inside, and nothing opens on this box.`);
  if (way === 'post-rod' && plan.choices.foot === undefined)
    found.push(text`Only a box that is built round a post has a foot for the rod.`);
  if (way === 'eaves' && plan.place.cover === 'outdoors')
    found.push(text`The plan says that it hangs in the open.`);
  if (way === 'barn-wall' && plan.place.cover === 'outdoors')
    found.push(text`The plan says that it hangs outdoors.`);
  return found;
}

/** Above this two people lift a box; above the other it is tried low before it is hoisted. Common practice, no source. */
const TWO_PEOPLE = 10;
const TRIED_LOW = 4;
const LADDER: Ticks = 2000 * 320;

function notesFor({ plan, kilograms, opens }: Weighed): Text[] {
  const found: Text[] = [];
  const { on, height } = plan.place;
  if (on === null) found.push(text`Say at the box what it hangs on: that decides its screws.`);
  if (on === 'tree')
    found.push(
      text`A tree grows: nothing tight round its trunk; leave screws a thumb’s breadth proud and back them out every winter.`,
    );
  if (kilograms >= TWO_PEOPLE)
    found.push(
      text`${ofWeight(kilograms)} wet: two people, a rope over a branch or a pulley; never lift it alone on a ladder.`,
    );
  else if (kilograms >= TRIED_LOW)
    found.push(
      text`${ofWeight(kilograms)} wet: try the fixing low down first, then hoist it on a rope.`,
    );
  if (height !== null && height > LADDER)
    found.push(text`A ladder stands on firm ground, is tied above, and somebody holds it.`);
  if (
    plan.hanging !== null &&
    isHangingWay(plan.hanging) &&
    SUITS[plan.hanging].fromInside &&
    opens
  )
    found.push(text`Open the box, drive them from inside, close it again.`);
  if (plan.place.cover !== 'under-cover' && plan.choices.foot === undefined)
    found.push(text`Let it lean a little forward, so that rain does not run in.`);
  return found;
}

const ownName = ({ choices, place }: BoxPlan, parts: readonly HardwareLine[]): string => {
  if (choices.mount === 'rod') return HANGING_WORDS.rod[0];
  if (choices.mount === 'ends') return 'screws above and below';
  if (choices.mount === 'eyes') return 'wire through screw eyes';
  if (choices.foot === 'rod') return HANGING_WORDS['post-rod'][0];
  if (parts.length === 0) return 'not decided';
  return place.on === 'pole' ? 'straps on the pole' : 'screws through the back';
};

/** How a box hangs, and which ways suit it where it is to hang. */
export function hangingOf(
  weighed: Weighed,
  box: PanelSet,
  holes: readonly Hole[],
  site?: Site,
): Hanging {
  const { plan } = weighed;
  const parts = hangingLines(plan, box, site);
  const way = plan.hanging !== null && isHangingWay(plan.hanging) ? plan.hanging : null;
  return {
    way,
    name: way ? HANGING_WORDS[way][0] : ownName(plan, parts),
    parts,
    holes: holes.filter((hole) => hole.for === 'mount'),
    notes: notesFor(weighed),
    siting: sitingOf(plan),
    ways: HANGING_WAYS.map((each) => ({
      way: each,
      name: HANGING_WORDS[each][0],
      what: HANGING_WORDS[each][1],
      against: against(each, weighed),
    })),
  };
}

/** What speaks against the chosen way, in one sentence; nothing where it suits. */
export function doubtsOf({ way, ways }: Hanging): Text | null {
  const chosen = ways.find((each) => each.way === way);
  return chosen && chosen.against.length > 0 ? joinTexts(chosen.against, ' ') : null;
}
