import type { Joint, Panel } from '../panels/index.js';
import { ofAngle, type Text, text } from '../text/index.js';
import { COMMON, type Rule } from './check.js';

function meeting(joint: Joint, roof: Panel): Text {
  const tilt = Math.max(...roof.edges.map((edge) => Math.abs(edge.tilt)));
  if (joint.kind === 'let-in') return text`The roof sits in the back’s groove, so no gap shows.`;
  if (tilt < 0.05) return text`The roof meets the back square.`;
  return text`The roof meets the back without a gap: its edge is tilted ${ofAngle(tilt)}, computed from the slope.`;
}

/** The roof's rear edge meets the back at its tilt. */
export const backJointRule: Rule = ({ box }) => {
  const joint = box.joints.find(
    ({ between }) => between.includes('roof') && between.includes('back'),
  );
  const roof = box.panels.find((panel) => panel.id === 'roof');
  if (!joint || !roof) return [];
  return [
    {
      ...COMMON,
      id: 'back-joint',
      severity: 'kept',
      role: 'roof',
      text: meeting(joint, roof),
      remedies: [],
    },
  ];
};
