import { Injectable } from '@nestjs/common';
import type { BeyondMending, NewBoard, NewSpares, TakenApart } from '@spare-knot/core/api';
import { type Panel, plainName } from '@spare-knot/core/panels';
import { boundsOf } from '@spare-knot/core/plane';
import { featureOutline } from '@spare-knot/core/sheets';
import { type PanelWood, woodOfPanel } from '@spare-knot/core/spares';
import { BinService } from '../bin/bin.service.js';
import { Database } from '../database/database.js';
import { badInput, conflict, notFound, stale } from '../http/problem.js';
import { RackRepository } from '../rack/rack.repository.js';
import { BoxesRepository } from '../trail/boxes.repository.js';
import { MendingService } from './mending.service.js';
import { RepairsRepository } from './repairs.repository.js';

/** All but screw holes: those lie along the edges. */
const cutsOf = ({ features }: Panel) =>
  features
    .filter(({ kind }) => kind !== 'pilot' && kind !== 'mount')
    .map((feature) => boundsOf(featureOutline(feature)));

const asBoard = (
  wood: PanelWood,
  { name, material, quantity }: Pick<NewBoard, 'name' | 'material' | 'quantity'>,
): NewBoard => ({
  ...wood,
  name: name.slice(0, 200),
  material,
  quantity,
  faceA: 'planed',
  faceB: 'planed',
  // What rain and years have done to it, somebody has to look at.
  assumed: ['faces', 'size', 'treatment'],
  price: null,
  offcut: true,
  grained: true,
  defects: [],
});

/** A box that is taken down for good: its repairs are closed, its sound panels are kept as panels or as wood. All of it or nothing. */
@Injectable()
export class BeyondMendingService {
  constructor(
    private readonly database: Database,
    private readonly repairs: RepairsRepository,
    private readonly boxes: BoxesRepository,
    private readonly mending: MendingService,
    private readonly bin: BinService,
    private readonly rack: RackRepository,
  ) {}

  takeApart(id: string, told: BeyondMending): Promise<TakenApart> {
    return this.database.transaction(async () => {
      const [box] = await this.boxes.byIds([id]);
      if (!box) throw notFound('box');
      if (box.version !== told.version) throw stale('box', box);
      if (box.hungOn !== null && told.on < box.hungOn)
        throw badInput([{ path: 'on', message: 'is before the day it was hung' }]);
      const open = (await this.repairs.of(id)).filter(({ outcome }) => outcome === null);
      const busy = open.find(({ batch }) => batch !== null);
      if (busy)
        throw conflict(
          'This box is mended in a batch',
          `It is in “${busy.batch?.name ?? ''}”: take that off the bench first.`,
        );
      const ids = open.map((each) => each.id);
      await this.repairs.byIds(ids, true);
      await this.repairs.close(ids, told.on, 'given-up');
      if (!(await this.boxes.takeDown(id, told.version, told.on))) throw stale('box', box);
      const kept = await this.keep(told, box.planKey, box.number);
      const [down] = await this.boxes.byIds([id]);
      if (!down) throw notFound('box');
      return { box: down, repairs: await this.repairs.byIds(ids), ...kept };
    });
  }

  private async keep(
    { bin, wood, place }: BeyondMending,
    key: string | null,
    number: number,
  ): Promise<Pick<TakenApart, 'spares' | 'boards'>> {
    if (bin.length + wood.length === 0) return { spares: [], boards: [] };
    const { plan, name, box } = await this.mending.boxOf(key, number);
    const sound = (panel: string, path: string) => {
      const own = box.panels.find((each) => each.id === panel);
      if (!own) throw badInput([{ path, message: `the plan of this box has no panel “${panel}”` }]);
      const asked = [...bin, ...wood].filter((each) => each.panel === panel);
      const count = asked.reduce((all, each) => all + each.count, 0);
      if (count > own.instances.length)
        throw badInput([{ path, message: `there are ${own.instances.length} in a box` }]);
      const { material } = plan.wood[own.role] ?? {};
      if (material === undefined)
        throw badInput([{ path, message: 'the plan does not say of which wood it is' }]);
      return { own, material };
    };
    const panels = bin.map(({ panel, count }, index): NewSpares['panels'][number] => {
      const { material } = sound(panel, `bin[${index}].panel`);
      return { panel, count, material, place };
    });
    const boards = wood.map(({ panel, count }, index): NewBoard => {
      const path = `wood[${index}].panel`;
      const { own, material } = sound(panel, path);
      const rest = woodOfPanel(own, cutsOf(own));
      if (!rest) throw badInput([{ path, message: 'no straight piece can be had of it' }]);
      return asBoard(rest, {
        name: `${plainName(panel)} of box ${number}, old screw holes`,
        material,
        quantity: count,
      });
    });
    return {
      spares: panels.length > 0 ? await this.bin.put({ plan, planName: name, panels }) : [],
      boards: boards.length > 0 ? await this.rack.add(boards) : [],
    };
  }
}
