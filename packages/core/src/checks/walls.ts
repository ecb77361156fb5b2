import { fromMm, toMm } from '../measure/index.js';
import { measuresOf, type Panel, plainName } from '../panels/index.js';
import type { BoxPlan } from '../plan/index.js';
import { ofLength, text } from '../text/index.js';
import { isSheet } from '../wood/index.js';
import { type Check, COMMON, type Held, LEEWAY_MM, ofMm, type Rule } from './check.js';

/** Least thicknesses in millimetres: outer panels of solid wood; of plywood outdoors and under cover; what divides rooms. */
const SOLID = 15;
const PLY_OUTDOORS = 12;
const PLY_UNDER_COVER = 9;
const BETWEEN_ROOMS = 9;

/** Panels that part a room from another, or a crevice from the next. */
const DIVIDES = /^(partition|shelf|divider|mid|inner)/;

const hangs =
  (cover: BoxPlan['place']['cover']) =>
  (plan: BoxPlan): BoxPlan => ({
    ...plan,
    place: { ...plan.place, cover },
  });

/** Panels of the box that are boards or sheets, not sticks and not off a log. */
const slabsOf = ({ box, kind }: Held): Panel[] =>
  box.panels.filter(
    ({ role, fromLog }) => !fromLog && !kind.roles.find(({ id }) => id === role)?.stick,
  );

/** Thickness of every panel: walls, roof, floor, lid, and what divides rooms. Where plywood hangs is asked, not guessed. */
export const wallRule: Rule = (held) => {
  const { cover } = held.plan.place;
  const least = ({ role }: Panel): number => {
    if (DIVIDES.test(role)) return BETWEEN_ROOMS;
    if (!isSheet(held.plan.wood[role]?.material ?? '')) return SOLID;
    return cover === 'under-cover' ? PLY_UNDER_COVER : PLY_OUTDOORS;
  };
  const thinner = (limit: (panel: Panel) => number) =>
    slabsOf(held).filter((panel) => toMm(panel.thickness) < limit(panel) - LEEWAY_MM);
  const thin = thinner(least);
  const names = [...new Set(thin.map(({ role }) => plainName(role)))].join(', ');
  const wouldDo = (panel: Panel) =>
    isSheet(held.plan.wood[panel.role]?.material ?? '') ? PLY_UNDER_COVER : least(panel);
  const asks = cover === null && thin.length > 0 && thinner(wouldDo).length === 0;
  const limits = text`solid wood ${ofMm(SOLID)}, plywood ${ofMm(PLY_OUTDOORS)} outdoors and ${ofMm(PLY_UNDER_COVER)} under cover`;
  const too = asks
    ? text`Where will it hang? Thin for outdoors: ${names} (${limits}).`
    : text`Too thin to keep out cold and heat: ${names} (at least ${limits}).`;
  return [
    {
      id: 'walls',
      severity: thin.length > 0 ? 'warn' : 'kept',
      role: thin[0]?.role ?? null,
      text: thin.length > 0 ? too : text`Every panel is thick enough: ${limits}.`,
      evidence: 'M',
      source: 'BTO nest box guidance; plywood: common practice, no source',
      remedies: asks ? [{ label: 'It hangs under cover', apply: hangs('under-cover') }] : [],
    },
  ];
};

/** A roof thinner than this breaks along short grain: common practice, no source. */
const SHORT_GRAIN = fromMm(20);

/** No thin roof with its grain the short way. */
export const shortGrainRule: Rule = (held): Check[] =>
  slabsOf(held).flatMap((panel): Check[] => {
    const { role, thickness, grain } = panel;
    const isRoof = held.kind.roles.find(({ id }) => id === role)?.kind === 'roof';
    if (!isRoof || grain === 'any' || isSheet(held.plan.wood[role]?.material ?? '')) return [];
    const { blankLength, blankWidth } = measuresOf(panel);
    if (thickness >= SHORT_GRAIN - fromMm(LEEWAY_MM) || blankLength >= blankWidth * 0.5) return [];
    return [
      {
        ...COMMON,
        id: `short-grain-${panel.id}`,
        severity: 'warn',
        role,
        text: text`The ${plainName(panel.id)} is ${ofLength(thickness)} thick with its grain the short way, ${ofLength(blankLength)} along it and ${ofLength(blankWidth)} across: it splits. Take wood of ${ofLength(SHORT_GRAIN)} or more, or turn the grain.`,
        remedies: [],
      },
    ];
  });

/** Wood that must stay between scores on both faces. */
const BETWEEN_SCORES = fromMm(4);

/** Scores from both faces leave wood between them. */
export const scoresRule: Rule = ({ box }): Check[] =>
  box.panels.flatMap((panel): Check[] => {
    const deepest = (face: 'inside' | 'outside') =>
      Math.max(
        0,
        ...panel.features.map((each) =>
          each.kind === 'groove' && each.purpose === 'grip' && each.face === face ? each.depth : 0,
        ),
      );
    const [inner, outer] = [deepest('inside'), deepest('outside')];
    const left = panel.thickness - inner - outer;
    if (inner + outer === 0 || left >= BETWEEN_SCORES) return [];
    return [
      {
        ...COMMON,
        id: `scores-${panel.id}`,
        severity: 'stop',
        role: panel.role,
        text: text`Scores leave ${ofLength(Math.max(0, left))} of the ${plainName(panel.id)}: it breaks along them. Take thicker wood, or leave it rough from the saw.`,
        remedies: [],
      },
    ];
  });
