import { type PanelSet, weightOf } from '../../panels/index.js';
import type { BoxPlan, Place } from '../../plan/index.js';
import { ofLength, ofWeight, text } from '../../text/index.js';
import { bought, counted, type HardwareLine } from '../hardware/line.js';

export const eyeLines = ({ fittings = [] }: PanelSet): HardwareLine[] =>
  bought({
    id: 'eye',
    name: text`Screw eye`,
    quantity: fittings.filter((fitting) => fitting.kind === 'eye').length,
    unit: 'pieces',
    why: text`To hang it by, with protected wire.`,
  });

/** A rod in the foot of a post. */
export const footLines = ({ sizes, choices }: BoxPlan): HardwareLine[] =>
  choices.foot === 'rod'
    ? [
        {
          id: 'foot-rod',
          name: text`Steel rod, ${ofLength(sizes.rodSize ?? 0)} thick`,
          quantity: 1,
          unit: 'pieces',
          why: text`${ofLength(sizes.rodDeep ?? 0)} of it up into the post’s foot, the rest in the ground.`,
        },
      ]
    : [];

/** How a box is fixed where it hangs: a light one, and one that takes coach screws. Common practice, no source. */
interface Fixing {
  light: string;
  heavy: string;
  why: string;
}
export const FIXINGS: Readonly<Record<NonNullable<Place['on']>, Fixing>> = {
  tree: {
    light: 'Screw 5 × 80 mm, left proud',
    heavy: 'Coach screw 8 × 120 mm, left proud',
    why: 'Into the trunk, to be backed out as it grows; nothing tight round it',
  },
  wall: {
    light: 'Screw 6 × 70 mm with a wall plug',
    heavy: 'Coach screw 8 × 100 mm with a wall plug',
    why: 'Into the wall',
  },
  building: { light: 'Screw 6 × 70 mm', heavy: 'Coach screw 8 × 100 mm', why: 'Into its timber' },
  post: { light: 'Screw 5 × 70 mm', heavy: 'Coach screw 8 × 100 mm', why: 'Into the post' },
  pole: {
    light: 'Pole strap',
    heavy: 'Pole strap',
    why: 'Round the pole, with a guard against climbers below',
  },
  water: {
    light: 'Stainless screw 6 × 80 mm',
    heavy: 'Stainless coach screw 8 × 120 mm',
    why: 'Into the post over the water',
  },
};
export const HEAVY_KG = 4;

/** What fixes it where the plan says that it hangs; nothing while that is not known, or where eyes or holes of its own are asked for. */
export function fixingLines(plan: BoxPlan, box: PanelSet): HardwareLine[] {
  const { place, choices } = plan;
  const hasEyes = (box.fittings ?? []).some(({ kind }) => kind === 'eye');
  const stands = choices.foot === 'rod';
  if (place.on === null || hasEyes || stands || counted(box, 'mount') > 0) return [];
  const { light, heavy, why } = FIXINGS[place.on];
  const kilograms = weightOf(plan, box);
  const isHeavy = kilograms >= HEAVY_KG;
  return [
    {
      id: 'fixing',
      name: text`${isHeavy ? heavy : light}`,
      quantity: isHeavy ? 4 : 2,
      unit: 'pieces',
      why: text`${why}; the empty box weighs ${ofWeight(kilograms)}.`,
    },
  ];
}

/** What goes through the holes that the back is hung by. */
export function mountLines({ sizes, choices }: BoxPlan, box: PanelSet): HardwareLine[] {
  const holes = counted(box, 'mount');
  const { mountSize = 0 } = sizes;
  if (choices.mount !== 'rod')
    return bought({
      id: 'mount',
      name: text`Screw to hang it by, for a hole of ${ofLength(mountSize)}`,
      quantity: holes,
      unit: 'pieces',
      why: text`One above the roof and one below the walls; on a tree leave them proud, to be backed out as it grows.`,
    });
  return holes === 0
    ? []
    : [
        {
          id: 'rod',
          name: text`Threaded rod with two nuts and washers, for a hole of ${ofLength(mountSize)}`,
          quantity: 1,
          unit: 'pieces',
          why: text`Through the back and the post; the inner nut is turned from within.`,
        },
        {
          id: 'rod-nail',
          name: text`Nail or screw below`,
          quantity: 1,
          unit: 'pieces',
          why: text`Through the back’s lower end, so that the box does not turn on its rod.`,
        },
      ];
}
