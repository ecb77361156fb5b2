import { Injectable } from '@nestjs/common';
import { batchQuestion, type SawingRecord, type SawnCuts } from '@spare-knot/core/api';
import { namedPlan, type Progress, planCuts, progressProblems } from '@spare-knot/core/cuts';
import { layoutJob } from '@spare-knot/core/job';
import { plainText } from '@spare-knot/core/text';
import { BatchesRepository } from '../batches/batches.repository.js';
import { SawingRepository } from '../batches/sawing.repository.js';
import { SummariesService } from '../batches/summaries.service.js';
import { conflict, notFound, unsound } from '../http/problem.js';

/** Plans the cuts of taken boards, and keeps which are made. */
@Injectable()
export class SawingService {
  constructor(
    private readonly batches: BatchesRepository,
    private readonly summaries: SummariesService,
    private readonly sawings: SawingRepository,
  ) {}

  /** The cut plan of a batch, made now where there is none; sawing that has begun goes on by its own plan. */
  async begin(id: string): Promise<SawingRecord> {
    const batch = await this.summaries.one(id);
    if (!batch) throw notFound('batch');
    // Two that begin at once come one after the other.
    await this.batches.byId(id, true);
    const known = await this.sawings.of(id);
    if (known) return known;
    const { accepted } = batch;
    if (!accepted)
      throw conflict(
        'The boards of this batch are not taken',
        'Take the boards on Layout first: what is sawn cannot go back to the rack whole.',
      );
    const made = layoutJob(batchQuestion(batch, accepted.boards));
    if (!made.ok) throw unsound('This box cannot be built', []);
    const planned = planCuts(made.job, accepted.layout);
    if (!planned.ok)
      throw unsound(
        'These boards cannot be sawn as they are laid',
        planned.problems.map(({ board, message }) => ({
          path: `layout.boards[${board}]`,
          message: plainText(message),
        })),
      );
    await this.sawings.begin(id, namedPlan(planned.plan));
    return this.sawing(id);
  }

  /** How far a batch is sawn; null before it has begun. */
  async of(id: string): Promise<SawingRecord | null> {
    if (!(await this.summaries.one(id))) throw notFound('batch');
    return (await this.sawings.of(id)) ?? null;
  }

  async progressOf(id: string): Promise<Progress> {
    return this.sawings.progressOf(id);
  }

  /** Cuts made or taken back. The same said twice changes nothing; what cannot be is refused with what is kept. */
  async keep(id: string, { done, undone }: SawnCuts): Promise<Progress> {
    const sawing = await this.sawings.of(id, true);
    if (!sawing)
      throw conflict('Sawing of this batch has not begun', 'Its boards may have been given back.');
    const { plan, progress } = sawing;
    const before = new Set(progress.done);
    const gone = new Set(undone);
    const added = [...new Set(done)].filter((cut) => !before.has(cut));
    const after = [...progress.done.filter((cut) => !gone.has(cut)), ...added];
    const [problem] = progressProblems(plan.boards, { done: after, ruined: [] });
    if (problem)
      throw conflict('These cuts do not follow what is kept', problem.message, {
        done: progress.done,
      });
    await this.sawings.remove(
      id,
      undone.filter((cut) => before.has(cut)),
    );
    await this.sawings.add(id, added);
    return this.sawings.progressOf(id);
  }

  private async sawing(id: string): Promise<SawingRecord> {
    const sawing = await this.sawings.of(id);
    if (!sawing) throw notFound('cut plan');
    return sawing;
  }
}
