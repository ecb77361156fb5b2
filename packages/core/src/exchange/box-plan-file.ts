import { z } from 'zod';
import { animalById } from '../animals/index.js';
import { FAMILIES, type Family, familyById } from '../families/index.js';
import type { Problem } from '../job/index.js';
import { fastenerById } from '../panels/index.js';
import {
  type BoxPlan,
  type EarlierPlan,
  fromEarlier,
  keyProblems,
  type PanelWood,
  type PlanNote,
  UNKNOWN_PLACE,
  withLater,
} from '../plan/index.js';
import { plainText } from '../text/index.js';
import { factsOf } from '../wood/index.js';
import { type Read, readDocument } from './document.js';
import { finishSchema, placeSchema } from './place-file.js';
import { degrees, length, name, positiveLength } from './units.js';

export const PLAN_FORMAT = 'spare-knot/box-plan' as const;

const face = z.enum(['rough', 'planed']);
const id = z.string().min(1).max(60);
const words = z.string().max(200);

/** The first version: answers under `schools`, much left out. Read for ever. */
const earlierSchema = z.object({
  format: z.literal(PLAN_FORMAT),
  version: z.literal(1),
  family: id,
  animal: id.nullable().default(null),
  sizes: z.record(id, length),
  angles: z.record(id, degrees).default({}),
  schools: z.record(id, id).default({}),
  wood: z.record(
    id,
    z.object({
      thickness: positiveLength,
      width: positiveLength.nullable().default(null),
      material: name,
      faceA: face.exactOptional(),
      faceB: face.exactOptional(),
      assumed: z.array(id).max(20).exactOptional(),
    }),
  ),
});

const woodSchema = z.strictObject({
  thickness: positiveLength,
  width: positiveLength.nullable(),
  material: name,
  faceA: face,
  faceB: face,
  assumed: z.array(id).max(20).default([]),
  treatment: name.default('none'),
  grade: name.nullable().default(null),
  stamp: name.nullable().default(null),
  oldPaint: z.boolean().default(false),
  /** Two sheets glued and screwed into one; left out: one. */
  layers: z.literal(2).exactOptional(),
});

const rest = {
  place: placeSchema.default({ ...UNKNOWN_PLACE }),
  finish: z.array(finishSchema).max(20).default([]),
  fasteners: z.record(id, id.nullable()).default({ default: null }),
  hanging: id.nullable().default(null),
};

/** The second version, whatever its family: which keys and answers there are is held against the family afterwards. */
const anyFamilySchema = z.strictObject({
  format: z.literal(PLAN_FORMAT),
  version: z.literal(2),
  family: id,
  animals: z.array(id).max(20),
  sizes: z.record(id, length),
  angles: z.record(id, degrees),
  choices: z.record(id, words),
  wood: z.record(id, woodSchema),
  ...rest,
});

type PlanFile = z.output<typeof anyFamilySchema>;

/** Wood as a plan has it: what nobody said stays away. */
const plainWood = ({
  thickness,
  width,
  material,
  faceA,
  faceB,
  layers,
  ...facts
}: PlanFile['wood'][string]): PanelWood => ({
  thickness,
  width,
  material,
  faceA,
  faceB,
  ...factsOf(facts),
  ...(layers && { layers }),
});

const woodToFile = (wood: PanelWood): PlanFile['wood'][string] => ({
  thickness: wood.thickness,
  width: wood.width,
  material: wood.material,
  faceA: wood.faceA,
  faceB: wood.faceB,
  assumed: [...(wood.assumed ?? [])],
  treatment: wood.treatment ?? 'none',
  grade: wood.grade ?? null,
  stamp: wood.stamp ?? null,
  oldPaint: wood.oldPaint ?? false,
  ...(wood.layers && { layers: wood.layers }),
});

const mapped = <A, B>(
  record: Readonly<Record<string, A>>,
  of: (value: A) => B,
): Record<string, B> =>
  Object.fromEntries(Object.entries(record).map(([key, value]) => [key, of(value)]));

const unknownFamily = (family: string): Problem => ({
  path: 'family',
  message: `the family “${family}” is not known; known are ${FAMILIES.map((each) => each.id).join(', ')}`,
});

/** Names in a plan that nobody knows: animals, fasteners, the panels those go through. */
function nameProblems({ roles }: Family, { animals, fasteners }: BoxPlan): Problem[] {
  const isRole = (role: string) => role === 'default' || roles.some((each) => each.id === role);
  return [
    ...animals.flatMap((animal, index) =>
      animalById(animal)
        ? []
        : [{ path: `animals[${index}]`, message: `the animal “${animal}” is not known` }],
    ),
    ...Object.entries(fasteners).flatMap(([role, fastener]): Problem[] => {
      const path = `fasteners.${role}`;
      if (!isRole(role)) return [{ path, message: `there is no panel “${role}” here` }];
      if (fastener === null || fastenerById(fastener)) return [];
      return [{ path, message: `the fastener “${fastener}” is not known` }];
    }),
  ];
}

/** Everything in a plan that its family does not know, at its path. */
function problemsIn(family: Family, plan: BoxPlan): Problem[] {
  const strayWood = Object.keys(plan.wood).filter(
    (role) => !family.roles.some((each) => each.id === role),
  );
  return [
    ...keyProblems(family, plan).map(({ field, message }) => ({
      path: field,
      message: plainText(message),
    })),
    ...strayWood.map((role) => ({
      path: `wood.${role}`,
      message: `“${role}” is no panel of ${family.name}`,
    })),
    ...nameProblems(family, plan),
  ];
}

export interface PlanReading {
  plan: BoxPlan;
  /** What an earlier file left out or said beyond what is known. */
  notes: Problem[];
}

const toldNote = ({ path, message }: PlanNote): Problem => ({ path, message: plainText(message) });

function fromFile(file: PlanFile): Read<PlanReading> {
  const family = familyById(file.family);
  if (!family) return { ok: false, problems: [unknownFamily(file.family)] };
  const { format: _format, version: _version, wood, ...chosen } = file;
  const { plan, notes } = withLater(family, { ...chosen, wood: mapped(wood, plainWood) });
  const problems = problemsIn(family, plan);
  if (problems.length > 0) return { ok: false, problems };
  return { ok: true, value: { plan, notes: notes.map(toldNote) } };
}

/** An earlier file made whole; its unknown answers are its only problems. */
function fromEarlierFile(file: EarlierPlan): Read<PlanReading> {
  const family = familyById(file.family);
  if (!family) return { ok: false, problems: [unknownFamily(file.family)] };
  const { plan, notes } = fromEarlier(family, file);
  const problems = problemsIn(family, plan).map(({ path, message }) => ({
    path: path.replace(/^choices/, 'schools').replace(/^animals\[0\]/, 'animal'),
    message,
  }));
  if (problems.length > 0) return { ok: false, problems };
  return { ok: true, value: { plan, notes: notes.map(toldNote) } };
}

const anyVersion = z.discriminatedUnion('version', [earlierSchema, anyFamilySchema]);

const toFile = ({ family, animals, sizes, angles, choices, wood, ...more }: BoxPlan): PlanFile => ({
  format: PLAN_FORMAT,
  version: 2,
  family,
  animals: [...animals],
  sizes: { ...sizes },
  angles: { ...angles },
  choices: { ...choices },
  wood: mapped(wood, woodToFile),
  place: { ...more.place },
  finish: more.finish.map((coat) => ({ ...coat })),
  fasteners: { ...more.fasteners },
  hanging: more.hanging,
});

/** A box plan inside another document: any version in, the newest out. What its family does not know is named at its path. */
export const planDocument = z.codec(anyVersion, z.custom<BoxPlan>(), {
  decode(file, context) {
    const read = file.version === 1 ? fromEarlierFile(file) : fromFile(file);
    if (read.ok) return read.value.plan;
    for (const { path, message } of read.problems)
      context.issues.push({ code: 'custom', input: file, path: path.split('.'), message });
    return z.NEVER;
  },
  encode: toFile,
});

/** A box plan out of a file of its own, with what an earlier version left to be said. */
export function readBoxPlan(text: string): Read<PlanReading> {
  const read = readDocument(text, PLAN_FORMAT, 2, anyVersion);
  if (!read.ok) return read;
  return read.value.version === 1 ? fromEarlierFile(read.value) : fromFile(read.value);
}

/** A box plan as a file writes it: choices only, lengths in millimetres, angles in degrees. */
export const writeBoxPlan = (plan: BoxPlan): z.input<typeof anyFamilySchema> =>
  z.encode(anyFamilySchema, toFile(plan));

/** Ranges in millimetres beside a length. */
const ranged = (each: Family['parameters'][number]) => {
  const per = each.kind === 'angle' ? 1 : 320;
  const limits = { minimum: each.min / per, maximum: each.max / per, description: each.help };
  const value = (each.kind === 'angle' ? degrees : length).meta(limits);
  return each.meant === undefined ? value : value.optional();
};

/** The plan of one family, every key and answer by name: what its file is documented by. */
function familySchema({ id: family, parameters, choices, roles }: Family) {
  const of = (kind: 'length' | 'angle') =>
    Object.fromEntries(
      parameters.filter((each) => each.kind === kind).map((each) => [each.id, ranged(each)]),
    );
  const answers = choices.map(({ id: key, options, words: letters, label, meant }) => {
    const answer =
      letters === undefined ? z.enum(options.map((each) => each.id)) : z.string().max(letters);
    const told = answer.meta({ description: label });
    return [key, meant === undefined ? told : told.optional()];
  });
  return z.strictObject({
    format: z.literal(PLAN_FORMAT),
    version: z.literal(2),
    family: z.literal(family),
    animals: z.array(id).max(20),
    sizes: z.strictObject(of('length')),
    angles: z.strictObject(of('angle')),
    choices: z.strictObject(Object.fromEntries(answers)),
    wood: z.strictObject(Object.fromEntries(roles.map((role) => [role.id, woodSchema.optional()]))),
    ...rest,
  });
}

/** The newest version, one shape for each family, made from the families' own declarations. */
export const boxPlanSchema = () =>
  z.union(FAMILIES.map(familySchema) as [ReturnType<typeof familySchema>]);
