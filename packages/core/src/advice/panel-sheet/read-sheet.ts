import { parseLength, type Ticks, type UnitSystem } from '../../measure/index.js';

/** One panel as a sheet gives it. Lengths in ticks. */
export interface SheetLine {
  /** Where it stands, from 1. */
  line: number;
  /** The panel's name there, small and singular: `side`. */
  name: string;
  count: number;
  width: Ticks;
  /** Along its longer edge, and along the other where the sheet gives both. */
  length: Ticks;
  shorter: Ticks | null;
  /** Its own, where the sheet says another than for the rest. */
  thickness: Ticks | null;
}

/** A sheet of panel sizes as it was typed. */
export interface PanelSheet {
  lines: readonly SheetLine[];
  /** Of all panels that do not say their own; null where the sheet does not say. */
  thickness: Ticks | null;
  /** Diameter of the entrance; null where the sheet does not say. */
  hole: Ticks | null;
}

export interface SheetProblem {
  line: number;
  message: string;
}

const singular = (name: string): string =>
  name.length > 3 && name.endsWith('s') && !name.endsWith('ss') ? name.slice(0, -1) : name;

const PANEL = /^(?:(\d+)\s*(?:x\s+)?(?=[a-z]))?([a-z][a-z' -]*?)s?[\s:,]+(\d.*)$/;
const THICK = /[\s,]+(\S[^,]*?)\s+thick$/;
const THICKNESS = /^(?:(\d[^x,]*?)\s+thick|(?:thickness|wood|boards?)[\s:]+(.+?)(?:\s+thick)?)$/;
const HOLE = /^(?:hole|entrance)[\s:]+(.+)$/;

class Unread extends Error {}

function lengthIn(said: string, system: UnitSystem): Ticks {
  const read = parseLength(said, system);
  if (!read.ok) throw new Unread(read.message);
  if (read.ticks <= 0) throw new Unread(`“${said}” is no length above zero.`);
  return read.ticks;
}

/** `10 1/4 to 9 1/4`: the longer first. */
function span(said: string, system: UnitSystem): readonly [long: Ticks, short: Ticks | null] {
  const ends = said.split(/\s+to\s+/).map((each) => lengthIn(each, system));
  const [one = 0, other = null] = ends;
  if (ends.length > 2) throw new Unread(`“${said}” has more than two lengths.`);
  return other === null ? [one, null] : [Math.max(one, other), Math.min(one, other)];
}

function panelLine(text: string, line: number, system: UnitSystem): SheetLine {
  const found = PANEL.exec(text);
  if (!found)
    throw new Unread(
      `“${text}” is no panel with its sizes. Write for instance: 2 sides 5 1/2 x 10 1/4 to 9 1/4.`,
    );
  const [, count, name = '', rest = ''] = found;
  const thick = THICK.exec(rest);
  const sizes = (thick ? rest.slice(0, thick.index) : rest).split(/\s*(?:x|×|by)\s*/);
  const [first = '', second, third] = sizes;
  if (second === undefined || sizes.length > 3)
    throw new Unread(`“${text}” needs a width and a length: ${name} 5 1/2 x 10.`);
  const [a, shortA] = span(first, system);
  const [b, shortB] = span(second, system);
  const thickness = thick?.[1] ?? third;
  // The size that is given for two edges runs along them; otherwise the width stands first.
  const isTurned = shortA !== null && shortB === null;
  return {
    line,
    name: singular(name.trim()),
    count: count === undefined ? 1 : Number(count),
    width: isTurned ? b : a,
    length: isTurned ? a : b,
    shorter: isTurned ? shortA : shortB,
    thickness: thickness === undefined ? null : lengthIn(thickness, system),
  };
}

/**
 * Reads a sheet of panel sizes as people write it, a panel a line: `2 sides 5 1/2 x 10 1/4 to 9 1/4`, `roof 7 1/4 x 8, 3/4 thick`; with
 * `5/8 thick` for all and `hole 1 1/8` on lines of their own. Bare numbers are in `system`. Lines that cannot be read are named.
 */
export function readPanelSheet(
  text: string,
  system: UnitSystem,
): { sheet: PanelSheet; problems: SheetProblem[] } {
  const lines: SheetLine[] = [];
  const problems: SheetProblem[] = [];
  let thickness: Ticks | null = null;
  let hole: Ticks | null = null;
  text.split(/\r?\n/).forEach((whole, index) => {
    const said = whole.trim().toLowerCase().replace(/[×✕]/g, 'x');
    if (said === '') return;
    try {
      const thick = THICKNESS.exec(said);
      const round = HOLE.exec(said);
      if (thick) thickness = lengthIn(thick[1] ?? thick[2] ?? '', system);
      else if (round) hole = lengthIn(round[1] ?? '', system);
      else lines.push(panelLine(said, index + 1, system));
    } catch (error) {
      if (!(error instanceof Unread)) throw error;
      problems.push({ line: index + 1, message: error.message });
    }
  });
  return { sheet: { lines, thickness, hole }, problems };
}
