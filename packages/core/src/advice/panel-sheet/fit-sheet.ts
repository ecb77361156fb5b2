import type { Animal } from '../../animals/index.js';
import { FAMILIES, type Family } from '../../families/index.js';
import type { LinearSolver } from '../../layout/index.js';
import { TICKS_PER_MM } from '../../measure/index.js';
import type { BoxPlan, PanelWood } from '../../plan/index.js';
import type { PanelSheet } from './read-sheet.js';
import { type Misfit, SheetFitter, type Tried } from './sheet-fitter.js';
import {
  type HoleMoved,
  rolesIn,
  startFrom,
  tidy,
  withLowHole,
  withOwnHole,
} from './sheet-start.js';

/** A box that a sheet can mean. */
export interface SheetFit {
  plan: BoxPlan;
  /** What the sheet says otherwise than this box: where it contradicts itself. None where it fits. */
  misfits: readonly Misfit[];
  /** What of the entrance was asked otherwise and had no room. */
  moved: readonly HoleMoved[];
  /** The answers that were tried, with those of this box: what it differs in from others that fit. */
  answers: readonly { choice: string; option: string }[];
}

export interface SheetQuestion {
  sheet: PanelSheet;
  animal: Animal;
  /** What the boards are of, but for their thickness. */
  wood: PanelWood;
}

const POLISHED = 6;
const MOST_FITS = 3;

/** Every combination of the answers that decide panels’ sizes. */
function* answersOf(
  varied: Readonly<Record<string, readonly string[]>>,
): Generator<Record<string, string>> {
  const [first, ...rest] = Object.entries(varied);
  if (!first) {
    yield {};
    return;
  }
  const [choice, options] = first;
  for (const option of options)
    for (const others of answersOf(Object.fromEntries(rest))) yield { [choice]: option, ...others };
}

/** A sheet that does not say enough to begin: what it must say. */
export function sheetLacks({ lines, thickness }: PanelSheet): string | null {
  if (lines.length === 0) return 'Write one panel a line, with its width and length.';
  if (thickness === null && lines.some((line) => line.thickness === null))
    return 'How thick is the wood of this sheet? Write a line such as “3/4 thick”.';
  return null;
}

interface Candidate {
  family: Family;
  fitter: SheetFitter;
  start: BoxPlan;
  answers: Readonly<Record<string, string>>;
  tried: Tried;
}

/** The kinds of box that have every panel that the sheet names, and can be found from a sheet. */
const kindsFor = (question: SheetQuestion) =>
  FAMILIES.flatMap((family) => {
    const asked = family.fromSheet && rolesIn(family, question.sheet);
    return asked ? [{ family, asked, varied: family.fromSheet?.varied ?? {} }] : [];
  });

/**
 * The boxes that a sheet of panel sizes can mean, best first: for every kind of box that has its panels, and every answer that decides
 * panels’ sizes, the sizes whose panels are off the sheet’s by the least sum. What is then still off is where the sheet contradicts
 * itself. Yields the share that is done.
 *
 * @example for (const share of fitPanelSheet({ sheet, animal, wood }, solver)) show(share);
 */
export function* fitPanelSheet(
  question: SheetQuestion,
  solver: LinearSolver,
): Generator<number, SheetFit[], void> {
  const looks = kindsFor(question).flatMap(({ family, asked, varied }) => {
    const fitter = new SheetFitter(family, asked, solver);
    const start = startFrom(family, question, asked);
    return [...answersOf(varied)].map((answers) => ({
      family,
      fitter,
      answers,
      start: { ...start, choices: { ...start.choices, ...answers } },
    }));
  });
  const found: Candidate[] = [];
  for (const [index, look] of looks.entries()) {
    const tried = look.fitter.look(withLowHole(look.start));
    if (tried) found.push({ ...look, tried });
    yield (0.8 * (index + 1)) / looks.length;
  }
  // Of equals the one whose answers come first stays first.
  const near = ({ tried }: Candidate) => Math.round(tried.off / TICKS_PER_MM);
  const nearest = [...found].sort((a, b) => near(a) - near(b)).slice(0, POLISHED);
  const fits: (SheetFit & { off: number })[] = [];
  for (const [index, { family, fitter, start, answers, tried }] of nearest.entries()) {
    const best = fitter.polish(tried);
    fits.push({
      ...withOwnHole(family, tidy(best.plan), start),
      misfits: fitter.misfits(best),
      answers: Object.entries(answers).map(([choice, option]) => ({ choice, option })),
      off: best.off,
    });
    yield 0.8 + (0.2 * (index + 1)) / nearest.length;
  }
  const rank = ({ misfits, off }: (typeof fits)[number]) =>
    misfits.length * 1e6 + Math.round(off / TICKS_PER_MM);
  return [...fits]
    .sort((a, b) => rank(a) - rank(b))
    .slice(0, MOST_FITS)
    .map(({ off: _off, ...fit }) => fit);
}
