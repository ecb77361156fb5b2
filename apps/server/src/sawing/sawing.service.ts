import { Injectable } from '@nestjs/common';
import {
  type BatchRecord,
  batchQuestion,
  liesReady,
  type SawingProgress,
  type SawingRecord,
  type SawnCuts,
  sawsOf,
} from '@spare-knot/core/api';
import {
  liesIn,
  type NamedBoard,
  type NamedPiece,
  named,
  namedPlan,
  progressProblems,
  wantedParts,
} from '@spare-knot/core/cuts';
import { at, must } from '@spare-knot/core/lists';
import { plainText } from '@spare-knot/core/text';
import { BatchesRepository } from '../batches/batches.repository.js';
import { LayoutsRepository } from '../batches/layouts.repository.js';
import { SawingRepository } from '../batches/sawing.repository.js';
import { SummariesService } from '../batches/summaries.service.js';
import { CheckPool } from '../checking/check-pool.js';
import { conflict, notFound, unsound } from '../http/problem.js';
import { ShopRepository } from '../shop/shop.repository.js';
import { namedStock, offcutPiece, type SawnBatch, sawnBatch } from './sawn-batch.js';

/** Cuts of a round that is not followed any more are told with the one that is. */
export const otherRound = (round: number) =>
  conflict(
    'Another plan is followed by now',
    'It was planned again on another device. What you pressed belongs to the plan before.',
    { round },
  );

/** A piece by the name that a progress gives it. */
function pieceOf(boards: readonly NamedBoard[], key: string): NamedPiece | undefined {
  const { board, id } = named(boards, key);
  return board?.pieces.find((each) => each.id === id);
}

/** Plans the cuts of taken boards, and keeps which are made and what went wrong. */
@Injectable()
export class SawingService {
  constructor(
    private readonly batches: BatchesRepository,
    private readonly layouts: LayoutsRepository,
    private readonly summaries: SummariesService,
    private readonly sawings: SawingRepository,
    private readonly shop: ShopRepository,
    private readonly pool: CheckPool,
  ) {}

  /** The cut plan of a batch, made now where there is none; sawing that has begun goes on by its own plan. */
  async begin(id: string): Promise<SawingRecord> {
    const batch = await this.summaries.one(id);
    if (!batch) throw notFound('batch');
    // Two that begin at once come one after the other.
    await this.batches.byId(id, true);
    if ((await this.sawings.lastRound(id)) === undefined) await this.first(batch);
    return this.recordOf(await this.sawn(id));
  }

  /** How far a batch is sawn; null before it has begun. */
  async of(id: string): Promise<SawingRecord | null> {
    if (!(await this.summaries.one(id))) throw notFound('batch');
    if ((await this.sawings.lastRound(id)) === undefined) return null;
    return this.recordOf(await this.sawn(id));
  }

  async progressOf(id: string): Promise<SawingProgress> {
    const round = (await this.sawings.lastRound(id)) ?? 0;
    return { round, progress: await this.sawings.progressOf({ batch: id, round }) };
  }

  /** A batch that is being sawn, with all its rounds. */
  async sawn(id: string): Promise<SawnBatch> {
    const batch = await this.summaries.one(id);
    const rounds = await this.sawings.rounds(id);
    if (!batch || rounds.length === 0) throw notFound('cut plan');
    const taken = await this.layouts.takenBy(id);
    const boards = [...(batch.accepted?.boards ?? []), ...taken.map(({ board }) => board)];
    return sawnBatch(batch, rounds, boards);
  }

  recordOf(sawn: SawnBatch): SawingRecord {
    const { round, job, plan, progress, made, cutsBefore, origins } = sawn;
    return {
      round: round.round,
      plan: round.plan,
      progress,
      stock: namedStock(
        job.stock.filter(({ id }) => plan.boards.some(({ stock }) => stock === id)),
        origins,
      ),
      cutsBefore,
      wanted: wantedParts({ job, plan, progress }, { made }),
      startedAt: round.startedAt,
    };
  }

  /** Cuts made, pieces that went wrong, and both taken back. The same said twice changes nothing; what cannot be is refused with what is kept. */
  async keep(id: string, said: SawnCuts): Promise<SawingProgress> {
    const round = await this.sawings.lastRound(id, true);
    if (round === undefined)
      throw conflict('Sawing of this batch has not begun', 'Its boards may have been given back.');
    if (said.round !== round) throw otherRound(round);
    const here = { batch: id, round };
    const { plan, progress } = must((await this.sawings.rounds(id)).at(-1), 'a cut plan');
    const before = new Set(progress.done);
    const gone = new Set(said.undone);
    const added = [...new Set(said.done)].filter((cut) => !before.has(cut));
    const known = new Set(progress.ruined.map(({ piece }) => piece));
    const ruined = said.ruined.filter(({ piece }) => !known.has(piece));
    const mended = new Set(said.mended);
    const after = {
      done: [...progress.done.filter((cut) => !gone.has(cut)), ...added],
      ruined: [...progress.ruined.filter(({ piece }) => !mended.has(piece)), ...ruined],
    };
    const [problem] = progressProblems(plan.boards, after);
    if (problem)
      throw conflict('These cuts do not follow what is kept', problem.message, {
        done: progress.done,
        ruined: progress.ruined.map(({ piece }) => piece),
      });
    for (const [index, { piece, left }] of ruined.entries()) {
      const there = pieceOf(plan.boards, piece);
      const beyond = left.findIndex((rect) => there?.wood && !liesIn(there, rect));
      if (beyond >= 0)
        throw unsound('What is left of a piece is more than there was', [
          {
            path: `ruined[${index}].left[${beyond}]`,
            message: `it does not lie in “${piece}” on both faces`,
          },
        ]);
    }
    await this.sawings.remove(
      here,
      said.undone.filter((cut) => before.has(cut)),
    );
    await this.sawings.add(here, added);
    await this.sawings.mend(here, said.mended);
    for (const { mishap, ...each } of ruined) await this.sawings.ruin(here, each, mishap);
    return { round, progress: await this.sawings.progressOf(here) };
  }

  /** The plan that sawing begins with. */
  private async first(batch: BatchRecord): Promise<void> {
    const { accepted } = batch;
    if (!accepted)
      throw conflict(
        'The boards of this batch are not taken',
        'Take the boards on Layout first: what is sawn cannot go back to the rack whole.',
      );
    const question = batchQuestion({ ...batch, liesReady: liesReady(batch) }, accepted.boards);
    const saws = sawsOf(await this.shop.get());
    const { job, layout, planned } = await this.pool.cuts({
      question,
      layout: accepted.layout,
      saws,
    });
    if (!planned.ok)
      throw unsound(
        'These boards cannot be sawn as they are laid',
        planned.problems.map(({ board, message }) => ({
          path: `layout.boards[${board}]`,
          message: plainText(message),
        })),
      );
    const plan = namedPlan(planned.plan);
    await this.sawings.begin(batch.id, { round: 0, plan, job });
    const laid = layout.boards.filter(({ placements }) => placements.length > 0);
    const waiting = [...(await this.layouts.givenBy(batch.id))];
    for (const [index, { offcuts, stock }] of laid.entries())
      for (const offcut of offcuts) {
        const piece = offcutPiece(at(plan.boards, index), offcut);
        const thickness = job.stock.find((each) => each.id === stock)?.thickness;
        const which = waiting.findIndex(
          (each) =>
            each.length === offcut.length &&
            each.width === offcut.width &&
            each.thickness === thickness,
        );
        const [given] = which < 0 ? [] : waiting.splice(which, 1);
        if (given && piece) await this.layouts.link(batch.id, given.id, `${index}:${piece}`);
      }
  }
}
