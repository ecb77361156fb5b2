import { at, entry, maxBy, must } from '../lists/index.js';
import { type Degrees, fromMm, type Ticks } from '../measure/index.js';
import type { Tool } from './saws.js';
import type { Way } from './ways.js';

/** What a saw is set to. Two cuts with equal settings are made one after the other without a change. */
export interface Setting {
  tool: Tool;
  saw: string;
  angle: Degrees;
  tilt: Degrees;
  /** From the stop, or the fence of a rip; null: to a mark. */
  stop: Ticks | null;
  turned: Way['turned'];
}

/** A cut with the ways in which it can be made, on so many boards that are cut alike. */
export interface Choosable {
  ways: readonly Way[];
  boards: number;
}

export interface Chosen {
  way: Way;
  setting: Setting;
}

/** Angles this near to each other are one: less than a saw's scale shows. */
const ONE_ANGLE: Degrees = 0.08;
/** Distances this near to each other are one stop: under 0.1 mm from their middle. */
const ONE_STOP: Ticks = fromMm(0.18);

/** Values whose neighbours lie apart by no more than rounding are one, whatever lies before them. */
const ROUNDING = 0.15;

/** Sorted values in runs: a new run where `apart` says that a value no longer belongs to the one before, or to the first of its run. */
function runsOf(
  sorted: readonly number[],
  apart: (value: number, before: number, first: number) => boolean,
): number[][] {
  const runs: number[][] = [];
  for (const value of sorted) {
    const run = runs.at(-1);
    if (!run || apart(value, at(run, run.length - 1), at(run, 0))) runs.push([value]);
    else run.push(value);
  }
  return runs;
}

/** Values gathered so that those of a group lie within `width` of each other; each stands for the middle of its group. */
function gathered(values: readonly number[], width: number): Map<number, number> {
  const sorted = [...new Set(values)].sort((a, b) => a - b);
  const chains = runsOf(sorted, (value, before) => value - before > width * ROUNDING);
  const groups = chains.flatMap((chain) =>
    runsOf(chain, (value, _before, first) => value - first > width),
  );
  return new Map(
    groups.flatMap((group) => {
      const first = at(group, 0);
      // A square cut stays exactly square.
      const middle = first === 0 ? 0 : (first + at(group, group.length - 1)) / 2;
      return group.map((value) => [value, middle] as const);
    }),
  );
}

/** Settings as they would be for each way, their values gathered over all of them. */
function settingsOf(all: readonly Choosable[]): Map<Way, Setting> {
  const ways = all.flatMap((each) => each.ways);
  const angles = gathered(
    ways.map(({ angle }) => angle),
    ONE_ANGLE,
  );
  const tilts = gathered(
    ways.map(({ tilt }) => tilt),
    ONE_ANGLE,
  );
  const stops = gathered(
    ways.flatMap(({ distance }) => distance ?? []),
    ONE_STOP,
  );
  return new Map(
    ways.map((way) => [
      way,
      {
        tool: way.tool,
        saw: way.saw,
        angle: entry(angles, way.angle),
        tilt: entry(tilts, way.tilt),
        stop: way.distance === null ? null : entry(stops, way.distance),
        turned: way.turned,
      },
    ]),
  );
}

/** Settings with the same key need no change between them. */
export const keyOf = ({ tool, saw, angle, tilt, stop, turned }: Setting): string =>
  [tool, saw, angle, tilt, stop ?? 'mark', turned].join('|');

/** What a file tells of a setting: the way it is turned is told by how the pieces lie. */
export const toldOf = ({ tool, angle, tilt, stop }: Setting): string =>
  [tool, angle, tilt, stop].join('|');

const counted = (keys: Iterable<readonly [key: string, count: number]>): Map<string, number> => {
  const counts = new Map<string, number>();
  for (const [key, count] of keys) counts.set(key, (counts.get(key) ?? 0) + count);
  return counts;
};

/** Fewer cuts than this at one distance go to marks, if each can be laid so that no other shares its distance: a stop is soon set. */
const WORTH_A_STOP = 3;
/** Fewer than this where the blade is tilted or the fence turned: marks need no second setting of it. */
const WORTH_A_TURNED_STOP = 5;

/** The way of a cut that goes to a mark rather than to a stop that few others need; undefined where it goes to a stop. */
function markedWay(
  ways: readonly Way[],
  settings: ReadonlyMap<Way, Setting>,
  counts: ReadonlyMap<string, number>,
): Way | undefined {
  const countOf = (way: Way) => entry(counts, toldOf(entry(settings, way)));
  const lonely = ways.find((way) => way.tool === 'crosscut' && countOf(way) === 1);
  if (!lonely) return undefined;
  const worth = lonely.angle === 0 && lonely.tilt === 0 ? WORTH_A_STOP : WORTH_A_TURNED_STOP;
  return Math.max(...ways.map(countOf)) < worth ? lonely : undefined;
}

/**
 * Which way each cut is made, so that few settings do for all: again and again the setting that does for most cuts takes them all
 * (greedy set cover, Chvátal 1979, from memory). A crosscut whose distance no other shares goes to a mark instead of a stop.
 */
export function chooseWays(all: readonly Choosable[]): Chosen[] {
  const settings = settingsOf(all);
  const told = counted(
    all.flatMap(({ ways, boards }) =>
      [...new Set(ways.map((way) => toldOf(entry(settings, way))))].map(
        (key) => [key, boards] as const,
      ),
    ),
  );
  const keyed = all.map(({ ways, boards }) => ({
    boards,
    byKey: new Map(ways.map((way) => [keyOf(entry(settings, way)), way])),
  }));
  const chosen = new Map<number, Way>();
  for (const [index, { ways }] of all.entries()) {
    const way = markedWay(ways, settings, told);
    if (way) chosen.set(index, way);
  }
  while (chosen.size < all.length) {
    const open = keyed.flatMap((each, index) => (chosen.has(index) ? [] : [{ ...each, index }]));
    const counts = counted(
      open.flatMap(({ byKey, boards }) => [...byKey.keys()].map((key) => [key, boards] as const)),
    );
    const [key] = must(
      maxBy(counts, ([, count]) => count),
      'a setting',
    );
    for (const { byKey, index } of open) {
      const way = byKey.get(key);
      if (way) chosen.set(index, way);
    }
  }
  return marked(
    all,
    all.map((_each, index) => entry(chosen, index)),
    settings,
  );
}

/** Cuts whose distance no other has, to a mark. */
function marked(
  all: readonly Choosable[],
  ways: readonly Way[],
  settings: ReadonlyMap<Way, Setting>,
): Chosen[] {
  const shared = counted(
    ways.map((way, index) => [toldOf(entry(settings, way)), at(all, index).boards] as const),
  );
  return ways.map((way) => {
    const setting = entry(settings, way);
    const alone = way.tool === 'crosscut' && entry(shared, toldOf(setting)) === 1;
    return { way, setting: alone ? { ...setting, stop: null } : setting };
  });
}
