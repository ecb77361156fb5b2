import { at, must } from '../lists/index.js';
import type { PlanDeclaration } from '../plan/index.js';
import { add, cross, scale } from '../solid/index.js';
import type { Panel, PanelSet } from './panel-set.js';

/** Words that tell panels of one role apart. */
const SIDES = ['left', 'right', 'upper', 'lower', 'front', 'rear', 'back'];

/** What tells a panel apart from others of its role: nothing, a number, or words. */
function distinction(id: string, role: string, numbered: ReadonlySet<string>): string {
  if (id === role) return numbered.has(id) ? '1' : '';
  return id.startsWith(`${role}-`) ? id.slice(role.length + 1) : '';
}

function labelled(label: string, rest: string): string {
  if (rest === '') return label;
  return /^\d+$/.test(rest) ? `${label} ${rest}` : `${label}, ${rest.replaceAll('-', ' ')}`;
}

/** What to call each panel, by its id: its role’s name, and where several panels share a role what tells them apart (`Front, lower`). */
export function panelNames(
  family: Pick<PlanDeclaration, 'roles'> | undefined,
  box: PanelSet,
): Map<string, string> {
  const numbered = new Set(box.panels.flatMap(({ id }) => /^(.*)-2$/.exec(id)?.[1] ?? []));
  return new Map(
    box.panels.map(({ id, role }) => {
      const label = family?.roles.find((each) => each.id === role)?.label ?? role;
      return [id, labelled(label, distinction(id, role, numbered))];
    }),
  );
}

/** What a panel is called in the middle of a sentence, by its id alone: `left side` for side-left, `post` for post-2. */
export function plainName(id: string): string {
  const words = id.replace(/(-\d+)+$/, '').split('-');
  const sides: string[] = [];
  while (words.length > 1 && SIDES.includes(at(words, -1)))
    sides.push(must(words.pop(), 'one of the words'));
  return [...sides, ...words].join(' ');
}

/** What a left panel and its right counterpart have in common: `side` for both sides. */
export const withoutHand = (id: string): string => id.replace(/-(left|right)$/, '');

/** The name of a part of a layout: a panel’s, of a stave that is glued up (`Back, stave 2`), of one of two sheets (`Back, outer sheet`). */
export function partName(names: ReadonlyMap<string, string>, part: string): string {
  const [, panel, piece = ''] = /^(.*)\.(\d+|outer|inner)$/.exec(part) ?? [];
  const what = /\d/.test(piece) ? `stave ${piece}` : `${piece} sheet`;
  return names.get(part) ?? (panel ? `${names.get(panel) ?? panel}, ${what}` : part);
}

/** Which way an edge of a panel looks as the box stands, in a word: `left`, `upper`, `rear`. */
export function edgeName(panel: Panel, edge: number): string {
  const { frame, outsideNormal } = at(panel.instances, 0);
  const [from, to] = [
    at(panel.outline, edge),
    at(panel.outline, (edge + 1) % panel.outline.length),
  ];
  const y = cross(outsideNormal, frame.x);
  const [x, depth, z] = add(scale(frame.x, to[1] - from[1]), scale(y, from[0] - to[0]));
  const [ax, ay, az] = [Math.abs(x), Math.abs(depth), Math.abs(z)];
  if (az >= ax && az >= ay) return z > 0 ? 'upper' : 'lower';
  if (ay >= ax) return depth > 0 ? 'rear' : 'front';
  return x > 0 ? 'right' : 'left';
}
