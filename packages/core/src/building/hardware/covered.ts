import { sum } from '../../lists/index.js';
import { fromMm, type Ticks } from '../../measure/index.js';
import {
  type Joint,
  type JointKind,
  measuresOf,
  type Panel,
  type PanelSet,
} from '../../panels/index.js';
import type { BoxPlan, Finish } from '../../plan/index.js';
import { ofArea, ofHeight, ofLength, type Text, text } from '../../text/index.js';
import { isSheet } from '../../wood/index.js';
import { outsideArea } from '../surfaces.js';
import { bought, type HardwareLine, overFeatures, squareMetres } from './line.js';

/** One coat covers about 10 m² a litre on planed and half of that on rough wood; two coats. Common practice, no source. */
const FINISH_ML_PER_M2 = 300;

/** Roles that stand behind or on others and have no seam of their own. */
const STICKS = [
  'batten',
  'corner',
  'rafter',
  'post',
  'lid-batten',
  'bearer',
  'rim',
  'perch-strip',
  'perch-rod',
  'cleat',
  'ladder',
  'outer-ladder',
  'spacer',
  'strut',
  'frame',
  'tray',
];

/** What takes no caulk: sticks, and what holds a roof from below. */
const NO_SEAM = [...STICKS, 'roof-triangle'];

/** A slope or a lid that weather falls on: not what holds it from below. */
const isRoof = (role: string): boolean =>
  /^(roof|lid)/.test(role) && role !== 'roof-triangle' && !STICKS.includes(role);

const RIGID: readonly JointKind[] = ['butt', 'let-in', 'glued'];

/** Whether two panels never move against each other: a chain of joints that stay holds them together. */
function heldTogether({ panels, joints }: PanelSet): (a: string, b: string) => boolean {
  const body = new Map(panels.map(({ id }) => [id, id]));
  const of = (id: string) => body.get(id) ?? id;
  for (const { between, kind } of joints) {
    if (!RIGID.includes(kind)) continue;
    const [to, from] = [of(between[0]), of(between[1])];
    for (const [id, own] of body) if (own === from) body.set(id, to);
  }
  return (a, b) => of(a) === of(b);
}

export function meshLine(box: PanelSet): HardwareLine[] {
  const area = overFeatures(box, (feature) =>
    feature.kind === 'mesh' ? squareMetres(feature.width * feature.height) : 0,
  );
  return bought({
    id: 'mesh',
    name: text`Mesh, ${ofLength(fromMm(6))}`,
    quantity: Math.ceil(area * 1e4 * 1.2),
    unit: 'cm²',
    why: text`Its size and a fifth more, to fold the cut edges under.`,
  });
}

/** Seams that are caulked: where two panels touch that stay together, sticks left out; never what swings, lifts or comes off. */
export function caulkedSeams({ choices }: BoxPlan, box: PanelSet): readonly Joint[] {
  const { joints, panels } = box;
  const { caulk = 'none' } = choices;
  if (caulk === 'none') return [];
  const roleOf = new Map(panels.map(({ id, role }) => [id, role]));
  const stays = heldTogether(box);
  return joints.filter(({ between }) => {
    const roles = between.map((id) => roleOf.get(id) ?? '');
    if (roles.some((role) => NO_SEAM.includes(role)) || !stays(...between)) return false;
    return caulk === 'all' || roles.some(isRoof);
  });
}

/** How much caulk: along each seam, on both sides where all are caulked. */
export function caulkLength({ choices }: BoxPlan, seams: readonly Joint[]): Ticks {
  const long = sum(seams.map(({ contact }) => contact.length));
  return Math.round(choices.caulk === 'all' ? 2 * long : long);
}

export function caulkLines(plan: BoxPlan, box: PanelSet): HardwareLine[] {
  const { caulk = 'none' } = plan.choices;
  const seams = caulkedSeams(plan, box);
  const long = sum(seams.map(({ contact }) => contact.length));
  return bought({
    id: 'caulk',
    name: text`Exterior caulk`,
    quantity: caulkLength(plan, seams),
    unit: 'metres',
    why:
      caulk === 'all'
        ? text`Along ${seams.length} seams, ${ofHeight(long)}, inside and out; let it skin before the next step.`
        : text`A bead under the roof, along ${ofHeight(long)}.`,
  });
}

const COVERS: Readonly<Record<string, readonly [name: string, why: string]>> = {
  metal: ['Sheet metal for the roof', 'folded down over its edges'],
  felt: ['Roofing felt', 'turned under its edges and tacked'],
  shingles: ['Shingles', 'laid in courses that lap by half'],
};
/** A cover is so much larger than the roof: turned over its edges, or lapped. Common practice, no source. */
const COVER_MORE: Readonly<Record<string, number>> = { metal: 1.15, felt: 1.15, shingles: 2 };

export function coverLines({ choices }: BoxPlan, { panels }: PanelSet): HardwareLine[] {
  const { cover = 'none' } = choices;
  const named = COVERS[cover];
  if (!named) return [];
  const roofs = panels.filter(({ role }) => isRoof(role));
  const area = sum(
    roofs.map((panel) => {
      const { blankLength, blankWidth } = measuresOf(panel);
      return squareMetres(blankLength * blankWidth) * panel.instances.length;
    }),
  );
  return bought({
    id: 'cover',
    name: text`${named[0]}`,
    quantity: Math.ceil(area * (COVER_MORE[cover] ?? 1) * 1e4),
    unit: 'cm²',
    why: text`Over ${ofArea(area)} of roof, ${named[1]}.`,
  });
}

/** A plate round each round entrance. */
export function plateLines({ choices }: BoxPlan, box: PanelSet): HardwareLine[] {
  if (choices.holePlate !== 'plate') return [];
  const holes = box.panels.flatMap(({ features, instances }) =>
    features.flatMap((feature) =>
      feature.kind === 'entrance' && feature.shape === 'round'
        ? instances.map(() => feature.diameter)
        : [],
    ),
  );
  return [...new Set(holes)].map((diameter) => ({
    id: `plate-${diameter}`,
    name: text`Hole plate, hole ${ofLength(diameter)}`,
    quantity: holes.filter((each) => each === diameter).length,
    unit: 'pieces',
    why: text`Screwed on round the entrance, its hole as large as the wood’s; file its edge smooth.`,
  }));
}

const coatName = ({ what, base }: Finish): Text => {
  if (what === 'oil') return text`Linseed oil`;
  const word = base === 'oil' ? 'Oil-based' : 'Water-based';
  return text`${base === null ? 'Exterior' : word} ${what}`;
};

/** The edges of panels of sheet, in square ticks. */
const sheetEdges = ({ wood }: BoxPlan, { panels }: PanelSet): number =>
  sum(
    panels
      .filter(({ role }) => isSheet(wood[role]?.material ?? ''))
      .map(
        ({ edges, thickness, instances }) =>
          sum(edges.map(({ length }) => length)) * thickness * instances.length,
      ),
  );

const isOnRoof = ({ where }: Finish): boolean => /roof|lid/i.test(where);
const isOnEdges = ({ where }: Finish): boolean => /edge/i.test(where);

/** One finish of the plan: how much of the box it covers, how often, with what wait after each coat. */
export interface Coats {
  finish: Finish;
  name: Text;
  where: string;
  squareMetres: number;
  millilitres: number;
  coats: number;
  /** After each coat, until the next or until it hangs. */
  waitHours: number;
}

const COATS = 2;
/** Oil, and what is thinned with oil or not known, dries overnight; water-based coats in some hours. Common practice, no source; the tin says. */
const WAIT = { water: 4, oil: 24 } as const;

const waitAfter = ({ what, base }: Finish): number =>
  what !== 'oil' && base === 'water' ? WAIT.water : WAIT.oil;

/** The finishes of a plan over the faces that each covers. */
export function coatsOf(plan: BoxPlan, box: PanelSet): Coats[] {
  const { finish } = plan;
  if (finish.length === 0) return [];
  const apart = finish.some(isOnRoof);
  const roofs = ({ role }: Panel) => isRoof(role);
  const areas = (coat: Finish): readonly [area: number, where: string] => {
    if (isOnEdges(coat)) return [sheetEdges(plan, box), 'the plies’ edges'];
    if (isOnRoof(coat)) return [outsideArea(box, roofs), 'the roof'];
    return apart
      ? [outsideArea(box, (panel) => !roofs(panel)), 'outside but the roof']
      : [outsideArea(box), 'outside'];
  };
  return finish.map((coat) => {
    const [ticks, where] = areas(coat);
    const area = squareMetres(ticks);
    return {
      finish: coat,
      name: coatName(coat),
      where,
      squareMetres: area,
      millilitres: Math.ceil(area * FINISH_ML_PER_M2),
      coats: COATS,
      waitHours: waitAfter(coat),
    };
  });
}

/** The line of a finish, by its place in the plan. */
export const finishId = (index: number): string => (index === 0 ? 'finish' : `finish-${index + 1}`);

export const finishLines = (plan: BoxPlan, box: PanelSet): HardwareLine[] =>
  coatsOf(plan, box).map(({ name, where, squareMetres: area, millilitres }, index) => ({
    id: finishId(index),
    name,
    quantity: millilitres,
    unit: 'ml',
    why: text`Two coats on ${ofArea(area)} of ${where}; nothing inside or round the entrance.`,
  }));
