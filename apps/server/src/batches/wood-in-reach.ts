import { Injectable } from '@nestjs/common';
import { type BoardRecord, boardOffered, type OfferRecord } from '@spare-knot/core/api';
import type { Layout } from '@spare-knot/core/layout';
import { RackRepository } from '../rack/rack.repository.js';
import { YardRepository } from '../yard/yard.repository.js';

/** The wood that layouts lie on: what is on the rack, what a yard offers, and both as boards. */
export interface WoodUsed {
  rack: readonly BoardRecord[];
  offers: readonly OfferRecord[];
  all: readonly BoardRecord[];
}

/** Wood on the rack and at the yard, by the ids that layouts name it by. */
@Injectable()
export class WoodInReach {
  constructor(
    private readonly rack: RackRepository,
    private readonly yard: YardRepository,
  ) {}

  async usedBy(...layouts: readonly Layout[]): Promise<WoodUsed> {
    const ids = [...new Set(layouts.flatMap(({ boards }) => boards.map(({ stock }) => stock)))];
    const [rack, offers] = [await this.rack.byIds(ids), await this.yard.byIds(ids)];
    return { rack, offers, all: [...rack, ...offers.map(boardOffered)] };
  }
}
