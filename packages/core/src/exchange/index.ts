export { type PlanReading, planDocument, readBoxPlan, writeBoxPlan } from './box-plan-file.js';
export { writeBuildPlan } from './build-plan-file.js';
export { type CalendarDay, writeCalendar } from './calendar-file.js';
export { CUT_LIST_COLUMNS, writeCutListCsv } from './cut-list-csv.js';
export { CUT_PLAN_COLUMNS, writeCutPlanCsv } from './cut-plan-csv.js';
export {
  cutPlanDocument,
  progressDocument,
  readCutPlan,
  readProgress,
  ruinedFields,
  strangersIn,
  writeCutPlan,
  writeProgress,
} from './cut-plan-file.js';
export { problemsOf, type Read, showPath } from './document.js';
export { HOLE_COLUMNS, writeHolesCsv } from './holes-csv.js';
export { jsonSchema, SCHEMA_NAMES } from './json-schemas.js';
export { layoutDocument, readLayout, writeLayout } from './layout-file.js';
export {
  boardKindFields,
  layoutJobDocument,
  placementFields,
  readLayoutJob,
  salvageLayoutJob,
  saw,
  woodFactFields,
  writeLayoutJob,
} from './layout-job-file.js';
export { writePanelSet } from './panel-set-file.js';
export {
  AIDS,
  ASKED,
  animalNamed,
  type ListColumn,
  type ListFields,
  listFaults,
  MARKS,
  markOf,
  PAPERS,
  PEOPLE,
  readListCsv,
  readPlace,
  SHOP_LISTS,
  type ShopList,
  writeListCsv,
} from './shop-lists.js';
export { readStockCsv, writeStockCsv } from './stock-csv.js';
export { readStock, readYard } from './stock-file.js';
export { readSuppliesCsv, writeSuppliesCsv } from './supplies-csv.js';
export { readBitsCsv, readSawsCsv, writeBitsCsv, writeSawsCsv } from './tools-csv.js';
export {
  MOST_NUMBER,
  type NumberedVisit,
  readBoxesCsv,
  readVisitsCsv,
  writeBoxesCsv,
  writeVisitsCsv,
} from './trail-csv.js';
export { readGeoJson, readGpx, writeGeoJson, writeGpx } from './trail-geo.js';
export {
  count,
  degrees,
  distance,
  name,
  polygon,
  positiveLength,
  price,
  zoneFile,
  zoneFromFile,
  zoneToFile,
} from './units.js';
export { NO_END, readYardCsv, writeYardCsv, type YardEntry } from './yard-csv.js';
