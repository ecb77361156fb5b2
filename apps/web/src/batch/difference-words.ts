import { familyById } from '@spare-knot/core/families';
import { type LengthStyle, printLengthUnit } from '@spare-knot/core/measure';
import type { Difference } from './batch-session';
import type { Draft } from './draft';
import type { Path } from './merge';

/** What a place in a draft is called; the longest beginning of its path counts. */
const NAMES: Readonly<Record<string, string>> = {
  name: 'Name',
  boxes: 'How many boxes',
  units: 'Units',
  division: 'Fractions',
  plan: 'The box',
  'plan.place': 'Where it hangs',
  'plan.finish': 'Finish',
  'plan.fasteners': 'Fasteners',
  'plan.hanging': 'How it hangs',
  saw: 'The saw',
  'saw.kerf': 'Kerf',
  'saw.endTrim': 'Cut off each end',
  wishes: 'Wishes for the layout',
  'wishes.pinned': 'Pinned panels',
  'wishes.forbidden': 'Boards left alone',
  'wishes.supply': 'Where the wood comes from',
  'wishes.goals': 'What counts first',
  making: 'Making',
  'making.finish': 'Finish',
  'making.firstNumber': 'First number',
  'making.upBy': 'Up by',
  'making.hoursADay': 'Hours a day',
};
/** Lengths, beside the sizes of the box. */
const LENGTHS: ReadonlySet<string> = new Set(['saw.kerf', 'saw.endTrim', 'saw.handMin']);

function nameOf(path: Path): string {
  for (let length = path.length; length > 0; length -= 1) {
    const name = NAMES[path.slice(0, length).join('.')];
    if (name !== undefined) return name;
  }
  return path.join(' ');
}

type Family = ReturnType<typeof familyById>;

/** What the family calls a size, a question, a panel. */
function labelIn(family: Family, [part, of, key]: Path): string | null {
  if (!family || part !== 'plan' || key === undefined) return null;
  if (of === 'sizes' || of === 'angles')
    return family.parameters.find(({ id }) => id === key)?.label ?? null;
  if (of === 'choices') return family.choices.find(({ id }) => id === key)?.label ?? null;
  if (of !== 'wood') return null;
  const role = family.roles.find(({ id }) => id === key);
  return role ? `Wood of: ${role.label.toLowerCase()}` : null;
}

const isFields = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

function woodWords(value: Readonly<Record<string, unknown>>, style: LengthStyle): string {
  const { material, thickness } = value;
  return `${String(material)}, ${printLengthUnit(Number(thickness), style)} thick`;
}

/** A value as it is read in a sentence. */
function valueWords(path: Path, value: unknown, family: Family, style: LengthStyle): string {
  const [part, of, key] = path;
  if (value === undefined || value === null || value === '') return 'nothing';
  if (part === 'plan' && of === 'sizes') return printLengthUnit(Number(value), style);
  if (LENGTHS.has(path.join('.'))) return printLengthUnit(Number(value), style);
  if (part === 'plan' && of === 'angles') return `${value}°`;
  if (part === 'plan' && of === 'choices') {
    const options = family?.choices.find(({ id }) => id === key)?.options ?? [];
    return options.find(({ id }) => id === value)?.label ?? String(value);
  }
  if (Array.isArray(value)) return value.length === 1 ? 'one' : `${value.length} of them`;
  if (!isFields(value)) return part === 'name' ? `“${value}”` : String(value);
  if (of === 'wood') return woodWords(value, style);
  return part === 'plan' && of === undefined ? 'its own' : 'set otherwise';
}

/** What both changed in one place, in words. */
export function differenceWords(
  { path, here, there }: Difference,
  { plan }: Pick<Draft, 'plan'>,
  style: LengthStyle,
): { what: string; here: string; there: string } {
  const family = familyById(plan.family);
  return {
    what: labelIn(family, path) ?? nameOf(path),
    here: valueWords(path, here, family, style),
    there: valueWords(path, there, family, style),
  };
}
