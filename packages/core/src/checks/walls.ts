import { toMm } from '../measure/index.js';
import { plainName } from '../panels/index.js';
import { text } from '../text/index.js';
import { LEEWAY_MM, ofMm, type Rule } from './check.js';

const OUTER = ['front', 'back', 'side-left', 'side-right'];
const SOLID_MM = 15;

/** Thickness of the outer walls. `ply` is the least for plywood in millimetres. */
export const wallRule =
  (roles: readonly string[] = OUTER, ply = 12): Rule =>
  ({ plan, box }) => {
    const thin = roles.filter((role) => {
      const wood = plan.wood[role];
      if (!wood || !box.panels.some((panel) => panel.role === role)) return false;
      const least = wood.material === 'plywood' ? ply : SOLID_MM;
      return toMm(wood.thickness) < least - LEEWAY_MM;
    });
    const names = thin.map(plainName).join(', ');
    return [
      {
        id: 'walls',
        severity: thin.length > 0 ? 'warn' : 'kept',
        role: thin[0] ?? null,
        text:
          thin.length > 0
            ? text`Walls thinner than ${ofMm(SOLID_MM)} (plywood ${ofMm(ply)}) keep out neither cold nor heat: ${names}.`
            : text`Walls thick enough: at least ${ofMm(SOLID_MM)}, plywood ${ofMm(ply)}.`,
        evidence: 'M',
        source: 'BTO nest box guidance',
        remedies: [],
      },
    ];
  };
