import { TICKS_PER_MM, toMm } from '../measure/index.js';
import type { Feature, PanelSet } from '../panels/index.js';
import type { Point } from '../plane/index.js';
import type { Vec3 } from '../solid/index.js';
import { zoneToFile } from './units.js';

const corner = ([x, y, z]: Vec3): [number, number, number] => [toMm(x), toMm(y), toMm(z)];
const flat = ([x, y]: Point): [number, number] => [toMm(x), toMm(y)];
const LENGTHS = new Set([
  'diameter',
  'width',
  'height',
  'clearance',
  'counterbore',
  'counterboreDepth',
]);
/** Directions, not points. */
const DIRECTIONS = new Set(['axis']);

function feature(of: Feature): Record<string, unknown> {
  return Object.fromEntries(
    Object.entries(of).map(([key, value]: [string, unknown]) => {
      if (Array.isArray(value))
        return DIRECTIONS.has(key) ? [key, value] : [key, flat(value as unknown as Point)];
      if (typeof value === 'number' && (LENGTHS.has(key) || key === 'depth'))
        return [key, toMm(value)];
      return [key, value];
    }),
  );
}

/** A panel set as a file writes it; see the published format `spare-knot/panel-set`, version 1. */
export function writePanelSet(box: PanelSet): Record<string, unknown> {
  return {
    format: 'spare-knot/panel-set',
    version: 1,
    cavities: box.cavities.map((cavity) => ({
      origin: corner(cavity.origin),
      width: toMm(cavity.width),
      depth: toMm(cavity.depth),
      heightFront: toMm(cavity.heightFront),
      heightBack: toMm(cavity.heightBack),
      sill: toMm(cavity.sill),
      ...(cavity.ridge !== undefined && { ridge: toMm(cavity.ridge) }),
    })),
    panels: box.panels.map((panel) => ({
      ...panel,
      thickness: toMm(panel.thickness),
      instances: panel.instances.map((instance) => ({
        solid: { vertices: instance.solid.vertices.map(corner), faces: instance.solid.faces },
        outsideNormal: instance.outsideNormal,
        frame: { origin: corner(instance.frame.origin), x: instance.frame.x },
      })),
      outline: panel.outline.map(flat),
      underside: panel.underside.map(flat),
      edges: panel.edges.map((edge) => ({ ...edge, length: toMm(edge.length) })),
      features: panel.features.map(feature),
      clear: panel.clear.map(zoneToFile),
      cutAway: panel.cutAway.map(zoneToFile),
    })),
    joints: box.joints.map(({ between, kind, contact, fastening }) => ({
      between,
      kind,
      contact: { length: toMm(contact.length), area: contact.area / TICKS_PER_MM ** 2 },
      ...(fastening && {
        fastening: {
          ...fastening,
          length: toMm(fastening.length),
          bite: toMm(fastening.bite),
          pilot: toMm(fastening.pilot),
          clearance: fastening.clearance === null ? null : toMm(fastening.clearance),
        },
      }),
    })),
    openings: box.openings.map((opening) => ({
      kind: opening.kind,
      polygon: opening.polygon.map(corner),
    })),
    ...(box.fittings && {
      fittings: box.fittings.map((fitting) =>
        fitting.kind === 'pipe'
          ? {
              kind: fitting.kind,
              from: corner(fitting.from),
              to: corner(fitting.to),
              bore: toMm(fitting.bore),
              outside: toMm(fitting.outside),
            }
          : { kind: fitting.kind, at: corner(fitting.at) },
      ),
    }),
  };
}
