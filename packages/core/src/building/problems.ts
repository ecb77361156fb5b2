import { at } from '../lists/index.js';
import { fastenerById, type Joint, type PanelSet } from '../panels/index.js';
import type { BoxPlan } from '../plan/index.js';
import { joinTexts, ofLength, ofPanel, type Text, text } from '../text/index.js';
import type { Bench, Shot } from './assembly/bench.js';
import type { Putting } from './assembly/putting.js';
import { doubtsOf, type Hanging } from './hanging/hanging.js';
import { isGlued } from './hardware/glued.js';
import type { BitUse } from './holes/bit-for.js';
import type { Hole } from './holes/hole.js';

/** What is wrong with a build plan, or has to be known before it: nothing of it is put right in silence. */
export interface BuildProblem {
  id: 'head' | 'way-in' | 'driver' | 'unheld' | 'bit' | 'edge' | 'hanging';
  severity: 'stop' | 'warn' | 'note';
  text: Text;
  /** The panels that it speaks of. */
  panels: readonly string[];
}

interface Judged {
  plan: BoxPlan;
  box: PanelSet;
  bench: Bench;
  puttings: readonly Putting[];
  holes: readonly (Hole & { bit: BitUse })[];
  hanging: Hanging;
}

const pairOf = ({ driven }: Shot): readonly [string, string] => [
  driven.through.panel.id,
  driven.into.panel.id,
];

/** One of each pair of panels. */
const distinctPairs = (shots: readonly Shot[]): Shot[] => [
  ...new Map(shots.map((shot) => [pairOf(shot).join('|'), shot])).values(),
];

const standing = (of: ReadonlySet<number>, { bodies }: Bench): Text =>
  joinTexts(
    [...new Set([...of].map((body) => at(bodies, body).panel.id))].map(
      (id) => text`the ${ofPanel(id)}`,
    ),
    ', ',
  );

const coveredProblem = (shot: Shot, bench: Bench): BuildProblem => {
  const [through, into] = pairOf(shot);
  return {
    id: 'head',
    severity: 'stop',
    panels: [through, into],
    text: text`No driver reaches what holds the ${ofPanel(through)} to the ${ofPanel(into)}: ${standing(shot.near, bench)} lies before the heads. Put the ${ofPanel(through)} and the ${ofPanel(into)} together first.`,
  };
};

const crampedProblem = (shot: Shot, bench: Bench): BuildProblem => {
  const [through, into] = pairOf(shot);
  return {
    id: 'driver',
    severity: 'note',
    panels: [through, into],
    text: text`Only a short or an angled driver reaches what holds the ${ofPanel(through)} to the ${ofPanel(into)}: ${standing(shot.far, bench)} stands opposite.`,
  };
};

function wayProblem({ unit }: Putting, { bodies, units }: Bench): BuildProblem {
  const id = at(bodies, at(at(units, unit).bodies, 0)).panel.id;
  return {
    id: 'way-in',
    severity: 'stop',
    panels: [id],
    text: text`The ${ofPanel(id)} does not go in any more: the panels that are there stand in its way from every side. Put it in earlier.`,
  };
}

/** Joints that neither a fastener nor glue holds. */
const unheld = (plan: BoxPlan, joints: readonly Joint[]): readonly Joint[] =>
  joints.filter(
    (joint) =>
      (joint.kind === 'butt' || joint.kind === 'screwed') &&
      !joint.fastening &&
      !isGlued(plan, joint),
  );

function unheldProblems({ plan, box }: Judged): BuildProblem[] {
  const pairs = new Map(
    unheld(plan, box.joints).map(({ between }) => [between.join('|'), between]),
  );
  return [...pairs.values()].map(([a, b]) => ({
    id: 'unheld',
    severity: 'warn',
    panels: [a, b],
    text: text`Nothing holds the ${ofPanel(a)} to the ${ofPanel(b)}: no screw finds wood or room there, and this plan has no glue. Glue as well, or take thicker wood.`,
  }));
}

function bitProblems({ holes }: Judged): BuildProblem[] {
  const wanting = holes.filter(({ bit }) => bit.wanting);
  const keys = [...new Set(wanting.map(({ bit, for: use }) => `${bit.key}|${use}`))];
  return keys.flatMap((key): BuildProblem[] => {
    const those = wanting.filter(({ bit, for: use }) => `${bit.key}|${use}` === key);
    const says = those[0]?.bit.says;
    return says
      ? [
          {
            id: 'bit',
            severity: 'warn',
            panels: [...new Set(those.map(({ panel }) => panel))],
            text: says,
          },
        ]
      : [];
  });
}

/** A screw wants three diameters of wood from its middle to an edge: common practice, no source. */
const DIAMETERS = 3;

/** Screws nearer to an edge than three diameters: said once for a box, with the nearest. */
function edgeProblems(holes: readonly Hole[]): BuildProblem[] {
  const near = holes.flatMap(({ fastener, size, cover, panel, depth }) => {
    const diameter = fastenerById(fastener ?? '')?.diameter ?? 0;
    const middle = size.shape === 'round' ? cover + size.diameter / 2 : cover;
    return depth === 'through' && middle < DIAMETERS * diameter ? [{ middle, panel }] : [];
  });
  if (near.length === 0) return [];
  const least = Math.min(...near.map(({ middle }) => middle));
  return [
    {
      id: 'edge',
      severity: 'note',
      panels: [...new Set(near.map(({ panel }) => panel))],
      text: text`${near.length} of a box’s screws and nails sit nearer to an edge than three times their thickness, the nearest ${ofLength(Math.round(least))} from it: bore every pilot, or the edge splits.`,
    },
  ];
}

/** Everything that is wrong with a build plan or has to be said about it, the worst first. */
export function problemsOf(judged: Judged): readonly BuildProblem[] {
  const { bench, puttings, holes, hanging } = judged;
  const covered = distinctPairs(puttings.flatMap((each) => each.covered));
  const cramped = distinctPairs(puttings.flatMap((each) => each.cramped));
  const doubts = doubtsOf(hanging);
  return [
    ...covered.map((shot) => coveredProblem(shot, bench)),
    ...puttings.filter(({ comes }) => comes === null).map((each) => wayProblem(each, bench)),
    ...unheldProblems(judged),
    ...bitProblems(judged),
    ...(doubts
      ? [{ id: 'hanging', severity: 'warn', text: doubts, panels: [] } satisfies BuildProblem]
      : []),
    ...cramped.map((shot) => crampedProblem(shot, bench)),
    ...edgeProblems(holes),
  ];
}
