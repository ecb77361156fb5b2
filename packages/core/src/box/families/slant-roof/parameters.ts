import { fromMm } from '../../../measure/ticks.js';
import type { PanelRole, Parameter, School } from '../../family.js';

const length = (
  id: string,
  label: string,
  least: number,
  greatest: number,
  standard: number,
  help: string,
  applies?: Parameter['applies'],
): Parameter => ({
  id,
  label,
  kind: 'length',
  least: fromMm(least),
  greatest: fromMm(greatest),
  standard: fromMm(standard),
  help,
  ...(applies && { applies }),
});

/** Lengths are written here in millimetres. Figures without a source are common practice. */
export const PARAMETERS: readonly Parameter[] = [
  length('width', 'Width', 60, 700, 127, 'Across the box, as you face it.'),
  length('depth', 'Depth', 60, 700, 127, 'From front to back.'),
  length(
    'frontHeight',
    'Sides high at the front',
    80,
    1200,
    230,
    'Length of a side along its front edge, from the bottom to the roof line.',
  ),
  length(
    'backHeight',
    'Sides high at the back',
    80,
    1300,
    255,
    'Length of a side along its back edge, from the bottom to the roof line.',
    (s) => s.roof !== 'flat' && s.slope === 'heights',
  ),
  {
    id: 'slope',
    label: 'Slope',
    kind: 'angle',
    least: 2,
    greatest: 40,
    standard: 10,
    help: 'Of the roof, from level.',
    applies: (s) => s.roof !== 'flat' && s.slope === 'angle',
  },
  length('overhangFront', 'Roof out over the front', 0, 250, 50, 'Level distance from the front to the lower edge of the roof.'),
  length('overhangSide', 'Roof out over each side', 0, 150, 19, 'Level distance from the outside of a side to the edge of the roof.'),
  length(
    'overhangRear',
    'Roof out over the back',
    0,
    150,
    0,
    'Level distance behind the back; nothing, so that the box hangs flat.',
    (s) => s.roof !== 'butt',
  ),
  length('floorRecess', 'Floor up inside the walls', 0, 60, 9.5, 'So that its end grain stays dry.'),
  length('backAbove', 'Back longer above', 0, 200, 0, 'Above the roof, to fix the box by.', (s) => s.roof === 'butt'),
  length('backBelow', 'Back longer below', 0, 200, 38, 'Below the walls, to fix the box by.'),
  length('entranceWidth', 'Entrance', 15, 250, 32, 'Diameter of a round entrance, width of an oval.'),
  length('entranceUpright', 'Entrance high', 15, 250, 76, 'Upright measure of an oval entrance.', (s) => s.entrance === 'oval'),
  length('entranceHeight', 'Entrance above the floor', 0, 900, 165, 'From the upper face of the floor.'),
  length('drainSize', 'Drain', 4, 40, 12.7, 'Leg of a clipped corner, diameter of a hole, or width of a gap.'),
  length('ventSize', 'Vent', 3, 25, 6.4, 'Height of a gap or diameter of a hole.'),
];

export const SCHOOLS: readonly School[] = [
  {
    id: 'roof',
    label: 'Roof',
    options: [
      {
        id: 'butt',
        label: 'against the back',
        reason: 'The roof’s rear edge is tilted and meets the back, which may stand on above it for hanging.',
      },
      { id: 'over', label: 'over the back', reason: 'The back ends under the roof, so no water stands in the joint.' },
      {
        id: 'flat',
        label: 'flat and square',
        reason: 'Every cut is square: a chop saw alone builds it. Posts are never plumb, so water runs off anyway.',
      },
    ],
  },
  {
    id: 'slope',
    label: 'Slope is set by',
    applies: (s) => s.roof !== 'flat',
    options: [
      { id: 'heights', label: 'two heights', reason: 'Mark both heights on a side and join them; the angle follows.' },
      { id: 'angle', label: 'angle', reason: 'Set the saw; the back height follows.' },
    ],
  },
  {
    id: 'walls',
    label: 'Front and back',
    options: [
      { id: 'between', label: 'between the sides', reason: 'The sides cover the edges of front and back.' },
      { id: 'over', label: 'over the sides', reason: 'Front and back cover the edges of the sides.' },
    ],
  },
  {
    id: 'measure',
    label: 'Sizes are kept',
    options: [
      { id: 'inside', label: 'inside', reason: 'The room stays; thicker wood makes the box bigger outside.' },
      { id: 'outside', label: 'outside', reason: 'The board’s width stays; thicker wood makes the room smaller.' },
    ],
  },
  {
    id: 'floor',
    label: 'Drains',
    options: [
      { id: 'clipped', label: 'clipped corners', reason: 'Four cuts at 45°, nothing to clog.' },
      { id: 'holes', label: 'holes', reason: 'One near each corner and one in the middle.' },
      { id: 'gap', label: 'a gap', reason: 'The floor is short at front and back.' },
    ],
  },
  {
    id: 'vents',
    label: 'Vents',
    options: [
      { id: 'gap-sides', label: 'gap over the sides', reason: 'Both sides stop short of the roof, which rests on front and back.' },
      { id: 'gap-front', label: 'gap over the front', reason: 'The front stops short of the roof, which rests on the sides.' },
      { id: 'holes', label: 'holes', reason: 'Two high in each side, under the roof.' },
    ],
  },
  {
    id: 'grip',
    label: 'Grip under the entrance',
    options: [
      { id: 'rough', label: 'rough face in', reason: 'The sawn face of the board looks inwards.' },
      { id: 'kerfs', label: 'saw kerfs', reason: 'Shallow kerfs across the inside, from near the floor to the sill.' },
    ],
  },
  {
    id: 'entrance',
    label: 'Entrance',
    options: [
      { id: 'round', label: 'round', reason: 'One bit, one hole.' },
      { id: 'oval', label: 'oval', reason: 'Two holes and a rasp.' },
    ],
  },
  {
    id: 'entranceTo',
    label: 'Entrance height is to its',
    options: [
      { id: 'centre', label: 'centre', reason: 'Where the bit’s point goes.' },
      { id: 'sill', label: 'sill', reason: 'The lower edge: what the young have to climb to.' },
    ],
  },
  {
    id: 'roofGrain',
    label: 'Roof grain',
    options: [
      { id: 'slope', label: 'down the slope', reason: 'Water runs along the grain.' },
      { id: 'across', label: 'across', reason: 'The board’s width covers the slope.' },
    ],
  },
];

export const ROLES: readonly PanelRole[] = [
  { id: 'front', label: 'Front' },
  { id: 'back', label: 'Back' },
  { id: 'side-left', label: 'Left side' },
  { id: 'side-right', label: 'Right side' },
  { id: 'floor', label: 'Floor' },
  { id: 'roof', label: 'Roof' },
];
