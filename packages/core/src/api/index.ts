export { batchQuestion } from './batch-question.js';
export {
  type Acceptance,
  acceptance,
  acceptedLayout,
  type BatchPatch,
  type BatchRecord,
  type BatchSummary,
  batchList,
  batchPatch,
  batchRecord,
  type LayoutWishes,
  layoutWishes,
  type NewBatch,
  NO_WISHES,
  newBatch,
  type Picture,
  proposal,
} from './batches.js';
export {
  type BoardChange,
  type BoardRecord,
  boardChange,
  boardList,
  boardRecord,
  csvBody,
  csvReport,
  type NewBoard,
  newBoards,
} from './boards.js';
export { versionOnly, versionQuery } from './fields.js';
export { openApi } from './openapi.js';
export { OPERATIONS } from './operations.js';
export { type ProblemDocument, problemDocument } from './problem.js';
export { type ShopRecord, shopRecord } from './shop.js';
