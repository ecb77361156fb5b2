import type { Animal } from '../../animals/index.js';
import { type Check, everyBox, setSize, wallChecks } from '../../checks/index.js';
import { fromMm, type Ticks, toMm } from '../../measure/index.js';
import type { PanelSet } from '../../panels/index.js';
import type { BoxPlan } from '../../plan/index.js';

const LEEWAY = 0.6;
const say = (ticks: Ticks): string => `{${Math.round(toMm(ticks) * 100) / 100}}`;

/** The rules for crevices that bats press into. */
export function checks(plan: BoxPlan, box: PanelSet, animal: Animal | undefined): Check[] {
  const size = (id: string): Ticks => plan.sizes[id] ?? 0;
  const found: Check[] = [...wallChecks(plan, box), ...everyBox(plan, box)];
  const crevice = box.cavities[0]!.depth;
  const rough = ['front', 'back', ...(plan.schools.crevices === '1' ? [] : ['partition'])].every(
    (role) => {
      const wood = plan.wood[role];
      return role === 'partition'
        ? wood?.faceA === 'rough' && wood.faceB === 'rough'
        : wood?.faceA === 'rough' || wood?.faceB === 'rough';
    },
  );
  const holds = plan.schools.grip === 'kerfs' || rough;
  found.push({
    id: 'grip',
    severity: holds ? 'kept' : 'stop',
    role: 'back',
    text: holds
      ? 'Every roosting face can be hung on.'
      : 'Nothing to hang by: a roosting face would be planed. Bats slip off planed wood.',
    mark: 'C',
    source: 'common practice, no source',
    remedies: holds
      ? []
      : [
          {
            label: 'Score every face',
            apply: (current) => ({ ...current, schools: { ...current.schools, grip: 'kerfs' } }),
          },
        ],
  });
  const landing = size('landing') >= fromMm(100) - 320;
  found.push({
    id: 'landing',
    severity: landing ? 'kept' : 'warn',
    role: 'back',
    text: `The back stands out ${say(size('landing'))} below to land on; {100} or more is wanted.`,
    mark: 'M',
    source: 'The Bat House Builder’s Handbook',
    remedies: landing ? [] : [{ label: 'Lengthen it', apply: setSize('landing', fromMm(120)) }],
  });
  if (!animal) return found;
  const from = { mark: animal.mark, source: animal.source };
  if (animal.entranceSize) {
    const [least, greatest] = animal.entranceSize;
    const fits = toMm(crevice) >= least - LEEWAY && toMm(crevice) <= greatest + LEEWAY;
    found.push({
      ...from,
      id: 'crevice',
      severity: fits ? 'kept' : 'stop',
      role: 'partition',
      text: `Crevices ${say(crevice)} deep; {${least}} to {${greatest}} is wanted.`,
      remedies:
        fits || plan.schools.ends === 'spacers'
          ? []
          : [{ label: 'Set the least', apply: setSize('crevice', fromMm(least)) }],
    });
  }
  if (animal.floorWidth) {
    const fits = toMm(size('width')) >= animal.floorWidth - LEEWAY;
    found.push({
      ...from,
      id: 'width',
      severity: fits ? 'kept' : 'warn',
      role: 'back',
      text: `Crevices ${say(size('width'))} wide; at least {${animal.floorWidth}} is wanted.`,
      remedies: fits
        ? []
        : [{ label: 'Widen it', apply: setSize('width', fromMm(animal.floorWidth)) }],
    });
  }
  if (animal.cavity) {
    const [least] = animal.cavity;
    const fits = toMm(size('frontHeight')) >= least - LEEWAY;
    found.push({
      ...from,
      id: 'height',
      severity: fits ? 'kept' : 'warn',
      role: 'front',
      text: `Crevices ${say(size('frontHeight'))} high; at least {${least}} is wanted.`,
      remedies: fits
        ? []
        : [{ label: 'Make it higher', apply: setSize('frontHeight', fromMm(least)) }],
    });
  }
  return found;
}
