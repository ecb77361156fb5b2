import { Delete, Param, ParseUUIDPipe, Post, Query } from '@nestjs/common';
import { versionQuery } from '@spare-knot/core/api';
import type { z } from 'zod';
import { notFound, stale } from '../http/problem.js';
import { Read } from '../http/read.pipe.js';

/** What is kept in a table whose rows can be taken off and put back. */
interface KeptThings<Kept> {
  byIds(ids: readonly string[]): Promise<Kept[]>;
  remove(id: string, version: number): Promise<boolean>;
  restore(id: string): Promise<Kept | undefined>;
}

/** Taking a thing off its list and putting it back: the same for boards, offers, and what lies in drawers. */
export abstract class KeptController<Kept> {
  protected constructor(
    private readonly things: KeptThings<Kept>,
    /** What one of them is called when it is missed: `board`. */
    private readonly what: string,
    protected readonly show: (kept: Kept) => unknown,
  ) {}

  @Delete(':id')
  async remove(
    @Param('id', ParseUUIDPipe) id: string,
    @Query(new Read(versionQuery)) { version }: z.output<typeof versionQuery>,
  ) {
    if (!(await this.things.remove(id, version))) await this.missed(id);
    return { removed: id };
  }

  @Post(':id/restore')
  async restore(@Param('id', ParseUUIDPipe) id: string) {
    const kept = await this.things.restore(id);
    if (!kept) throw notFound(this.what);
    return this.show(kept);
  }

  /** What is kept after a write; where it did not take, why. */
  protected async changed(id: string, isDone: boolean) {
    const [kept] = isDone ? await this.things.byIds([id]) : [];
    return this.show(kept ?? (await this.missed(id)));
  }

  /** Why a write did not take: the thing is gone, or somebody else changed it first. */
  protected async missed(id: string): Promise<never> {
    const [current] = await this.things.byIds([id]);
    throw current ? stale(this.what, this.show(current)) : notFound(this.what);
  }
}
