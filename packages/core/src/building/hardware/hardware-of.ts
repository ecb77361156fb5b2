import type { PanelSet } from '../../panels/index.js';
import type { BoxPlan } from '../../plan/index.js';
import { caulkLines, coverLines, finishLines, meshLine, plateLines } from './covered.js';
import { fastenerLines, layerLines } from './fastened.js';
import { glueLines } from './glued.js';
import { fittingLines, fixingLines, footLines, mountLines } from './hung-up.js';
import type { HardwareLine } from './line.js';
import { hingeLines, hungLines, stripLines } from './moving.js';

/** Everything one box takes beside its panels, each quantity counted from its joints, holes and faces. */
export const hardwareOf = (plan: BoxPlan, box: PanelSet): HardwareLine[] => [
  ...fastenerLines(plan, box),
  ...layerLines(plan, box),
  ...hungLines(plan, box),
  ...hingeLines(box),
  ...stripLines(box),
  ...meshLine(box),
  ...fittingLines(box),
  ...mountLines(plan, box),
  ...footLines(plan),
  ...fixingLines(plan, box),
  ...glueLines(plan, box),
  ...caulkLines(plan, box),
  ...coverLines(plan, box),
  ...plateLines(plan, box),
  ...finishLines(plan, box),
];
