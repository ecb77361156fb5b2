import { z } from 'zod';
import { boardKindFields, count, NO_END, name, woodFactFields } from '../exchange/index.js';
import { factsOf } from '../wood/index.js';
import type { BoardRecord, NewBoard } from './boards.js';
import { id, version } from './fields.js';
import { besideRows } from './unreadable.js';

const { offcut: _offcut, defects: _defects, ...wholeBoardFields } = boardKindFields;
const { planed: _planed, ...soldFacts } = woodFactFields;

/** Whole boards or sheets of one kind that a yard sells. Lengths in ticks, the price that of one. */
export const newOffer = z.object({
  /** Which yard sells them. */
  yard: name,
  name,
  /** How many there are to be had; null: as many as anybody wants. */
  available: count.max(1000).nullable().default(null),
  ...wholeBoardFields,
  ...soldFacts,
});
export const offerRecord = newOffer.extend({ id, version });
export const offerChange = newOffer.extend({ version });
export const newOffers = z.object({ offers: z.array(newOffer).min(1).max(500) });
export const offerList = z.object({ offers: z.array(offerRecord), ...besideRows });
/** The answer to a CSV import: the offers that were kept and what was wrong with the other lines. */
export const offerReport = z.object({
  offers: z.array(offerRecord),
  problems: z.array(z.object({ line: z.number().int(), message: z.string() })),
});

export type NewOffer = z.output<typeof newOffer>;
export type OfferRecord = z.output<typeof offerRecord>;
export type OfferChange = z.output<typeof offerChange>;

/** What is offered as if it lay on the rack: whole, without a fault that anybody has seen, and no end of it where none is said. */
export const boardOffered = (offer: OfferRecord): BoardRecord => {
  const { id, version, name, available, thickness, width, length, faceA, faceB, price } = offer;
  return {
    id,
    version,
    name,
    quantity: available ?? NO_END,
    material: offer.material,
    thickness,
    width,
    length,
    faceA,
    faceB,
    price,
    offcut: false,
    grained: offer.grained,
    defects: [],
    ...factsOf(offer),
    fromBatch: null,
  };
};

/** So many of an offer as they are put on the rack: what they measure is what the yard says until somebody has held a tape to them. */
export function boardBought(offer: OfferRecord, quantity: number): NewBoard {
  const { id: _id, version: _version, fromBatch: _from, ...board } = boardOffered(offer);
  return { ...board, quantity, assumed: [...new Set([...(offer.assumed ?? []), 'size'])] };
}
