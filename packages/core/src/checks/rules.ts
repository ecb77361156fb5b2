import { accessRule } from './access.js';
import { airRule, smallOpeningsRule } from './air.js';
import { backJointRule } from './back-joint.js';
import { barnOwlRule } from './barn-owl.js';
import type { Rule } from './check.js';
import { fastenerRule } from './fasteners.js';
import { finishRule } from './finish.js';
import { companyRule, guestRule, knownRule } from './guest.js';
import { palletRule } from './pallet.js';
import { perchRule } from './perch.js';
import { playRule } from './play.js';
import { swingRule } from './swing.js';
import { scoresRule, shortGrainRule } from './walls.js';
import { widthRule } from './widths.js';
import { assumedRule, greenRule, oldPaintRule, sheetRule, woodRule } from './wood.js';

/** Rules of guests, wood, finish and fasteners that every family is held against. */
export const EVERY_BOX: readonly Rule[] = [
  knownRule,
  guestRule,
  companyRule,
  barnOwlRule,
  perchRule,
  woodRule,
  assumedRule,
  oldPaintRule,
  greenRule,
  sheetRule,
  palletRule,
  finishRule,
  shortGrainRule,
  scoresRule,
  smallOpeningsRule,
  widthRule,
  fastenerRule,
];

/** Rules for a box that is opened by one of its walls, or its roof. */
export const OPENING: readonly Rule[] = [accessRule, swingRule, playRule];

/** Rules that ask about a closed room under a roof against a back. */
export const UNDER_A_ROOF: readonly Rule[] = [airRule, backJointRule];
