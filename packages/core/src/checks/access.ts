import { type JointKind, type Panel, type PanelSet, plainName } from '../panels/index.js';
import { type Text, text } from '../text/index.js';
import { COMMON, type Rule } from './check.js';

/** What hangs on a wall and comes off with it. */
const CARRIED = [
  'ladder',
  'outer-ladder',
  'platform',
  'bearer',
  'shelf',
  'bracket',
  'cleat',
  'rim',
  'perch-strip',
  'low-board',
];

/** The wall that comes off: the one that screws alone hold, whatever hangs on it. */
const comesOff = ({ panels, joints }: PanelSet): Panel | undefined => {
  const roleOf = (id: string) => panels.find((panel) => panel.id === id)?.role ?? '';
  return panels.find(({ id, role }) => {
    if (CARRIED.includes(role)) return false;
    const holding = joints.filter(
      ({ between }) =>
        between.includes(id) &&
        !between.some((each) => each !== id && CARRIED.includes(roleOf(each))),
    );
    return (
      holding.some(({ kind }) => kind === 'screwed') &&
      holding.every(({ kind }) => kind === 'screwed' || kind === 'loose')
    );
  });
};

const TURNING: readonly JointKind[] = ['hinged', 'strip'];

/** A panel that turns on hinges, or on two pivots that are drilled through its neighbours. */
function turns({ panels, joints }: PanelSet): Panel | undefined {
  const hinged = joints.find(({ kind }) => TURNING.includes(kind));
  const turning = hinged && panels.find(({ id }) => id === hinged.between[0]);
  return turning?.role.startsWith('back') || turning?.role.startsWith('side')
    ? panels.find(({ id }) => id === hinged?.between[1])
    : turning;
}

/** Panels that lie on the box and are held by nothing: a lid that lifts off. */
const liftsOff = ({ panels, joints }: PanelSet): Panel | undefined =>
  panels.find(({ id, role }) => {
    if (!/^(roof|lid)/.test(role)) return false;
    const own = joints.filter(({ between }) => between.includes(id));
    const held = own.filter(({ kind, between }) => {
      const other = panels.find((panel) => between.includes(panel.id) && panel.id !== id);
      return kind !== 'loose' && !other?.role.startsWith('lid') && !other?.role.startsWith('roof');
    });
    return own.length > 0 && held.length === 0;
  });

const hasPivots = ({ panels }: PanelSet): boolean =>
  panels.reduce(
    (sum, { features, instances }) =>
      sum + features.filter(({ kind }) => kind === 'pivot').length * instances.length,
    0,
  ) >= 2;

function swings(box: PanelSet, access: string, opensAt: string): Text | undefined {
  if (!hasPivots(box)) return undefined;
  if (access === 'side')
    return text`Every box of the batch opens by its ${opensAt} side, the pivots at one height.`;
  return access === 'front'
    ? text`Every box of the batch opens by its front, the pivots at one height.`
    : undefined;
}

/** A way in that is there in the panels. */
function wayIn(box: PanelSet, access: string, opensAt: string): Text | undefined {
  const swinging = swings(box, access, opensAt);
  if (swinging) return swinging;
  const turning = turns(box);
  if (turning) return text`Every box opens by its ${plainName(turning.id)}, on hinges.`;
  const off = comesOff(box);
  if (off) return text`Every box opens by its ${plainName(off.id)}, held by screws alone.`;
  const lid = liftsOff(box);
  return lid && text`Every box opens by its ${plainName(lid.id)}, which lifts off.`;
}

/** Whether all boxes of the batch open, and how: read off the panels, not off the choice. */
export const accessRule: Rule = ({ plan, box }) => {
  const { access = '', opensAt = 'right' } = plan.choices;
  const how = wayIn(box, access, opensAt);
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
