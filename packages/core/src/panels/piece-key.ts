import { digestOf } from '../lists/index.js';
import type { Feature, Panel } from './panel-set.js';

/** Bored when the box goes together, through both pieces at once: a piece that lies ready may be without them. */
const BORED_LATE: ReadonlySet<Feature['kind']> = new Set(['pilot', 'mount']);

/** Steps in which two sizes are one: 1/32 mm, far under what any saw or bit holds. */
const STEP = 10;

const rounded = (value: unknown): unknown => {
  if (typeof value === 'number') return Math.round(value / STEP);
  if (Array.isArray(value)) return value.map(rounded);
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(Object.entries(value).map(([key, each]) => [key, rounded(each)]));
};

/** A direction or a lean keeps its thousandths; all else is lengths. */
function featureWords(feature: Feature): unknown {
  const axis = 'axis' in feature ? feature.axis : undefined;
  const tilt = 'tilt' in feature ? feature.tilt : undefined;
  const fine = (value: number) => Math.round(value * 1000);
  return [
    rounded({ ...feature, axis: undefined, tilt: undefined }),
    axis?.map(fine) ?? null,
    tilt === undefined ? null : fine(tilt),
  ];
}

/**
 * What a panel is as a piece of wood, as a name: thickness, both faces, which of them is to be rough, grain, entrance, vents, drains and
 * grooves, but neither what it is called nor where it stands, nor holes that are bored when the box goes together. Panels of two plans
 * with one key take each other's place; left and right differ, as their shapes do. The same on any machine.
 *
 * @param sheets how many sheets it is glued up of; 1 for one board
 */
export const pieceKey = (panel: Panel, sheets = 1): string =>
  digestOf([
    rounded([panel.thickness, panel.outline, panel.underside]),
    [panel.grain, panel.outside, panel.inside, panel.fromLog ?? false, sheets],
    panel.features.filter(({ kind }) => !BORED_LATE.has(kind)).map(featureWords),
  ]);
