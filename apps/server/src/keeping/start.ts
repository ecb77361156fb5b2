import { resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { House, HouseFailed } from './house.js';

/** What bin/start hands over to, when the folder is its own, the ports are free and all is built. */
const house = new House(
  {
    data: resolve(process.env.SPARE_KNOT_DATA ?? '.data'),
    databasePort: Number(process.env.SPARE_KNOT_DB_PORT),
    databaseProgram: fileURLToPath(new URL('../../../../bin/database', import.meta.url)),
    serverProgram: fileURLToPath(new URL('../main.js', import.meta.url)),
  },
  (words) => console.error(words),
);
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const)
  process.on(signal, () => house.stop());
try {
  await house.run();
} catch (error) {
  console.error(error instanceof HouseFailed ? error.message : error);
  process.exit(1);
}
// What still waits, for an end that is none any more, waits for nothing.
process.exit(0);
