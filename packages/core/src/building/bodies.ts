import { at } from '../lists/index.js';
import type { Panel, PanelInstance, PanelSet } from '../panels/index.js';
import type { Point } from '../plane/index.js';
import {
  add,
  areaVector,
  type ConvexSolid,
  chordThrough,
  cross,
  dot,
  type HalfSpace,
  lengthOf,
  scale,
  subtract,
  unit,
  type Vec3,
} from '../solid/index.js';

/** One copy of a panel where it stands in the box. Lengths in ticks. */
export interface Body {
  panel: Panel;
  instance: number;
  corners: readonly Vec3[];
  /** Its faces’ planes, normals outwards. */
  planes: readonly HalfSpace[];
  outsideNormal: Vec3;
  frame: { origin: Vec3; x: Vec3; y: Vec3 };
}

/** Faces with less area than this, in square ticks, are too narrow for their rounded corners to tell their direction. */
const LEAST_AREA = 1;

/** A flat face’s plane, its normal outwards; none for one that is too narrow. */
export function planeOf(corners: readonly Vec3[]): HalfSpace | null {
  const area = areaVector(corners);
  if (lengthOf(area) < LEAST_AREA) return null;
  const normal = unit(area);
  return { normal, offset: Math.max(...corners.map((each) => dot(each, normal))) };
}

const planesOf = ({ solid: { vertices, faces } }: PanelInstance): HalfSpace[] =>
  faces.flatMap((face) => planeOf(face.map((index) => at(vertices, index))) ?? []);

/** Every copy of every panel of a box, in the order of the panel set. */
export const bodiesOf = ({ panels }: PanelSet): Body[] =>
  panels.flatMap((panel) =>
    panel.instances.map((instance, index): Body => {
      const { frame, outsideNormal, solid } = instance;
      return {
        panel,
        instance: index,
        corners: solid.vertices,
        planes: planesOf(instance),
        outsideNormal,
        frame: { ...frame, y: cross(outsideNormal, frame.x) },
      };
    }),
  );

/** A body with its faces, as solids are compared. */
export const solidOf = ({ panel, instance }: Body): ConvexSolid => {
  const { vertices, faces } = at(panel.instances, instance).solid;
  return {
    faces: faces.flatMap((face) => {
      const corners = face.map((index) => at(vertices, index));
      const plane = planeOf(corners);
      return plane ? [{ plane, corners }] : [];
    }),
  };
};

/** A point of the panel’s frame in box space, so deep under its outside face. */
export const inBox = ({ frame, outsideNormal }: Body, [x, y]: Point, deep = 0): Vec3 =>
  subtract(
    add(frame.origin, add(scale(frame.x, x), scale(frame.y, y))),
    scale(outsideNormal, deep),
  );

/** A point of box space in the panel’s frame, and how deep it lies under the outside face. */
export function inFrame({ frame, outsideNormal }: Body, point: Vec3): { at: Point; deep: number } {
  const from = subtract(point, frame.origin);
  return { at: [dot(from, frame.x), dot(from, frame.y)], deep: -dot(from, outsideNormal) };
}

/** Where a line enters and leaves a body, measured from a point along a direction of length 1; null where it misses. */
export const chordOf = (
  { planes }: Body,
  from: Vec3,
  direction: Vec3,
): readonly [enter: number, leave: number] | null => chordThrough(planes, from, direction);

/** What tells one copy from all others. */
export const bodyKey = (panel: string, instance: number): string => `${panel}:${instance}`;
export const keyOf = ({ panel, instance }: Body): string => bodyKey(panel.id, instance);
