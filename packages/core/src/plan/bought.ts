import { about, oneOf } from './declaration.js';

/** What is bought for a box and changes no panel: asked of every kind that has what it is for. Common practice, no source. */
export const ROOF_COVER = about('Roof', {
  cover: oneOf(
    'Over the roof',
    [
      ['none', 'bare wood', 'It weathers and lasts some years.'],
      [
        'metal',
        'sheet metal',
        'Folded down a little over its edges; hot in the sun, dry for long.',
      ],
      ['felt', 'roofing felt', 'Tacked under the edges, for ply and boards alike.'],
      ['shingles', 'shingles', 'Two courses or more, nailed through into the roof.'],
    ],
    { meant: 'none' },
  ),
});

export const HOLE_PLATE = about('Entrance and grip', {
  holePlate: oneOf(
    'Round the hole',
    [
      ['none', 'wood alone', 'Enough where nothing gnaws or pecks.'],
      [
        'plate',
        'a hole plate',
        'Metal with a hole of the same size: woodpeckers and squirrels do not widen it.',
      ],
    ],
    { applies: ({ entrance = 'round' }) => entrance === 'round', meant: 'none' },
  ),
});

const SEALED = {
  none: ['none', 'nothing', 'Small birds’ boxes breathe through their joints.'],
  roof: ['roof', 'the roof’s joints', 'A bead under the roof, where water runs.'],
  all: ['all', 'all seams, inside and out', 'Bats’ boxes are kept warm: no draught comes in.'],
} as const;
const LABEL = 'Caulked are';
/** Which seams are caulked, the usual answer for such guests first. */
export const caulkFor = (guests: 'birds' | 'bats') =>
  about('Making', {
    caulk:
      guests === 'bats'
        ? oneOf(LABEL, [SEALED.all, SEALED.roof, SEALED.none], { meant: 'none' })
        : oneOf(LABEL, [SEALED.none, SEALED.roof, SEALED.all], { meant: 'none' }),
  });

export const METAL = about('Making', {
  metal: oneOf(
    'Screws and nails are of',
    [
      ['galvanised', 'galvanised steel', 'For most woods outdoors; never bare steel.'],
      [
        'stainless',
        'stainless steel',
        'By the sea, over water, and in cedar and oak, which stain round zinc.',
      ],
      ['brass', 'brass', 'For hinges and small boxes; soft, so bore its pilots well.'],
    ],
    { meant: 'galvanised' },
  ),
});
