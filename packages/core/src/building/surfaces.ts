import { at } from '../lists/index.js';
import type { Cavity, Panel, PanelSet } from '../panels/index.js';
import { add, cross, dot, scale, subtract, unit, type Vec3 } from '../solid/index.js';

const PUSH = 320;

/** Whether a point lies in a room. */
function inRoom(
  point: Vec3,
  { origin, width, depth, heightFront, heightBack, ridge }: Cavity,
): boolean {
  const [x, y, z] = subtract(point, origin);
  if (Math.abs(x) > width / 2 || y < 0 || y > depth || z < 0) return false;
  const top = heightFront + ((heightBack - heightFront) * y) / depth;
  return z <= (ridge === undefined ? top : ridge - (Math.abs(x) / (width / 2)) * (ridge - top));
}

/** Whether a point lies in the wood of some panel. */
function inWood(point: Vec3, box: PanelSet): boolean {
  return box.panels.some((panel) =>
    panel.instances.some(({ solid: { vertices, faces } }) =>
      faces.every((face) => {
        const [a, b, c] = [
          at(vertices, at(face, 0)),
          at(vertices, at(face, 1)),
          at(vertices, at(face, 2)),
        ];
        return dot(cross(subtract(b, a), subtract(c, a)), subtract(point, a)) <= 0;
      }),
    ),
  );
}

/**
 * Area of wood that weather reaches, in square ticks: every face is divided into small pieces, and those count that look neither into a
 * room nor into another panel. Holes are not taken off. Within about a tenth for faces that are partly covered. Of some panels alone, where
 * `of` says which.
 */
export function outsideArea(box: PanelSet, of: (panel: Panel) => boolean = () => true): number {
  let area = 0;
  for (const panel of box.panels.filter(of)) {
    for (const { solid } of panel.instances) {
      for (const face of solid.faces) {
        const corners = face.map((index) => at(solid.vertices, index));
        for (let i = 1; i + 1 < corners.length; i += 1)
          area += openPart([at(corners, 0), at(corners, i), at(corners, i + 1)], box, 2);
      }
    }
  }
  return area;
}

function openPart([a, b, c]: readonly [Vec3, Vec3, Vec3], box: PanelSet, deeper: number): number {
  const turn = cross(subtract(b, a), subtract(c, a));
  const size = Math.hypot(...turn) / 2;
  if (size < 1) return 0;
  if (deeper > 0) {
    const [ab, bc, ca] = [scale(add(a, b), 0.5), scale(add(b, c), 0.5), scale(add(c, a), 0.5)];
    return (
      openPart([a, ab, ca], box, deeper - 1) +
      openPart([ab, b, bc], box, deeper - 1) +
      openPart([ca, bc, c], box, deeper - 1) +
      openPart([ab, bc, ca], box, deeper - 1)
    );
  }
  const before = add(scale(add(add(a, b), c), 1 / 3), scale(unit(turn), PUSH));
  return box.cavities.some((cavity) => inRoom(before, cavity)) || inWood(before, box) ? 0 : size;
}
