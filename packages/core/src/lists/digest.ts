import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';

/** The same words for the same value, in whatever order its fields were written; fields without a value are none. */
function wordsOf(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map(wordsOf).join(',')}]`;
  if (typeof value !== 'object' || value === null) return JSON.stringify(value) ?? 'null';
  const fields = Object.entries(value)
    .filter(([, each]) => each !== undefined)
    .sort(([a], [b]) => (a < b ? -1 : 1));
  return `{${fields.map(([key, each]) => `${JSON.stringify(key)}:${wordsOf(each)}`).join(',')}}`;
}

/** A name for a value by what it says: 64 hexadecimal digits, SHA-256 (FIPS 180-4). Equal values have equal names. */
export const digestOf = (value: unknown): string => bytesToHex(sha256(utf8ToBytes(wordsOf(value))));
