import type { Family } from './family.js';
import type { PanelSet } from './panel-set.js';

/** What to call each panel, by its id: its role’s name, and where several panels share a role what tells them apart (`Front, lower`). */
export function panelNames(family: Family | undefined, box: PanelSet): Map<string, string> {
  return new Map(
    box.panels.map(({ id, role }) => {
      const label = family?.roles.find((each) => each.id === role)?.label ?? role;
      const rest = id === role ? '' : id.slice(role.length + 1);
      return [id, rest === '' ? label : /^\d+$/.test(rest) ? `${label} ${rest}` : `${label}, ${rest}`];
    }),
  );
}
