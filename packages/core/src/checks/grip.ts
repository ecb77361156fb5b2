import { at } from '../lists/index.js';
import { fromMm, type Ticks } from '../measure/index.js';
import { type Panel, type PanelSet, plainName } from '../panels/index.js';
import { type BoxPlan, hasRoughFace } from '../plan/index.js';
import { type Text, text } from '../text/index.js';
import { isAssumed, stillAssumed } from '../wood/index.js';
import { COMMON, type Remedy, type Rule, setChoice, setWood } from './check.js';

/** A sill this low is stepped over, not climbed to: common practice, no source. */
const STEPPED_OVER: Ticks = fromMm(50);
/** Fewer scores are no ladder: common practice, no source. */
const LEAST_SCORES = 3;

const scoresOf = ({ features }: Panel): number =>
  features.filter(
    (feature) =>
      feature.kind === 'groove' && feature.purpose === 'grip' && feature.face === 'inside',
  ).length;

/** Strips on a wall, as far as something holds them: screws, or glue where the plan has glue. */
function heldStrips(plan: BoxPlan, box: PanelSet, wall: Panel): number {
  const glue = plan.choices.fastening !== 'screws';
  return box.joints.filter(({ between, fastening }) => {
    const other = between.find((id) => id !== wall.id);
    const strip = box.panels.find(({ id, role }) => id === other && role === 'ladder');
    return between.includes(wall.id) && strip && (fastening || glue);
  }).length;
}

/** What there is to climb by on a wall, in words; null where there is nothing. */
function climb(plan: BoxPlan, box: PanelSet, wall: Panel): Text | null {
  const name = plainName(wall.role);
  if (scoresOf(wall) >= LEAST_SCORES)
    return text`${String(scoresOf(wall))} scores under the entrance to climb by, inside the ${name}.`;
  if (heldStrips(plan, box, wall) > 0) return text`Strips under the entrance to climb by.`;
  if (wall.features.some(({ kind }) => kind === 'mesh'))
    return text`Mesh under the entrance to climb by, its cut edges folded under.`;
  // What is laid out with its rough face in, and a log’s own split face.
  const rough = wall.fromLog || (wall.inside !== 'planed' && hasRoughFace(plan.wood[wall.role]));
  return rough ? text`The rough face of the ${name} looks in, to climb by.` : null;
}

const remedy = (option: string, label: string): Remedy => ({
  label,
  apply: setChoice('grip', option),
});
const REMEDIES: readonly Remedy[] = [
  remedy('kerfs', 'Score it with saw kerfs'),
  remedy('ladder', 'Put in strips'),
  remedy('mesh', 'Staple in mesh'),
];

/** Somebody has looked: the face that is taken for rough is. */
const looked = (role: string): Remedy => ({
  label: 'I have looked: a face is rough',
  apply: setWood([role], (wood) => {
    const { assumed: _before, ...rest } = wood;
    const left = stillAssumed(wood, 'faces');
    return { ...rest, faceA: 'rough', ...(left.length > 0 && { assumed: left }) };
  }),
});

const ASK = {
  prompt: 'Or say how the grip is made',
  answer: (current: BoxPlan, words: string) =>
    setChoice('gripBy', words.trim().slice(0, 60))(current),
};

/**
 * Something to climb by under every entrance. A wall without it is a stop; only saying how the grip is made turns it into a warning. A
 * face that nobody has looked at counts as planed.
 */
export const gripRule: Rule = ({ plan, box }) => {
  const walls = box.panels.filter(({ features }) =>
    features.some(({ kind }) => kind === 'entrance'),
  );
  const slot = box.panels.find(({ role }) => role === 'front');
  const all = walls.length > 0 || !slot ? walls : [slot];
  if (all.length === 0) return [];
  const low = box.cavities.every(({ sill }) => sill <= STEPPED_OVER);
  const bare = all.find((wall) => climb(plan, box, wall) === null);
  const wall = bare ?? at(all, 0);
  const from = { ...COMMON, id: 'grip', role: wall.role };
  const made = climb(plan, box, at(all, 0));
  if (!bare && made) return [{ ...from, severity: 'kept', text: made, remedies: [] }];
  if (low)
    return [
      {
        ...from,
        severity: 'kept',
        text: text`The sill is so low that nothing has to be climbed.`,
        remedies: [],
      },
    ];
  const said = plan.choices.gripBy?.trim() ?? '';
  const unseen = isAssumed(plan.wood[wall.role] ?? {}, 'faces');
  const name = plainName(wall.role);
  const promised = text`The ${name} is planed within; grip is to be made otherwise: “${said}”. Do it before the box is closed.`;
  const nothing = unseen
    ? text`Nothing to climb by: nobody has said that a face of the ${name} is rough, and boards come planed. Birds went in and died in such boxes.`
    : text`Nothing to climb by: the ${name} is smooth within. Birds went in and died in such boxes.`;
  return [
    {
      ...from,
      severity: said ? 'warn' : 'stop',
      text: said ? promised : nothing,
      remedies: unseen ? [looked(wall.role), ...REMEDIES] : REMEDIES,
      ask: ASK,
    },
  ];
};
