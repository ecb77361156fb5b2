import { readFileSync } from 'node:fs';
import { run } from './run.js';

const result = run(
  process.argv.slice(2),
  (path) => readFileSync(path === '-' ? 0 : path, 'utf8'),
  () => performance.now(),
);
if (result.output !== '') process.stdout.write(`${result.output}\n`);
for (const line of result.messages) process.stderr.write(`${line}\n`);
process.exitCode = result.code;
