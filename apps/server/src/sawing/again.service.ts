import { Injectable } from '@nestjs/common';
import {
  type BoardRecord,
  type LeftRecord,
  type SawAgain,
  sawsOf,
  woodAsked,
} from '@spare-knot/core/api';
import { type Left, leftToSaw, named, namedPlan, planAgain } from '@spare-knot/core/cuts';
import { type Stock, suits } from '@spare-knot/core/job';
import { plainText } from '@spare-knot/core/text';
import { z } from 'zod';
import { isAsGiven, LayoutsRepository } from '../batches/layouts.repository.js';
import { SawingRepository } from '../batches/sawing.repository.js';
import { CheckPool } from '../checking/check-pool.js';
import { conflict, notFound, unsound } from '../http/problem.js';
import { RackRepository } from '../rack/rack.repository.js';
import { ShopRepository } from '../shop/shop.repository.js';
import { type Looked, type OnRack, RoundWood, rackMoves } from './round-wood.js';
import { otherRound, SawingService } from './sawing.service.js';
import { fromRack, isOfRound, namedStock, piecesThere, type SawnBatch } from './sawn-batch.js';

/** Plans again in the middle of the sawing, and moves the wood that the new plan takes from the rack or gives back. */
@Injectable()
export class AgainService {
  constructor(
    private readonly sawing: SawingService,
    private readonly sawings: SawingRepository,
    private readonly layouts: LayoutsRepository,
    private readonly rack: RackRepository,
    private readonly wood: RoundWood,
    private readonly shop: ShopRepository,
    private readonly pool: CheckPool,
  ) {}

  /** What is left to be laid out, on the wood that is there and on the rack. */
  async left(id: string): Promise<LeftRecord> {
    const { sawn, left, rack } = await this.look(id);
    const origins = new Map(sawn.origins);
    const round = sawn.round.round + 1;
    for (const board of rack) origins.set(fromRack(board.id, round), { board, isPiece: false });
    for (const { id: stock, from } of left.job.stock)
      if (from && !origins.has(stock)) {
        const { board } = named(sawn.plan.boards, from.piece);
        const origin = board && sawn.origins.get(board.stock);
        if (origin) origins.set(stock, { ...origin, isPiece: true });
      }
    return {
      round: sawn.round.round,
      job: left.job,
      copies: Object.fromEntries([...left.copies].map(([part, copies]) => [part, [...copies]])),
      stock: namedStock(left.job.stock, origins),
      kept: left.kept.length,
      untouched: left.job.stock.reduce(
        (sum, { id: stock, from, quantity }) =>
          from || isOfRound(stock, round) ? sum : sum + quantity,
        0,
      ),
    };
  }

  /** Goes on by a new plan. One transaction: the plan, and all that it moves on the rack. */
  async again(id: string, { round, layout }: SawAgain): Promise<void> {
    const looked = await this.look(id);
    const { sawn, left } = looked;
    if (sawn.round.round !== round) throw otherRound(sawn.round.round);
    const { broken } = await this.pool.check({ job: left.job, layout });
    if (broken.length > 0) throw unsound('This layout breaks a rule', broken);
    const planned = planAgain(sawn, left, layout, sawsOf(await this.shop.get()));
    if (!planned.ok)
      throw unsound(
        'What is left cannot be sawn as it is laid',
        planned.problems.map(({ board, message }) => ({
          path: `layout.boards[${board}]`,
          message: plainText(message),
        })),
      );
    await this.lock(id, looked);
    const plan = namedPlan(planned.plan);
    const wood = await this.wood.move(id, looked, planned);
    await this.sawings.begin(id, {
      round: round + 1,
      plan,
      job: planned.job,
      wood: z.encode(rackMoves, wood),
    });
  }

  /** Goes back to the plan before, while nothing is sawn by the new one, and undoes what it moved on the rack. */
  async back(id: string, round: number): Promise<void> {
    const last = await this.sawings.lastRound(id, true);
    if (last === undefined) throw notFound('cut plan');
    if (last !== round || last === 0) throw otherRound(last);
    const [own] = (await this.sawings.rounds(id)).slice(-1);
    const { done, ruined } = own?.progress ?? { done: [], ruined: [] };
    if (done.length + ruined.length > 0)
      throw conflict(
        'Something is sawn by the new plan',
        'The plan before does not fit any more. Take the cuts back first if they were not made.',
      );
    await this.wood.moveBack(id, rackMoves.parse(own?.wood));
    await this.sawings.forget({ batch: id, round });
  }

  private async look(id: string): Promise<Looked> {
    const sawn = await this.sawing.sawn(id);
    if (sawn.job.parts.length === 0)
      throw unsound('This box cannot be built by now', [
        {
          path: 'plan',
          message: 'Box says why; what is left cannot be laid out without its panels',
        },
      ]);
    const given = await this.layouts.givenBy(id);
    const boards = await this.rack.byIds(given.map((each) => each.id));
    const offcuts = given.map((offcut): OnRack => {
      const board = boards.find((each) => each.id === offcut.id);
      return { offcut, board, isWhole: isAsGiven(offcut, board) };
    });
    // A board whose offcut is promised to something else stays as it is laid.
    const promised = new Set(
      offcuts.flatMap(({ offcut: { piece }, isWhole }) =>
        piece === null || isWhole ? [] : [named(sawn.plan.boards, piece).index],
      ),
    );
    const left = leftToSaw(sawn, {
      made: sawn.made,
      isBegun: (_board, index) => promised.has(index),
    });
    const there = piecesThere(sawn);
    const notYet = new Set(
      offcuts.flatMap(({ offcut }) =>
        offcut.piece === null || there.has(offcut.piece) ? [] : [offcut.id],
      ),
    );
    const rack = (await this.rack.list()).filter((board) => !notYet.has(board.id));
    const stock = [...left.job.stock, ...this.more(sawn, left, rack)];
    const job = { ...left.job, stock, effort: { seconds: REPLAN_SECONDS } };
    return { sawn, left: { ...left, job }, rack, offcuts };
  }

  /** Boards of the rack that something of what is left could be cut from. */
  private more(sawn: SawnBatch, left: Left, rack: readonly BoardRecord[]): Stock[] {
    const { batch, round } = sawn;
    const wishes = { ...batch.wishes, supply: 'rack' as const };
    const { stock } = woodAsked({ ...batch, wishes }, rack, []);
    return stock
      .filter((kind) => left.job.parts.some((part) => suits(part, kind)))
      .map((kind) => ({ ...kind, id: fromRack(kind.id, round.round + 1) }));
  }

  /** Nothing was sawn since it was looked at, and the boards are as they were. */
  private async lock(id: string, { sawn }: Looked): Promise<void> {
    const round = await this.sawings.lastRound(id, true);
    if (round !== sawn.round.round) throw otherRound(round ?? 0);
    const now = await this.sawings.progressOf({ batch: id, round: sawn.round.round });
    if (JSON.stringify(now) !== JSON.stringify(sawn.progress))
      throw conflict(
        'Something was sawn meanwhile',
        'On another device, since this was planned. Plan once more.',
      );
  }
}

/** Seconds for what is left: the answer is waited for beside the saw. */
const REPLAN_SECONDS = 0.8;
