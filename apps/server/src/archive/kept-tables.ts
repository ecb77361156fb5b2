/**
 * Everything that is kept, in an order in which each table’s rows find those that they speak of. Left out: keys of writes that were
 * answered, and what is counted from the visits.
 */
export const KEPT_TABLES = [
  'shop',
  'supplies',
  'aids',
  'people',
  'papers',
  'asked',
  'marks',
  'sketches',
  'batches',
  'boards',
  'defects',
  'offers',
  'layouts',
  'taken_boards',
  'given_offcuts',
  'wood_ledger',
  'saw_rounds',
  'round_cuts',
  'ruined_pieces',
  'work_done',
  'plan_versions',
  'spare_panels',
  'trail_boxes',
  'visits',
  'repairs',
] as const;
export type KeptTableName = (typeof KEPT_TABLES)[number];

/** Tables that are not in an archive’s data: pictures are files of their own, the rest is made anew or of no use elsewhere. */
export const NOT_DATA: readonly string[] = [
  'visit_photos',
  'box_years',
  'requests',
  'migrations',
  'migrations_lock',
];

/** Counted from the visits. */
export const COUNTED: ReadonlySet<string> = new Set([
  'trail_boxes.visits',
  'trail_boxes.last_visit',
  'trail_boxes.wanting_visit',
  'trail_boxes.cleaned_on',
]);
