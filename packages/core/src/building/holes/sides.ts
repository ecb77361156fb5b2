import type { Panel } from '../../panels/index.js';
import type { BoredHole } from './bit-for.js';
import type { BoredFace } from './hole.js';

/** One side of a panel with the holes that one bit, or any, bores in it; copies that are bored alike are one. */
export interface Side {
  key: string;
  panel: string;
  face: BoredFace;
  copies: readonly number[];
  holes: readonly BoredHole[];
}

/** All holes of one bit across all panels. */
export interface BitHoles {
  key: string;
  bit: BoredHole['bit'];
  sides: readonly Side[];
  count: number;
}

const faceKey = (face: BoredFace): string =>
  typeof face === 'string' ? face : `edge ${face.edge}`;

/** Faces before edges, the outside first. */
const faceRank = (face: BoredFace): number => {
  if (face === 'outside') return -2;
  return face === 'inside' ? -1 : face.edge;
};

const signature = (holes: readonly BoredHole[]): string =>
  holes.map(({ at, for: use, size, depth }) => JSON.stringify([at, use, size, depth])).join();

/** Holes side by side, in the order in which the panels stand in the list. */
export function sidesOf(holes: readonly BoredHole[], panels: readonly Panel[]): Side[] {
  const groups = new Map<string, BoredHole[]>();
  for (const hole of holes) {
    const key = `${hole.panel}|${hole.instance}|${faceKey(hole.face)}`;
    groups.set(key, [...(groups.get(key) ?? []), hole]);
  }
  const sides = new Map<string, Side>();
  for (const group of groups.values()) {
    const [first] = group;
    if (!first) continue;
    const sorted = [...group].sort((a, b) => a.at[1] - b.at[1] || a.at[0] - b.at[0]);
    const key = `${first.panel}|${faceKey(first.face)}|${signature(sorted)}`;
    const known = sides.get(key);
    sides.set(key, {
      key,
      panel: first.panel,
      face: first.face,
      copies: [...(known?.copies ?? []), first.instance],
      holes: sorted,
    });
  }
  const place = new Map(panels.map(({ id }, index) => [id, index]));
  return [...sides.values()].sort(
    (a, b) =>
      (place.get(a.panel) ?? 0) - (place.get(b.panel) ?? 0) || faceRank(a.face) - faceRank(b.face),
  );
}

/** By bit: what stays in the drill is used up before it is changed; the widest holes first. */
export function byBit(holes: readonly BoredHole[], panels: readonly Panel[]): BitHoles[] {
  const groups = new Map<string, BoredHole[]>();
  for (const hole of holes) groups.set(hole.bit.key, [...(groups.get(hole.bit.key) ?? []), hole]);
  return [...groups]
    .map(([key, group]) => ({
      key,
      bit: (group[0] as BoredHole).bit,
      sides: sidesOf(group, panels),
      count: group.length,
    }))
    .sort((a, b) => widest(b) - widest(a));
}

const widest = ({ sides }: BitHoles): number =>
  Math.max(
    ...sides.flatMap(({ holes }) =>
      holes.map(({ size }) => (size.shape === 'round' ? size.diameter : size.width)),
    ),
  );
