/** The connection was lost while a transaction was being committed: whether it was kept is not known here. */
export class OutcomeUnknown extends Error {}

const codeOf = (error: unknown): string => {
  const code = error instanceof Error ? (error as Error & { code?: unknown }).code : undefined;
  return typeof code === 'string' ? code : '';
};

/** A deadlock and a lock that was waited for too long: the transaction is gone, and may be tried again. */
const LOCKED = new Set(['ER_LOCK_DEADLOCK', 'ER_LOCK_WAIT_TIMEOUT']);
export const isLocked = (error: unknown): boolean => LOCKED.has(codeOf(error));

const AWAY = new Set([
  'PROTOCOL_CONNECTION_LOST',
  'ECONNREFUSED',
  'ECONNRESET',
  'EPIPE',
  'ETIMEDOUT',
  'ENOENT',
  'ER_SERVER_SHUTDOWN',
  'ER_CONNECTION_KILLED',
  'ER_QUERY_INTERRUPTED',
  'ER_NORMAL_SHUTDOWN',
  'ER_CON_COUNT_ERROR',
]);

/** The database does not answer, or has closed the connection: whatever was not committed is gone. */
export const isAway = (error: unknown): boolean =>
  AWAY.has(codeOf(error)) ||
  (error instanceof Error &&
    (error.name === 'KnexTimeoutError' || (error as Error & { fatal?: boolean }).fatal === true));

const FULL = new Set([
  'ER_DISK_FULL',
  'ER_RECORD_FILE_FULL',
  'ER_ERROR_ON_WRITE',
  'ER_TEMP_FILE_WRITE_FAILURE',
  'ENOSPC',
]);
/** The system's numbers for no space, and for more than one may use. */
const NO_SPACE = /(errno: (28|122)|No space left|Errcode: (28|122))/;

/** There is no room on the disk: nothing was kept. */
export const isFull = (error: unknown): boolean =>
  FULL.has(codeOf(error)) || (error instanceof Error && NO_SPACE.test(error.message));
