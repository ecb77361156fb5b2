import highs from 'highs';
import { type Highs, highsSolver, type LinearSolver } from '../src/layout/index.js';

/** HiGHS, loaded from the package. Its types describe its CommonJS face; what is imported is its ES module. */
export const loadedHighs = highs as unknown as () => Promise<Highs>;

/** HiGHS for tests. */
export const testSolver = async (): Promise<LinearSolver> => highsSolver(await loadedHighs());
