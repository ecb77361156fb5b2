import type { PanelSet } from '../../panels/index.js';
import type { BoxPlan } from '../../plan/index.js';
import { hangingLines } from '../hanging/hanging-lines.js';
import type { Site } from '../hanging/way-parts.js';
import { caulkLines, coverLines, finishLines, meshLine, plateLines } from './covered.js';
import { fastenerLines, layerLines } from './fastened.js';
import { glueLines } from './glued.js';
import type { HardwareLine } from './line.js';
import { hingeLines, hungLines, stripLines } from './moving.js';
import { pipeLines } from './pipe.js';

/** Everything one box takes beside its panels, each quantity counted from its joints, holes and faces. */
export const hardwareOf = (plan: BoxPlan, box: PanelSet, site?: Site): HardwareLine[] => [
  ...fastenerLines(plan, box),
  ...layerLines(plan, box),
  ...hungLines(plan, box),
  ...hingeLines(box),
  ...stripLines(box),
  ...meshLine(box),
  ...pipeLines(box),
  ...hangingLines(plan, box, site),
  ...glueLines(plan, box),
  ...caulkLines(plan, box),
  ...coverLines(plan, box),
  ...plateLines(plan, box),
  ...finishLines(plan, box),
];
