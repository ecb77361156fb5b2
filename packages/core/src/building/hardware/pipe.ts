import type { Fitting, PanelSet } from '../../panels/index.js';
import { ofLength, text } from '../../text/index.js';
import type { HardwareLine } from './line.js';

const pipeLine = ({
  from,
  to,
  bore,
  outside,
}: Extract<Fitting, { kind: 'pipe' }>): HardwareLine => ({
  id: 'pipe',
  name: text`Pipe, bore ${ofLength(bore)}, outside ${ofLength(outside)}`,
  quantity: Math.round(Math.hypot(to[1] - from[1], to[2] - from[2])),
  unit: 'ticks',
  why: text`Through the front, as drawn.`,
});

export const pipeLines = ({ fittings = [] }: PanelSet): HardwareLine[] =>
  fittings.flatMap((fitting) => (fitting.kind === 'pipe' ? [pipeLine(fitting)] : []));
