import { Injectable } from '@nestjs/common';
import { type BoardRecord, boardRecord, newBoards } from '@spare-knot/core/api';
import { type Left, named, namedBoards, type PlannedAgain } from '@spare-knot/core/cuts';
import { at } from '@spare-knot/core/lists';
import { z } from 'zod';
import { givenAs, offcutBoard } from '../batches/acceptance.service.js';
import { woodChanged } from '../batches/layout-judge.js';
import { type GivenOffcut, LayoutsRepository } from '../batches/layouts.repository.js';
import { conflict } from '../http/problem.js';
import { isSameKind } from '../rack/board-rows.js';
import { RackRepository } from '../rack/rack.repository.js';
import { idOnRack, isOfRound, offcutPiece, piecesThere, type SawnBatch } from './sawn-batch.js';

/** What a round moved on the rack. */
export const rackMoves = z.object({
  taken: z.array(z.object({ board: boardRecord, quantity: z.number() })),
  returned: z.array(z.object({ board: boardRecord, pile: z.string(), quantity: z.number() })),
  given: z.array(z.string()),
  unmade: z.array(z.object({ board: boardRecord, piece: z.string().nullable() })),
  links: z.array(z.object({ id: z.string(), piece: z.string().nullable() })),
});
export type RackMoves = z.output<typeof rackMoves>;

export type Planned = Extract<PlannedAgain, { ok: true }>;

/** An offcut that a batch gave, as it lies on the rack now. */
export interface OnRack {
  offcut: GivenOffcut;
  board: BoardRecord | undefined;
  isWhole: boolean;
}

/** What is left, with what was looked at to say so. */
export interface Looked {
  sawn: SawnBatch;
  left: Left;
  rack: readonly BoardRecord[];
  offcuts: readonly OnRack[];
}

/** Moves the wood that a new plan takes from the rack or gives back, and moves it back. */
@Injectable()
export class RoundWood {
  constructor(
    private readonly layouts: LayoutsRepository,
    private readonly rack: RackRepository,
  ) {}

  async move(
    id: string,
    { sawn, left, rack, offcuts }: Looked,
    planned: Planned,
  ): Promise<RackMoves> {
    const taken = await this.takeMore(id, planned, rack, sawn.round.round + 1);
    const returned = await this.returnUnused(id, sawn, left, planned);
    const links = offcuts.map(({ offcut }) => ({ id: offcut.id, piece: offcut.piece }));
    const unmade = await this.settle(id, sawn, offcuts, planned);
    const given = await this.giveOffcuts(id, sawn, rack, planned);
    return { taken, returned, given, unmade, links };
  }

  private async takeMore(
    id: string,
    { job }: Planned,
    rack: readonly BoardRecord[],
    round: number,
  ): Promise<RackMoves['taken']> {
    const wanted = job.stock.filter(({ id: stock }) => isOfRound(stock, round));
    const now = await this.rack.byIds(
      wanted.map(({ id: stock }) => idOnRack(stock)),
      true,
    );
    const taken: RackMoves['taken'] = [];
    for (const { id: stock, quantity } of wanted) {
      const board = now.find((each) => each.id === idOnRack(stock));
      const seen = rack.find((each) => each.id === idOnRack(stock));
      if (!board || !seen || board.quantity < quantity || !isSameKind(board, seen))
        throw woodChanged(1);
      await this.rack.take([{ board, quantity }], id);
      await this.layouts.takeMore(id, { board, quantity });
      taken.push({ board, quantity });
    }
    return taken;
  }

  /** Whole boards that the new plan does without go back to the rack. */
  private async returnUnused(
    id: string,
    sawn: SawnBatch,
    left: Left,
    { job }: Planned,
  ): Promise<RackMoves['returned']> {
    const returned: RackMoves['returned'] = [];
    for (const { id: stock, from, quantity } of left.job.stock) {
      const origin = sawn.origins.get(stock);
      if (from || !origin || origin.isPiece) continue;
      const used = job.stock.find((each) => each.id === stock)?.quantity ?? 0;
      if (used >= quantity) continue;
      const { board } = origin;
      const pile = await this.rack.putBack(board, quantity - used, id);
      await this.layouts.takeMore(id, { board, quantity: used - quantity });
      returned.push({ board, pile, quantity: quantity - used });
    }
    return returned;
  }

  /** Offcuts of the plan before: those of pieces that stay follow them, those that came off are the rack's own, the others are nowhere. */
  private async settle(
    id: string,
    sawn: SawnBatch,
    offcuts: readonly OnRack[],
    { renamed }: Planned,
  ): Promise<RackMoves['unmade']> {
    const there = piecesThere(sawn);
    const unmade: RackMoves['unmade'] = [];
    for (const { offcut, board, isWhole } of offcuts) {
      const { piece } = offcut;
      if (piece === null) continue;
      const now = renamed.get(piece) ?? null;
      if (now !== null || there.has(piece) || !isWhole || !board) {
        await this.layouts.link(id, offcut.id, now);
        continue;
      }
      await this.rack.unmake(offcut.id, id);
      await this.layouts.ungive(id, offcut.id);
      unmade.push({ board, piece });
    }
    return unmade;
  }

  private async giveOffcuts(
    id: string,
    sawn: SawnBatch,
    rack: readonly BoardRecord[],
    planned: Planned,
  ): Promise<string[]> {
    const boards = namedBoards(planned.plan);
    const first = boards.length - planned.layout.boards.length;
    const given: string[] = [];
    for (const [place, { stock, offcuts }] of planned.layout.boards.entries()) {
      const kind = planned.job.stock.find((each) => each.id === stock);
      const cut = kind?.from && named(sawn.plan.boards, kind.from.piece).board;
      const board =
        (sawn.origins.get(stock) ?? sawn.origins.get(cut?.stock ?? ''))?.board ??
        rack.find((each) => each.id === idOnRack(stock));
      if (!board || !kind) continue;
      for (const offcut of offcuts) {
        const [added] = await this.rack.add(
          [offcutBoard({ ...board, defects: [...kind.defects] }, offcut)],
          id,
        );
        if (!added) continue;
        const leaf = offcutPiece(at(boards, first + place), offcut);
        const piece = leaf && `${first + place}:${leaf}`;
        await this.layouts.give(id, [{ ...givenAs(added), piece }]);
        given.push(added.id);
      }
    }
    return given;
  }

  async moveBack(id: string, moves: RackMoves): Promise<void> {
    const given = await this.layouts.givenBy(id);
    const boards = await this.rack.byIds(
      [...moves.given, ...moves.returned.map(({ pile }) => pile)],
      true,
    );
    const there = (board: string) => boards.find((each) => each.id === board);
    const used = moves.given.some((offcut) => there(offcut)?.quantity !== 1);
    const gone = moves.returned.some(
      ({ pile, quantity }) => (there(pile)?.quantity ?? 0) < quantity,
    );
    if (used || gone)
      throw conflict(
        'The wood of this plan has been used since',
        'An offcut that it gave, or a board that it did without, was taken for something else. Nothing was changed.',
      );
    for (const offcut of moves.given) {
      await this.rack.unmake(offcut, id);
      await this.layouts.ungive(id, offcut);
    }
    for (const { board, quantity } of moves.taken) {
      await this.rack.putBack(board, quantity, id);
      await this.layouts.takeMore(id, { board, quantity: -quantity });
    }
    for (const { board, pile, quantity } of moves.returned) {
      // As it is by now: boards of the same pile may just have come back.
      const [now] = await this.rack.byIds([pile], true);
      if (now) await this.rack.take([{ board: now, quantity }], id);
      await this.layouts.takeMore(id, { board, quantity });
    }
    for (const { id: offcut, piece } of moves.links)
      if (given.some((each) => each.id === offcut)) await this.layouts.link(id, offcut, piece);
    for (const { board, piece } of moves.unmade) {
      const [back] = await this.rack.add(newBoards.shape.boards.parse([encoded(board)]), id);
      if (back) await this.layouts.give(id, [{ ...givenAs(back), piece }]);
    }
  }
}

const encoded = (board: BoardRecord) => ({ ...z.encode(boardRecord, board), quantity: 1 });
