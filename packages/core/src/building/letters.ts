import type { PanelCopy } from '../panels/index.js';
import type { AssemblyStep } from './assembly/steps.js';

/** A letter that stands on both panels of a joint, on the inside. */
export interface Letter {
  letter: string;
  between: readonly [PanelCopy, PanelCopy];
}

/** Without letters that are read for another on rough wood: I for 1, O for 0, Q for O. */
const ALPHABET = 'ABCDEFGHJKLMNPRSTUVWXYZ';

/** The letter of a joint by its place: A to Z, then AA, AB … */
export function letterAt(place: number): string {
  const last = ALPHABET[place % ALPHABET.length] ?? '';
  const before = Math.floor(place / ALPHABET.length);
  return before === 0 ? last : letterAt(before - 1) + last;
}

const keyOf = ([a, b]: readonly [PanelCopy, PanelCopy]): string =>
  [a, b].map(({ panel, instance }) => `${panel}:${instance}`).join('|');

/** One letter for each pair of panels that is put together, in the order of the steps. */
export function lettersOf(steps: readonly AssemblyStep[]): Letter[] {
  const pairs = new Map<string, readonly [PanelCopy, PanelCopy]>();
  for (const { joints } of steps)
    for (const { between } of joints)
      if (!pairs.has(keyOf(between))) pairs.set(keyOf(between), between);
  return [...pairs.values()].map((between, place) => ({ letter: letterAt(place), between }));
}
