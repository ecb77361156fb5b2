import { type Highs, highsSolver, type LinearSolver } from '@spare-knot/core/layout';

import highs from 'highs';

/** The package's types describe its CommonJS face; what is imported here is its ES module, whose default is the loader. */
const load = highs as unknown as () => Promise<Highs>;

/** HiGHS, loaded once. */
export const loadSolver = async (): Promise<LinearSolver> => highsSolver(await load());
