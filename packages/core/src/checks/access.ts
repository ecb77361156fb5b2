import { type PanelSet, plainName } from '../panels/index.js';
import { type Text, text } from '../text/index.js';
import { COMMON, type Rule } from './check.js';

/** The wall that comes off: the one that screws alone hold. */
const comesOff = (box: PanelSet): string | undefined =>
  box.panels.find(({ id }) => {
    const joints = box.joints.filter(({ between }) => between.includes(id));
    return (
      joints.some(({ kind }) => kind === 'screwed') &&
      joints.every(({ kind }) => kind === 'screwed' || kind === 'loose')
    );
  })?.id;

function wayIn(access: string, opensAt: string, off: string | undefined): Text | undefined {
  switch (access) {
    case 'side':
      return text`Every box of the batch opens by its ${opensAt} side, the pivots at one height.`;
    case 'front':
      return text`Every box of the batch opens by its front, the pivots at one height.`;
    case 'roof':
      return text`Every box opens by its roof, hooked shut.`;
    case 'screwed':
      return off
        ? text`Every box opens by its ${plainName(off)}, held by screws alone.`
        : undefined;
    case 'flap':
      return text`Every box opens by its flap.`;
    case 'lid':
      return text`Every box opens by its lid.`;
    default:
      return undefined;
  }
}

/** How all boxes of the batch open: one plan, so alike. */
export const accessRule: Rule = ({ plan, box }) => {
  const { access = '', opensAt = 'right' } = plan.choices;
  const how = wayIn(access, opensAt, comesOff(box));
  return [
    {
      ...COMMON,
      id: 'access',
      severity: how ? 'kept' : 'warn',
      role: null,
      text: how ?? text`The box does not open for cleaning.`,
      remedies: [],
    },
  ];
};
