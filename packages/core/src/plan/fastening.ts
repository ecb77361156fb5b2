import { about, length, oneOf, since } from './declaration.js';

/** How the fasteners of a joint are set out: what every kind of box asks. Figures are common practice, no source. */
export const FASTENING_SIZES = {
  fastenerSpacing: since(
    length(
      'Screws or nails apart',
      40,
      400,
      110,
      'At most so far from one to the next along a joint.',
    ),
    110,
  ),
};

export const FASTENING_CHOICES = about('Making', {
  leastOnEdge: oneOf(
    'At least on every edge',
    [
      ['2', 'two', 'One alone lets a panel turn.'],
      ['3', 'three', 'For large panels, and where much is hung from the box.'],
      ['4', 'four', 'For heavy boxes.'],
    ],
    { meant: '2' },
  ),
});
