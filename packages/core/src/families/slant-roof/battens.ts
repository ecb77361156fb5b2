import { atLeast, atMost, type HalfSpace } from '../../solid/index.js';
import type { RoomFace } from '../common/sheet-sticks.js';
import { type Shell, underRoof } from './panels.js';

/** The flat sides of the room, in the order in which sticks lie against them, each with how far sticks on its panel reach. */
export function roomFaces({ frame }: Pick<Shell, 'frame'>): RoomFace[] {
  const { width, depth, wayIn, slot, split, swing } = frame;
  const half = width / 2;
  const frontTop: HalfSpace =
    wayIn.kind === 'open' ? atMost('z', wayIn.above) : underRoof(frame, frame.gapOverFront + slot);
  const faces: RoomFace[] = [
    { panel: 'front', inside: atLeast('y', 0), within: [frontTop] },
    { panel: 'back', inside: atMost('y', depth), within: [underRoof(frame, frame.gapOverBack)] },
    {
      panel: 'side-left',
      inside: atLeast('x', -half),
      within: [underRoof(frame, frame.gapOverLeft)],
    },
    {
      panel: 'side-right',
      inside: atMost('x', half),
      within: [underRoof(frame, frame.gapOverRight)],
    },
    { panel: 'floor', inside: atLeast('z', 0) },
    { panel: 'roof', inside: underRoof(frame) },
  ];
  if (!split || !swing) return faces;
  const whole = faces.find(({ panel }) => panel === swing.wall);
  const above = { within: [atLeast('z', split.at + split.slit)] };
  return whole ? [...faces, { ...whole, panel: 'side-above', ...above }] : faces;
}
