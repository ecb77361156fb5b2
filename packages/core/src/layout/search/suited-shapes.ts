import { type LayoutJob, suits } from '../../job/index.js';
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

/** Every way in which every part can lie on every kind of board. */
export function suitedShapes(job: LayoutJob): SuitedShapes {
  const found = job.parts.map((part, index) =>
    job.stock.map((stock) => (suits(part, stock) ? shapesOf(part, index, stock, job.saw) : null)),
  );
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
