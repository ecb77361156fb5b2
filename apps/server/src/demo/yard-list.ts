import type { NewOffer } from '@spare-knot/core/api';
import { fromInches, fromMm, type Ticks } from '@spare-knot/core/measure';

const [SLIP, BARN] = ['Alder Slip Timber', 'The Plank Barn'];

type Size = readonly [thickness: Ticks, width: Ticks, length: Ticks];

const inches = (thickness: number, width: number, length: number): Size => [
  fromInches(thickness),
  fromInches(width),
  fromInches(length),
];
const millimetres = (thickness: number, width: number, length: number): Size => [
  fromMm(thickness),
  fromMm(width),
  fromMm(length),
];

const offer = (
  yard: string,
  name: string,
  [thickness, width, length]: Size,
  material: string,
  price: number,
  more: Partial<NewOffer> = {},
): NewOffer => ({
  yard,
  name,
  available: null,
  material,
  thickness,
  width,
  length,
  faceA: 'planed',
  faceB: 'planed',
  price,
  grained: true,
  ...more,
});

const ROUGH = { faceA: 'rough', faceB: 'rough' } as const;
const ONE_ROUGH = { faceA: 'rough', faceB: 'planed' } as const;
const SHEET = { grained: false, grade: 'exterior' } as const;

const cedar = (): NewOffer[] => {
  const wood = 'western-red-cedar';
  return [
    offer(SLIP, 'Picket, 6 ft', inches(5 / 8, 5.5, 72), wood, 340, ROUGH),
    offer(SLIP, 'Picket, 8 ft', inches(5 / 8, 5.5, 96), wood, 495, ROUGH),
    offer(SLIP, 'Cedar 1×6, 8 ft', inches(3 / 4, 5.5, 96), wood, 1520, ONE_ROUGH),
    offer(SLIP, 'Cedar 1×8, 8 ft', inches(3 / 4, 7.25, 96), wood, 2040, ONE_ROUGH),
    offer(SLIP, 'Cedar 1×8, 10 ft', inches(3 / 4, 7.25, 120), wood, 2560, ONE_ROUGH),
    offer(SLIP, 'Cedar 1×10, 8 ft', inches(3 / 4, 9.25, 96), wood, 2690, ONE_ROUGH),
  ];
};

const pine = (): NewOffer[] => {
  const wood = 'eastern-white-pine';
  return [
    offer(SLIP, 'Pine 1×6, 8 ft', inches(3 / 4, 5.5, 96), wood, 860),
    offer(SLIP, 'Pine 1×8, 6 ft', inches(3 / 4, 7.25, 72), wood, 910),
    offer(SLIP, 'Pine 1×8, 8 ft', inches(3 / 4, 7.25, 96), wood, 1190),
    offer(SLIP, 'Pine 1×10, 8 ft', inches(3 / 4, 9.25, 96), wood, 1640),
    offer(SLIP, 'Pine 1×12, 8 ft', inches(3 / 4, 11.25, 96), wood, 2110),
  ];
};

const sticksAndSheets = (): NewOffer[] => [
  offer(BARN, 'Batten, one by two', inches(3 / 4, 1.5, 96), 'spruce', 230, ONE_ROUGH),
  offer(BARN, 'Two-by-two', inches(1.5, 1.5, 96), 'spruce', 430),
  offer(BARN, 'Two-by-four', inches(1.5, 3.5, 96), 'spruce', 560),
  offer(BARN, 'Lath', inches(1 / 4, 1 / 2, 48), 'spruce', 60, ONE_ROUGH),
  offer(BARN, 'Half-inch ply, 4 × 8 ft', inches(15 / 32, 48, 96), 'plywood', 5400, SHEET),
  offer(BARN, 'Half-inch ply, 4 × 4 ft', inches(15 / 32, 48, 48), 'plywood', 3100, SHEET),
  offer(BARN, 'Ply 18 mm, whole sheet', millimetres(18, 1220, 2440), 'plywood', 7400, SHEET),
  offer(BARN, 'Pallet slat', millimetres(22, 95, 1150), 'pallet-wood', 80, {
    ...ONE_ROUGH,
    stamp: 'HT',
    available: 40,
  }),
];

/** What two invented yards near Osier Landing sell, in the place of a real yard's price list. */
export const demoOffers = (): NewOffer[] => [...cedar(), ...pine(), ...sticksAndSheets()];
