import type { Degrees, Ticks } from '../measure/index.js';
import { type BoardKind, type Face, factsOf, isAssumed, type WoodFacts } from '../wood/index.js';

/** The board that a panel is to come from. `width` is null when any width will do. */
export interface PanelWood extends WoodFacts {
  thickness: Ticks;
  width: Ticks | null;
  material: string;
  faceA: Face;
  faceB: Face;
  /** Two sheets glued and screwed into one of twice their thickness, which `thickness` is. */
  layers?: 2;
}

/** Two thin sheets of a kind as the wood of a panel, glued and screwed into one. */
export const doubledWoodOf = (sheet: BoardKind): PanelWood => ({
  ...panelWoodOf(sheet),
  thickness: 2 * sheet.thickness,
  layers: 2,
});

/** How thick the board or sheet is that a panel is cut from. */
export const sawnThickness = ({ thickness, layers }: PanelWood): Ticks =>
  layers ? Math.round(thickness / layers) : thickness;

/** A board as the wood of a panel, with all that is known or assumed of it. */
export const panelWoodOf = (board: BoardKind): PanelWood => ({
  thickness: board.thickness,
  width: board.width,
  material: board.material,
  faceA: board.faceA,
  faceB: board.faceB,
  ...factsOf(board),
});

/** Whether a face of this wood is rough, and somebody has said so. */
export const hasRoughFace = (wood: PanelWood | undefined): boolean =>
  wood !== undefined &&
  !isAssumed(wood, 'faces') &&
  (wood.faceA === 'rough' || wood.faceB === 'rough');

export const COVERS = ['outdoors', 'under-cover'] as const;
export const MOUNTS = ['tree', 'wall', 'post', 'pole', 'water', 'building'] as const;
export const CLIMATES = ['cold', 'temperate', 'warm', 'hot'] as const;

/** Where the box is to hang. Null is unknown, and asked for where it matters. */
export interface Place {
  cover: (typeof COVERS)[number] | null;
  on: (typeof MOUNTS)[number] | null;
  climate: (typeof CLIMATES)[number] | null;
  /** Of the entrance above the ground. */
  height: Ticks | null;
  facing: string | null;
}

export const UNKNOWN_PLACE: Place = {
  cover: null,
  on: null,
  climate: null,
  height: null,
  facing: null,
};

/** One coat: where, of what base and shade. */
export interface Finish {
  where: string;
  what: 'stain' | 'paint' | 'oil';
  base: 'water' | 'oil' | null;
  shade: 'dark' | 'pale' | null;
}

/** What the maker chose, and nothing that follows from it. Which keys there are is the family's to say. */
export interface BoxPlan {
  family: string;
  /** Ids in the table of animals, the one it is made for first; none for a box for nobody in particular. */
  animals: readonly string[];
  /** Lengths chosen, in ticks, by parameter. */
  sizes: Readonly<Record<string, Ticks>>;
  /** Angles chosen, in degrees, by parameter. */
  angles: Readonly<Record<string, Degrees>>;
  /** Options chosen, by question. */
  choices: Readonly<Record<string, string>>;
  /** Wood by panel role. */
  wood: Readonly<Record<string, PanelWood>>;
  place: Place;
  finish: readonly Finish[];
  /** Fasteners the maker has, by the role of the panel they go through, or `default`; null: chosen by the program. */
  fasteners: Readonly<Record<string, string | null>>;
  /** How it hangs; null: not decided. */
  hanging: string | null;
}
