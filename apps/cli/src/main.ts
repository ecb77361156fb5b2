import { readFileSync } from 'node:fs';
import { boundsThread } from './bounds-thread.js';
import { loadSolver } from './load-solver.js';
import { run } from './run.js';

const args = process.argv.slice(2);
const result = run(
  args,
  (path) => readFileSync(path === '-' ? 0 : path, 'utf8'),
  () => performance.now(),
  args[0] === 'layout' ? { solver: await loadSolver(), proving: boundsThread } : undefined,
);
if (result.output !== '') process.stdout.write(`${result.output}\n`);
for (const line of result.messages) process.stderr.write(`${line}\n`);
process.exitCode = result.code;
