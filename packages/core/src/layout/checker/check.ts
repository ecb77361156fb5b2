import {
  EDGE_LEEWAY,
  type LayoutJob,
  type Part,
  type Placement,
  type Stock,
  THICKNESS_LEEWAY,
} from '../../job/index.js';
import { atan2, type Ticks, TOLERANCE, toMm } from '../../measure/index.js';
import { intersectPolygons, type Point, subtractPolygon } from '../../plane/index.js';
import { mustBeCutAway } from '../../wood/index.js';
import type { LaidBoard, Layout } from '../layout.js';
import { type PlacedPart, placePart } from '../placed.js';
import { areApart, type LyingSolid } from './gap.js';
import { hasArea, outlineOf } from './polygons.js';
import { ANGLE_LEEWAY, mitreOf, stuckTogether } from './through-cuts.js';

/** A validity rule that a layout breaks, and where. */
export interface Violation {
  rule: 1 | 2 | 3 | 4 | 5 | 6 | 7 | 8 | 9;
  path: string;
  message: string;
}

interface Lying {
  part: Part;
  placement: Placement;
  placed: PlacedPart;
  path: string;
  name: string;
}

type Report = (rule: Violation['rule'], path: string, message: string) => void;

const mm = (ticks: Ticks): string => `${Math.round(toMm(ticks) * 100) / 100} mm`;

function checkWood(lying: Lying, stock: Stock, report: Report): void {
  const { part, placement, path, name } = lying;
  if (Math.abs(part.thickness - stock.thickness) > THICKNESS_LEEWAY) {
    report(
      1,
      path,
      `${name} is ${mm(part.thickness)} thick and lies on a board of ${mm(stock.thickness)}`,
    );
  }
  if (part.materials && !part.materials.includes(stock.material))
    report(1, path, `${name} may not be of ${stock.material}`);
  if (part.grain === 'along' && stock.grained && placement.turn % 180 !== 0)
    report(4, path, `${name} lies across the grain`);
  const outside = placement.flipped ? stock.faceB : stock.faceA;
  const inside = placement.flipped ? stock.faceA : stock.faceB;
  if (part.outside !== 'any' && part.outside !== outside)
    report(4, path, `the outside of ${name} must be ${part.outside} and would be ${outside}`);
  if (part.inside !== 'any' && part.inside !== inside)
    report(4, path, `the inside of ${name} must be ${part.inside} and would be ${inside}`);
}

function checkInside(lying: Lying, stock: Stock, endTrim: Ticks, report: Report): void {
  const [left, bottom, right, top] = lying.placed.bounds;
  if (
    left < endTrim - TOLERANCE ||
    right > stock.length - endTrim + TOLERANCE ||
    bottom < -TOLERANCE ||
    top > stock.width + TOLERANCE
  ) {
    report(
      2,
      lying.path,
      `${lying.name} reaches over the edge of the board (${mm(left)} to ${mm(right)} along, ${mm(bottom)} to ${mm(top)} across)`,
    );
  }
}

function checkDefects(lying: Lying, stock: Stock, report: Report): void {
  const { part, placed, path, name } = lying;
  const away = placed.cutAway.map(outlineOf);
  const touches = (zone: readonly Point[], within: readonly Point[]): boolean => {
    let pieces = [intersectPolygons(zone, within)].filter((piece) => piece.length > 0);
    for (const hole of away) pieces = pieces.flatMap((piece) => subtractPolygon(piece, hole));
    return pieces.some(hasArea);
  };
  stock.defects.forEach((defect, index) => {
    const zone = outlineOf(defect.zone);
    const onFace = (region: readonly Point[]) =>
      [placed.faceA, placed.faceB].some((face) => touches(intersectPolygons(zone, region), face));
    const where = `stock “${stock.id}”, defect ${index}`;
    if (mustBeCutAway(defect.kind) || part.knots === 'none') {
      if (onFace(zone)) report(5, path, `${name} takes in a ${defect.kind} (${where})`);
    } else if (placed.clear.some((clear) => onFace(outlineOf(clear)))) {
      report(5, path, `a sound knot lies in a clear zone of ${name} (${where})`);
    }
  });
}

function checkEdges(lying: Lying, stock: Stock, job: LayoutJob, report: Report): void {
  const { placed, path, name } = lying;
  const { saw } = job;
  const onBoardEdge = (points: readonly Point[]): boolean =>
    points.every(([, y]) => Math.abs(y) <= TOLERANCE) ||
    points.every(([, y]) => Math.abs(y - stock.width) <= TOLERANCE) ||
    points.every(([x]) => Math.abs(x - saw.endTrim) <= TOLERANCE) ||
    points.every(([x]) => Math.abs(x - (stock.length - saw.endTrim)) <= TOLERANCE);
  const n = placed.faceA.length;
  for (let i = 0; i < n; i += 1) {
    const j = (i + 1) % n;
    const upper = [placed.faceA[i]!, placed.faceA[j]!] as const;
    const lower = [placed.faceB[i]!, placed.faceB[j]!] as const;
    if (onBoardEdge([...upper, ...lower])) continue;
    const run = (edge: readonly [Point, Point]) =>
      Math.hypot(edge[1][0] - edge[0][0], edge[1][1] - edge[0][1]);
    const edge = run(upper) >= run(lower) ? upper : lower;
    const length = run(edge);
    if (length < 1) continue;
    const normal: Point = [(edge[1][1] - edge[0][1]) / length, -(edge[1][0] - edge[0][0]) / length];
    // Both long edges may stay as they are bought when a part reaches them to within the leeway of a shop without a rip.
    const alongBoard = Math.abs(normal[0]) < 1e-6;
    if (!saw.rip && alongBoard) continue;
    const mitre = mitreOf(normal, saw.rip);
    if (mitre > saw.maxMitre + ANGLE_LEEWAY)
      report(
        7,
        path,
        `an edge of ${name} needs a mitre of ${mitre.toFixed(1)}°; the saw turns ${saw.maxMitre}°`,
      );
    const lean = normal[0] * (lower[0][0] - upper[0][0]) + normal[1] * (lower[0][1] - upper[0][1]);
    const tilt = Math.abs(atan2(lean, stock.thickness));
    if (tilt > saw.maxTilt + ANGLE_LEEWAY)
      report(
        7,
        path,
        `an edge of ${name} needs a tilt of ${tilt.toFixed(1)}°; the blade tilts ${saw.maxTilt}°`,
      );
  }
}

function checkCuts(
  all: readonly Lying[],
  stock: Stock,
  job: LayoutJob,
  path: string,
  report: Report,
): void {
  const { saw } = job;
  const solids = all.map(
    (lying): LyingSolid => ({
      faceA: lying.placed.faceA,
      faceB: lying.placed.faceB,
      depth: stock.thickness,
    }),
  );
  for (let i = 0; i < all.length; i += 1) {
    for (let j = i + 1; j < all.length; j += 1) {
      if (!areApart(solids[i]!, solids[j]!, saw.kerf))
        report(
          3,
          all[j]!.path,
          `${all[i]!.name} and ${all[j]!.name} are less than a kerf (${mm(saw.kerf)}) apart`,
        );
    }
  }
  if (!saw.rip) {
    for (const { placed, name, path: where } of all) {
      for (const face of [placed.faceA, placed.faceB]) {
        const ys = face.map((point) => point[1]);
        if (Math.min(...ys) > EDGE_LEEWAY || Math.max(...ys) < stock.width - EDGE_LEEWAY) {
          report(
            6,
            where,
            `${name} does not reach both long edges of the board, and there is no rip`,
          );
          break;
        }
      }
    }
  }
  if (saw.throughCuts || !saw.rip) {
    const stuck = stuckTogether(solids, saw);
    if (stuck.length > 0) {
      const names = stuck.map((solid) => all[solids.indexOf(solid)]!.name);
      report(6, path, `no through cut separates ${names.join(', ')}`);
    }
  }
}

function checkOffcuts(
  board: LaidBoard,
  all: readonly Lying[],
  stock: Stock,
  job: LayoutJob,
  path: string,
  report: Report,
): void {
  const { saw } = job;
  const solids = board.offcuts.map((offcut): LyingSolid => {
    const face = outlineOf({
      kind: 'rect',
      corner: [offcut.x, offcut.y],
      width: offcut.length,
      height: offcut.width,
    });
    return { faceA: face, faceB: face, depth: stock.thickness };
  });
  board.offcuts.forEach((offcut, index) => {
    const where = `${path}.offcuts[${index}]`;
    if (
      offcut.x < -TOLERANCE ||
      offcut.y < -TOLERANCE ||
      offcut.x + offcut.length > stock.length + TOLERANCE ||
      offcut.y + offcut.width > stock.width + TOLERANCE
    ) {
      report(9, where, 'the offcut reaches over the edge of the board');
    }
    if (offcut.length < saw.keep.length - TOLERANCE || offcut.width < saw.keep.width - TOLERANCE)
      report(
        9,
        where,
        `the offcut of ${mm(offcut.length)} × ${mm(offcut.width)} is smaller than what is kept`,
      );
    for (const lying of all) {
      if (
        !areApart(
          solids[index]!,
          { faceA: lying.placed.faceA, faceB: lying.placed.faceB, depth: stock.thickness },
          saw.kerf,
        )
      )
        report(9, where, `the offcut is less than a kerf from ${lying.name}`);
    }
    for (let other = 0; other < index; other += 1) {
      if (!areApart(solids[index]!, solids[other]!, saw.kerf))
        report(9, where, `the offcut is less than a kerf from offcut ${other}`);
    }
  });
}

function checkCounts(job: LayoutJob, layout: Layout, report: Report): void {
  const copies = new Map<string, string>();
  const pieces = new Set<string>();
  const placedOf = new Map<string, number>();
  layout.boards.forEach((board, index) => {
    const key = `${board.stock}/${board.piece}`;
    if (pieces.has(key))
      report(8, `boards[${index}]`, `piece ${board.piece} of “${board.stock}” occurs twice`);
    pieces.add(key);
    board.placements.forEach((placement, at) => {
      const path = `boards[${index}].placements[${at}]`;
      const copy = `${placement.part}/${placement.copy}`;
      if (copies.has(copy))
        report(
          4,
          path,
          `copy ${placement.copy} of “${placement.part}” is placed twice (also at ${copies.get(copy)})`,
        );
      copies.set(copy, path);
      placedOf.set(placement.part, (placedOf.get(placement.part) ?? 0) + 1);
    });
  });
  for (const part of job.parts) {
    const missing = part.quantity - (placedOf.get(part.id) ?? 0);
    const listed = layout.unplaced.filter((entry) => entry.part === part.id);
    const counted = listed.reduce((sum, entry) => sum + entry.count, 0);
    if (counted !== missing)
      report(
        8,
        'unplaced',
        `${missing} of “${part.id}” are missing and ${counted} are listed as unplaced`,
      );
    if (listed.some((entry) => entry.reason.trim() === ''))
      report(8, 'unplaced', `“${part.id}” is unplaced without a reason`);
  }
  layout.unplaced.forEach((entry, index) => {
    if (!job.parts.some((part) => part.id === entry.part))
      report(8, `unplaced[${index}]`, `there is no part “${entry.part}”`);
  });
  for (const pin of job.pinned) {
    const board = layout.boards.find(
      (each) => each.stock === pin.stock && each.piece === pin.piece,
    );
    const same = board?.placements.some(
      (each) =>
        each.part === pin.part &&
        each.copy === pin.copy &&
        each.turn === pin.turn &&
        each.flipped === pin.flipped &&
        Math.abs(each.x - pin.x) <= TOLERANCE &&
        Math.abs(each.y - pin.y) <= TOLERANCE,
    );
    if (!same)
      report(8, 'boards', `the pinned “${pin.part}” (copy ${pin.copy}) is not where it was pinned`);
  }
}

/** Every validity rule that a layout breaks, each with its place; empty for a valid layout. Trusts nothing the search says. */
export function checkLayout(job: LayoutJob, layout: Layout): Violation[] {
  const violations: Violation[] = [];
  const report: Report = (rule, path, message) => violations.push({ rule, path, message });
  const clean = new Set<string>();
  for (const [index, board] of layout.boards.entries()) {
    const path = `boards[${index}]`;
    const stock = job.stock.find((each) => each.id === board.stock);
    if (!stock) {
      report(1, `${path}.stock`, `there is no stock “${board.stock}”`);
      continue;
    }
    if (!Number.isInteger(board.piece) || board.piece < 0 || board.piece >= stock.quantity) {
      report(
        8,
        `${path}.piece`,
        `there is no piece ${board.piece} of “${stock.id}”; there are ${stock.quantity}, counted from 0`,
      );
    }
    const all: Lying[] = [];
    for (const [at, placement] of board.placements.entries()) {
      const where = `${path}.placements[${at}]`;
      const part = job.parts.find((each) => each.id === placement.part);
      if (!part) {
        report(4, where, `there is no part “${placement.part}”`);
        continue;
      }
      if (
        !Number.isInteger(placement.copy) ||
        placement.copy < 0 ||
        placement.copy >= part.quantity
      ) {
        report(
          4,
          where,
          `there is no copy ${placement.copy} of “${part.id}”; there are ${part.quantity}, counted from 0`,
        );
        continue;
      }
      all.push({
        part,
        placement,
        placed: placePart(part, placement),
        path: where,
        name: `“${part.id}” ${placement.copy}`,
      });
    }
    // Boards of one kind cut alike break the same rules: one that broke none need not be judged again.
    const pattern = JSON.stringify([
      stock.id,
      all.map(({ part, placement: { x, y, turn, flipped } }) => [part.id, x, y, turn, flipped]),
      board.offcuts.map(({ x, y, length, width }) => [x, y, length, width]),
    ]);
    if (clean.has(pattern)) continue;
    const before = violations.length;
    for (const lying of all) {
      checkWood(lying, stock, report);
      checkInside(lying, stock, job.saw.endTrim, report);
      checkDefects(lying, stock, report);
      checkEdges(lying, stock, job, report);
    }
    checkCuts(all, stock, job, path, report);
    checkOffcuts(board, all, stock, job, path, report);
    if (violations.length === before) clean.add(pattern);
  }
  checkCounts(job, layout, report);
  return violations;
}
