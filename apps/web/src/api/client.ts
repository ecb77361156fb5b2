import {
  type ArchiveRead,
  acceptance,
  archiveRead,
  type BatchPatch,
  type BatchRecord,
  type BatchSummary,
  type BeyondMending,
  type BoardChange,
  type BoardRecord,
  type Bought,
  type BoxChange,
  type BoxRecord,
  type BoxWithVisits,
  batchList,
  batchPatch,
  batchRecord,
  besideRows,
  beyondMending,
  binList,
  boardChange,
  boardList,
  boardRecord,
  bought,
  boxChange,
  boxList,
  boxRecord,
  boxReport,
  csvReport,
  eachOf,
  type FromBin,
  fromBin,
  type KeptPlans,
  keptPlans,
  type LearnedRecord,
  type LeftRecord,
  type ListRow,
  learnedRecord,
  leftRecord,
  listReport,
  listRow,
  listRows,
  type MendingBatch,
  type MendingBegun,
  mendingBatch,
  mendingBegun,
  type NewBatch,
  type NewBoard,
  type NewBox,
  type NewOffer,
  type NewRepairs,
  type NewSketch,
  type NewSpares,
  type NewSupply,
  type NewVisit,
  newBatch,
  newBoards,
  newBoxes,
  newOffers,
  newRepairs,
  newSpares,
  newSupplies,
  type OfferChange,
  type OfferRecord,
  offerChange,
  offerList,
  offerRecord,
  offerReport,
  type PaceRecord,
  type PlanVersion,
  type ProblemDocument,
  paceRecord,
  planVersion,
  problemDocument,
  proposal,
  type RepairList,
  type RepairRecord,
  type RepairsDone,
  repairList,
  repairRecord,
  repairsKept,
  type SawAgain,
  type SawingLog,
  type SawingProgress,
  type SawingRecord,
  type SawnCuts,
  type SeasonRecord,
  type ShopRecord,
  type SketchChange,
  type SketchRecord,
  type SpareChange,
  type SpareRecord,
  type SupplyChange,
  type SupplyRecord,
  sawAgain,
  sawingLog,
  sawingProgress,
  sawingRecord,
  sawingState,
  sawnCuts,
  seasonRecord,
  shopRecord,
  sketchRecord,
  spareRecord,
  supplyChange,
  supplyList,
  supplyRecord,
  supplyReport,
  type TakenApart,
  takenApart,
  type VisitRecord,
  visitList,
  visitRecord,
  visitReport,
  type WinterRecord,
  type WorkRecord,
  type WorkTold,
  winterRecord,
  workRecord,
  workTold,
} from '@spare-knot/core/api';
import type { ListFields, ShopList } from '@spare-knot/core/exchange';
import type { Layout } from '@spare-knot/core/layout';
import type { SeasonKey } from '@spare-knot/core/trail';

import { z } from 'zod';
import { reach } from '../outdoors/reach';
import { reachServer, Unanswered } from './reach-server';
import { unreadableRows } from './unreadable-rows';

/** What went wrong, as the server says it; status 0 when it could not be reached. */
export class Trouble extends Error {
  constructor(readonly problem: ProblemDocument) {
    super(problem.detail ? `${problem.title}. ${problem.detail}` : problem.title);
  }
  get unreachable(): boolean {
    return this.problem.status === 0;
  }
  /** Whether the same may well be done after a while. */
  get passes(): boolean {
    const { status } = this.problem;
    return this.unreachable || status >= 500 || status === 429;
  }
  get stale(): boolean {
    return this.problem.type === 'urn:spare-knot:stale';
  }
}

/** A key for one write: sent again under it, the write is done once. */
export const newKey = (): string => crypto.randomUUID();

interface Sending {
  body?: unknown;
  /** Sent as it is instead of a body. */
  zip?: Blob;
  /** Every write has one; a new one unless it is the same write again. */
  key?: string;
}

async function send(
  method: string,
  path: string,
  { body, zip, key = newKey() }: Sending = {},
): Promise<Response> {
  let response: Response;
  try {
    response = await reachServer(path, {
      method,
      headers: {
        ...(method !== 'GET' && { 'Idempotency-Key': key }),
        ...(body !== undefined && { 'Content-Type': 'application/json' }),
        ...(zip && { 'Content-Type': 'application/zip' }),
      },
      ...(body !== undefined && { body: JSON.stringify(body) }),
      ...(zip && { body: zip }),
    });
  } catch (error) {
    const isSilent = error instanceof Unanswered && error.why === 'silent';
    throw new Trouble({
      type: 'about:blank',
      status: 0,
      title: isSilent ? 'The server does not answer' : 'The server cannot be reached',
      detail: `${method === 'GET' ? '' : 'It is not kept yet. '}What you did is kept on this page and sent when the server answers again.`,
    });
  }
  reach.heard(response);
  if (response.ok) return response;
  const parsed = problemDocument.safeParse(await response.json().catch(() => null));
  throw new Trouble(
    parsed.success
      ? parsed.data
      : {
          type: 'about:blank',
          status: response.status,
          title: `The server answered ${response.status}`,
        },
  );
}

const ask = async <S extends z.ZodType>(
  schema: S,
  method: string,
  path: string,
  body?: unknown,
  key?: string,
): Promise<z.output<S>> =>
  schema.parse(await (await send(method, path, { body, ...(key && { key }) })).json());

/** A list whose rows are not read yet. */
const unread = z.looseObject({ ...besideRows });

/** The rows of a list, each read by itself: what cannot be read is told where the list is shown. */
function rowsIn<S extends z.ZodType>(
  answer: z.output<typeof unread>,
  row: S,
  key: string,
  list: string,
): z.output<S>[] {
  const sent = z.array(z.looseObject({ id: z.string() })).parse(answer[key]);
  const { kept, unreadable } = eachOf(sent, (each) => row.parse(each));
  unreadableRows.heard(list, [...(answer.unreadable ?? []), ...unreadable]);
  return kept;
}

const rowsOf = async <S extends z.ZodType>(
  row: S,
  key: string,
  path: string,
): Promise<z.output<S>[]> => rowsIn(await ask(unread, 'GET', path), row, key, path);

/** The one way to the server. Every body goes out and comes in through the schemas that the server uses. */
export const client = {
  batches: async (): Promise<BatchSummary[]> => (await ask(batchList, 'GET', 'batches')).batches,
  plans: (): Promise<KeptPlans> => ask(keptPlans, 'GET', 'plans'),
  batch: (id: string): Promise<BatchRecord> => ask(batchRecord, 'GET', `batches/${id}`),
  takeFromBin: (id: string, version: number, take: readonly FromBin[]): Promise<BatchRecord> =>
    ask(batchRecord, 'POST', `batches/${id}/bin`, z.encode(fromBin, { version, take: [...take] })),
  putBackInBin: (
    id: string,
    version: number,
    spares: readonly string[] | null,
  ): Promise<BatchRecord> =>
    ask(batchRecord, 'POST', `batches/${id}/bin/back`, { version, spares }),
  bin: (): Promise<SpareRecord[]> => rowsOf(spareRecord, 'spares', 'bin'),
  putInBin: async (spares: NewSpares): Promise<SpareRecord[]> =>
    (await ask(binList, 'POST', 'bin', z.encode(newSpares, spares))).spares,
  changeSpare: (id: string, change: SpareChange): Promise<SpareRecord> =>
    ask(spareRecord, 'PUT', `bin/${id}`, change),
  removeSpare: (id: string, version: number) => send('DELETE', `bin/${id}?version=${version}`),
  restoreSpare: (id: string): Promise<SpareRecord> => ask(spareRecord, 'POST', `bin/${id}/restore`),
  repairs: async (box?: string): Promise<RepairList> => {
    const path = box ? `repairs?box=${box}` : 'repairs';
    const { wanted, plans } = repairList.shape;
    const answer = await ask(unread.extend({ wanted, plans }), 'GET', path);
    return { ...answer, repairs: rowsIn(answer, repairRecord, 'repairs', path) };
  },
  tellRepairs: async (told: NewRepairs): Promise<RepairRecord[]> =>
    (await ask(repairsKept, 'POST', 'repairs', z.encode(newRepairs, told))).repairs,
  repairsDone: async ({
    repairs,
    ...told
  }: Omit<RepairsDone, 'repairs'> & {
    repairs: readonly RepairsDone['repairs'][number][];
  }): Promise<RepairRecord[]> => {
    const named = repairs.map(({ id, version }) => ({ id, version }));
    return (await ask(repairsKept, 'POST', 'repairs/done', { ...told, repairs: named })).repairs;
  },
  beginMending: (asked: MendingBatch): Promise<MendingBegun> =>
    ask(mendingBegun, 'POST', 'repairs/batch', z.encode(mendingBatch, asked)),
  takeApart: (box: string, told: BeyondMending): Promise<TakenApart> =>
    ask(takenApart, 'POST', `repairs/beyond/${box}`, z.encode(beyondMending, told)),
  removeRepair: (id: string, version: number) => send('DELETE', `repairs/${id}?version=${version}`),
  restoreRepair: (id: string): Promise<RepairRecord> =>
    ask(repairRecord, 'POST', `repairs/${id}/restore`),
  planVersion: (key: string): Promise<PlanVersion> =>
    ask(planVersion, 'GET', `repairs/plans/${key}`),
  readArchive: async (zip: Blob): Promise<ArchiveRead> =>
    archiveRead.parse(await (await send('POST', 'archive', { zip })).json()),
  trail: (): Promise<BoxRecord[]> => rowsOf(boxRecord, 'boxes', 'trail'),
  trailBox: async (id: string): Promise<BoxWithVisits> => {
    const path = `trail/${id}`;
    const { box, ...answer } = await ask(unread.extend({ box: boxRecord }), 'GET', path);
    return { box, visits: rowsIn(answer, visitRecord, 'visits', path) };
  },
  addBoxes: async (boxes: readonly NewBox[]): Promise<BoxRecord[]> =>
    (await ask(boxList, 'POST', 'trail', z.encode(newBoxes, { boxes: [...boxes] }))).boxes,
  changeBox: (id: string, change: BoxChange): Promise<BoxRecord> =>
    ask(boxRecord, 'PUT', `trail/${id}`, z.encode(boxChange, change)),
  removeBox: (id: string, version: number) => send('DELETE', `trail/${id}?version=${version}`),
  restoreBox: (id: string): Promise<BoxRecord> => ask(boxRecord, 'POST', `trail/${id}/restore`),
  importBoxesCsv: (csv: string) => ask(boxReport, 'POST', 'trail/csv', { csv }),
  importVisitsCsv: (csv: string) => ask(visitReport, 'POST', 'visits/csv', { csv }),
  sketches: (): Promise<SketchRecord[]> => rowsOf(sketchRecord, 'sketches', 'sketches'),
  addSketch: (sketch: NewSketch): Promise<SketchRecord> =>
    ask(sketchRecord, 'POST', 'sketches', sketch),
  changeSketch: (id: string, change: SketchChange): Promise<SketchRecord> =>
    ask(sketchRecord, 'PUT', `sketches/${id}`, change),
  removeSketch: (id: string, version: number) =>
    send('DELETE', `sketches/${id}?version=${version}`),
  restoreSketch: (id: string): Promise<SketchRecord> =>
    ask(sketchRecord, 'POST', `sketches/${id}/restore`),
  winter: (): Promise<WinterRecord> => ask(winterRecord, 'GET', 'winter'),
  season: (by: SeasonKey, year: number | null): Promise<SeasonRecord> =>
    ask(seasonRecord, 'GET', `trail/season?by=${by}${year === null ? '' : `&year=${year}`}`),
  addVisits: async (visits: readonly NewVisit[]): Promise<VisitRecord[]> =>
    (await ask(visitList, 'POST', 'visits', { visits })).visits,
  removeVisit: (id: string, version: number) => send('DELETE', `visits/${id}?version=${version}`),
  restoreVisit: (id: string): Promise<VisitRecord> =>
    ask(visitRecord, 'POST', `visits/${id}/restore`),
  keepPhoto: (id: string, jpeg: string): Promise<VisitRecord> =>
    ask(visitRecord, 'PUT', `visits/${id}/photo`, { jpeg }),
  list: ({ id }: ShopList): Promise<ListRow[]> => rowsOf(listRow, 'rows', `lists/${id}`),
  addToList: async ({ id }: ShopList, rows: readonly ListFields[]): Promise<ListRow[]> =>
    (await ask(listRows, 'POST', `lists/${id}`, { rows })).rows,
  changeInList: (
    { id: list }: ShopList,
    id: string,
    change: { version: number; fields: ListFields },
  ): Promise<ListRow> => ask(listRow, 'PUT', `lists/${list}/${id}`, change),
  removeFromList: ({ id: list }: ShopList, id: string, version: number) =>
    send('DELETE', `lists/${list}/${id}?version=${version}`),
  restoreInList: ({ id: list }: ShopList, id: string): Promise<ListRow> =>
    ask(listRow, 'POST', `lists/${list}/${id}/restore`),
  importListCsv: ({ id }: ShopList, csv: string) =>
    ask(listReport, 'POST', `lists/${id}/csv`, { csv }),
  addBatch: (batch: NewBatch): Promise<BatchRecord> =>
    ask(batchRecord, 'POST', 'batches', z.encode(newBatch, batch)),
  changeBatch: (id: string, patch: BatchPatch, key: string): Promise<BatchRecord> =>
    ask(batchRecord, 'PATCH', `batches/${id}`, z.encode(batchPatch, patch), key),
  removeBatch: (id: string, version: number) => send('DELETE', `batches/${id}?version=${version}`),
  restoreBatch: (id: string): Promise<BatchRecord> =>
    ask(batchRecord, 'POST', `batches/${id}/restore`),
  proposeLayout: (id: string, layout: Layout) =>
    send('PUT', `batches/${id}/layout`, { body: z.encode(proposal, { layout }) }),
  acceptLayout: (id: string, version: number, layout: Layout): Promise<BatchRecord> =>
    ask(batchRecord, 'POST', `batches/${id}/accept`, z.encode(acceptance, { version, layout })),
  buy: (id: string, version: number, layout: Layout): Promise<Bought> =>
    ask(bought, 'POST', `batches/${id}/buy`, z.encode(acceptance, { version, layout })),
  giveBack: (id: string, version: number): Promise<BatchRecord> =>
    ask(batchRecord, 'POST', `batches/${id}/give-back`, { version }),
  sawing: async (id: string): Promise<SawingRecord | null> =>
    (await ask(sawingState, 'GET', `batches/${id}/sawing`)).sawing,
  beginSawing: (id: string): Promise<SawingRecord> =>
    ask(sawingRecord, 'POST', `batches/${id}/sawing`),
  sawingProgress: (id: string): Promise<SawingProgress> =>
    ask(sawingProgress, 'GET', `batches/${id}/sawing/progress`),
  keepCuts: (id: string, cuts: SawnCuts, key: string): Promise<SawingProgress> =>
    ask(sawingProgress, 'POST', `batches/${id}/sawing/cuts`, z.encode(sawnCuts, cuts), key),
  leftToSaw: (id: string): Promise<LeftRecord> =>
    ask(leftRecord, 'GET', `batches/${id}/sawing/left`),
  sawAgain: (id: string, plan: SawAgain): Promise<SawingRecord> =>
    ask(sawingRecord, 'POST', `batches/${id}/sawing/again`, z.encode(sawAgain, plan)),
  sawingLog: (id: string): Promise<SawingLog> => ask(sawingLog, 'GET', `batches/${id}/sawing/log`),
  learned: (): Promise<LearnedRecord> => ask(learnedRecord, 'GET', 'shop/learned'),
  sawBack: (id: string, round: number): Promise<SawingRecord> =>
    ask(sawingRecord, 'POST', `batches/${id}/sawing/back`, { round }),
  rack: (): Promise<BoardRecord[]> => rowsOf(boardRecord, 'boards', 'rack'),
  addBoards: async (boards: NewBoard[]): Promise<BoardRecord[]> =>
    (await ask(boardList, 'POST', 'rack', z.encode(newBoards, { boards }))).boards,
  changeBoard: (id: string, change: BoardChange): Promise<BoardRecord> =>
    ask(boardRecord, 'PUT', `rack/${id}`, z.encode(boardChange, change)),
  splitBoard: (id: string, version: number): Promise<BoardRecord> =>
    ask(boardRecord, 'POST', `rack/${id}/split`, { version }),
  removeBoard: (id: string, version: number) => send('DELETE', `rack/${id}?version=${version}`),
  restoreBoard: (id: string): Promise<BoardRecord> =>
    ask(boardRecord, 'POST', `rack/${id}/restore`),
  shop: (): Promise<ShopRecord> => ask(shopRecord, 'GET', 'shop'),
  changeShop: (shop: ShopRecord): Promise<ShopRecord> =>
    ask(shopRecord, 'PUT', 'shop', z.encode(shopRecord, shop)),
  importCsv: (csv: string) => ask(csvReport, 'POST', 'rack/csv', { csv }),
  yard: (): Promise<OfferRecord[]> => rowsOf(offerRecord, 'offers', 'yard'),
  addOffers: async (offers: NewOffer[]): Promise<OfferRecord[]> =>
    (await ask(offerList, 'POST', 'yard', z.encode(newOffers, { offers }))).offers,
  changeOffer: (id: string, change: OfferChange): Promise<OfferRecord> =>
    ask(offerRecord, 'PUT', `yard/${id}`, z.encode(offerChange, change)),
  removeOffer: (id: string, version: number) => send('DELETE', `yard/${id}?version=${version}`),
  restoreOffer: (id: string): Promise<OfferRecord> =>
    ask(offerRecord, 'POST', `yard/${id}/restore`),
  work: (id: string): Promise<WorkRecord> => ask(workRecord, 'GET', `batches/${id}/work`),
  keepWork: (id: string, told: WorkTold, key: string): Promise<WorkRecord> =>
    ask(workRecord, 'POST', `batches/${id}/work`, z.encode(workTold, told), key),
  pace: (): Promise<PaceRecord> => ask(paceRecord, 'GET', 'shop/pace'),
  supplies: (): Promise<SupplyRecord[]> => rowsOf(supplyRecord, 'supplies', 'supplies'),
  putSupplies: async (supplies: NewSupply[]): Promise<SupplyRecord[]> =>
    (await ask(supplyList, 'POST', 'supplies', z.encode(newSupplies, { supplies }))).supplies,
  changeSupply: (id: string, change: SupplyChange): Promise<SupplyRecord> =>
    ask(supplyRecord, 'PUT', `supplies/${id}`, z.encode(supplyChange, change)),
  removeSupply: (id: string, version: number) =>
    send('DELETE', `supplies/${id}?version=${version}`),
  restoreSupply: (id: string): Promise<SupplyRecord> =>
    ask(supplyRecord, 'POST', `supplies/${id}/restore`),
  importSuppliesCsv: (csv: string) => ask(supplyReport, 'POST', 'supplies/csv', { csv }),
  importYardCsv: (csv: string) => ask(offerReport, 'POST', 'yard/csv', { csv }),
};

/** What is kept now, out of a conflict. */
export const currentBatch = (trouble: Trouble): BatchRecord | null => {
  const parsed = batchRecord.safeParse(trouble.problem.current);
  return parsed.success ? parsed.data : null;
};
