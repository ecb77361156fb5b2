import { statfs } from 'node:fs/promises';
import { Injectable } from '@nestjs/common';

/** Bytes that have to be free: the database needs room for what it does besides. */
const LEAST = 64 * 1024 ** 2;
/** Milliseconds for which an answer holds. */
const HOLDS = 1000;

/** Whether the disk has room for more. While it has not, everything can be read and nothing is written, so that nothing is kept by half. */
@Injectable()
export class Room {
  private asked = Number.NEGATIVE_INFINITY;
  private answer = true;

  async isThere(): Promise<boolean> {
    const folder = process.env.SPARE_KNOT_DATA;
    if (folder === undefined) return true;
    if (performance.now() - this.asked < HOLDS) return this.answer;
    this.asked = performance.now();
    const { bavail, bsize } = await statfs(folder);
    this.answer = bavail * bsize >= Number(process.env.SPARE_KNOT_LEAST_ROOM ?? LEAST);
    return this.answer;
  }
}
