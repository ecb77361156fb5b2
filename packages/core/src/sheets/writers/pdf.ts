import fontkit from '@pdf-lib/fontkit';
import { degrees, PDFDocument, type PDFFont, type PDFPage, rgb } from 'pdf-lib';
import { ringPairs } from '../../lists/index.js';
import { cos, sin, toMm } from '../../measure/index.js';
import { type Drawing, type DrawingShape, extentOf, type Layer } from '../drawing.js';

export const PAPER_SIZES = {
  A4: { width: 210, height: 297 },
  Letter: { width: 215.9, height: 279.4 },
} as const;
export type PaperName = keyof typeof PAPER_SIZES;

const POINTS = 72 / 25.4;
/** Millimetres that printers leave blank, and by which tiles overlap inside their register marks. */
const MARGIN = 12;
const OVERLAP = 10;
/** Room for words at the foot of a sheet. */
const FOOT = 14;
const BLACK = rgb(0, 0, 0);
const GREY = rgb(0.45, 0.45, 0.45);
const BLUE = rgb(0.11, 0.35, 0.59);
const INK: Record<Layer, { colour: ReturnType<typeof rgb>; width: number; dash?: number[] }> = {
  board: { colour: GREY, width: 0.2 },
  defect: { colour: GREY, width: 0.2 },
  offcut: { colour: GREY, width: 0.2, dash: [3, 2] },
  panel: { colour: BLACK, width: 0.35 },
  cut: { colour: BLACK, width: 0.35 },
  face: { colour: BLACK, width: 0.3 },
  behind: { colour: GREY, width: 0.2 },
  'far-face': { colour: BLACK, width: 0.25, dash: [2, 1.5] },
  hole: { colour: BLACK, width: 0.3 },
  groove: { colour: GREY, width: 0.2, dash: [1, 1] },
  mark: { colour: BLUE, width: 0.2 },
  dimension: { colour: BLUE, width: 0.2 },
  note: { colour: BLACK, width: 0.2 },
};

/** The box round a drawing in millimetres. */
const millimetresOf = (drawing: Drawing): readonly [number, number, number, number] => {
  const [left, bottom, right, top] = extentOf(drawing);
  return [toMm(left), toMm(bottom), toMm(right), toMm(top)];
};

interface Sheet {
  page: PDFPage;
  font: PDFFont;
}

/** A page with how ticks of a drawing come to lie on it, in points. */
interface Canvas extends Sheet {
  x: (ticks: number) => number;
  y: (ticks: number) => number;
  scale: number;
}
type ShapeOf<K extends DrawingShape['kind']> = Extract<DrawingShape, { kind: K }>;

function drawCircle({ page, x, y, scale }: Canvas, { layer, centre, radius }: ShapeOf<'circle'>) {
  const ink = INK[layer];
  page.drawCircle({
    x: x(centre[0]),
    y: y(centre[1]),
    size: toMm(radius) * scale * POINTS,
    borderColor: ink.colour,
    borderWidth: ink.width * POINTS,
  });
}

/** A face, painted white inside: from the farthest on, so that nearer ones hide it. */
function drawFace({ page, x, y }: Canvas, { layer, points }: ShapeOf<'path'>): void {
  const ink = INK[layer];
  const path = points.map(
    (point, index) => `${index === 0 ? 'M' : 'L'}${x(point[0])} ${-y(point[1])}`,
  );
  page.drawSvgPath(`${path.join(' ')} Z`, {
    x: 0,
    y: 0,
    color: rgb(1, 1, 1),
    borderColor: ink.colour,
    borderWidth: ink.width * POINTS,
  });
}

function drawPath(canvas: Canvas, shape: ShapeOf<'path'>): void {
  if (shape.layer === 'face') {
    drawFace(canvas, shape);
    return;
  }
  const { page, x, y } = canvas;
  const ink = INK[shape.layer];
  const ends = ringPairs(shape.points);
  for (const [from, to] of shape.closed ? ends : ends.slice(0, -1))
    page.drawLine({
      start: { x: x(from[0]), y: y(from[1]) },
      end: { x: x(to[0]), y: y(to[1]) },
      thickness: ink.width * POINTS,
      color: ink.colour,
      ...(ink.dash && { dashArray: ink.dash.map((each) => each * POINTS) }),
    });
}

function drawWords({ page, font, x, y, scale }: Canvas, shape: ShapeOf<'text'>): void {
  const size = Math.max(5, toMm(shape.height) * scale * POINTS);
  const back = shape.align === 'middle' ? font.widthOfTextAtSize(shape.text, size) / 2 : 0;
  const turn = shape.turn ?? 0;
  page.drawText(shape.text, {
    x: x(shape.at[0]) - back * cos(turn),
    y: y(shape.at[1]) - back * sin(turn),
    size,
    font,
    color: INK[shape.layer].colour,
    rotate: degrees(turn),
  });
}

/** Draws with the drawing's point (x0, y0), in millimetres, at the page's (left, bottom), at a scale. */
function draw(
  sheet: Sheet,
  drawing: Drawing,
  x0: number,
  y0: number,
  left: number,
  bottom: number,
  scale: number,
): void {
  const canvas: Canvas = {
    ...sheet,
    x: (ticks) => (left + (toMm(ticks) - x0) * scale) * POINTS,
    y: (ticks) => (bottom + (toMm(ticks) - y0) * scale) * POINTS,
    scale,
  };
  for (const shape of drawing.shapes) {
    if (shape.kind === 'circle') drawCircle(canvas, shape);
    else if (shape.kind === 'path') drawPath(canvas, shape);
    else drawWords(canvas, shape);
  }
}

async function document(
  font: Uint8Array,
  title: string,
): Promise<{ pdf: PDFDocument; embedded: PDFFont }> {
  const pdf = await PDFDocument.create();
  pdf.registerFontkit(fontkit);
  pdf.setTitle(title);
  pdf.setProducer('Spare Knot');
  return { pdf, embedded: await pdf.embedFont(font, { subset: true }) };
}

/** A bar by which a rule tells whether the printer kept the size. */
function scaleBar({ page, font }: Sheet, left: number, bottom: number): void {
  const along = (mm: number) => (left + mm) * POINTS;
  page.drawLine({
    start: { x: along(0), y: bottom * POINTS },
    end: { x: along(50), y: bottom * POINTS },
    thickness: 0.3 * POINTS,
    color: BLACK,
  });
  for (let mm = 0; mm <= 50; mm += 10)
    page.drawLine({
      start: { x: along(mm), y: bottom * POINTS },
      end: { x: along(mm), y: (bottom + (mm % 50 === 0 ? 3 : 2)) * POINTS },
      thickness: 0.3 * POINTS,
      color: BLACK,
    });
  page.drawText('50 mm on paper: if not, print again at 100 %.', {
    x: along(53),
    y: bottom * POINTS,
    size: 7,
    font,
    color: BLACK,
  });
}

export interface Tile {
  drawing: string;
  column: number;
  row: number;
  columns: number;
  rows: number;
}

/** How a drawing is divided over sheets of a paper, in millimetres: the room on a sheet and how many there are. */
export function tilesFor(
  drawing: Drawing,
  paper: PaperName,
): { wide: number; high: number; columns: number; rows: number; turned: boolean } {
  const [left, bottom, right, top] = millimetresOf(drawing);
  const size = PAPER_SIZES[paper];
  const fit = (turned: boolean) => {
    const [pageWide, pageHigh] = turned ? [size.height, size.width] : [size.width, size.height];
    const [wide, high] = [pageWide - 2 * MARGIN, pageHigh - 2 * MARGIN - FOOT];
    const count = (long: number, room: number) =>
      Math.max(1, Math.ceil((long - OVERLAP) / (room - OVERLAP)));
    return {
      wide,
      high,
      columns: count(right - left, wide),
      rows: count(top - bottom, high),
      turned,
    };
  };
  const [upright, turned] = [fit(false), fit(true)];
  return turned.columns * turned.rows < upright.columns * upright.rows ? turned : upright;
}

/** Whatever falls outside the tile's room is covered, so that no line runs into the margins. */
function coverMargins(page: PDFPage, { wide, high }: { wide: number; high: number }): void {
  const [pageWide, pageHigh] = [page.getWidth() / POINTS, page.getHeight() / POINTS];
  const cover = (x: number, y: number, w: number, h: number) =>
    page.drawRectangle({
      x: x * POINTS,
      y: y * POINTS,
      width: w * POINTS,
      height: h * POINTS,
      color: rgb(1, 1, 1),
    });
  cover(0, 0, pageWide, MARGIN + FOOT);
  cover(0, MARGIN + FOOT + high, pageWide, pageHigh);
  cover(0, 0, MARGIN, pageHigh);
  cover(MARGIN + wide, 0, pageWide, pageHigh);
}

/** A ring with a cross, by which sheets are laid over each other. */
function registerMark(page: PDFPage, x: number, y: number): void {
  page.drawCircle({
    x: x * POINTS,
    y: y * POINTS,
    size: 2 * POINTS,
    borderColor: GREY,
    borderWidth: 0.5,
  });
  const arm = (dx: number, dy: number) =>
    page.drawLine({
      start: { x: (x - dx) * POINTS, y: (y - dy) * POINTS },
      end: { x: (x + dx) * POINTS, y: (y + dy) * POINTS },
      thickness: 0.4,
      color: GREY,
    });
  arm(4, 0);
  arm(0, 4);
}

const placeWords = ({ column, row, columns, rows }: Tile): string =>
  columns * rows === 1
    ? ''
    : `: sheet ${column + 1} of ${columns} from the left, ${row + 1} of ${rows} from below; lay the rings over each other`;

/** One sheet of a drawing at full size. */
function drawTile(
  { page, font }: Sheet,
  drawing: Drawing,
  tile: Tile,
  { wide, high }: { wide: number; high: number },
): void {
  const [left, bottom] = millimetresOf(drawing);
  const x0 = left + tile.column * (wide - OVERLAP);
  const y0 = bottom + tile.row * (high - OVERLAP);
  draw({ page, font }, drawing, x0, y0, MARGIN, MARGIN + FOOT, 1);
  coverMargins(page, { wide, high });
  for (const x of [MARGIN + OVERLAP / 2, MARGIN + wide - OVERLAP / 2])
    for (const y of [OVERLAP / 2, high - OVERLAP / 2]) registerMark(page, x, MARGIN + FOOT + y);
  page.drawText(`${drawing.name}, full size${placeWords(tile)}`, {
    x: MARGIN * POINTS,
    y: (MARGIN + 7) * POINTS,
    size: 8,
    font,
    color: BLACK,
  });
  scaleBar({ page, font }, MARGIN, MARGIN);
}

/**
 * Drawings at full size on as many sheets as they need, with register marks where sheets are laid over each other, the sheet's place,
 * and a scale bar. `font` is a TrueType font.
 */
export async function templatesPdf(
  drawings: readonly Drawing[],
  paper: PaperName,
  font: Uint8Array,
  title: string,
): Promise<{ bytes: Uint8Array; tiles: Tile[] }> {
  const { pdf, embedded } = await document(font, title);
  const size = PAPER_SIZES[paper];
  const upright: [number, number] = [size.width * POINTS, size.height * POINTS];
  const lying: [number, number] = [size.height * POINTS, size.width * POINTS];
  const tiles: Tile[] = [];
  for (const drawing of drawings) {
    const { columns, rows, turned, ...room } = tilesFor(drawing, paper);
    for (let place = 0; place < columns * rows; place += 1) {
      const row = Math.floor(place / columns);
      const tile = { drawing: drawing.name, column: place % columns, row, columns, rows };
      const page = pdf.addPage(turned ? lying : upright);
      drawTile({ page, font: embedded }, drawing, tile, room);
      tiles.push(tile);
    }
  }
  return { bytes: await pdf.save(), tiles };
}

/** Drawings made to fit, one a sheet, the scale named. */
export async function drawingsPdf(
  drawings: readonly Drawing[],
  paper: PaperName,
  font: Uint8Array,
  title: string,
): Promise<Uint8Array> {
  const { pdf, embedded } = await document(font, title);
  const size = PAPER_SIZES[paper];
  const SCALES = [1, 0.5, 0.4, 0.25, 0.2, 0.1, 0.05];
  for (const drawing of drawings) {
    const [left, bottom, right, top] = millimetresOf(drawing);
    const [wide, high] = [size.width - 2 * MARGIN, size.height - 2 * MARGIN - 16];
    const scale =
      SCALES.find((each) => (right - left) * each <= wide && (top - bottom) * each <= high) ??
      Math.min(wide / (right - left), high / (top - bottom));
    const page = pdf.addPage([size.width * POINTS, size.height * POINTS]);
    const sheet = { page, font: embedded };
    draw(
      sheet,
      drawing,
      left,
      bottom,
      MARGIN + (wide - (right - left) * scale) / 2,
      MARGIN + 12 + (high - (top - bottom) * scale) / 2,
      scale,
    );
    page.drawText(`${title}: ${drawing.name}, 1 : ${Math.round((1 / scale) * 100) / 100}`, {
      x: MARGIN * POINTS,
      y: MARGIN * POINTS,
      size: 9,
      font: embedded,
      color: BLACK,
    });
  }
  return pdf.save();
}

/** Drawings in true scale, a page for each as large as it is, for a plotter or a screen. */
export async function trueScalePdf(
  drawings: readonly Drawing[],
  font: Uint8Array,
  title: string,
): Promise<Uint8Array> {
  const { pdf, embedded } = await document(font, title);
  for (const drawing of drawings) {
    const [left, bottom, right, top] = millimetresOf(drawing);
    const page = pdf.addPage([
      (right - left + 2 * MARGIN) * POINTS,
      (top - bottom + 2 * MARGIN) * POINTS,
    ]);
    draw({ page, font: embedded }, drawing, left, bottom, MARGIN, MARGIN, 1);
    page.drawText(`${title}: ${drawing.name}, 1 : 1`, {
      x: MARGIN * POINTS,
      y: (MARGIN / 3) * POINTS,
      size: 9,
      font: embedded,
      color: BLACK,
    });
  }
  return pdf.save();
}
