import { type BoardKind, materialName, type WoodFacts } from '@spare-knot/core/wood';

type Faces = Pick<BoardKind, 'faceA' | 'faceB'>;

export const facesWords = ({ faceA, faceB }: Faces): string =>
  faceA === faceB ? `${faceA} both faces` : `face A ${faceA}, face B ${faceB}`;

/** The wood with what is known of it: `pallet wood, stamped HT`. */
export const woodWords = (wood: WoodFacts & { material: string }): string =>
  [
    materialName(wood.material),
    wood.grade && (wood.grade === 'green' ? 'green' : `${wood.grade} grade`),
    wood.treatment && wood.treatment !== 'none' && wood.treatment.replaceAll('-', ' '),
    wood.stamp && `stamped ${wood.stamp}`,
    wood.oldPaint && 'old paint on it',
  ]
    .filter((each) => typeof each === 'string')
    .join(', ');

/** What each thing that nobody confirmed is taken to be. */
export const assumptionWords = (wood: WoodFacts & Faces, fact: string): string => {
  switch (fact) {
    case 'faces':
      return facesWords(wood);
    case 'treatment':
      return 'untreated';
    case 'size':
      return 'it measures what the yard says';
    default:
      return `its ${fact}`;
  }
};

/** What is assumed of a board, in one line; null where nothing is. */
export const assumedWords = (wood: WoodFacts & Faces): string | null =>
  wood.assumed && wood.assumed.length > 0
    ? `assumed: ${wood.assumed.map((fact) => assumptionWords(wood, fact)).join(', ')}`
    : null;
