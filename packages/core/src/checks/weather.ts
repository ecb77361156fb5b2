import { at } from '../lists/index.js';
import { fromMm, type Ticks } from '../measure/index.js';
import { measuresOf, type PanelSet } from '../panels/index.js';
import { type BoxPlan, type RecessPlan, recessOf } from '../plan/index.js';
import { ofLength, text } from '../text/index.js';
import { type Check, COMMON, ofMm, type Rule, setChoice, setSize } from './check.js';

/** From here on the floor's end grain stays dry. */
const DRY = fromMm(6);
/** Over gaps above the sides a roof stands out so far: common practice, no source. */
const LEAST_SIDE = fromMm(6);
/** A roof that stands this far out covers the entrance, rounded sizes allowed for. */
const COVERED = fromMm(49);

const raise = (plan: BoxPlan): BoxPlan =>
  setChoice('floorAt', 'recessed')(setSize('floorRecess', fromMm(9.525))(plan));

/** Whether the floor's end grain stays dry. */
export const recessRule: Rule<RecessPlan> = ({ plan }) => {
  const recess = recessOf(plan);
  const dry = recess >= DRY;
  return [
    {
      ...COMMON,
      id: 'recess',
      severity: dry ? 'kept' : 'warn',
      role: 'floor',
      text: dry
        ? text`Floor ${ofLength(recess)} up inside the walls, so its end grain stays dry.`
        : text`Floor ${ofLength(recess)} up inside the walls; ${ofMm(6)} or more keeps its end grain dry.`,
      remedies: dry ? [] : [{ label: 'Raise it', apply: raise }],
    },
  ];
};

/** The first panel of the roof, whether it has one slope or two. */
const roofOf = ({ panels }: PanelSet): string | null =>
  panels.find(({ role }) => role.split('-')[0] === 'roof')?.role ?? null;

/** Whether the roof cannot stand out further, since its slope runs across its board. */
function isAtBoardsEdge(plan: Pick<BoxPlan, 'wood'>, box: PanelSet, missing: Ticks): boolean {
  const roof = box.panels.find(({ role }) => role.split('-')[0] === 'roof');
  const width = roof && plan.wood[roof.role]?.width;
  if (!roof || !width) return false;
  // Its grain runs across the box: the slope is as long as the board is wide.
  const slopeIsAcross = Math.abs(at(roof.instances, 0).frame.x[0]) > 0.9;
  const widest = Math.max(width, ...Object.values(plan.wood).map((wood) => wood.width ?? 0));
  return slopeIsAcross && measuresOf(roof).blankWidth + missing > widest;
}

/** How far the roof stands out over the entrance. */
export const overhangRule: Rule<
  { sizes: Readonly<Record<'overhangFront', Ticks>> } & Pick<BoxPlan, 'wood' | 'place'>
> = ({ plan, box }): Check[] => {
  const overhang = plan.sizes.overhangFront;
  const dry = plan.place.cover === 'under-cover';
  const covered = dry || overhang >= COVERED;
  const asFar = !covered && isAtBoardsEdge(plan, box, COVERED - overhang);
  const role = roofOf(box);
  const out = text`The roof stands ${ofLength(overhang)} out over the entrance`;
  const short = text`${out}; ${ofMm(50)} or more keeps rain and paws off.`;
  return [
    {
      ...COMMON,
      id: 'overhang',
      severity: covered || asFar ? 'kept' : 'warn',
      role,
      text: asFar ? text`${out}, as far as its board is wide.` : short,
      remedies:
        covered || asFar
          ? []
          : [{ label: 'Lengthen it', apply: setSize('overhangFront', fromMm(50.8)) }],
    },
    ...sideOverhang(plan, box),
  ];
};

/** Rain runs in over sides that stop short of the roof, unless it stands out over them. */
function sideOverhang(
  { sizes, place }: { sizes: Readonly<Record<string, Ticks>> } & Pick<BoxPlan, 'place'>,
  { openings }: PanelSet,
): Check[] {
  const beside = openings.some(({ kind, polygon }) => {
    const xs = polygon.map(([x]) => x);
    return kind === 'vent-gap' && Math.max(...xs) - Math.min(...xs) < 2;
  });
  const side = sizes.overhangSide;
  if (!beside || side === undefined || side >= LEAST_SIDE || place.cover === 'under-cover')
    return [];
  return [
    {
      ...COMMON,
      id: 'overhang-side',
      severity: 'warn',
      role: null,
      text: text`The roof stands ${ofLength(side)} out over the gaps above the sides: rain drives in. ${ofLength(LEAST_SIDE)} or more, or vent through holes.`,
      remedies: [{ label: 'Widen the roof', apply: setSize('overhangSide', fromMm(12.7)) }],
    },
  ];
}
