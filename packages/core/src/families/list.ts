import { colonyHouse } from './colony/family.js';
import { creviceBat } from './crevice-bat/family.js';
import type { Family } from './family.js';
import { logBox } from './log/family.js';
import { openFront } from './open-front/family.js';
import { owlBox } from './owl/family.js';
import { poleBat } from './pole-bat/family.js';
import { ridgeRoofBox } from './ridge-roof/family.js';
import { roostShelf } from './roost-shelf/family.js';
import { slantRoof } from './slant-roof/family.js';
import { squareCut } from './square-cut/family.js';
import { tubeEntrance } from './tube-entrance/family.js';

/** Every family that can be built. A new one is a folder beside this file and a line in this list. */
export const FAMILIES: readonly Family[] = [
  slantRoof,
  squareCut,
  openFront,
  ridgeRoofBox,
  owlBox,
  creviceBat,
  poleBat,
  colonyHouse,
  logBox,
  tubeEntrance,
  roostShelf,
];
