import { endTrimOf, type LayoutJob, type Stock, suits } from '../../job/index.js';
import { at, maxBy } from '../../lists/index.js';
import { type Misfit, type Shape, shapesOf } from './shapes.js';

/** Which part can lie on which kind of board, in which ways, and if not, why not. */
export interface SuitedShapes {
  /** Ways of lying, by kind of board. */
  shapes: readonly (readonly Shape[])[];
  /** Kinds of boards by part. */
  partners: readonly ReadonlySet<number>[];
  /** Why a part does not lie on a kind, by part and kind; null where it does, or where the wood is another. */
  misfits: readonly (readonly (Misfit | null)[])[];
}

/** What decides in which ways a part may lie, beside the length. */
const likeness = (kind: Stock): string =>
  JSON.stringify([
    kind.material,
    kind.thickness,
    kind.width,
    kind.faceA,
    kind.faceB,
    kind.grained,
    kind.defects.length > 0,
  ]);

/** Every way in which every part can lie on every kind of board; kinds that differ in length alone share their ways. */
export function suitedShapes(job: LayoutJob): SuitedShapes {
  const room = (kind: Stock) => kind.length - 2 * endTrimOf(kind, job.saw);
  const alike = job.stock.map(likeness);
  const longest = new Map(
    alike.map((key) => [
      key,
      maxBy(
        job.stock.filter((_kind, index) => at(alike, index) === key),
        room,
      ),
    ]),
  );
  const found = job.parts.map((part, index) => {
    const known = new Map(
      [...longest].map(([key, kind]) => [
        key,
        kind && suits(part, kind) ? shapesOf(part, index, kind, job.saw) : null,
      ]),
    );
    return job.stock.map((kind, which): Shape[] | Misfit | null => {
      const ways = known.get(at(alike, which)) ?? null;
      if (!Array.isArray(ways)) return ways;
      const fitting = ways.filter(({ length }) => length <= room(kind));
      return fitting.length > 0 ? fitting : 'too large';
    });
  });
  return {
    shapes: job.stock.map((_stock, kind) =>
      found.flatMap((ways) => {
        const way = ways[kind];
        return Array.isArray(way) ? way : [];
      }),
    ),
    partners: found.map(
      (ways) => new Set(ways.flatMap((way, kind) => (Array.isArray(way) ? [kind] : []))),
    ),
    misfits: found.map((ways) => ways.map((way) => (Array.isArray(way) ? null : way))),
  };
}
