import { ringPairs } from '../lists/index.js';
import { fromMm } from '../measure/index.js';
import type { Cavity, Opening, OpeningKind, PanelSet } from '../panels/index.js';
import type { BoxPlan } from '../plan/index.js';
import { cross, faceArea, lengthOf, subtract, unit } from '../solid/index.js';
import { text } from '../text/index.js';
import { type Check, COMMON, ofMm, type Rule } from './check.js';

const VENTS: readonly OpeningKind[] = ['vent-gap', 'vent-hole', 'open-front', 'crevice'];
const DRAINS: readonly OpeningKind[] = ['drain', 'crevice'];
/** What belongs to a room lies this near it: through a wall or a floor. */
const NEAR = fromMm(70);
/** Less than one hole of 10 mm is no vent: common practice, no source. In square millimetres. */
const LEAST_VENT = 70;
/** A gap that young birds put a leg or themselves through: common practice, no source. */
const FALL_THROUGH = fromMm(13);

type Box3 = readonly (readonly [number, number])[];

const reachOf = ({ polygon }: Opening): Box3 =>
  ([0, 1, 2] as const).map((axis) => {
    const values = polygon.map((point) => point[axis]);
    return [Math.min(...values), Math.max(...values)] as const;
  });

const roomOf = ({
  origin: [x, y, z],
  width,
  depth,
  heightFront,
  heightBack,
  ridge,
}: Cavity): Box3 => [
  [x - width / 2, x + width / 2],
  [y, y + depth],
  [z, z + Math.max(heightFront, heightBack, ridge ?? 0)],
];

const isNear = (opening: Opening, cavity: Cavity): boolean => {
  const [a, b] = [reachOf(opening), roomOf(cavity)];
  return a.every(([from, to], axis) => {
    const room = b[axis];
    return room !== undefined && to >= room[0] - NEAR && from <= room[1] + NEAR;
  });
};

/** How wide a flat opening is where it is narrowest, in ticks: the least distance between two lines that hold it between them. */
function narrowest({ polygon }: Opening): number {
  const widths = ringPairs(polygon).flatMap(([from, to]) => {
    const edge = subtract(to, from);
    if (lengthOf(edge) < 1) return [];
    const along = unit(edge);
    return [Math.max(...polygon.map((point) => lengthOf(cross(along, subtract(point, from)))))];
  });
  return Math.min(...widths);
}
const areaMm = ({ polygon }: Opening): number => faceArea(polygon) / 320 ** 2;

/** Holes through a back that hangs flat on a trunk or a wall are closed by it. */
function isClosed({ place }: BoxPlan, opening: Opening, { cavities }: PanelSet): boolean {
  if (opening.kind !== 'vent-hole' || (place.on !== 'tree' && place.on !== 'wall')) return false;
  const rear = Math.max(...cavities.map(({ origin, depth }) => origin[1] + depth));
  const [, ys] = reachOf(opening);
  return ys !== undefined && ys[0] >= rear - 2;
}

const airCheck = (fine: boolean, vented: boolean, dry: boolean): Check => {
  const lacking = [vented ? null : 'in for air', dry ? null : 'out for water'].filter(Boolean);
  return {
    ...COMMON,
    id: 'air',
    severity: fine ? 'kept' : 'warn',
    role: null,
    text: fine
      ? text`Every room has a way in for air, and one out for water below.`
      : text`No way ${lacking.join(', and none ')} in every room that would be enough.`,
    remedies: [],
  };
};

/** At least one way in for air and one out for water in every room. */
export const airRule: Rule = ({ plan, box }) => {
  const of = (cavity: Cavity, kinds: readonly OpeningKind[]) =>
    box.openings.filter(
      (each) => kinds.includes(each.kind) && isNear(each, cavity) && !isClosed(plan, each, box),
    );
  const vented = box.cavities.every((cavity) => {
    const vents = of(cavity, VENTS);
    return vents.reduce((sum, vent) => sum + areaMm(vent), 0) >= LEAST_VENT;
  });
  const dry = box.cavities.every((cavity) => of(cavity, DRAINS).length > 0);
  return [airCheck(vented && dry, vented, dry)];
};

/** Vents and drains are no second entrance, and young do not fall through the floor. */
export const smallOpeningsRule: Rule = ({ box }): Check[] => {
  const entrances = box.openings.filter(({ kind }) => kind === 'entrance').map(narrowest);
  const least = Math.min(...entrances);
  if (entrances.length === 0) return [];
  const from = { ...COMMON, remedies: [] };
  const widest = (kinds: readonly OpeningKind[]) =>
    Math.max(0, ...box.openings.filter(({ kind }) => kinds.includes(kind)).map(narrowest));
  const drain = widest(['drain']);
  const found: Check[] = [];
  if (widest(['vent-hole', 'vent-gap']) >= least)
    found.push({
      ...from,
      id: 'vent-size',
      severity: 'warn',
      role: null,
      text: text`A vent as large as the entrance is another one, where no wood stops what comes in. Make it smaller.`,
    });
  if (drain >= Math.min(least, FALL_THROUGH))
    found.push({
      ...from,
      id: 'drain-size',
      severity: 'stop',
      role: 'floor',
      text: text`Young birds get through a drain or a gap of ${ofMm(Math.round(drain / 320))} in the floor, or are caught in it. Make it less than ${ofMm(13)}, and smaller than the entrance.`,
    });
  return found;
};
