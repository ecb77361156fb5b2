import Papa from 'papaparse';
import { panelsAsSawn, type ReadyPieces, sawnCopies } from '../job/index.js';
import { toMm } from '../measure/index.js';
import { cutWords, measuresOf, type PanelSet } from '../panels/index.js';
import type { BoxPlan } from '../plan/index.js';
import { plainText } from '../text/index.js';

/** Columns of a cut list as CSV, RFC 4180 with a header row. Lengths in millimetres. */
export const CUT_LIST_COLUMNS = [
  'panel',
  'quantity',
  'thickness',
  'width',
  'longPoint',
  'shortPoint',
  'cuts',
  'grain',
  'outside',
  'inside',
  'material',
] as const;

/**
 * The cut list of a batch of boxes; `nameOf` gives a panel's name. Slabs off a log come from no board, and what lies ready is not sawn: both
 * are left out.
 */
export function writeCutListCsv(
  plan: BoxPlan,
  box: PanelSet,
  boxes: number,
  nameOf: (panel: string) => string,
  ready: readonly ReadyPieces[] = [],
): string {
  const copiesOf = sawnCopies(plan, box, boxes, ready);
  return Papa.unparse(
    {
      fields: [...CUT_LIST_COLUMNS],
      data: panelsAsSawn(plan, box.panels)
        .filter((panel) => !panel.fromLog && copiesOf(panel) > 0)
        .map((panel) => {
          const { blankWidth, longPoint, shortPoint } = measuresOf(panel);
          return [
            nameOf(panel.id),
            copiesOf(panel),
            ...[panel.thickness, blankWidth, longPoint, shortPoint].map(toMm),
            cutWords(panel).map(plainText).join('; '),
            panel.grain,
            panel.outside,
            panel.inside,
            plan.wood[panel.role]?.material ?? '',
          ];
        }),
    },
    { escapeFormulae: true, newline: '\r\n' },
  );
}
