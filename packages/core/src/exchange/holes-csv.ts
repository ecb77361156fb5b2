import { type BoredHole, type FromEdge, faceWords } from '../building/index.js';
import { toMm } from '../measure/index.js';
import { edgeName, type Panel } from '../panels/index.js';
import { writeCsv } from './csv.js';

export const HOLE_COLUMNS = [
  'panel',
  'copy',
  'face',
  'hole',
  'for',
  'shape',
  'width_mm',
  'height_mm',
  'depth_mm',
  'first_mm',
  'first_from',
  'second_mm',
  'second_from',
  'bit',
  'drill_with',
] as const;

const fine = (ticks: number): number => Math.round(toMm(ticks) * 100) / 100;

const fromWords = (from: FromEdge, panel: Panel): string => {
  if ('edge' in from) return `${edgeName(panel, from.edge)} edge`;
  return 'corner' in from ? 'left end' : 'outside';
};

/** Every hole of one box as CSV (UTF-8, header row, RFC 4180), lengths in millimetres; copies are numbered from 1. */
export function writeHolesCsv(
  holes: readonly BoredHole[],
  panels: readonly Panel[],
  nameOf: (panel: string) => string,
): string {
  const known = new Map(panels.map((panel) => [panel.id, panel]));
  const rows = holes.flatMap((hole, index) => {
    const panel = known.get(hole.panel);
    if (!panel) return [];
    const { size, from } = hole;
    const [wide, high] =
      size.shape === 'round' ? [size.diameter, size.diameter] : [size.width, size.height];
    return [
      [
        nameOf(hole.panel),
        hole.instance + 1,
        faceWords(hole.face, panel),
        index + 1,
        hole.for,
        size.shape,
        fine(wide),
        fine(high),
        hole.depth === 'through' ? 'through' : fine(hole.depth),
        fine(from[0].distance),
        fromWords(from[0], panel),
        fine(from[1].distance),
        fromWords(from[1], panel),
        hole.bit.plain,
        hole.drillWith.map(nameOf).join('; '),
      ],
    ];
  });
  return writeCsv(HOLE_COLUMNS, rows);
}
