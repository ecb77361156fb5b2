import { fromMm, type Ticks, tan } from '../../measure/index.js';
import { type Entrance, entranceOf, type Refusal, recessOf } from '../../plan/index.js';
import { ofLength, text } from '../../text/index.js';
import { entranceFaults } from '../common/entrance.js';
import { gripFaults } from '../common/grip.js';
import type { LogPlan } from './declared.js';

/** The round as a prism of this many sides, inside the true round. */
export const SIDES = 32;
/** The least room. Common practice, no source. */
const LEAST_ROOM = fromMm(60);

/** What the slabs are cut from. The cavity's front face is the plane y = 0; the log's axis stands at y = half. */
export interface LogFrame {
  radius: number;
  /** Of the prism that stands for the round. */
  apothem: number;
  /** Side of the square room, and half of it. */
  room: number;
  half: number;
  slope: number;
  bottom: number;
  /** Where the log's front is. */
  front: number;
  entrance: Entrance;
  /** Height of the lid's underside over y. */
  topAt: (y: number) => number;
}

/** Of a board, or of a slice of the core. */
export const floorThickness = ({ sizes, choices, wood }: LogPlan): Ticks =>
  choices.floorFrom === 'core' ? sizes.floorThick : wood.floor.thickness;

export function frameOf(plan: LogPlan): LogFrame {
  const { diameter, wall, height } = plan.sizes;
  const { slope } = plan.angles;
  const radius = diameter / 2;
  const room = (diameter - 2 * wall) / Math.SQRT2;
  const half = room / 2;
  const bottom = -(recessOf(plan) + floorThickness(plan));
  const front = half - radius;
  return {
    radius,
    apothem: radius * Math.cos(Math.PI / SIDES),
    room,
    half,
    slope,
    bottom,
    front,
    entrance: entranceOf(plan),
    topAt: (y) => bottom + height + (y - front) * tan(slope),
  };
}

export function logFaults(plan: LogPlan, frame: LogFrame): Refusal[] {
  const { sizes } = plan;
  const { room, entrance } = frame;
  if (room < LEAST_ROOM)
    return [
      {
        field: 'diameter',
        message: text`A log of ${ofLength(sizes.diameter)} with ${ofLength(sizes.wall)} left at the corners has a room of ${ofLength(room)}; ${ofLength(LEAST_ROOM)} is the least. Find a thicker log.`,
      },
    ];
  if (sizes.drainSize > room / 3)
    return [{ field: 'drainSize', message: text`Drains this large leave hardly a floor.` }];
  return [
    ...entranceFaults(entrance, frame.topAt(frame.front), room),
    ...gripFaults(plan, undefined),
  ];
}
