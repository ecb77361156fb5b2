import type { Chosen } from '../../plan/index.js';

/** Roofs that end against the back, which may stand on above them. */
const AGAINST_BACK = ['butt', 'strip', 'groove'];
export const isAgainstBack = ({ roof }: Chosen): boolean => AGAINST_BACK.includes(roof ?? '');
export const swings = ({ access }: Chosen): boolean => access === 'side' || access === 'front';
export const isSplit = ({ access, sideIn }: Chosen): boolean =>
  access === 'side' && sideIn === 'two';
export const isScored = ({ grip, outside }: Chosen): boolean =>
  grip === 'kerfs' || outside === 'notches';
export const isLaddered = ({ grip, outside }: Chosen): boolean =>
  grip === 'ladder' || outside === 'ladder';
export const hasTray = ({ tray }: Chosen): boolean => tray === 'tray';
export const isMounted = ({ mount }: Chosen): boolean => mount === 'ends' || mount === 'rod';
