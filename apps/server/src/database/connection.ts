import type { Knex } from 'knex';

/**
 * How to reach MariaDB, from SPARE_KNOT_DB_* variables; a socket is preferred, then a loopback port.
 *
 * @param patience milliseconds until somebody who waits is told; a tool that nobody watches may wait longer
 */
export function connectionFromEnvironment(
  environment: NodeJS.ProcessEnv,
  patience = 3000,
): Knex.Config {
  const {
    SPARE_KNOT_DB_SOCKET: socketPath,
    SPARE_KNOT_DB_HOST: host,
    SPARE_KNOT_DB_PORT: port,
  } = environment;
  const connection = {
    ...(socketPath ? { socketPath } : { host: host ?? '127.0.0.1', port: Number(port ?? 3306) }),
    user: environment.SPARE_KNOT_DB_USER ?? 'spare_knot',
    password: environment.SPARE_KNOT_DB_PASSWORD ?? '',
    database: environment.SPARE_KNOT_DB_NAME ?? 'spare_knot',
    charset: 'utf8mb4',
    timezone: 'Z',
    supportBigNumbers: true,
    // Documents come as their words, by which those that were read lately are known.
    jsonStrings: true,
    connectTimeout: (patience * 2) / 3,
  };
  return {
    client: 'mysql2',
    connection,
    // More than write at a time: whoever waits for another's boards keeps nobody from reading.
    pool: { min: 0, max: 40 },
    acquireConnectionTimeout: patience,
    // Whoever asked is told, and the log says it once a request: not once a try.
    log: { warn() {}, error() {}, debug() {}, deprecate() {} },
  };
}
