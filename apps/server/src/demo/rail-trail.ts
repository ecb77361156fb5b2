import { randomUUID } from 'node:crypto';
import type { NewBox, NewRepairs, NewVisit } from '@spare-knot/core/api';
import { daysAfter } from '@spare-knot/core/building';
import type { ListFields } from '@spare-knot/core/exchange';
import { fromMm } from '@spare-knot/core/measure';
import { broodOf, type Facing, type Finding, UNTOLD_BOX } from '@spare-knot/core/trail';

/** Boxes of one kind along the rail trail of Osier Landing; all invented, the place too. */
interface Stretch {
  animal: string;
  plan: string;
  place: string;
  keeper: string;
  count: number;
  mount: NewBox['mount'];
  host: string;
  /** Metres up. */
  height: number;
  facings: readonly (Facing | null)[];
  /** Metres between one and the next, and from the trail. */
  apart: number;
  aside: number;
  /** How many of ten are lived in. */
  taken: number;
}

const SWALLOWS = 'Swallows for the mooring posts';
const CHICKADEES = 'Six boxes for the rail trail';

const STRETCHES: readonly Stretch[] = [
  {
    animal: 'tree-swallow',
    plan: SWALLOWS,
    place: 'mooring posts',
    keeper: 'the ferry crew',
    count: 14,
    mount: 'post',
    host: 'mooring post',
    height: 1.8,
    facings: ['east', 'south-east', 'north-east'],
    apart: 55,
    aside: 40,
    taken: 7,
  },
  {
    animal: 'black-capped-chickadee',
    plan: CHICKADEES,
    place: 'rail trail, birch stretch',
    keeper: 'Wednesday walkers',
    count: 11,
    mount: 'tree',
    host: 'birch',
    height: 2.4,
    facings: ['north-east', 'east', 'north', null],
    apart: 215,
    aside: -25,
    taken: 5,
  },
  {
    animal: 'prothonotary-warbler',
    plan: 'Boxes over the slough',
    place: 'slough',
    keeper: 'the boat shop',
    count: 8,
    mount: 'water',
    host: 'conduit pole',
    height: 1.5,
    facings: ['east', 'south'],
    apart: 82,
    aside: 180,
    taken: 6,
  },
  {
    animal: 'saw-whet-owl',
    plan: 'Two for the owl wood',
    place: 'owl wood',
    keeper: 'the winter crew',
    count: 5,
    mount: 'tree',
    host: 'spruce',
    height: 4.2,
    facings: ['east', 'south-east'],
    apart: 320,
    aside: -300,
    taken: 3,
  },
  {
    animal: 'crevice-bats-na',
    plan: 'A house for the sail-loft bats',
    place: 'sail loft',
    keeper: 'the boat shop',
    count: 2,
    mount: 'wall',
    host: 'south wall of the sail loft',
    height: 4.6,
    facings: ['south'],
    apart: 6,
    aside: 8,
    taken: 5,
  },
];

/** Boxes that were hung so many days ago. */
const JUST_HUNG: ReadonlyMap<number, number> = new Map([
  [24, 9],
  [25, 3],
]);

/** Where the invented trail begins, and how it bends. */
const START = { latitude: 44.9021, longitude: -75.2114 };
const METRE = 1 / 111_195;
const NARROW = Math.cos((START.latitude * Math.PI) / 180);

/** The same on any machine: multiplier and increment of ANSI C’s example. */
function chance(): (below: number) => number {
  let state = 1907;
  return (below) => {
    state = (Math.imul(state, 1_103_515_245) + 12_345) & 0x7fffffff;
    return (state >>> 8) % below;
  };
}

const millionths = (degrees: number): number => Math.round(degrees * 1e6) / 1e6;

function placeAt(along: number, aside: number) {
  const bend = 120 * Math.sin(along / 700);
  return {
    latitude: millionths(START.latitude + METRE * (along * 0.28 + bend - aside * 0.9)),
    longitude: millionths(START.longitude + (METRE / NARROW) * (along * 0.96 + aside * 0.3)),
  };
}

/** The last year whose season is over: by October it is. */
const lastSeason = (today: string): number =>
  Number(today.slice(0, 4)) - (today.slice(5) >= '10-01' ? 0 : 1);

/**
 * Forty boxes, hung before three seasons, the last of them in this year; one taken down, one pair too near, one whose place nobody
 * told, two hung only days ago.
 */
export function demoBoxes(until: string): NewBox[] {
  const year = lastSeason(until);
  const random = chance();
  let number = 0;
  return STRETCHES.flatMap((stretch, which) =>
    Array.from({ length: stretch.count }, (_unused, index): NewBox => {
      number += 1;
      const winter = year - 2 + (index % 3);
      const isNear = stretch.animal === 'black-capped-chickadee' && index === 4;
      const along = 260 * which + (isNear ? index - 0.7 : index) * stretch.apart;
      return {
        ...UNTOLD_BOX,
        batch: null,
        number,
        animal: stretch.animal,
        plan: stretch.plan,
        place: `${stretch.place} ${index + 1}`,
        at: number === 23 ? null : placeAt(along, stretch.aside),
        height: fromMm(stretch.height * 1000 + 100 * random(5)),
        facing: stretch.facings[random(stretch.facings.length)] ?? null,
        mount: stretch.mount,
        host: stretch.host,
        keeper: stretch.keeper,
        hungOn: JUST_HUNG.has(number)
          ? daysAfter(until, -(JUST_HUNG.get(number) ?? 0))
          : `${winter}-${winter === year ? '03' : '02'}-${10 + random(15)}`,
        takenDownOn: number === 7 ? `${year - 1}-10-04` : null,
      };
    }),
  );
}

const WANTS = [
  'roof split at the rear screw',
  'front swells shut',
  'floor loose',
  'predator guard rusted through',
  'hinge pin lost',
];

const day = (year: number, month: number, date: number): string =>
  new Date(Date.UTC(year, month - 1, date)).toISOString().slice(0, 10);

interface Told {
  on: string;
  found: Finding;
  counts?: Partial<Pick<NewVisit, 'eggs' | 'young' | 'fledged'>>;
  more?: Partial<NewVisit>;
}

/** What was found in a box over one season. */
function seasonOf(
  animal: string,
  year: number,
  isTaken: boolean,
  random: (below: number) => number,
): Told[] {
  if (broodOf(animal) === null) return [{ on: day(year, 6, 10 + random(9)), found: 'not-opened' }];
  const early = animal === 'saw-whet-owl' ? 2 : 0;
  const looked = 1 + random(9);
  if (!isTaken)
    return [
      { on: day(year, 5 - early, looked), found: random(4) === 0 ? 'nest' : 'empty' },
      { on: day(year, 6 - early, 8 + random(8)), found: random(6) === 0 ? 'unwanted' : 'empty' },
    ];
  const eggs = 4 + random(3);
  const young = Math.max(1, eggs - random(3));
  return [
    { on: day(year, 5 - early, looked), found: 'eggs', counts: { eggs } },
    { on: day(year, 5 - early, 20 + random(8)), found: 'young', counts: { young } },
    {
      on: day(year, 6 - early, 22 + random(7)),
      found: 'fledged',
      counts: { fledged: Math.max(0, young - random(2)) },
    },
  ];
}

/**
 * Some 250 visits to the boxes that were hung: the first within a week, the season, and cleaning in autumn; none later than a day.
 *
 * @param boxes with the ids that they were kept under
 */
export function demoVisits(boxes: readonly (NewBox & { id: string })[], until: string): NewVisit[] {
  const random = chance();
  return boxes.flatMap((box): NewVisit[] => {
    const { animal, hungOn, keeper } = box;
    if (animal === null || hungOn === null) return [];
    const first = Number(hungOn.slice(0, 4));
    const stretch = STRETCHES.find((each) => each.animal === animal);
    const last = Number(until.slice(0, 4));
    const years = Array.from({ length: last - first + 1 }, (_unused, index) => first + index);
    const told: Told[] = [
      { on: day(first, Number(hungOn.slice(5, 7)), Number(hungOn.slice(8)) + 5), found: 'empty' },
      ...years.flatMap((year): Told[] => [
        ...seasonOf(animal, year, random(10) < (stretch?.taken ?? 0), random),
        ...(broodOf(animal) && box.number % 4 > 0
          ? [
              {
                on: day(year, 10, 3 + random(20)),
                found: 'empty' as const,
                more: {
                  cleaned: true,
                  ...(random(7) === 0 && { wants: WANTS[random(WANTS.length)] ?? '' }),
                },
              },
            ]
          : []),
      ]),
    ];
    return told
      .filter(
        ({ on }) =>
          on > hungOn && on <= until && (box.takenDownOn === null || on <= box.takenDownOn),
      )
      .map(({ on, found, counts, more }) => ({
        id: randomUUID(),
        box: box.id,
        on,
        found,
        eggs: null,
        young: null,
        fledged: null,
        guest: found === 'unwanted' ? 'house sparrow' : '',
        cleaned: false,
        wants: '',
        by: keeper,
        note: '',
        ...counts,
        ...more,
      }));
  });
}

/** What was found broken, box by box: of which plan, its how-manieth box, when, and what came of it. */
const BROKEN: readonly {
  plan: string;
  nth: number;
  panels: readonly string[];
  what: string;
  daysAgo: number;
  mended?: { daysAgo: number; how: string };
}[] = [
  { plan: SWALLOWS, nth: 2, panels: ['roof'], what: 'split along the grain', daysAgo: 21 },
  { plan: SWALLOWS, nth: 5, panels: ['floor', 'side-left'], what: 'squirrel', daysAgo: 21 },
  { plan: SWALLOWS, nth: 7, panels: ['floor'], what: 'rotten at the drains', daysAgo: 20 },
  { plan: SWALLOWS, nth: 10, panels: ['roof'], what: 'a branch fell on it', daysAgo: 12 },
  { plan: CHICKADEES, nth: 3, panels: ['front'], what: 'hole pecked wide', daysAgo: 18 },
  { plan: CHICKADEES, nth: 6, panels: [], what: 'the latch nail is lost', daysAgo: 18 },
  {
    plan: SWALLOWS,
    nth: 1,
    panels: ['roof'],
    what: 'warped off',
    daysAgo: 230,
    mended: { daysAgo: 222, how: 'a roof out of the bin' },
  },
];

export interface DemoRepair {
  told: NewRepairs;
  mended: { on: string; how: string } | null;
}

/** Boxes that want mending, and one that was mended. */
export const demoRepairs = (
  boxes: readonly (NewBox & { id: string })[],
  until: string,
): DemoRepair[] =>
  BROKEN.flatMap(({ plan, nth, panels, what, daysAgo, mended }) => {
    const box = boxes.filter((each) => each.plan === plan)[nth - 1];
    if (!box) return [];
    return [
      {
        told: {
          box: box.id,
          toldOn: daysAfter(until, -daysAgo),
          what,
          panels: panels.map((panel) => ({ panel, count: 1 })),
        },
        mended: mended ? { on: daysAfter(until, -mended.daysAgo), how: mended.how } : null,
      },
    ];
  });

/** Who asked for boxes; one wish is given. */
export const demoAsked = (until: string): ListFields[] => {
  const year = Number(until.slice(0, 4));
  const wish = (fields: ListFields): ListFields => ({
    animal: '',
    boxes: '',
    wanted_by: '',
    given_on: '',
    note: '',
    ...fields,
  });
  return [
    wish({
      name: 'the school by the weir',
      animal: 'tree swallow',
      boxes: '4',
      wanted_by: `${year + 1}-02-20`,
      note: 'the children paint nothing inside',
    }),
    wish({ name: 'the lock keeper', animal: 'prothonotary warbler', boxes: '2' }),
    wish({
      name: 'the ferry crew',
      animal: 'tree swallow',
      boxes: '3',
      given_on: `${year}-03-02`,
    }),
  ];
};

/** What stands along the trail beside the boxes: a feeder too near to the first of the birches, a rival far enough. */
export function demoMarks(boxes: readonly Pick<NewBox, 'plan' | 'at'>[]): ListFields[] {
  const first = boxes.find(({ plan, at }) => plan === CHICKADEES && at !== null)?.at;
  if (!first) return [];
  const mark = (name: string, kind: string, metres: number): ListFields => ({
    name,
    kind,
    place: `${millionths(first.latitude + METRE * metres)}, ${first.longitude}`,
    note: '',
  });
  return [
    mark('feeder at the crossing keeper’s', 'feeder', 14),
    mark('house wrens in the wood pile', 'rival', 420),
  ];
}
