import type { NamedBoard, NamedPlan } from '../cuts/index.js';
import { toMm } from '../measure/index.js';
import { writeCsv } from './csv.js';

export const CUT_PLAN_COLUMNS = [
  'step',
  'tool',
  'saw',
  'angle',
  'tilt',
  'stop_mm',
  'board',
  'cut',
  'face_up',
  'fence',
  'end',
  'hold',
  'gives',
  'beyond',
] as const;

const rounded = (value: number): number => Math.round(value * 100) / 100;

/** What a piece is called in a table. */
function wordsOf({ pieces }: NamedBoard, id: string | null): string {
  const is = pieces.find((piece) => piece.id === id)?.is;
  if (id === null) return '';
  if (!is) return 'cut further';
  return typeof is === 'string' ? is : `${is.part} ${is.copy}`;
}

/** Every cut of a plan in its order as a table, RFC 4180: lengths in millimetres, angles in degrees, boards counted from 1. */
export const writeCutPlanCsv = ({ boards, steps }: NamedPlan): string =>
  writeCsv(
    CUT_PLAN_COLUMNS,
    steps.flatMap(({ tool, saw, angle, tilt, stop, cuts }, index) =>
      cuts.map(({ board, cut, faceUp, fence, end, hold }) => {
        const on = boards[board];
        const gives = on?.cuts.find(({ id }) => id === cut)?.gives ?? [null, null];
        return [
          index + 1,
          tool,
          saw,
          rounded(angle),
          rounded(tilt),
          stop === null ? '' : rounded(toMm(stop)),
          board + 1,
          cut,
          faceUp ?? '',
          fence ?? '',
          end ?? '',
          hold,
          on ? wordsOf(on, gives[0]) : '',
          on ? wordsOf(on, gives[1]) : '',
        ];
      }),
    ),
  );
