import { accessRule } from './access.js';
import { airRule } from './air.js';
import { backJointRule } from './back-joint.js';
import type { Rule } from './check.js';
import { fastenerRule } from './fasteners.js';
import { palletRule } from './pallet.js';
import { perchRule } from './perch.js';
import { swingRule } from './swing.js';
import { widthRule } from './widths.js';

/** Rules of wood, width and fasteners that every family is held against. */
export const EVERY_BOX: readonly Rule[] = [palletRule, widthRule, fastenerRule];

/** Rules for a box that is opened by one of its walls, or its roof. */
export const OPENING: readonly Rule[] = [accessRule, swingRule, perchRule];

/** Rules that ask about a closed room under a roof against a back. */
export const UNDER_A_ROOF: readonly Rule[] = [airRule, backJointRule];
