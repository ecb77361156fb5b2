import { fromMm } from '../../measure/index.js';
import { type Cavity, type Draft, meet, type Opening, wood } from '../../panels/index.js';
import { between, type ConvexSolid, solidInside, type Vec3 } from '../../solid/index.js';
import type { Cut } from '../define-family.js';
import type { ColonyPlan } from './declared.js';
import type { ColonyFrame } from './frame.js';

/** How far the sticks between two halves stay short of floor and roof, and out from the middle. Common practice, no source. */
const SHORT = fromMm(30);
const OUT = 0.5;

/** Half a turn about an upright line: from the one half of a house to the other behind it. */
class HalfTurn {
  constructor(private readonly deep: number) {}

  readonly point = ([x, y, z]: Vec3): Vec3 => [-x, this.deep - y, z];
  private readonly direction = ([x, y, z]: Vec3): Vec3 => [-x, -y, z];

  private solid({ faces }: ConvexSolid): ConvexSolid {
    return {
      faces: faces.map(({ plane, corners }) => ({
        plane: {
          normal: this.direction(plane.normal),
          offset: plane.offset - plane.normal[1] * this.deep,
        },
        corners: corners.map(this.point),
      })),
    };
  }

  /** The same panel in the other half: a copy of it. */
  draft(draft: Draft): Draft {
    const { features } = draft;
    return {
      ...draft,
      id: other(draft.id),
      group: groupOf(draft),
      solid: this.solid(draft.solid),
      outsideNormal: this.direction(draft.outsideNormal),
      grainDirection: this.direction(draft.grainDirection),
      ...(features && {
        features: (toFrame) => features((point) => toFrame(this.point(point))),
      }),
    };
  }

  opening = ({ kind, polygon }: Opening): Opening => ({ kind, polygon: polygon.map(this.point) });

  cavity = ({ origin, depth, heightFront, heightBack, ...rest }: Cavity): Cavity => {
    const [x, y, z] = this.point(origin);
    return {
      ...rest,
      depth,
      origin: [x, y - depth, z],
      heightFront: heightBack,
      heightBack: heightFront,
    };
  };
}

const other = (id: string): string => `${id}-other`;
const groupOf = ({ group, id }: Draft): string => group ?? id;

/** Two houses of one side each, back to back on a frame of two sticks, the pole between them. */
export function twoHalves({ wood: boards }: ColonyPlan, frame: ColonyFrame, half: Cut): Cut {
  const { thickness: gap, width } = boards.frame;
  const rear = frame.depth + frame.t.back;
  const turn = new HalfTurn(2 * rear + gap);
  const wide = width ?? 0;
  const sticks = ([-1, 1] as const).map((sign): Draft => {
    const x = sign * frame.half * OUT;
    const id = sign < 0 ? 'frame-left' : 'frame-right';
    const spaces = [
      ...between('x', x - wide / 2, x + wide / 2),
      ...between('y', rear, rear + gap),
      ...between('z', frame.bottom + SHORT, frame.roofAt(rear) - SHORT),
    ];
    return {
      id,
      group: 'frame',
      role: 'frame',
      thickness: gap,
      solid: wood(solidInside(spaces), id),
      outsideNormal: [0, 1, 0],
      grainDirection: [0, 0, 1],
      grain: 'along',
      inside: 'any',
      knots: 'sound',
    };
  });
  return {
    ...half,
    drafts: [
      ...half.drafts.map((draft) => ({ ...draft, group: groupOf(draft) })),
      ...half.drafts.map((draft) => turn.draft(draft)),
      ...sticks,
    ],
    joints: [
      ...half.joints,
      ...half.joints.map(({ between: [a, b], kind }) => ({
        between: [other(a), other(b)] as const,
        kind,
      })),
      ...sticks.flatMap(({ id }) => [
        ...meet('back', id, 'screwed'),
        ...meet(other('back'), id, 'screwed'),
      ]),
    ],
    openings: [...half.openings, ...half.openings.map(turn.opening)],
    cavities: [...half.cavities, ...half.cavities.map(turn.cavity)],
  };
}
