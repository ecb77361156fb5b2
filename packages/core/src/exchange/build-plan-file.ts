import { z } from 'zod';
import {
  type BoredHole,
  type BuildPlan,
  type FromEdge,
  HOLE_USES,
  type StepJoint,
} from '../building/index.js';
import { TICKS_PER_MM, type Ticks, toMm } from '../measure/index.js';
import type { PanelCopy, PanelSet } from '../panels/index.js';
import { plainText } from '../text/index.js';
import { count, name } from './units.js';

export const BUILD_PLAN_FORMAT = 'spare-knot/build-plan' as const;

const mm = z.number();
const from = z.union([
  z.object({ edge: count, distance: mm }),
  z.object({ corner: count, distance: mm }),
  z.object({ face: z.literal('outside'), distance: mm }),
]);
/** A panel, with the number of its copy where there are several. */
const copy = z.union([name, z.object({ panel: name, instance: count })]);
const pair = z.tuple([copy, copy]);
const some = z.string().max(400);

const holeSchema = z.object({
  panel: name,
  instance: count,
  for: z.enum(HOLE_USES),
  face: z.enum(['outside', 'inside', 'edge']),
  edge: count.optional(),
  at: z.tuple([mm, mm]),
  diameter: mm.positive().optional(),
  shape: z.enum(['oval', 'arch', 'square']).optional(),
  width: mm.positive().optional(),
  height: mm.positive().optional(),
  depth: z.union([z.literal('through'), mm.positive()]),
  axis: z.tuple([z.number(), z.number(), z.number()]),
  from: z.tuple([from, from]),
  bit: some,
  drillWith: z.array(name).optional(),
});

/** A build plan as a file has it: lengths in millimetres, weights in kilograms, times of one box in minutes. */
export const buildPlanSchema = z.object({
  format: z.literal(BUILD_PLAN_FORMAT),
  version: z.literal(1),
  boxes: count,
  holes: z.array(holeSchema),
  assembly: z.array(
    z.object({
      add: z.array(copy).min(1),
      onto: z.array(copy),
      down: z.enum(['top', 'bottom', 'front', 'back', 'left', 'right']),
      joints: z.array(
        z.object({
          between: pair,
          fastener: name.nullable(),
          count,
          drivenFrom: copy.nullable(),
          glue: z.boolean(),
        }),
      ),
      check: some,
    }),
  ),
  hardware: z.array(z.object({ item: name, forOneBox: count, forAll: count, spare: count })),
  finish: z.array(
    z.object({
      what: some,
      where: some,
      squareMetres: z.number(),
      litres: z.number(),
      coats: count,
      waitHours: z.number(),
    }),
  ),
  seal: z.array(z.object({ what: some, metres: z.number(), where: z.array(name) })),
  letters: z.array(z.object({ letter: z.string().max(4), between: pair })),
  weight: z.object({ dry: z.number(), wet: z.number(), withFixings: z.number() }),
  hanging: z.object({
    way: some,
    parts: z.array(z.object({ item: some, count: z.number() })),
    holes: z.array(holeSchema),
  }),
  minutes: z.object({
    drilling: z.number(),
    assembly: z.number(),
    finish: z.number(),
    waitHours: z.number(),
  }),
});
export type BuildPlanFile = z.input<typeof buildPlanSchema>;

const rounded = (value: number, places: number): number => Number(value.toFixed(places)) || 0;
const fine = (ticks: Ticks): number => rounded(toMm(ticks), 5);

const fromFile = (each: FromEdge): BuildPlanFile['holes'][number]['from'][number] => ({
  ...each,
  distance: fine(each.distance),
});

function holeFile({ size, face, depth, axis, ...hole }: BoredHole): BuildPlanFile['holes'][number] {
  const [a, b] = hole.from;
  return {
    panel: hole.panel,
    instance: hole.instance,
    for: hole.for,
    ...(typeof face === 'string' ? { face } : { face: 'edge' as const, edge: face.edge }),
    at: [fine(hole.at[0]), fine(hole.at[1])],
    ...(size.shape === 'round'
      ? { diameter: fine(size.diameter) }
      : { shape: size.shape, width: fine(size.width), height: fine(size.height) }),
    depth: depth === 'through' ? depth : fine(depth),
    axis: [rounded(axis[0], 9), rounded(axis[1], 9), rounded(axis[2], 9)],
    from: [fromFile(a), fromFile(b)],
    bit: hole.bit.plain,
    ...(hole.drillWith.length > 0 && { drillWith: [...hole.drillWith] }),
  };
}

/** A build plan as a file writes it; see the published format `spare-knot/build-plan`, version 1. */
export function writeBuildPlan(build: BuildPlan, { panels }: PanelSet): BuildPlanFile {
  const several = new Set(
    panels.flatMap(({ id, instances }) => (instances.length > 1 ? [id] : [])),
  );
  const copyFile = ({ panel, instance }: PanelCopy) =>
    several.has(panel) ? { panel, instance } : panel;
  const pairFile = ([a, b]: readonly [PanelCopy, PanelCopy]): [
    ReturnType<typeof copyFile>,
    ReturnType<typeof copyFile>,
  ] => [copyFile(a), copyFile(b)];
  const jointFile = (joint: StepJoint) => ({
    between: pairFile(joint.between),
    fastener: joint.fastener,
    count: joint.count,
    drivenFrom: joint.drivenFrom && copyFile(joint.drivenFrom),
    glue: joint.glue,
  });
  const { seal, weight, hanging, times } = build;
  const holes = build.holes.map(holeFile);
  return {
    format: BUILD_PLAN_FORMAT,
    version: 1,
    boxes: build.boxes,
    holes,
    assembly: build.steps.map(({ add, onto, down, joints, check }) => ({
      add: add.map(copyFile),
      onto: onto.map(copyFile),
      down,
      joints: joints.map(jointFile),
      check: plainText(check),
    })),
    hardware: build.hardware.map((each) => ({ ...each })),
    finish: build.finish.map((each) => ({
      what: plainText(each.name),
      where: each.where,
      squareMetres: rounded(each.squareMetres, 4),
      litres: rounded(each.millilitres / 1000, 3),
      coats: each.coats,
      waitHours: each.waitHours,
    })),
    seal:
      seal.length > 0
        ? [
            {
              what: 'exterior caulk',
              metres: rounded(seal.length / TICKS_PER_MM / 1000, 3),
              where: [...seal.where],
            },
          ]
        : [],
    letters: build.letters.map(({ letter, between }) => ({ letter, between: pairFile(between) })),
    weight: {
      dry: rounded(weight.dry, 3),
      wet: rounded(weight.wet, 3),
      withFixings: rounded(weight.withFixings, 3),
    },
    hanging: {
      way: hanging.name,
      parts: hanging.parts.map((part) => ({
        item: plainText(part.name),
        count: part.quantity,
      })),
      holes: holes.filter((hole) => hole.for === 'mount'),
    },
    minutes: {
      drilling: rounded(times.drilling, 1),
      assembly: rounded(times.assembly, 1),
      finish: rounded(times.finish, 1),
      waitHours: times.waitHours,
    },
  };
}
