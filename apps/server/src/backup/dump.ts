import { spawn } from 'node:child_process';
import { once } from 'node:events';
import type { Knex } from 'knex';

/** What MariaDB's own programs need to reach a database. */
export interface Address {
  readonly host: string;
  readonly port: string;
  readonly user: string;
  readonly password: string;
  readonly database: string;
}

export const addressFrom = (environment: NodeJS.ProcessEnv): Address => ({
  host: environment.SPARE_KNOT_DB_HOST ?? '127.0.0.1',
  port: environment.SPARE_KNOT_DB_PORT ?? '3306',
  user: environment.SPARE_KNOT_DB_USER ?? 'spare_knot',
  password: environment.SPARE_KNOT_DB_PASSWORD ?? '',
  database: environment.SPARE_KNOT_DB_NAME ?? 'spare_knot',
});

/** One of MariaDB's programs failed: what it said. */
export class ToolFailed extends Error {}

async function run(
  program: string,
  options: readonly string[],
  { host, port, user, password, database }: Address,
  input: Uint8Array | null,
): Promise<Buffer> {
  const child = spawn(
    program,
    [
      '--no-defaults',
      '--protocol=tcp',
      `--host=${host}`,
      `--port=${port}`,
      `--user=${user}`,
      '--default-character-set=utf8mb4',
      ...options,
      database,
    ],
    { env: { ...process.env, MYSQL_PWD: password } },
  );
  const [out, complaints]: [Buffer[], Buffer[]] = [[], []];
  child.stdout.on('data', (bytes: Buffer) => out.push(bytes));
  child.stderr.on('data', (bytes: Buffer) => complaints.push(bytes));
  // It may end before it has read all: what it says is told below.
  child.stdin.on('error', () => {});
  child.stdin.end(input ?? '');
  const [code] = await once(child, 'close');
  if (code === 0) return Buffer.concat(out);
  throw new ToolFailed(`${program} failed: ${Buffer.concat(complaints).toString().trim()}`);
}

/** All tables with all rows as SQL, as they are at one moment. @throws ToolFailed */
export const dumpOf = (address: Address): Promise<Buffer> =>
  run(
    'mariadb-dump',
    ['--single-transaction', '--no-tablespaces', '--hex-blob', '--skip-dump-date'],
    address,
    null,
  );

/** Puts a dump into a database that has no tables. @throws ToolFailed */
export async function load(address: Address, dump: Uint8Array): Promise<void> {
  await run('mariadb', ['--batch', '--max-allowed-packet=128M'], address, dump);
}

export async function tablesOf(knex: Knex): Promise<string[]> {
  const rows = (await knex('information_schema.tables')
    .where({ table_schema: knex.raw('database()'), table_type: 'BASE TABLE' })
    .orderBy('table_name')
    .select({ name: 'table_name' })) as { name: string }[];
  return rows.map(({ name }) => name);
}

/** Rows of each table. */
export async function countsOf(knex: Knex): Promise<Record<string, number>> {
  const counts: Record<string, number> = {};
  for (const table of await tablesOf(knex)) {
    const [row] = await knex(table).count({ rows: '*' });
    counts[table] = Number(row?.rows);
  }
  return counts;
}

/** Takes every table away, whatever refers to it. */
export async function dropAll(knex: Knex): Promise<void> {
  const tables = await tablesOf(knex);
  // One connection, since the setting is its own.
  await knex.transaction(async (session) => {
    await session.raw('set foreign_key_checks = 0');
    for (const table of tables) await session.raw('drop table ??', [table]);
    await session.raw('set foreign_key_checks = 1');
  });
}
