import { z } from 'zod';
import { SHOP_LISTS, type ShopList } from '../exchange/index.js';
import { archiveRead } from './archive.js';
import {
  acceptance,
  batchList,
  batchPatch,
  batchRecord,
  bought,
  keptPlans,
  newBatch,
  proposal,
  proposed,
} from './batches.js';
import { backToBin, binList, fromBin, newSpares, spareChange, spareRecord } from './bin.js';
import { boardChange, boardList, boardRecord, csvBody, csvReport, newBoards } from './boards.js';
import { removed, versionOnly, versionQuery } from './fields.js';
import {
  beyondMending,
  mendingBatch,
  mendingBegun,
  newRepairs,
  planVersion,
  repairList,
  repairRecord,
  repairsDone,
  repairsKept,
  repairsQuery,
  takenApart,
} from './repairs.js';
import {
  leftRecord,
  roundOnly,
  sawAgain,
  sawingLog,
  sawingProgress,
  sawingRecord,
  sawingState,
  sawnCuts,
} from './sawing.js';
import { learnedRecord, shopRecord } from './shop.js';
import { listChange, listReport, listRow, listRows, newListRows } from './shop-lists.js';
import { newSketch, sketchChange, sketchList, sketchRecord } from './sketches.js';
import { newSupplies, supplyChange, supplyList, supplyRecord, supplyReport } from './supplies.js';
import {
  boxChange,
  boxList,
  boxRecord,
  boxReport,
  boxWithVisits,
  newBoxes,
  newVisits,
  photoBody,
  seasonQuery,
  seasonRecord,
  visitChange,
  visitList,
  visitRecord,
  visitReport,
  winterRecord,
} from './trail.js';
import { paceRecord, workRecord, workTold } from './work.js';
import { newOffers, offerChange, offerList, offerRecord, offerReport } from './yard.js';

/** `room`: whether the disk has room to keep more; without it everything is there to be read only. */
export const health = z.object({ ready: z.boolean(), room: z.boolean() });

/** One thing that can be asked of the server. */
export interface Operation {
  method: 'get' | 'post' | 'put' | 'patch' | 'delete';
  /** With `{id}` where an id stands. */
  path: string;
  summary: string;
  query?: z.ZodObject;
  body?: z.ZodType;
  /** Left out: text of another kind. */
  answer?: z.ZodType;
}

/** What can be asked of one of the shop’s lists. */
const listOperations = (list: ShopList): Operation[] => {
  const path = `/api/lists/${list.id}`;
  const { title, one } = list;
  return [
    { method: 'get', path, summary: title, answer: listRows },
    {
      method: 'post',
      path,
      summary: `${title}: puts some on the list`,
      body: newListRows(list),
      answer: listRows,
    },
    { method: 'get', path: `${path}/csv`, summary: `${title} as CSV` },
    {
      method: 'post',
      path: `${path}/csv`,
      summary: `${title}: puts the lines of a CSV on the list`,
      body: csvBody,
      answer: listReport,
    },
    {
      method: 'put',
      path: `${path}/{id}`,
      summary: `Changes one ${one}`,
      body: listChange(list),
      answer: listRow,
    },
    {
      method: 'delete',
      path: `${path}/{id}`,
      summary: `Takes one ${one} off the list`,
      query: versionQuery,
      answer: removed,
    },
    {
      method: 'post',
      path: `${path}/{id}/restore`,
      summary: `Puts one ${one} back`,
      answer: listRow,
    },
  ];
};

const REPAIR_OPERATIONS: readonly Operation[] = [
  {
    method: 'get',
    path: '/api/repairs',
    summary: 'What is broken of the boxes that are out; all that was ever told of one box',
    query: repairsQuery,
    answer: repairList,
  },
  {
    method: 'post',
    path: '/api/repairs',
    summary: 'Tells which panels of a box are broken',
    body: newRepairs,
    answer: repairsKept,
  },
  {
    method: 'post',
    path: '/api/repairs/done',
    summary: 'Repairs are done, or are open again',
    body: repairsDone,
    answer: repairsKept,
  },
  {
    method: 'post',
    path: '/api/repairs/batch',
    summary: 'Begins a batch that makes the broken panels, from the bin first',
    body: mendingBatch,
    answer: mendingBegun,
  },
  {
    method: 'post',
    path: '/api/repairs/beyond/{id}',
    summary: 'Takes a box down for good and keeps its sound panels, in the bin or as wood',
    body: beyondMending,
    answer: takenApart,
  },
  {
    method: 'get',
    path: '/api/repairs/plans/{key}',
    summary: 'A version of a plan that boxes were built by',
    answer: planVersion,
  },
  {
    method: 'delete',
    path: '/api/repairs/{id}',
    summary: 'Takes a repair off the list',
    query: versionQuery,
    answer: removed,
  },
  {
    method: 'post',
    path: '/api/repairs/{id}/restore',
    summary: 'Puts a repair back on the list',
    answer: repairRecord,
  },
];

const SKETCH_OPERATIONS: readonly Operation[] = [
  { method: 'get', path: '/api/sketches', summary: 'Pictures of the place', answer: sketchList },
  {
    method: 'post',
    path: '/api/sketches',
    summary: 'Keeps a picture of the place',
    body: newSketch,
    answer: sketchRecord,
  },
  {
    method: 'put',
    path: '/api/sketches/{id}',
    summary: 'Names a picture, or says where two of its spots lie',
    body: sketchChange,
    answer: sketchRecord,
  },
  { method: 'get', path: '/api/sketches/{id}/picture', summary: 'What it shows, as JPEG' },
  {
    method: 'delete',
    path: '/api/sketches/{id}',
    summary: 'Takes a picture off the list',
    query: versionQuery,
    answer: removed,
  },
  {
    method: 'post',
    path: '/api/sketches/{id}/restore',
    summary: 'Puts a picture back on the list',
    answer: sketchRecord,
  },
];

const TRAIL_OPERATIONS: readonly Operation[] = [
  { method: 'get', path: '/api/trail', summary: 'Boxes that are out', answer: boxList },
  {
    method: 'post',
    path: '/api/trail',
    summary: 'Boxes go out; a number stands on one box',
    body: newBoxes,
    answer: boxList,
  },
  { method: 'get', path: '/api/trail/csv', summary: 'Boxes that are out as CSV' },
  {
    method: 'post',
    path: '/api/trail/csv',
    summary: 'Boxes of a CSV; bad lines and numbers that stand already are named',
    body: csvBody,
    answer: boxReport,
  },
  {
    method: 'get',
    path: '/api/trail/season',
    summary: 'What came of the boxes that are alike in one thing',
    query: seasonQuery,
    answer: seasonRecord,
  },
  {
    method: 'get',
    path: '/api/winter',
    summary: 'What to build before the next season, and why',
    answer: winterRecord,
  },
  {
    method: 'get',
    path: '/api/trail/{id}',
    summary: 'One box with its visits',
    answer: boxWithVisits,
  },
  {
    method: 'put',
    path: '/api/trail/{id}',
    summary: 'Changes a box',
    body: boxChange,
    answer: boxRecord,
  },
  {
    method: 'delete',
    path: '/api/trail/{id}',
    summary: 'Takes a box off the list',
    query: versionQuery,
    answer: removed,
  },
  {
    method: 'post',
    path: '/api/trail/{id}/restore',
    summary: 'Puts a box back on the list',
    answer: boxRecord,
  },
  {
    method: 'post',
    path: '/api/visits',
    summary: 'Keeps visits, each once by its own id',
    body: newVisits,
    answer: visitList,
  },
  { method: 'get', path: '/api/visits/csv', summary: 'Visits as CSV' },
  {
    method: 'post',
    path: '/api/visits/csv',
    summary: 'Visits of a CSV; bad lines and numbers of no box are named',
    body: csvBody,
    answer: visitReport,
  },
  {
    method: 'put',
    path: '/api/visits/{id}',
    summary: 'Changes a visit',
    body: visitChange,
    answer: visitRecord,
  },
  {
    method: 'put',
    path: '/api/visits/{id}/photo',
    summary: 'Keeps a small picture with a visit, without where it was taken',
    body: photoBody,
    answer: visitRecord,
  },
  { method: 'get', path: '/api/visits/{id}/photo', summary: 'The picture of a visit' },
  {
    method: 'delete',
    path: '/api/visits/{id}',
    summary: 'Takes a visit off the list',
    query: versionQuery,
    answer: removed,
  },
  {
    method: 'post',
    path: '/api/visits/{id}/restore',
    summary: 'Puts a visit back on the list',
    answer: visitRecord,
  },
];

const PLAIN_OPERATIONS: readonly Operation[] = [
  { method: 'get', path: '/api/archive', summary: 'The whole shop as a ZIP' },
  {
    method: 'post',
    path: '/api/archive',
    summary: 'Reads such a ZIP, sent as application/zip, into an empty shop',
    answer: archiveRead,
  },
  {
    method: 'get',
    path: '/api/health',
    summary: 'Whether the server can keep things',
    answer: health,
  },
  { method: 'get', path: '/api/batches', summary: 'All batches, in short', answer: batchList },
  {
    method: 'post',
    path: '/api/batches',
    summary: 'Starts a batch',
    body: newBatch,
    answer: batchRecord,
  },
  { method: 'get', path: '/api/batches/{id}', summary: 'One batch', answer: batchRecord },
  {
    method: 'patch',
    path: '/api/batches/{id}',
    summary: 'Changes some of a batch',
    body: batchPatch,
    answer: batchRecord,
  },
  {
    method: 'delete',
    path: '/api/batches/{id}',
    summary: 'Takes a batch off the bench',
    query: versionQuery,
    answer: removed,
  },
  {
    method: 'post',
    path: '/api/batches/{id}/restore',
    summary: 'Puts a batch back on the bench',
    answer: batchRecord,
  },
  {
    method: 'put',
    path: '/api/batches/{id}/layout',
    summary: 'Keeps a layout that takes no board yet',
    body: proposal,
    answer: proposed,
  },
  {
    method: 'post',
    path: '/api/batches/{id}/accept',
    summary: 'Takes the boards of a layout off the rack and puts its offcuts on it',
    body: acceptance,
    answer: batchRecord,
  },
  {
    method: 'post',
    path: '/api/batches/{id}/buy',
    summary: 'Puts the boards that a layout wants from the yard on the rack, bought',
    body: acceptance,
    answer: bought,
  },
  {
    method: 'post',
    path: '/api/batches/{id}/give-back',
    summary: 'Gives the boards back',
    body: versionOnly,
    answer: batchRecord,
  },
  {
    method: 'post',
    path: '/api/batches/{id}/bin',
    summary: 'Sets panels of the bin aside for a batch: they are not sawn',
    body: fromBin,
    answer: batchRecord,
  },
  {
    method: 'post',
    path: '/api/batches/{id}/bin/back',
    summary: 'Puts panels that are set aside back in the bin',
    body: backToBin,
    answer: batchRecord,
  },
  { method: 'get', path: '/api/bin', summary: 'Panels that are made ahead', answer: binList },
  {
    method: 'post',
    path: '/api/bin',
    summary: 'Puts panels of a plan in the bin; what lies there of them is counted up',
    body: newSpares,
    answer: binList,
  },
  {
    method: 'put',
    path: '/api/bin/{id}',
    summary: 'Counts panels anew, or says where they lie',
    body: spareChange,
    answer: spareRecord,
  },
  {
    method: 'delete',
    path: '/api/bin/{id}',
    summary: 'Takes panels out of the bin for good',
    query: versionQuery,
    answer: removed,
  },
  {
    method: 'post',
    path: '/api/bin/{id}/restore',
    summary: 'Puts panels that were taken out back',
    answer: spareRecord,
  },
  {
    method: 'get',
    path: '/api/batches/{id}/sawing',
    summary: 'The cut plan of a batch and how far it is sawn',
    answer: sawingState,
  },
  {
    method: 'post',
    path: '/api/batches/{id}/sawing',
    summary: 'Plans the cuts of the boards that are taken, once',
    answer: sawingRecord,
  },
  {
    method: 'get',
    path: '/api/batches/{id}/sawing/progress',
    summary: 'How far a batch is sawn',
    answer: sawingProgress,
  },
  {
    method: 'post',
    path: '/api/batches/{id}/sawing/cuts',
    summary: 'Keeps cuts that were made and pieces that went wrong, and takes back both',
    body: sawnCuts,
    answer: sawingProgress,
  },
  {
    method: 'get',
    path: '/api/batches/{id}/sawing/left',
    summary: 'What is left to be laid out in the middle of the sawing',
    answer: leftRecord,
  },
  {
    method: 'get',
    path: '/api/batches/{id}/sawing/log',
    summary: 'Minutes by setting, what went wrong, where the wood went',
    answer: sawingLog,
  },
  {
    method: 'post',
    path: '/api/batches/{id}/sawing/again',
    summary: 'Goes on by a new plan for what is left',
    body: sawAgain,
    answer: sawingRecord,
  },
  {
    method: 'post',
    path: '/api/batches/{id}/sawing/back',
    summary: 'Goes back to the plan before, while nothing is sawn by the new one',
    body: roundOnly,
    answer: sawingRecord,
  },
  {
    method: 'get',
    path: '/api/batches/{id}/work',
    summary: 'What is done of a batch at the bench',
    answer: workRecord,
  },
  {
    method: 'post',
    path: '/api/batches/{id}/work',
    summary: 'Keeps what is done at the bench, and takes it back',
    body: workTold,
    answer: workRecord,
  },
  {
    method: 'get',
    path: '/api/shop/pace',
    summary: 'How long work at the bench takes in this shop',
    answer: paceRecord,
  },
  {
    method: 'get',
    path: '/api/supplies',
    summary: 'What lies in the shop’s drawers',
    answer: supplyList,
  },
  {
    method: 'post',
    path: '/api/supplies',
    summary: 'Puts things in the drawers; those that are there are changed',
    body: newSupplies,
    answer: supplyList,
  },
  { method: 'get', path: '/api/supplies/csv', summary: 'The drawers as CSV' },
  {
    method: 'post',
    path: '/api/supplies/csv',
    summary: 'Puts what a CSV lists in the drawers',
    body: csvBody,
    answer: supplyReport,
  },
  {
    method: 'put',
    path: '/api/supplies/{id}',
    summary: 'Changes one thing',
    body: supplyChange,
    answer: supplyRecord,
  },
  {
    method: 'delete',
    path: '/api/supplies/{id}',
    summary: 'Takes one thing off the list',
    query: versionQuery,
    answer: removed,
  },
  {
    method: 'post',
    path: '/api/supplies/{id}/restore',
    summary: 'Puts one thing back on the list',
    answer: supplyRecord,
  },
  {
    method: 'get',
    path: '/api/plans',
    summary: 'The plans of all batches',
    answer: keptPlans,
  },
  { method: 'get', path: '/api/rack', summary: 'The boards on the rack', answer: boardList },
  {
    method: 'post',
    path: '/api/rack',
    summary: 'Puts boards on the rack',
    body: newBoards,
    answer: boardList,
  },
  { method: 'get', path: '/api/rack/csv', summary: 'The rack as CSV' },
  {
    method: 'post',
    path: '/api/rack/csv',
    summary: 'Puts the boards of a CSV on the rack; bad lines are named',
    body: csvBody,
    answer: csvReport,
  },
  {
    method: 'put',
    path: '/api/rack/{id}',
    summary: 'Changes a board',
    body: boardChange,
    answer: boardRecord,
  },
  {
    method: 'post',
    path: '/api/rack/{id}/split',
    summary: 'Takes one board out of a pile',
    body: versionOnly,
    answer: boardRecord,
  },
  {
    method: 'delete',
    path: '/api/rack/{id}',
    summary: 'Throws boards away',
    query: versionQuery,
    answer: removed,
  },
  {
    method: 'post',
    path: '/api/rack/{id}/restore',
    summary: 'Puts boards that were thrown away back',
    answer: boardRecord,
  },
  { method: 'get', path: '/api/yard', summary: 'What yards sell', answer: offerList },
  {
    method: 'post',
    path: '/api/yard',
    summary: 'Puts offers on the list of the yards',
    body: newOffers,
    answer: offerList,
  },
  { method: 'get', path: '/api/yard/csv', summary: 'What yards sell as CSV' },
  {
    method: 'post',
    path: '/api/yard/csv',
    summary: 'Puts the offers of a CSV on the list; bad lines are named',
    body: csvBody,
    answer: offerReport,
  },
  {
    method: 'put',
    path: '/api/yard/{id}',
    summary: 'Changes an offer',
    body: offerChange,
    answer: offerRecord,
  },
  {
    method: 'delete',
    path: '/api/yard/{id}',
    summary: 'Takes an offer off the list',
    query: versionQuery,
    answer: removed,
  },
  {
    method: 'post',
    path: '/api/yard/{id}/restore',
    summary: 'Puts an offer back on the list',
    answer: offerRecord,
  },
  { method: 'get', path: '/api/shop/saws.csv', summary: 'The shop’s saws as CSV' },
  { method: 'get', path: '/api/shop/bits.csv', summary: 'The shop’s bits as CSV' },
  { method: 'get', path: '/api/shop', summary: 'What the shop owns', answer: shopRecord },
  {
    method: 'get',
    path: '/api/shop/learned',
    summary: 'What cuts and changes took in the batches that were sawn',
    answer: learnedRecord,
  },
  {
    method: 'put',
    path: '/api/shop',
    summary: 'Keeps what the shop owns',
    body: shopRecord,
    answer: shopRecord,
  },
];

/** Everything that page and server say to each other: what the server describes itself by. */
export const OPERATIONS: readonly Operation[] = [
  ...PLAIN_OPERATIONS,
  ...TRAIL_OPERATIONS,
  ...SKETCH_OPERATIONS,
  ...REPAIR_OPERATIONS,
  ...SHOP_LISTS.flatMap(listOperations),
];
