import { createHash } from 'node:crypto';
import { strFromU8, strToU8, unzipSync, type Zippable, zipSync } from 'fflate';
import { z } from 'zod';

const FORMAT = 'spare-knot/backup' as const;

const about = z.object({
  format: z.literal(FORMAT),
  version: z.number().int(),
  written: z.iso.datetime(),
  /** The last migration that the dump has. */
  schema: z.string().min(1),
  /** Rows of each table. */
  tables: z.record(z.string(), z.number().int().nonnegative()),
});
export type About = Omit<z.output<typeof about>, 'format' | 'version'>;

/** A file that is no backup, or is not whole, or was altered: the message says which. */
export class NotABackup extends Error {}

const SEAL = 'sha256:';
const SEAL_LENGTH = SEAL.length + 64;
/** A ZIP file ends with this record, 22 bytes long, when it has no comment; its last two bytes are the comment's length. */
const COMMENT_LENGTH = 2;

const hash = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex');

/**
 * A backup in one file: a ZIP that any program opens, with the dump, whatever is to be read beside it, and what is in it. The ZIP's
 * own comment is the SHA-256 of all that stands before it, so that a file that was cut or altered anywhere is known.
 */
export function sealBackup(told: About, dump: Uint8Array, beside: Zippable): Uint8Array {
  const heading = { format: FORMAT, version: 1, ...told };
  const zip = zipSync(
    { ...beside, 'dump.sql': dump, 'backup.json': strToU8(JSON.stringify(heading, null, 2)) },
    { level: 6 },
  );
  const body = Buffer.from(zip);
  body.writeUInt16LE(SEAL_LENGTH, body.length - COMMENT_LENGTH);
  return Buffer.concat([body, strToU8(`${SEAL}${hash(body)}`)]);
}

/**
 * What a backup holds.
 *
 * @throws NotABackup with a sentence that says what the file is not
 */
export function openBackup(bytes: Uint8Array): { told: About; dump: Uint8Array } {
  const body = bytes.subarray(0, Math.max(0, bytes.length - SEAL_LENGTH));
  if (strFromU8(bytes.subarray(body.length)) !== `${SEAL}${hash(body)}`)
    throw new NotABackup('This is no backup of Spare Knot, or it was cut short or altered.');
  const files = unzipSync(bytes);
  const read = about.safeParse(JSON.parse(strFromU8(files['backup.json'] ?? strToU8('null'))));
  const dump = files['dump.sql'];
  if (!read.success || !dump) throw new NotABackup('This is no backup of Spare Knot.');
  if (read.data.version !== 1)
    throw new NotABackup(
      `This backup is of version ${read.data.version}; this release reads version 1.`,
    );
  return { told: read.data, dump };
}
