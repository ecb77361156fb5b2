import { fastenerById, type Joint, plainName } from '../panels/index.js';
import type { BoxPlan } from '../plan/index.js';
import { joinTexts, ofLength, text } from '../text/index.js';
import { type Check, type Rule, setChoice } from './check.js';

const FROM = {
  id: 'fasteners',
  role: null,
  evidence: 'M',
  source: 'ANSI/AWC NDS, minimum penetration 6D; 3 mm of wood over the point: common practice',
} as const;

/** The first three pairs of panels, by name. */
const pairs = (joints: readonly Joint[]): string =>
  [...new Set(joints.map((joint) => joint.between.map(plainName).join(' to ')))]
    .slice(0, 3)
    .join(', ');

const unheldCheck = (joints: readonly Joint[]): Check => ({
  ...FROM,
  severity: 'warn',
  text: text`No screw finds enough wood to hold ${pairs(joints)}, which comes off and so is not glued. Take thicker wood, or open the box another way.`,
  remedies: [],
});

function aloneCheck(plan: BoxPlan, joints: readonly Joint[], word: string): Check {
  const bare = plan.choices.fastening === 'screws';
  return {
    ...FROM,
    severity: 'warn',
    text: text`${word} bite less than six diameters where the wood behind is thin, and no glue helps them: ${pairs(joints)}. ${bare ? 'Glue as well, or take' : 'Take'} thicker wood.`,
    remedies: bare ? [{ label: 'Glue as well', apply: setChoice('fastening', 'screws-glue') }] : [],
  };
}

function heldCheck(box: readonly Joint[], none: readonly Joint[], word: string): Check {
  const shallow = box.filter((joint) => joint.fastening && !joint.fastening.enough);
  const lengths = box.flatMap((joint) =>
    joint.fastening ? [fastenerById(joint.fastening.fastener)?.length ?? 0] : [],
  );
  const shown = [...new Set(lengths)].sort((a, b) => a - b).map(ofLength);
  const which = shown.length > 0 ? joinTexts(shown, ', ') : text`${ofLength(0)}`;
  const glued = text`, and the glue carries ${pairs(shallow)}, where they bite less than six diameters`;
  const unfastened = none.length > 0 ? ` Glue and clamp, with no fastener: ${pairs(none)}.` : '';
  return {
    ...FROM,
    severity: 'kept',
    text: text`${word} of ${which}: no point comes through${shallow.length > 0 ? glued : ', each bites six diameters'}.${unfastened}`,
    remedies: [],
  };
}

/** Points stay inside, and bite six diameters. */
export const fastenerRule: Rule = ({ plan, box }) => {
  const none = box.joints.filter(
    ({ kind, fastening }) => (kind === 'butt' || kind === 'screwed') && !fastening,
  );
  const word = plan.choices.fastening === 'nails' ? 'Nails' : 'Screws';
  const unheld = none.filter(({ kind }) => kind === 'screwed');
  if (unheld.length > 0) return [unheldCheck(unheld)];
  // Glue carries a joint whose screws bite less; screws alone do not.
  const alone = box.joints.filter(
    ({ kind, fastening }) =>
      fastening && !fastening.enough && (kind === 'screwed' || plan.choices.fastening === 'screws'),
  );
  if (alone.length > 0) return [aloneCheck(plan, alone, word)];
  return [heldCheck(box.joints, none, word)];
};
