export { atFullPrice, batchQuestion, woodAsked } from './batch-question.js';
export {
  type Acceptance,
  acceptance,
  acceptedLayout,
  type BatchPatch,
  type BatchRecord,
  type BatchSummary,
  type Bought,
  batchList,
  batchPatch,
  batchRecord,
  bought,
  type KeptPlans,
  keptPlans,
  type LayoutWishes,
  layoutWishes,
  type Making,
  making,
  type NewBatch,
  NO_MAKING,
  NO_WISHES,
  newBatch,
  type Picture,
  proposal,
  type ReadyPanel,
  readyPanels,
  SUPPLIES,
  type Supply,
} from './batches.js';
export {
  backToBin,
  binList,
  type FromBin,
  fromBin,
  type NewSpares,
  newSpares,
  type SpareChange,
  type SpareRecord,
  spareChange,
  spareRecord,
} from './bin.js';
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
export {
  type LeftRecord,
  leftRecord,
  type Mishap,
  roundOnly,
  type SawAgain,
  type SawingLog,
  type SawingProgress,
  type SawingRecord,
  type SawnCuts,
  sawAgain,
  sawingLog,
  sawingProgress,
  sawingRecord,
  sawingState,
  sawnCuts,
} from './sawing.js';
export { offcutsOn, scrapTyped } from './scraps.js';
export {
  type LearnedRecord,
  learnedRecord,
  type ShopRecord,
  sawsOf,
  shopRecord,
} from './shop.js';
export {
  type ListRow,
  listChange,
  listReport,
  listRow,
  listRows,
  newListRows,
} from './shop-lists.js';
export {
  type NewSupply,
  newSupplies,
  type SupplyChange,
  type SupplyRecord,
  supplyChange,
  supplyList,
  supplyRecord,
  supplyReport,
} from './supplies.js';
export {
  type PaceRecord,
  paceRecord,
  type WorkRecord,
  type WorkTold,
  workRecord,
  workTold,
} from './work.js';
export {
  boardBought,
  boardOffered,
  type NewOffer,
  newOffer,
  newOffers,
  type OfferChange,
  type OfferRecord,
  offerChange,
  offerList,
  offerRecord,
  offerReport,
} from './yard.js';
