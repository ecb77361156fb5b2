import { loadSolver } from '../load-solver.js';
import {
  byKind,
  measureSet,
  resultLine,
  SET_HEAD,
  SETS,
  type SetName,
  setLine,
} from './measure-set.js';

/** The seeded sets alone: `node bench-sets/main.js [sawn|makers|rows …] [seconds]`. Prints, writes nothing. */
const solver = await loadSolver();
const words = process.argv.slice(2);
const seconds = words.map(Number).find((word) => Number.isFinite(word));
const names = (Object.keys(SETS) as SetName[]).filter(
  (name) => words.includes(name) || !words.some((word) => word in SETS),
);
const lines = names.flatMap((name) => {
  const results = measureSet(name, solver, (result) => console.log(resultLine(result)), seconds);
  return byKind(name, results).map(([kind, some]) => setLine(kind, some));
});
console.log([...SET_HEAD, ...lines].join('\n'));
