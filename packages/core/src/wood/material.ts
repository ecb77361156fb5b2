/** A kind of wood, as makers name it. */
export interface Material {
  id: string;
  name: string;
  /** Kilograms per cubic metre at 12 % moisture: FPL Wood Handbook, specific gravity table, rounded, from memory [M]. */
  density: number;
  /** Words by which quick entry knows it. */
  words: readonly string[];
  /** False for sheet goods. */
  grained: boolean;
}

export const MATERIALS: readonly Material[] = [
  {
    id: 'western-red-cedar',
    name: 'western redcedar',
    density: 350,
    words: ['cedar', 'redcedar', 'wrc'],
    grained: true,
  },
  {
    id: 'eastern-white-pine',
    name: 'eastern white pine',
    density: 390,
    words: ['pine', 'whitepine'],
    grained: true,
  },
  { id: 'spruce', name: 'spruce', density: 430, words: ['spruce', 'whitewood'], grained: true },
  {
    id: 'scots-pine',
    name: 'Scots pine',
    density: 510,
    words: ['scots', 'redwood'],
    grained: true,
  },
  {
    id: 'douglas-fir',
    name: 'Douglas-fir',
    density: 540,
    words: ['douglas', 'fir', 'doug'],
    grained: true,
  },
  { id: 'larch', name: 'larch', density: 580, words: ['larch'], grained: true },
  {
    id: 'baldcypress',
    name: 'baldcypress',
    density: 510,
    words: ['cypress', 'baldcypress'],
    grained: true,
  },
  {
    id: 'southern-pine',
    name: 'southern pine',
    density: 590,
    words: ['syp', 'yellow', 'southern'],
    grained: true,
  },
  { id: 'oak', name: 'oak', density: 720, words: ['oak'], grained: true },
  {
    id: 'pallet-wood',
    name: 'pallet wood',
    density: 510,
    words: ['pallet', 'slat', 'slats'],
    grained: true,
  },
  {
    id: 'plywood',
    name: 'exterior plywood',
    density: 550,
    words: ['ply', 'plywood'],
    grained: false,
  },
];

const byId = new Map(MATERIALS.map((material) => [material.id, material]));

export const materialName = (id: string): string => byId.get(id)?.name ?? id;
/** Unknown wood is weighed as a middling softwood. */
export const materialDensity = (id: string): number => byId.get(id)?.density ?? 450;
export const materialByWord = (word: string): Material | undefined =>
  MATERIALS.find((material) => material.id === word || material.words.includes(word));
