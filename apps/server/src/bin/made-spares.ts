import type { NewSpares } from '@spare-knot/core/api';
import { buildBox, familyById } from '@spare-knot/core/families';
import { pieceOf } from '@spare-knot/core/job';
import { panelNames } from '@spare-knot/core/panels';
import { seenCuts } from '@spare-knot/core/sheets';
import { plainText } from '@spare-knot/core/text';
import { woodRefused } from '@spare-knot/core/wood';
import { badInput, unsound } from '../http/problem.js';
import type { MadeSpare } from './bin.repository.js';

const handOf = (panel: string): MadeSpare['hand'] => {
  if (panel.endsWith('-left')) return 'left';
  return panel.endsWith('-right') ? 'right' : null;
};

/** Panels of a plan as they go in the bin: what each is as a piece, what it is called, how it looks. */
export function madeSpares({ plan, panels }: NewSpares, planKey: string): MadeSpare[] {
  const built = buildBox(plan);
  if (!built.ok)
    throw unsound(
      'This plan gives no sound box',
      built.refusals.map(({ field, message }) => ({
        path: `plan.${field}`,
        message: plainText(message),
      })),
    );
  const { box } = built;
  const names = panelNames(familyById(plan.family), box);
  return panels.map(({ panel: id, ...told }, index) => {
    const refused = woodRefused({ material: told.material });
    if (refused)
      throw badInput([{ path: `panels[${index}].material`, message: plainText(refused) }]);
    const panel = box.panels.find((each) => each.id === id);
    if (!panel)
      throw badInput([
        { path: `panels[${index}].panel`, message: `this plan has no panel “${id}”` },
      ]);
    return {
      ...told,
      planKey,
      piece: pieceOf(plan, panel),
      panel: id,
      role: panel.role,
      name: names.get(id) ?? id,
      hand: handOf(id),
      thickness: panel.thickness,
      drawing: {
        outline: [...panel.outline],
        underside: [...panel.underside],
        cuts: seenCuts(panel),
      },
    };
  });
}
