import { type Text, text } from '../text/index.js';

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
  /** Sheet goods, which hold no screw in a thin edge. */
  sheet?: true;
  /** Used before, so that what was put on it is not known. */
  reclaimed?: true;
  /** Why no box is built of it; left out where boxes are. Common practice, no source. */
  refused?: Text;
}

const solid = (id: string, name: string, density: number, ...words: string[]): Material => ({
  id,
  name,
  density,
  words,
  grained: true,
});
const reclaimed = (id: string, name: string, density: number, ...words: string[]): Material => ({
  ...solid(id, name, density, ...words),
  reclaimed: true,
});
const refused = (
  id: string,
  name: string,
  density: number,
  why: Text,
  ...words: string[]
): Material => ({ id, name, density, words, grained: false, sheet: true, refused: why });

const FALLS_APART = text`It swells and falls apart outdoors, and its glue gives off fumes in a closed box.`;

/** Wood that boxes are built of, and boards that are not fit for them. */
export const MATERIALS: readonly Material[] = [
  solid('western-red-cedar', 'western redcedar', 350, 'cedar', 'redcedar', 'wrc'),
  solid('northern-white-cedar', 'northern white-cedar', 340, 'white cedar', 'whitecedar'),
  solid('eastern-white-pine', 'eastern white pine', 390, 'pine', 'whitepine'),
  solid('spruce', 'spruce', 430, 'spruce', 'whitewood'),
  solid('scots-pine', 'Scots pine', 510, 'scots', 'redwood'),
  solid('softwood', 'softwood of unknown kind', 450, 'softwood', 'spf'),
  solid('douglas-fir', 'Douglas-fir', 540, 'douglas', 'fir', 'doug'),
  solid('larch', 'larch', 580, 'larch', 'tamarack'),
  solid('baldcypress', 'baldcypress', 510, 'cypress', 'baldcypress'),
  solid('southern-pine', 'southern pine', 590, 'syp', 'yellow pine', 'southern'),
  solid('yellow-poplar', 'yellow-poplar', 460, 'poplar', 'yellow poplar', 'tulipwood'),
  solid('black-walnut', 'walnut', 610, 'walnut'),
  solid('oak', 'oak', 720, 'oak'),
  solid('sweet-chestnut', 'sweet chestnut', 540, 'chestnut'),
  solid('robinia', 'robinia (black locust)', 740, 'robinia', 'locust'),
  solid('bamboo-floor', 'bamboo floor board', 700, 'bamboo'),
  reclaimed('pallet-wood', 'pallet wood', 510, 'pallet', 'slat', 'slats'),
  reclaimed('fence-board', 'old fence board', 450, 'fence', 'fencing'),
  reclaimed('floor-board', 'old floor board', 510, 'floorboard', 'floorboards', 'flooring'),
  reclaimed('scaffold-board', 'scaffold board', 430, 'scaffold', 'scaffolding'),
  {
    id: 'plywood',
    name: 'plywood',
    density: 550,
    words: ['ply', 'plywood'],
    grained: false,
    sheet: true,
  },
  refused('mdf', 'MDF', 750, FALLS_APART, 'mdf', 'fibreboard', 'fiberboard'),
  refused('chipboard', 'chipboard', 650, FALLS_APART, 'chipboard', 'particleboard'),
  refused('osb', 'OSB', 620, FALLS_APART, 'osb', 'strandboard'),
  refused('hardboard', 'hardboard', 900, FALLS_APART, 'hardboard'),
  refused(
    'melamine',
    'melamine-faced board',
    680,
    text`Its face is too smooth to climb or to paint, and its core falls apart outdoors.`,
    'melamine',
    'laminate',
  ),
];

const byId = new Map(MATERIALS.map((material) => [material.id, material]));

export const materialById = (id: string): Material | undefined => byId.get(id);
export const materialName = (id: string): string => byId.get(id)?.name ?? id;
/** Unknown wood, of which no box is built, is weighed as a middling softwood. */
export const materialDensity = (id: string): number => byId.get(id)?.density ?? 450;
export const isSheet = (id: string): boolean => byId.get(id)?.sheet === true;

const phrasesOf = ({ id, name, words }: Material): string[] => [
  id,
  name.toLowerCase().replace(/ \(.*/, ''),
  ...words,
];

/** Where a pallet board comes from matters more than its species; that of other used boards less. */
const rankOf = ({ id, reclaimed }: Material): number => {
  if (id === 'pallet-wood') return 2;
  return reclaimed ? 0 : 1;
};

/** The wood that small letters speak of: of several, the one that is said in the most words. */
export function materialIn(said: string): Material | undefined {
  const plain = said.replaceAll('-', ' ');
  const found = MATERIALS.flatMap((material) =>
    phrasesOf(material)
      .map((phrase) => phrase.replaceAll('-', ' '))
      .filter((phrase) => new RegExp(`\\b${phrase}s?\\b`).test(plain))
      .map((phrase) => ({ material, length: phrase.length })),
  );
  return found.sort((a, b) => rankOf(b.material) - rankOf(a.material) || b.length - a.length)[0]
    ?.material;
}
