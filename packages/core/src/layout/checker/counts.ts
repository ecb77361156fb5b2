import type { LayoutJob, PinnedPlacement, Placement } from '../../job/index.js';
import { sum } from '../../lists/index.js';
import { TOLERANCE } from '../../measure/index.js';
import { plainText, text } from '../../text/index.js';
import type { Layout } from '../layout.js';
import { quoted, type Report } from './violation.js';

/** Each board and each copy occurs once. Gives how many of each part are placed. */
function checkDoubles(layout: Layout, report: Report): Map<string, number> {
  const copies = new Map<string, string>();
  const pieces = new Set<string>();
  const placed = new Map<string, number>();
  layout.boards.forEach((board, index) => {
    const key = `${board.stock}/${board.piece}`;
    if (pieces.has(key))
      report(8, `boards[${index}]`, text`piece ${board.piece} of “${board.stock}” occurs twice`);
    pieces.add(key);
    board.placements.forEach(({ part, copy }, at) => {
      const path = `boards[${index}].placements[${at}]`;
      const before = copies.get(`${part}/${copy}`);
      if (before !== undefined)
        report(4, path, text`copy ${copy} of ${quoted(part)} is placed twice (also at ${before})`);
      copies.set(`${part}/${copy}`, path);
      placed.set(part, (placed.get(part) ?? 0) + 1);
    });
  });
  return placed;
}

/** What is left out is counted exactly, each with a reason. */
function checkUnplaced(
  job: LayoutJob,
  layout: Layout,
  placed: ReadonlyMap<string, number>,
  report: Report,
): void {
  for (const part of job.parts) {
    const missing = part.quantity - (placed.get(part.id) ?? 0);
    const listed = layout.unplaced.filter((entry) => entry.part === part.id);
    const counted = sum(listed.map(({ count }) => count));
    if (counted !== missing)
      report(
        8,
        'unplaced',
        text`${missing} of ${quoted(part.id)} are missing and ${counted} are listed as unplaced`,
      );
    if (listed.some(({ reason }) => plainText(reason).trim() === ''))
      report(8, 'unplaced', text`${quoted(part.id)} is unplaced without a reason`);
  }
  layout.unplaced.forEach((entry, index) => {
    if (!job.parts.some((part) => part.id === entry.part))
      report(8, `unplaced[${index}]`, text`there is no part ${quoted(entry.part)}`);
  });
}

const liesAt = (placement: Placement, pin: PinnedPlacement): boolean =>
  placement.part === pin.part &&
  placement.copy === pin.copy &&
  placement.turn === pin.turn &&
  placement.flipped === pin.flipped &&
  Math.abs(placement.x - pin.x) <= TOLERANCE &&
  Math.abs(placement.y - pin.y) <= TOLERANCE;

/** Rule 8: what was pinned stands unchanged. */
function checkPins(job: LayoutJob, layout: Layout, report: Report): void {
  for (const pin of job.pinned) {
    const board = layout.boards.find(
      (each) => each.stock === pin.stock && each.piece === pin.piece,
    );
    if (!board?.placements.some((placement) => liesAt(placement, pin)))
      report(
        8,
        'boards',
        text`the pinned ${quoted(pin.part)} (copy ${pin.copy}) is not where it was pinned`,
      );
  }
}

export function checkCounts(job: LayoutJob, layout: Layout, report: Report): void {
  const placed = checkDoubles(layout, report);
  checkUnplaced(job, layout, placed, report);
  checkPins(job, layout, report);
}
