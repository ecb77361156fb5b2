import { Injectable } from '@nestjs/common';
import type { LearnedRecord, SawingLog } from '@spare-knot/core/api';
import {
  learnedCosts,
  type NamedPiece,
  named,
  partsIn,
  type SawnPlan,
  sawnBoards,
  timesOf,
} from '@spare-knot/core/cuts';
import { at, sum } from '@spare-knot/core/lists';
import { TICKS_PER_MM } from '@spare-knot/core/measure';
import { areaOf } from '@spare-knot/core/plane';
import { type Round, SawingRepository } from '../batches/sawing.repository.js';
import { ShopRepository } from '../shop/shop.repository.js';
import { SawingService } from './sawing.service.js';

/** Rounds that learning looks back on. */
const LOOK_BACK = 100;

const squareMm = ({ wood }: NamedPiece): number =>
  wood ? Math.abs(areaOf(wood.faceA)) / TICKS_PER_MM ** 2 : 0;

/** What was sawn, looked back on. */
@Injectable()
export class LogService {
  constructor(
    private readonly sawing: SawingService,
    private readonly sawings: SawingRepository,
    private readonly shop: ShopRepository,
  ) {}

  async of(id: string): Promise<SawingLog> {
    await this.sawing.sawn(id);
    const rounds = await this.sawings.rounds(id);
    const { costs } = await this.shop.get();
    const timed = await Promise.all(rounds.map((round) => this.timed(id, round)));
    const mishaps = await this.sawings.mishaps(id);
    return {
      rounds: timed.map((sawn, round) => ({ round, steps: timesOf(sawn, costs) })),
      mishaps: mishaps.map(({ round, piece, mishap }) => {
        const { board, id: name } = named(at(rounds, round).plan.boards, piece);
        return { round, piece, mishap, parts: board ? partsIn(board, name) : [] };
      }),
      wood: woodOf(rounds),
    };
  }

  /** What cuts and changes took, over the batches that were sawn last. */
  async learned(): Promise<LearnedRecord> {
    const last = await this.sawings.lastRounds(LOOK_BACK);
    return learnedCosts(last);
  }

  private async timed(batch: string, { round, plan, startedAt }: Round): Promise<SawnPlan> {
    const sawn = await this.sawings.timesOf({ batch, round });
    return { plan, startedAt: new Date(startedAt).getTime(), sawn };
  }
}

/** Where the wood of the boards went that were begun: panels, offcuts, and the rest, dust and waste. */
function woodOf(rounds: readonly Round[]): SawingLog['wood'] {
  const begun = rounds.flatMap(({ plan, progress, job }) => {
    const kept = new Set(job?.kept ?? []);
    return sawnBoards(plan.boards, progress).map((sawn) => ({
      ...sawn,
      isWhole: !kept.has(sawn.board.stock) && !isPiece(job, sawn.board.stock),
    }));
  });
  const area = (is: (piece: NamedPiece) => boolean) =>
    sum(
      begun.flatMap(({ inHand, ruined }) =>
        inHand.filter((piece) => is(piece) && !ruined.has(piece.id)).map(squareMm),
      ),
    );
  const whole = begun.filter(({ untouched, isWhole }) => !untouched && isWhole);
  return {
    boards: whole.length,
    area: sum(whole.map(({ board }) => squareMm(at(board.pieces, 0)))),
    panels: area(({ is }) => is !== null && typeof is === 'object'),
    offcuts: area(({ is }) => is === 'offcut'),
  };
}

/** Whether a board of a plan is a piece of one of the plan before. */
const isPiece = (job: Round['job'], stock: string): boolean =>
  job?.stock.find(({ id }) => id === stock)?.from !== undefined;
