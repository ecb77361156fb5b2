import { Injectable } from '@nestjs/common';
import type {
  MendedBoxes,
  MendingBatch,
  MendingBegun,
  NewRepairs,
  PlanVersion,
  RepairRecord,
  RepairsDone,
} from '@spare-knot/core/api';
import { buildBox, familyById } from '@spare-knot/core/families';
import { soundPieces } from '@spare-knot/core/job';
import { sum } from '@spare-knot/core/lists';
import { type PanelSet, panelNames } from '@spare-knot/core/panels';
import { usefulSpares } from '@spare-knot/core/spares';
import { BatchesRepository } from '../batches/batches.repository.js';
import { PlanVersionsRepository } from '../batches/plan-versions.repository.js';
import { BinRepository } from '../bin/bin.repository.js';
import { BinService } from '../bin/bin.service.js';
import { Database } from '../database/database.js';
import { badInput, conflict, notFound, stale } from '../http/problem.js';
import { BoxesRepository } from '../trail/boxes.repository.js';
import { RepairsRepository, type ToldRepair } from './repairs.repository.js';

const boxesWord = (numbers: readonly number[]): string =>
  `${numbers.length === 1 ? 'Box' : 'Boxes'} ${[...new Set(numbers)].slice(0, 10).join(', ')}`;

/** From what is broken to a batch that mends it, and to what is whole again. */
@Injectable()
export class MendingService {
  constructor(
    private readonly database: Database,
    private readonly repairs: RepairsRepository,
    private readonly boxes: BoxesRepository,
    private readonly plans: PlanVersionsRepository,
    private readonly batches: BatchesRepository,
    private readonly bin: BinRepository,
    private readonly binService: BinService,
  ) {}

  /** Which panels of a box are broken, or what else is. */
  tell({ box: id, toldOn, what, panels }: NewRepairs): Promise<RepairRecord[]> {
    return this.database.transaction(async () => {
      const [box] = await this.boxes.byIds([id]);
      if (!box) throw notFound('box');
      const common = { box: id, toldOn, what };
      if (panels.length === 0)
        return this.repairs.add([{ ...common, panel: null, name: '', count: 1 }]);
      const { plan, box: built } = await this.boxOf(box.planKey, box.number);
      const names = panelNames(familyById(plan.family), built);
      const open = (await this.repairs.of(id)).filter(({ outcome }) => outcome === null);
      const told = panels.map(({ panel, count }, index): ToldRepair => {
        this.mustStand(built, { panel, count }, `panels[${index}]`);
        const name = names.get(panel) ?? panel;
        const isTwice = panels.findIndex((each) => each.panel === panel) !== index;
        if (isTwice || open.some((each) => each.panel === panel))
          throw conflict(
            'This panel is told already',
            `${name} of box ${box.number} is to be mended already. Nothing was kept.`,
          );
        return { ...common, panel, name, count };
      });
      return this.repairs.add(told);
    });
  }

  /** Repairs are done, or are open again. */
  done({ repairs, closedOn, how }: RepairsDone): Promise<RepairRecord[]> {
    return this.database.transaction(async () => {
      const ids = repairs.map(({ id }) => id);
      const kept = await this.repairs.byIds(ids, true);
      for (const { id, version } of repairs) {
        const now = kept.find((each) => each.id === id);
        if (!now) throw notFound('repair');
        if (now.version !== version) throw stale('repair', now);
      }
      await this.repairs.close(ids, closedOn, 'mended', how);
      return this.repairs.byIds(ids);
    });
  }

  /** A batch for the broken panels of boxes of one plan; what the bin holds of them, of the plan’s own wood, is set aside for it. */
  begin({ repairs: ids, batch }: MendingBatch): Promise<MendingBegun> {
    return this.database.transaction(async () => {
      const repairs = await this.mendable(ids);
      const [first] = repairs;
      if (!first) throw notFound('repair');
      const { plan, box } = await this.boxOf(first.planKey, first.number);
      const mended = this.byBox(repairs, box);
      const sound = soundPieces(plan, box, mended);
      const mends = { boxes: mended, sound };
      const id = await this.batches.add({ ...batch, plan, boxes: mended.length }, mends);
      await this.repairs.putInBatch(
        repairs.map((each) => each.id),
        id,
      );
      const useful = usefulSpares(plan, box, mended.length, sound, await this.bin.list());
      const take = useful.flatMap(({ spare, count, isOtherWood }) =>
        isOtherWood ? [] : [{ spare: spare.id, count }],
      );
      if (take.length > 0) await this.binService.take(id, 1, take);
      return { batch: id, mends, fromBin: sum(take.map(({ count }) => count)) };
    });
  }

  /** What speaks against taking a repair off the list. */
  async mayGo(id: string): Promise<void> {
    const [repair] = await this.repairs.byIds([id]);
    if (repair?.batch && repair.outcome === null) throw inBatch([repair]);
  }

  /** Open repairs of panels, under lock, of boxes of one plan, in no batch on the bench. */
  private async mendable(ids: readonly string[]): Promise<RepairRecord[]> {
    const wanted = [...new Set(ids)];
    const repairs = await this.repairs.byIds(wanted, true);
    if (repairs.length < wanted.length) throw notFound('repair');
    const done = repairs.filter(({ outcome }) => outcome !== null);
    if (done.length > 0)
      throw conflict(
        'This is not to be mended any more',
        `${boxesWord(done.map(({ number }) => number))}: somebody has closed it. Nothing was begun.`,
      );
    const busy = repairs.filter(({ batch }) => batch !== null);
    if (busy.length > 0) throw inBatch(busy);
    if (repairs.some(({ panel }) => panel === null))
      throw conflict(
        'Not all of this is panels',
        'What only words say is mended without a batch. Nothing was begun.',
      );
    if (new Set(repairs.map(({ planKey }) => planKey)).size > 1)
      throw conflict(
        'These boxes were built by several plans',
        'A batch makes panels of one plan: begin one for each. Nothing was begun.',
      );
    return repairs;
  }

  private byBox(repairs: readonly RepairRecord[], box: PanelSet): MendedBoxes['boxes'] {
    const boxes = new Map<string, MendedBoxes['boxes'][number]>();
    for (const { box: id, number, panel, count } of repairs) {
      if (panel === null) continue;
      const own = boxes.get(id) ?? { box: id, number, panels: [] };
      const before = own.panels.find((each) => each.panel === panel);
      // Two may have told of one panel, or one that was closed is open again: together they are no more than stand there.
      const all = { panel, count: (before?.count ?? 0) + count };
      this.mustStand(box, all, `repairs, box ${number}, ${panel}`);
      boxes.set(id, { ...own, panels: [...own.panels.filter((each) => each !== before), all] });
    }
    return [...boxes.values()];
  }

  /** A panel of the plan, no more often than it stands in a box. */
  private mustStand(
    { panels }: PanelSet,
    { panel: id, count }: { panel: string; count: number },
    path: string,
  ): void {
    const panel = panels.find((each) => each.id === id);
    if (!panel)
      throw badInput([
        { path: `${path}.panel`, message: `the plan of this box has no panel “${id}”` },
      ]);
    const most = panel.instances.length;
    if (count > most)
      throw badInput([
        { path: `${path}.count`, message: `there ${most === 1 ? 'is' : 'are'} ${most} in a box` },
      ]);
  }

  /** The plan that a box was built by, and what it gives. */
  async boxOf(
    key: string | null,
    number: number,
  ): Promise<Pick<PlanVersion, 'name' | 'plan'> & { key: string; box: PanelSet }> {
    const [version] = key === null ? [] : await this.plans.byKeys([key]);
    if (!version)
      throw conflict(
        'It is not known by which plan this box was built',
        `Say at box ${number} in which batch it was built: then its panels have names.`,
      );
    const built = buildBox(version.plan);
    if (!built.ok)
      throw conflict('This plan gives no sound box', `Box ${number} was built by another rule.`);
    return { ...version, box: built.box };
  }
}

const inBatch = (repairs: readonly RepairRecord[]) =>
  conflict(
    'This is mended in a batch already',
    `${boxesWord(repairs.map(({ number }) => number))}, in “${repairs[0]?.batch?.name ?? ''}”: take that off the bench first.`,
  );
