import { loadSolver } from '../load-solver.js';
import { measureSet, resultLine, SETS, type SetName, setTable } from './measure-set.js';

/** The seeded sets alone: `node bench-sets/main.js [sawn|makers|rows|classes …] [seconds]`. Prints, writes nothing. */
const solver = await loadSolver();
const words = process.argv.slice(2);
const seconds = words.map(Number).find((word) => Number.isFinite(word)) ?? 5;
const names = (Object.keys(SETS) as SetName[]).filter(
  (name) => words.includes(name) || !words.some((word) => word in SETS),
);
for (const name of names) {
  const results = measureSet(name, solver, (result) => console.log(resultLine(result)), seconds);
  console.log(setTable(name, results).join('\n'));
}
