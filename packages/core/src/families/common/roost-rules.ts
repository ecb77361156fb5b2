import { COMMON, ofMm, type Rule, setChoice, setSize } from '../../checks/index.js';
import { fromMm, type Ticks } from '../../measure/index.js';
import { type Panel, plainName } from '../../panels/index.js';
import { hasRoughFace, type PanelWood } from '../../plan/index.js';
import { ofLength, text } from '../../text/index.js';
import { isAssumed } from '../../wood/index.js';

/** Which faces of a role's panels bats hang on: the one that looks in, both, or all four of a post. */
export type RoostingFaces = Readonly<Record<string, 'inside' | 'both' | 'all'>>;

const isScored = ({ features }: Panel, face: 'inside' | 'outside'): boolean =>
  features.some((each) => each.kind === 'groove' && each.purpose === 'grip' && each.face === face);

/** How a panel's roosting faces can be hung on: wholly, on two of a post's four faces, or not. */
function holdOf(panel: Panel, wood: PanelWood | undefined, faces: RoostingFaces[string]) {
  const known = wood !== undefined && !isAssumed(wood, 'faces');
  const bothRough = known && wood.faceA === 'rough' && wood.faceB === 'rough';
  if (bothRough) return 'wholly';
  if (faces === 'inside') return isScored(panel, 'inside') || hasRoughFace(wood) ? 'wholly' : 'not';
  const scored = isScored(panel, 'inside') && isScored(panel, 'outside');
  if (!scored) return 'not';
  return faces === 'all' ? 'in part' : 'wholly';
}

/** Whether every roosting face can be hung on: scored in the panels, or rough from the saw and looked at. */
export const roostGrip =
  (roosting: RoostingFaces): Rule =>
  ({ plan, box }) => {
    const held = box.panels.flatMap((panel) => {
      const faces = roosting[panel.role];
      return faces ? [{ panel, hold: holdOf(panel, plan.wood[panel.role], faces) }] : [];
    });
    const bare = held.filter(({ hold }) => hold === 'not');
    const partly = held.filter(({ hold }) => hold === 'in part');
    const named = (list: typeof held) =>
      [...new Set(list.map(({ panel }) => plainName(panel.role)))].join(', ');
    const role = (bare[0] ?? partly[0] ?? held[0])?.panel.role ?? null;
    const from = { ...COMMON, id: 'grip', role };
    if (bare.length > 0)
      return [
        {
          ...from,
          severity: 'stop',
          text: text`Nothing to hang by: a roosting face is planed, or nobody has said that it is rough (${named(bare)}). Bats slip off planed wood.`,
          remedies: [{ label: 'Score every face', apply: setChoice('grip', 'kerfs') }],
        },
      ];
    if (partly.length > 0)
      return [
        {
          ...from,
          severity: 'warn',
          text: text`Two faces of the ${named(partly)} are scored: rasp the other two before it goes in, or bats slip off them.`,
          remedies: [],
        },
      ];
    return [
      { ...from, severity: 'kept', text: text`Every roosting face can be hung on.`, remedies: [] },
    ];
  };

/** Whether there is enough to land on below: so much of a panel stands out. */
export const landingRule =
  <P>(role: string, called: string, size: string, to: Ticks, of: (plan: P) => Ticks): Rule<P> =>
  ({ plan }) => {
    const out = of(plan);
    const enough = out >= fromMm(99);
    return [
      {
        id: 'landing',
        severity: enough ? 'kept' : 'warn',
        role,
        text: text`${called} stands out ${ofLength(out)} below to land on; ${ofMm(100)} or more is wanted.`,
        evidence: 'M',
        source: 'The Bat House Builder’s Handbook',
        remedies: enough ? [] : [{ label: 'Lengthen it', apply: setSize(size, to) }],
      },
    ];
  };
