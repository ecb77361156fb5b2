import type { Check } from '@spare-knot/core/checks';
import { type BeyondSaw, beyondSaw, partsFor, type Saw } from '@spare-knot/core/job';
import type { PanelSet } from '@spare-knot/core/panels';
import { partName } from '@spare-knot/core/panels';
import type { BoxPlan } from '@spare-knot/core/plan';
import { ofAngle, type Text, text } from '@spare-knot/core/text';

const words = ({ tilt, mitre }: BeyondSaw, { maxTilt, maxMitre }: Saw): Text => {
  const blade =
    tilt !== null &&
    text`the blade tilted to ${ofAngle(tilt)}, where this saw’s tilts to ${ofAngle(maxTilt)}`;
  const fence =
    mitre !== null &&
    text`the fence turned to ${ofAngle(mitre)}, where this saw’s turns to ${ofAngle(maxMitre)}`;
  if (blade && fence) return text`${blade}, and ${fence}`;
  return blade || fence || text``;
};

/** Panels that the batch's saw cannot cut, said where the box is drawn: one check for each panel. */
export const sawChecks = (
  plan: BoxPlan,
  box: PanelSet,
  saw: Saw,
  names: ReadonlyMap<string, string>,
): Check[] =>
  beyondSaw(partsFor(plan, box, 1), saw).map((found) => ({
    id: `saw-${found.part}`,
    severity: 'stop',
    role: null,
    text: text`${partName(names, found.part)}: an edge needs ${words(found, saw)}. Make it less steep, cut it square, or set another saw on Layout.`,
    evidence: 'C',
    source: 'the saw as it is set on Layout',
    remedies: [],
  }));
