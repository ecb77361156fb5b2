import { at } from '../../lists/index.js';
import { fromMm, type Ticks } from '../../measure/index.js';
import { type PanelSet, weightOf } from '../../panels/index.js';
import { type BoxPlan, type HangingWay, isHangingWay } from '../../plan/index.js';
import { ofHeight, ofLength, type Text, text } from '../../text/index.js';
import type { HardwareLine } from '../hardware/line.js';
import { FIXINGS, footLines, HEAVY_KG } from './hung-up.js';

/** What only the place can say; null is unknown, and asked for where a length depends on it. */
export interface Site {
  /** Round the trunk at the height where it hangs. */
  trunkGirth: Ticks | null;
  /** Of the pole, in the ground. */
  inGround: Ticks;
  /** Of the post that a rod goes through. */
  postThick: Ticks | null;
}

/** A pole stands 600 mm deep: common practice, no source; frost and soil may want more. */
export const USUAL_SITE: Site = { trunkGirth: null, inGround: fromMm(600), postThick: null };

interface Hung {
  plan: BoxPlan;
  box: PanelSet;
  site: Site;
}

const pieces = (id: string, name: Text, quantity: number, why: Text): HardwareLine => ({
  id,
  name,
  quantity,
  unit: 'pieces',
  why,
});

/** Heights of the back’s corners and of the entrance, in box space. */
function heights({ panels, cavities }: PanelSet): { low: Ticks; high: Ticks; entrance: Ticks } {
  const back = panels.find(({ role }) => /back/.test(role)) ?? at(panels, 0);
  const zs = back.instances.flatMap(({ solid }) => solid.vertices.map(([, , z]) => z));
  const [{ origin, sill } = { origin: [0, 0, 0], sill: 0 }] = cavities;
  return { low: Math.min(...zs), high: Math.max(...zs), entrance: (origin[2] ?? 0) + sill };
}

const backThickness = ({ panels }: PanelSet): Ticks =>
  panels.find(({ role }) => /back/.test(role))?.thickness ?? 0;

/** Screws by what the box hangs on; while that is not known, what has to be asked. */
function screws({ plan, box }: Hung, quantity: number, heavy: boolean): HardwareLine {
  const { on } = plan.place;
  const fixing = on === null ? null : FIXINGS[on];
  const isHeavy = heavy || weightOf(plan, box) >= HEAVY_KG;
  if (!fixing)
    return pieces(
      'fixing',
      text`${isHeavy ? 'Coach screw 8 mm' : 'Screw 5 mm'}, its length by what it hangs on`,
      quantity,
      text`Say what the box hangs on: tree, wall, post or building decide the screw.`,
    );
  return pieces(
    'fixing',
    text`${isHeavy ? fixing.heavy : fixing.light}`,
    quantity,
    text`${fixing.why}.`,
  );
}

/** A plate stands out so far above and below. Common practice, no source. */
const PLATE_OUT = fromMm(80);

function plate(hung: Hung): HardwareLine[] {
  const { low, high } = heights(hung.box);
  const long = Math.round(high - low + 2 * PLATE_OUT);
  return [
    pieces(
      'plate-board',
      text`Board 25 × 75 mm, ${ofLength(long)} long`,
      1,
      text`As high as the back and ${ofLength(PLATE_OUT)} more above and below.`,
    ),
    pieces(
      'plate-screw',
      text`Screw 4 × 35 mm`,
      4,
      text`Through the plate into the back, from behind.`,
    ),
    screws(hung, 2, false),
  ];
}

/** Room for the wire round eyes and twists, and to let it out as the tree grows. Common practice, no source. */
const WIRE_MORE = fromMm(400);

function wire({ site }: Hung): HardwareLine[] {
  const girth = site.trunkGirth;
  return [
    pieces(
      'wire',
      girth === null
        ? text`Coated wire, as long as the trunk’s girth and ${ofLength(WIRE_MORE)}`
        : text`Coated wire, ${ofHeight(girth + WIRE_MORE)} long`,
      1,
      text`Round the trunk over rubber, loose, let out every winter.`,
    ),
    pieces('rubber', text`Strip of rubber, 50 mm wide`, 1, text`Between wire and bark.`),
    pieces('eye', text`Screw eye`, 2, text`In the back’s outer face, near its upper corners.`),
  ];
}

/** The eyes in the trunk stand so far above the bolts. Common practice, no source. */
const CHAIN_RISE = fromMm(300);
const CHAIN_MORE = fromMm(100);

function chain({ box, site }: Hung): HardwareLine[] {
  const bolts = box.panels.flatMap(({ features }) =>
    features.flatMap((each) => (each.kind === 'mount' ? [each.centre[1]] : [])),
  );
  const apart = Math.max(...bolts) - Math.min(...bolts);
  const trunk = site.trunkGirth === null ? null : site.trunkGirth / Math.PI;
  const aside = trunk === null ? 0 : Math.abs(apart - trunk * 0.8) / 2;
  const long = Math.round(Math.hypot(CHAIN_RISE, aside) + CHAIN_MORE);
  return [
    pieces(
      'eye-bolt',
      text`Eye bolt 8 mm, ${ofLength(backThickness(box) + fromMm(40))} long, with washers and nut`,
      2,
      text`High in the back, nuts inside.`,
    ),
    pieces(
      'chain',
      trunk === null
        ? text`Chain, its length by the trunk: at least ${ofLength(long)}`
        : text`Chain, ${ofLength(long)} long`,
      2,
      text`From each bolt up to its eye, ${ofLength(CHAIN_RISE)} above, a little aslant so that the box does not swing.`,
    ),
    pieces(
      'screw-eye',
      text`Screw eye 10 × 100 mm`,
      2,
      text`Into the trunk, to be turned out as it grows.`,
    ),
    pieces(
      'low-board',
      text`Low board behind, with one screw`,
      1,
      text`Keeps the box off the bark; its screw steadies it.`,
    ),
  ];
}

function rod({ box, site }: Hung): HardwareLine[] {
  const own = backThickness(box) + fromMm(40);
  const name =
    site.postThick === null
      ? text`Threaded rod 10 mm with two nuts and washers, as long as the post is thick and ${ofLength(own)}`
      : text`Threaded rod 10 mm with two nuts and washers, ${ofLength(own + site.postThick)} long`;
  return [
    pieces(
      'rod',
      name,
      1,
      text`Through the back and the post; the inner nut is turned from within.`,
    ),
    pieces('rod-nail', text`Nail 4 mm below`, 1, text`So that the box does not turn on its rod.`),
  ];
}

/** Length of a pole: the entrance’s height, what is in the ground, and what reaches up to the upper strap. */
function pole({ plan, box, site }: Hung): HardwareLine[] {
  const { high, entrance } = heights(box);
  const { height } = plan.place;
  const above = Math.max(0, Math.round(high - entrance));
  const name =
    height === null
      ? text`Smooth pole: the height of the entrance and ${ofLength(site.inGround + above)}`
      : text`Smooth pole, ${ofHeight(height + site.inGround + above)} long`;
  const sum =
    height === null
      ? text`Say how high the entrance is to be: that, ${ofLength(site.inGround)} in the ground and ${ofLength(above)} up to the box’s top.`
      : text`Entrance ${ofHeight(height)} + ${ofLength(site.inGround)} in the ground + ${ofLength(above)} up to the box’s top.`;
  return [
    pieces('pole', name, 1, sum),
    pieces(
      'strap',
      text`Pole strap with two bolts 6 mm`,
      2,
      text`Through the holes in the back, nuts inside.`,
    ),
    pieces(
      'anchor',
      text`Anchor board or concrete`,
      1,
      text`Below ground, so that it does not turn.`,
    ),
    pieces('guard', text`Guard against climbers`, 1, text`Round the pole, below the box.`),
  ];
}

function winch(hung: Hung): HardwareLine[] {
  const { height } = hung.plan.place;
  const rope =
    height === null
      ? text`Rope, twice the height and ${ofHeight(fromMm(2000))}`
      : text`Rope, ${ofHeight(2 * height + fromMm(2000))} long`;
  return [
    ...pole(hung).filter(({ id }) => id !== 'strap'),
    pieces(
      'winch',
      text`Hand winch with a brake`,
      1,
      text`The house comes down to be looked into.`,
    ),
    pieces('pulley', text`Pulley at the top`, 1, text`The rope runs over it.`),
    pieces('rope', rope, 1, text`Up, over the pulley and down to the winch.`),
  ];
}

/** A rod by the sizes of the post’s foot; a box without one has no sizes for it. */
const postRod = ({ plan }: Hung): HardwareLine[] =>
  plan.sizes.rodSize === undefined
    ? [
        pieces(
          'foot-rod',
          text`Post with a steel rod in its foot`,
          1,
          text`This kind of box brings none.`,
        ),
      ]
    : footLines({ ...plan, choices: { ...plan.choices, foot: 'rod' } });

const PARTS: Readonly<Record<HangingWay, (hung: Hung) => HardwareLine[]>> = {
  'screws-inside': (hung) => [screws(hung, 2, false)],
  'coach-screws': (hung) => [screws(hung, 2, true)],
  'back-plate': plate,
  wire,
  chain,
  hanger: () => [
    pieces(
      'hanger',
      text`Picture hanger with its screws`,
      1,
      text`High in the back, in its middle.`,
    ),
    pieces('hanger-nail', text`Nail or hook it hangs on`, 1, text`Slanting down into the wall.`),
  ],
  rod,
  pole,
  'post-rod': postRod,
  'winch-pole': winch,
  eaves: (hung) => [screws(hung, 2, false)],
  'barn-wall': (hung) => [screws(hung, 4, true)],
};

/** What hangs the box in the way that its plan names; nothing where it names none. */
export function wayParts(plan: BoxPlan, box: PanelSet, site = USUAL_SITE): HardwareLine[] {
  const way = plan.hanging;
  return way !== null && isHangingWay(way) ? PARTS[way]({ plan, box, site }) : [];
}
