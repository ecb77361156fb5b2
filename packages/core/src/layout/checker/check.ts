import { endTrimOf, type LayoutJob, type Placement } from '../../job/index.js';
import { text } from '../../text/index.js';
import type { LaidBoard, Layout } from '../layout.js';
import { patternOf } from '../pattern.js';
import { placePart } from '../placed.js';
import { checkCounts } from './counts.js';
import { checkGaps, checkOffcuts, checkReach, checkThroughCuts } from './one-board.js';
import { checkDefects, checkEdges, checkInside, checkWood } from './one-part.js';
import { type Lying, quoted, type Report, type Violation } from './violation.js';

/** The part that a placement puts down; null, and told, where there is none. */
function lyingOf(job: LayoutJob, placement: Placement, path: string, report: Report): Lying | null {
  const part = job.parts.find((each) => each.id === placement.part);
  if (!part) {
    report(4, path, text`there is no part ${quoted(placement.part)}`);
    return null;
  }
  const { copy } = placement;
  if (!Number.isInteger(copy) || copy < 0 || copy >= part.quantity) {
    report(
      4,
      path,
      text`there is no copy ${copy} of ${quoted(part.id)}; there are ${part.quantity}, counted from 0`,
    );
    return null;
  }
  const name = text`${quoted(part.id)} ${copy}`;
  return { part, placement, placed: placePart(part, placement), path, name };
}

/** Whoever gets a list of what is wrong reads the beginning of it; what made it wrong is there. */
const MOST_VIOLATIONS = 20;

/** Thrown when there is no use in looking for more. */
class Enough extends Error {}

/** One board: its parts one by one, then together. `clean` are the patterns that broke no rule. */
function checkBoard(
  job: LayoutJob,
  board: LaidBoard,
  path: string,
  clean: Set<string>,
  violations: readonly Violation[],
  report: Report,
): void {
  const stock = job.stock.find((each) => each.id === board.stock);
  if (!stock) {
    report(1, `${path}.stock`, text`there is no stock “${board.stock}”`);
    return;
  }
  if (!Number.isInteger(board.piece) || board.piece < 0 || board.piece >= stock.quantity)
    report(
      8,
      `${path}.piece`,
      text`there is no piece ${board.piece} of “${stock.id}”; there are ${stock.quantity}, counted from 0`,
    );
  const all = board.placements.flatMap(
    (placement, at) => lyingOf(job, placement, `${path}.placements[${at}]`, report) ?? [],
  );
  // Boards of one kind cut alike break the same rules.
  const pattern = patternOf(board);
  if (clean.has(pattern)) return;
  const before = violations.length;
  for (const lying of all) {
    checkWood(lying, stock, report);
    checkInside(lying, stock, endTrimOf(stock, job.saw), report);
    checkDefects(lying, stock, report);
    checkEdges(lying, stock, job, report);
  }
  const judged = { board, all, stock, job, path };
  checkGaps(judged, report);
  checkReach(judged, report);
  checkOffcuts(judged, report);
  checkThroughCuts(judged, violations.length === before, report);
  if (violations.length === before) clean.add(pattern);
}

/**
 * The validity rules that a layout breaks, each with its place, the first twenty; empty for a valid layout. Trusts nothing the search
 * says.
 */
export function checkLayout(job: LayoutJob, layout: Layout): Violation[] {
  const violations: Violation[] = [];
  const report: Report = (rule, path, message) => {
    violations.push({ rule, path, message });
    if (violations.length >= MOST_VIOLATIONS) throw new Enough();
  };
  const clean = new Set<string>();
  try {
    for (const [index, board] of layout.boards.entries())
      checkBoard(job, board, `boards[${index}]`, clean, violations, report);
    checkCounts(job, layout, report);
  } catch (error) {
    if (!(error instanceof Enough)) throw error;
  }
  return violations;
}
