import type { AssemblyStep, BoxSide, HoleUse, StepJoint } from '@spare-knot/core/building';
import {
  type Fastener,
  fastenerById,
  type PanelCopy,
  type PanelSet,
} from '@spare-knot/core/panels';
import { asItLies } from '@spare-knot/core/sheets';

/** What a hole is for, in the middle of a sentence. */
export const USE_WORDS: Readonly<Record<HoleUse, string>> = {
  entrance: 'entrance',
  vent: 'vent',
  drain: 'drain',
  pivot: 'pivot',
  latch: 'latch',
  pilot: 'pilot',
  clearance: 'screw hole',
  counterbore: 'counterbore for a head',
  insert: 'threaded insert',
  mount: 'to hang it by',
  hinge: 'hinge',
};

const SIDE_WORDS: Readonly<Record<BoxSide, string>> = {
  top: 'the top',
  bottom: 'the bottom',
  front: 'the front',
  back: 'the back',
  left: 'the left side',
  right: 'the right side',
};

const OTHER_ITEMS: Readonly<Record<string, string>> = {
  hinge: 'hinge',
  hook: 'hook and eye',
  strip: 'rubber strip',
  pivot: 'pivot',
  latch: 'latch',
  insert: 'bolt with a threaded insert',
};

/** A screw or a nail as the reader’s shop sells it. */
export function itemWords(item: string, inches: boolean): string {
  const fastener: Fastener | undefined = fastenerById(item);
  if (!fastener) return OTHER_ITEMS[item] ?? item;
  return `${fastener.kind} ${inches ? fastener.inchName : fastener.name}`;
}

/** Why a joint is glued or not. */
export function glueWords({ glue, kind }: StepJoint, screwsOnly: boolean): string {
  if (glue) return 'glue: it stays';
  if (kind === 'pivot') return 'no glue: it turns; leave the heads a little proud';
  if (kind === 'latch') return 'no glue: it opens';
  if (kind === 'screwed') return 'no glue: it comes off';
  if (kind === 'hinged' || kind === 'strip') return 'no glue: it opens';
  if (screwsOnly) return 'no glue: any panel can be replaced';
  return 'no glue';
}

export const sameCopy = (a: PanelCopy, b: PanelCopy): boolean =>
  a.panel === b.panel && a.instance === b.instance;

/** A joint as it is told at the bench: what holds it, and from which panel into which. */
export function jointWords(joint: StepJoint, inches: boolean) {
  const [a, b] = joint.between;
  const from = joint.drivenFrom ?? a;
  const into = sameCopy(from, a) ? b : a;
  return { what: heldBy(joint, inches), from: from.panel, into: into.panel };
}

function heldBy({ fastener, count, glue, kind }: StepJoint, inches: boolean): string {
  if (fastener !== null) return `${count} × ${itemWords(fastener, inches)}`;
  if (glue) return 'clamp';
  return kind === 'let-in' ? 'slides into its groove' : 'nothing holds it yet';
}

/** The way that a piece comes, in words, as the box lies on the bench. */
export function comesWords(step: AssemblyStep): string | null {
  if (!step.out) return null;
  const [x, y, z] = asItLies(step)(step.out);
  const [ax, ay, az] = [Math.abs(x), Math.abs(y), Math.abs(z)];
  if (az >= ax && az >= ay) return z > 0 ? 'from above' : 'from below';
  if (ay >= ax) return y > 0 ? 'from the far side' : 'from your side';
  return x > 0 ? 'from the right' : 'from the left';
}

/** Joints in the order in which the box is turned for them. */
export const inTurn = ({ joints, ups }: AssemblyStep): StepJoint[] =>
  [...joints].sort((a, b) => place(ups, a) - place(ups, b));

const place = (ups: readonly BoxSide[], { up }: StepJoint): number =>
  up === null || !ups.includes(up) ? ups.length : ups.indexOf(up);

/** Which side lies up for a joint, where the step turns the box more than once. */
export const upWords = ({ ups }: AssemblyStep, { up }: StepJoint): string | null =>
  ups.length > 1 && up !== null ? `with ${SIDE_WORDS[up]} up` : null;

/** How the first piece lies before anything is put to it. */
export const liesWords = ({ faceUp, ups: [up] }: AssemblyStep): string => {
  if (faceUp !== null) return `Lay it on the bench with its ${faceUp} up.`;
  return up
    ? `Stand it on the bench with ${SIDE_WORDS[up]} up.`
    : 'Stand it on its edge on the bench.';
};

/** Turnings of the box on the bench, in words. */
export function turnWords({ ups, turns }: AssemblyStep): string | null {
  if (ups.length === 0) return null;
  const lies = ups.map((side) => SIDE_WORDS[side]).join(', then ');
  return turns > 0 ? `Turn the box so that ${lies} lies up.` : `It lies with ${lies} up.`;
}

/** A step by its panel, and by its copy where there are several. */
export function pieceName(
  { box }: { box: PanelSet },
  { add: [first] }: AssemblyStep,
  nameOf: (panel: string) => string,
): string {
  if (!first) return '';
  const copies = box.panels.find(({ id }) => id === first.panel)?.instances.length ?? 1;
  const name = nameOf(first.panel);
  return copies > 1 ? `${name}, ${first.instance + 1} of ${copies}` : name;
}
