import { ofAngle, ofLength, type Text, text } from '../text/index.js';
import { isSheet, materialName } from '../wood/index.js';
import { applying, type Parameter, type PlanDeclaration } from './declaration.js';
import type { BoxPlan } from './plan.js';
import type { Refusal } from './refusal.js';

const names = (known: readonly { id: string }[]): string => known.map(({ id }) => id).join(', ');

/** Keys that the family does not know, and keys of its own that are not there. */
function keyFaults(
  kind: 'sizes' | 'angles' | 'choices',
  given: Readonly<Record<string, unknown>>,
  known: readonly { id: string; label: string }[],
  family: string,
): Refusal[] {
  const strays = Object.keys(given).filter((key) => !known.some(({ id }) => id === key));
  const missing = known.filter(({ id }) => !Object.hasOwn(given, id));
  return [
    ...strays.map((key) => ({
      field: `${kind}.${key}`,
      message: text`“${key}” is not known here; ${family} has ${names(known) || 'none'}.`,
    })),
    ...missing.map(({ id, label }) => ({
      field: `${kind}.${id}`,
      message: text`${label} is not given.`,
    })),
  ];
}

const shown = (parameter: Parameter, value: number): Text =>
  parameter.kind === 'angle' ? text`${ofAngle(value)}` : text`${ofLength(value)}`;

function rangeFault(parameter: Parameter, value: number | undefined): Refusal[] {
  const { id: field, label, min, max } = parameter;
  if (value === undefined) return [];
  if (Number.isFinite(value) && value >= min && value <= max) return [];
  const message = text`${label} must lie between ${shown(parameter, min)} and ${shown(parameter, max)}.`;
  return [{ field, message }];
}

/** Sizes that apply and lie beyond their range. */
const rangeFaults = (
  { parameters }: PlanDeclaration,
  { sizes, angles, choices }: BoxPlan,
): Refusal[] =>
  applying(parameters, choices).flatMap((parameter) =>
    rangeFault(parameter, (parameter.kind === 'angle' ? angles : sizes)[parameter.id]),
  );

const optionFaults = ({ choices: declared }: PlanDeclaration, { choices }: BoxPlan): Refusal[] =>
  declared.flatMap(({ id, label, options, words }) => {
    const option = choices[id];
    if (words !== undefined && (option?.length ?? 0) <= words) return [];
    if (words !== undefined)
      return [
        { field: `choices.${id}`, message: text`“${label}” takes at most ${words} letters.` },
      ];
    if (option === undefined || options.some((each) => each.id === option)) return [];
    const message = text`“${option}” is no answer to “${label}”; known are ${names(options)}.`;
    return [{ field: `choices.${id}`, message }];
  });

/** Boards for panels that the family has not, and panels that no board was chosen for. */
function woodFaults({ roles, name }: PlanDeclaration, { wood, choices }: BoxPlan): Refusal[] {
  const strays = Object.keys(wood).filter((key) => !roles.some(({ id }) => id === key));
  return [
    ...strays.map((key) => ({
      field: `wood.${key}`,
      message: text`“${key}” is no panel here; ${name} has ${names(roles)}.`,
    })),
    ...applying(roles, choices)
      .filter((role) => !role.offBoard && !((wood[role.id]?.thickness ?? 0) > 0))
      .map((role) => ({
        field: `wood.${role.id}`,
        message: text`Choose a board for the ${role.label.toLowerCase()}: its thickness decides the other panels.`,
      })),
    ...Object.entries(wood)
      .filter(([, { layers, material }]) => layers && !isSheet(material))
      .map(([role, { material }]) => ({
        field: `wood.${role}`,
        message: text`Two layers are glued and screwed into one of sheets alone, not of ${materialName(material)}.`,
      })),
  ];
}

/** What of the plan its family does not know: strays, missing keys, unknown options; each at its path in the plan. */
export function keyProblems(declared: PlanDeclaration, plan: BoxPlan): Refusal[] {
  const { parameters, choices, name } = declared;
  const lengths = parameters.filter(({ kind }) => kind === 'length');
  const angles = parameters.filter(({ kind }) => kind === 'angle');
  return [
    ...keyFaults('choices', plan.choices, choices, name),
    ...optionFaults(declared, plan),
    ...keyFaults('sizes', plan.sizes, lengths, name),
    ...keyFaults('angles', plan.angles, angles, name),
  ];
}

/**
 * Everything that keeps a plan from being one of this family: unknown and missing keys, unknown options, sizes beyond their range,
 * panels without a board. Nothing is put right in silence.
 */
export function planFaults(declared: PlanDeclaration, plan: BoxPlan): Refusal[] {
  const keys = keyProblems(declared, plan);
  return keys.length > 0 ? keys : [...woodFaults(declared, plan), ...rangeFaults(declared, plan)];
}
