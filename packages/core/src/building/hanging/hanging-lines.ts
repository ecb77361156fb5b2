import type { PanelSet } from '../../panels/index.js';
import type { BoxPlan } from '../../plan/index.js';
import type { HardwareLine } from '../hardware/line.js';
import { eyeLines, fixingLines, footLines, mountLines } from './hung-up.js';
import { type Site, wayParts } from './way-parts.js';

/** What hangs one box: in the way that its plan names, or else by the holes, eyes and foot that its choices give it. */
export const hangingLines = (plan: BoxPlan, box: PanelSet, site?: Site): HardwareLine[] =>
  plan.hanging === null
    ? [...eyeLines(box), ...mountLines(plan, box), ...footLines(plan), ...fixingLines(plan, box)]
    : wayParts(plan, box, site);
