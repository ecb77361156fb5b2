/** A sheet of labels as it is sold, or plain paper to be cut apart. Millimetres from the upper left corner of the paper. */
export interface LabelSheet {
  id: string;
  name: string;
  paper: 'A4' | 'Letter';
  across: number;
  down: number;
  width: number;
  height: number;
  left: number;
  top: number;
  /** From one label’s edge to the next one’s. */
  stepX: number;
  stepY: number;
}

/** Sizes that are sold everywhere; margins from memory [M], so a maker may set them by a test print. */
export const LABEL_SHEETS: readonly LabelSheet[] = [
  {
    id: 'a4-24',
    name: '24 on A4, 70 × 37 mm',
    paper: 'A4',
    across: 3,
    down: 8,
    width: 70,
    height: 37,
    left: 0,
    top: 0.5,
    stepX: 70,
    stepY: 37,
  },
  {
    id: 'a4-21',
    name: '21 on A4, 63.5 × 38.1 mm',
    paper: 'A4',
    across: 3,
    down: 7,
    width: 63.5,
    height: 38.1,
    left: 7.25,
    top: 15.15,
    stepX: 66.04,
    stepY: 38.1,
  },
  {
    id: 'a4-14',
    name: '14 on A4, 99.1 × 38.1 mm',
    paper: 'A4',
    across: 2,
    down: 7,
    width: 99.1,
    height: 38.1,
    left: 4.65,
    top: 15.15,
    stepX: 101.6,
    stepY: 38.1,
  },
  {
    id: 'a4-8',
    name: '8 on A4, 99.1 × 67.7 mm',
    paper: 'A4',
    across: 2,
    down: 4,
    width: 99.1,
    height: 67.7,
    left: 4.65,
    top: 13.1,
    stepX: 101.6,
    stepY: 67.7,
  },
  {
    id: 'letter-30',
    name: '30 on Letter, 2 5/8 × 1 in',
    paper: 'Letter',
    across: 3,
    down: 10,
    width: 66.675,
    height: 25.4,
    left: 4.76,
    top: 12.7,
    stepX: 69.85,
    stepY: 25.4,
  },
  {
    id: 'letter-10',
    name: '10 on Letter, 4 × 2 in',
    paper: 'Letter',
    across: 2,
    down: 5,
    width: 101.6,
    height: 50.8,
    left: 3.97,
    top: 12.7,
    stepX: 106.36,
    stepY: 50.8,
  },
  {
    id: 'plain-a4',
    name: 'Plain A4, cut apart, 90 × 50 mm',
    paper: 'A4',
    across: 2,
    down: 5,
    width: 90,
    height: 50,
    left: 15,
    top: 15,
    stepX: 90,
    stepY: 50,
  },
  {
    id: 'plain-letter',
    name: 'Plain Letter, cut apart, 3 1/2 × 2 in',
    paper: 'Letter',
    across: 2,
    down: 4,
    width: 88.9,
    height: 50.8,
    left: 19,
    top: 25.4,
    stepX: 88.9,
    stepY: 50.8,
  },
];

/** Where one label stands: on which sheet, from 0, and how far from its upper left corner. */
export interface LabelPlace {
  sheet: number;
  x: number;
  y: number;
}

/** Where so many labels stand, row by row; the first so many places of the first sheet are used up already. */
export function labelPlaces(sheet: LabelSheet, count: number, used = 0): LabelPlace[] {
  const each = sheet.across * sheet.down;
  return Array.from({ length: count }, (_unused, index) => {
    const place = index + used;
    const onSheet = place % each;
    return {
      sheet: Math.floor(place / each),
      x: sheet.left + (onSheet % sheet.across) * sheet.stepX,
      y: sheet.top + Math.floor(onSheet / sheet.across) * sheet.stepY,
    };
  });
}
