import type { Cents } from '../../measure/index.js';
import { cheapestCover, least } from './cover.js';
import { dualWeightsFor } from './dual-weights.js';
import { nextSum } from './next-sum.js';
import type { BoundQuestion } from './relaxed.js';
import type { RelaxedProgramme } from './relaxed-programme.js';

export interface Bound {
  cost: Cents;
  proof: 'area' | 'lp' | 'exact';
}

/** Rounding of floating point in a sum of cents. */
const SLACK = 1e-4;

/**
 * The least that boards for these parts can cost, whatever the layout. A real bound: by area with kerfs and by length of parts that
 * cannot lie side by side, over all boards together.
 */
export function leastCost({ demands, stock, saw, left }: Omit<BoundQuestion, 'fits'>): Cents {
  if (demands.length === 0 || stock.length === 0) return 0;
  const measures = dualWeightsFor(demands, stock, saw);
  return cheapestCover(
    stock,
    measures,
    measures.map((measure) => least(demands, measure.weights, left)),
  );
}

/** The bound by column generation over relaxed patterns, all boards there to be taken. Yields between its rounds. */
export function* leastCostByColumns(
  question: BoundQuestion,
  programme: RelaxedProgramme,
): Generator<void, Bound, void> {
  const area = leastCost(question);
  if (programme.isEmpty) return { cost: area, proof: 'area' };
  const { cost } = yield* programme.under(programme.allBoards, Number.POSITIVE_INFINITY);
  const rounded = nextSum(Math.ceil(cost - SLACK), question.stock);
  return rounded > area ? { cost: rounded, proof: 'lp' } : { cost: area, proof: 'area' };
}
