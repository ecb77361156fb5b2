import { type Animal, type Range, spokenName } from '../animals/animal.js';
import type { Mark } from '../measure/mark.js';
import { fromMm, type Ticks, toMm } from '../measure/ticks.js';
import type { PanelSet } from './panel-set.js';
import type { BoxPlan } from './plan.js';

/** A rule held against a box. Lengths in the text stand as `{mm}`, to be shown in the reader's unit. */
export interface Check {
  id: string;
  /** stop: do not build it; warn: think again; kept: fine. */
  severity: 'stop' | 'warn' | 'kept';
  /** The panel it concerns, if one. */
  role: string | null;
  text: string;
  mark: Mark;
  source: string;
  remedies: readonly Remedy[];
}

/** One press that mends a broken rule. */
export interface Remedy {
  label: string;
  apply(plan: BoxPlan): BoxPlan;
}

const COMMON = 'common practice, no source';
/** Rounding between inch and millimetre editions of one figure. */
const LEEWAY = 0.6;

const say = (ticks: Ticks): string => `{${Math.round(toMm(ticks) * 100) / 100}}`;
const sayMm = (mm: number): string => `{${mm}}`;
const sayRange = ([least, greatest]: Range): string => (least === greatest ? sayMm(least) : `${sayMm(least)} to ${sayMm(greatest)}`);
const within = (mm: number, [least, greatest]: Range): boolean => mm >= least - LEEWAY && mm <= greatest + LEEWAY;
export const setSize =
  (id: string, value: Ticks) =>
  (plan: BoxPlan): BoxPlan => ({ ...plan, sizes: { ...plan.sizes, [id]: value } });

/** Young that can walk out need nothing to climb by. */
const hasOpenFront = (box: PanelSet): boolean => box.openings.some((opening) => opening.kind === 'open-front');

function entranceChecks(plan: BoxPlan, box: PanelSet, animal: Animal): Check[] {
  const from = { mark: animal.mark, source: animal.source };
  const checks: Check[] = [];
  const width = plan.sizes.entranceWidth ?? 0;
  if (animal.entranceSize) {
    const fits = within(toMm(width), animal.entranceSize);
    checks.push({
      ...from,
      id: 'entrance-size',
      severity: fits ? 'kept' : 'stop',
      role: 'front',
      text: fits
        ? `Entrance ${say(width)}, as ${spokenName(animal)} needs (${sayRange(animal.entranceSize)}).`
        : `Entrance ${say(width)}; ${spokenName(animal)} needs ${sayRange(animal.entranceSize)}. Smaller shuts it out, larger lets others in.`,
      remedies: fits ? [] : [{ label: 'Set it', apply: setSize('entranceWidth', fromMm(animal.entranceSize[0])) }],
    });
  }
  const { sill } = box.cavities[0]!;
  const open = hasOpenFront(box);
  const upright = plan.schools.entrance === 'oval' ? (plan.sizes.entranceUpright ?? 0) : width;
  if (animal.entranceAboveFloor && animal.entranceReference) {
    const height = animal.entranceReference === 'sill' ? sill : sill + upright / 2;
    const [least] = animal.entranceAboveFloor;
    const fits = within(toMm(height), animal.entranceAboveFloor);
    const typed =
      fromMm(least) +
      (open
        ? 0
        : plan.schools.entranceTo === animal.entranceReference
          ? 0
          : plan.schools.entranceTo === 'sill'
            ? -upright / 2
            : upright / 2);
    checks.push({
      ...from,
      id: 'entrance-height',
      severity: fits ? 'kept' : toMm(height) < least ? 'stop' : 'warn',
      role: 'front',
      text: `${open ? 'The open front’s edge' : `The entrance’s ${animal.entranceReference}`} is ${say(height)} above the floor; ${sayRange(animal.entranceAboveFloor)} is wanted.`,
      remedies: fits ? [] : [{ label: 'Set the least', apply: setSize(open ? 'frontAboveFloor' : 'entranceHeight', Math.round(typed)) }],
    });
  }
  return checks;
}

function roomChecks(plan: BoxPlan, box: PanelSet, animal: Animal): Check[] {
  const { width, depth } = box.cavities[0]!;
  if (!animal.floorWidth || !animal.floorDepth) return [];
  const need = [animal.floorWidth, animal.floorDepth].sort((a, b) => a - b);
  const have = [width, depth].sort((a, b) => a - b);
  const fits = toMm(have[0]!) >= need[0]! - LEEWAY && toMm(have[1]!) >= need[1]! - LEEWAY;
  const walls = (role: string) => plan.wood[role]?.thickness ?? 0;
  const outside = plan.schools.measure === 'outside';
  const grown: BoxPlan['sizes'] = {
    ...plan.sizes,
    width: Math.max(plan.sizes.width ?? 0, fromMm(animal.floorWidth) + (outside ? walls('side-left') + walls('side-right') : 0)),
    depth: Math.max(plan.sizes.depth ?? 0, fromMm(animal.floorDepth) + (outside ? walls('front') + walls('back') : 0)),
  };
  return [
    {
      id: 'floor',
      severity: fits ? 'kept' : 'warn',
      role: 'floor',
      text: `Floor inside ${say(width)} × ${say(depth)}; at least ${sayMm(animal.floorWidth)} × ${sayMm(animal.floorDepth)} is wanted.`,
      mark: animal.mark,
      source: animal.source,
      remedies: fits ? [] : [{ label: 'Grow the floor', apply: (current) => ({ ...current, sizes: grown }) }],
    },
  ];
}

function gripCheck(plan: BoxPlan): Check {
  const front = plan.wood.front;
  const canBeRough = front?.faceA === 'rough' || front?.faceB === 'rough';
  const good = plan.schools.grip === 'kerfs' || canBeRough;
  return {
    id: 'grip',
    severity: good ? 'kept' : 'stop',
    role: 'front',
    text: !good
      ? 'Nothing to climb by: the front’s board is planed on both faces. Birds went in and died in such boxes.'
      : plan.schools.grip === 'kerfs'
        ? 'Saw kerfs under the entrance to climb by.'
        : 'The front’s rough face looks in, to climb by.',
    mark: 'C',
    source: COMMON,
    remedies: good
      ? []
      : [{ label: 'Score it with saw kerfs', apply: (current) => ({ ...current, schools: { ...current.schools, grip: 'kerfs' } }) }],
  };
}

export function wallChecks(plan: BoxPlan): Check[] {
  const thin = ['front', 'back', 'side-left', 'side-right'].filter((role) => {
    const wood = plan.wood[role];
    return wood && wood.thickness < fromMm(wood.material === 'plywood' ? 12 : 15);
  });
  return [
    {
      id: 'walls',
      severity: thin.length > 0 ? 'warn' : 'kept',
      role: thin[0] ?? null,
      text:
        thin.length > 0
          ? `Walls thinner than ${sayMm(15)} (plywood ${sayMm(12)}) keep out neither cold nor heat: ${thin.join(', ')}.`
          : `Walls thick enough: at least ${sayMm(15)}, plywood ${sayMm(12)}.`,
      mark: 'M',
      source: 'BTO nest box guidance',
      remedies: [],
    },
  ];
}

function weatherChecks(plan: BoxPlan): Check[] {
  const recess = plan.sizes.floorRecess ?? 0;
  const overhang = plan.sizes.overhangFront ?? 0;
  const dry = recess >= fromMm(6);
  const covered = overhang >= fromMm(50) - 320;
  return [
    {
      id: 'recess',
      severity: dry ? 'kept' : 'warn',
      role: 'floor',
      text: dry
        ? `Floor ${say(recess)} up inside the walls, so its end grain stays dry.`
        : `Floor ${say(recess)} up inside the walls; ${sayMm(6)} or more keeps its end grain dry.`,
      mark: 'C',
      source: COMMON,
      remedies: dry ? [] : [{ label: 'Raise it', apply: setSize('floorRecess', fromMm(9.525)) }],
    },
    {
      id: 'overhang',
      severity: covered ? 'kept' : 'warn',
      role: 'roof',
      text: `The roof stands ${say(overhang)} out over the entrance; ${sayMm(50)} or more keeps rain and paws off.`,
      mark: 'C',
      source: COMMON,
      remedies: covered ? [] : [{ label: 'Lengthen it', apply: setSize('overhangFront', fromMm(50.8)) }],
    },
  ];
}

function airChecks(box: PanelSet): Check[] {
  const has = (kinds: readonly string[]) => box.openings.some((opening) => kinds.includes(opening.kind));
  const vented = has(['vent-gap', 'vent-hole', 'open-front']);
  const drained = has(['drain']);
  return [
    {
      id: 'air',
      severity: vented && drained ? 'kept' : 'warn',
      role: null,
      text: 'Air gets in under the roof and water out through the floor.',
      mark: 'C',
      source: COMMON,
      remedies: [],
    },
  ];
}

/** Broken rules first. */
export function bySeverity(checks: readonly Check[]): Check[] {
  const order = { stop: 0, warn: 1, kept: 2 };
  return [...checks].sort((a, b) => order[a.severity] - order[b.severity]);
}

/** The rules for a box with walls, a floor and one room. `animal` may be unknown. */
export function checkRoom(plan: BoxPlan, box: PanelSet, animal: Animal | undefined): Check[] {
  return [
    ...(hasOpenFront(box) ? [] : [gripCheck(plan)]),
    ...(animal ? [...entranceChecks(plan, box, animal), ...roomChecks(plan, box, animal)] : []),
    ...wallChecks(plan),
    ...weatherChecks(plan),
    ...airChecks(box),
  ];
}
