import { type Check, COMMON, setChoice } from '../../checks/index.js';
import type { Degrees } from '../../measure/index.js';
import { ofAngle, text } from '../../text/index.js';

/** The largest tilt of most blades: common practice, no source; the saw's own manual is right. */
const MOST_TILT = 45;

/** Whether the ridge can be sawn: a mitre tilts the blade by the pitch. */
export function ridgeCheck(ridge: 'lapped' | 'mitred', pitch: Degrees): Check {
  const steep = ridge === 'mitred' && pitch > MOST_TILT;
  return {
    ...COMMON,
    id: 'ridge',
    severity: steep ? 'stop' : 'kept',
    role: 'roof-left',
    text: steep
      ? text`A mitre at the ridge needs the blade at ${ofAngle(pitch)}; saws tilt to about ${ofAngle(MOST_TILT)}.`
      : text`The slopes meet without a gap at the computed tilt.`,
    remedies: steep
      ? [{ label: 'Lap one over the other', apply: setChoice('ridge', 'lapped') }]
      : [],
  };
}
