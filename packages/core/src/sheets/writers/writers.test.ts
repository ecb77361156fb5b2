import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { describe, expect, test } from '@jest/globals';
import dxfParser from 'dxf-parser';
import Papa from 'papaparse';
import { PDFDocument } from 'pdf-lib';
import { planFor } from '../../../test/boxes.js';
import { stepClock } from '../../../test/clock.js';
import { board as testBoard } from '../../../test/layouts.js';
import { animalById } from '../../animals/index.js';
import { CUT_LIST_COLUMNS, writeCutListCsv } from '../../exchange/index.js';
import { buildBox, FAMILIES, familyById } from '../../families/index.js';
import { jobForBoxes, STANDARD_SAW } from '../../job/index.js';
import { searchLayout } from '../../layout/index.js';
import { at, must } from '../../lists/index.js';
import { fromMm, printLength, type Ticks, toMm } from '../../measure/index.js';
import { cutWords, measuresOf } from '../../panels/index.js';
import { plainText } from '../../text/index.js';
import { boardDrawing } from '../board-drawing.js';
import { extentOf, stacked } from '../drawing.js';
import { panelDrawing, templateOf } from '../panel-drawing.js';
import { viewDrawing } from '../view-drawing.js';
import { drawingDxf } from './dxf.js';
import { drawingsPdf, PAPER_SIZES, templatesPdf, tilesFor, trueScalePdf } from './pdf.js';
import { drawingSvg } from './svg.js';

interface Dxf {
  header: Record<string, unknown>;
  entities: { type: string; layer: string; center: { x: number; y: number }; radius: number }[];
}
/** The package is CommonJS, and its types say otherwise. */
const DxfParser = dxfParser as unknown as new () => { parseSync(text: string): Dxf };
const font = new Uint8Array(
  readFileSync(
    createRequire(import.meta.url).resolve('dejavu-fonts-ttf/ttf/DejaVuSansCondensed.ttf'),
  ),
);
const say = (ticks: Ticks) => printLength(ticks, { system: 'inch', division: 32 });
const built = buildBox({
  ...planFor(
    must(familyById('slant-roof'), 'slant-roof'),
    must(animalById('wood-duck'), 'wood-duck'),
    19,
  ),
});
if (!built.ok) throw new Error(JSON.stringify(built.refusals));
const front = must(
  built.box.panels.find((panel) => panel.id === 'front'),
  'front',
);

describe('drawings as files', () => {
  test('SVG is in true scale: the outline measures in millimetres what the panel measures', () => {
    const svg = drawingSvg(panelDrawing(front, 'Front', say));
    const outline = at(must(/class="panel" points="([^"]+)"/.exec(svg), 'the value'), 1)
      .split(' ')
      .map((pair) => pair.split(',').map(Number) as [number, number]);
    const span = (axis: 0 | 1) =>
      Math.max(...outline.map((point) => point[axis])) -
      Math.min(...outline.map((point) => point[axis]));
    const lengths = front.outline.map((point) => point[0]);
    expect(span(0)).toBeCloseTo(toMm(Math.max(...lengths) - Math.min(...lengths)), 2);
    expect(span(1)).toBeCloseTo(toMm(measuresOf(front).blankWidth), 2);
    const [, width, box] = must(
      /width="([\d.]+)mm" height="[\d.]+mm" viewBox="0 0 ([\d.]+)/.exec(svg),
      'the value',
    );
    expect(width).toBe(box);
    // Names from people are words, never markup.
    expect(drawingSvg(panelDrawing(front, 'A & B <i>"front"</i>', say))).not.toContain('<i>');
  });

  test('DXF is read back by another program in millimetres, every hole where the panel has it', () => {
    const dxf = new DxfParser().parseSync(drawingDxf(templateOf(front, 'Front')));
    expect(dxf.header.$INSUNITS).toBe(4);
    const circles = dxf.entities.filter((entity) => entity.type === 'CIRCLE');
    const round = front.features.flatMap((feature) =>
      'shape' in feature && feature.shape === 'round' ? [feature] : [],
    );
    expect(circles).toHaveLength(round.length);
    for (const feature of round) {
      const there = circles.some(
        ({ center, radius }) =>
          Math.hypot(center.x - toMm(feature.centre[0]), center.y - toMm(feature.centre[1])) <
            1e-6 && Math.abs(2 * radius - toMm(feature.diameter)) < 1e-6,
      );
      expect(there).toBe(true);
    }
  });

  test.each(['A4', 'Letter'] as const)(
    'templates on %s: as many sheets as the size needs, each of that size, covering the panel',
    async (paper) => {
      const drawing = templateOf(front, 'Front');
      const { bytes, tiles } = await templatesPdf([drawing], paper, font, 'Wood duck');
      const pdf = await PDFDocument.load(bytes);
      expect(pdf.getPageCount()).toBe(tiles.length);
      const { width, height } = pdf.getPage(0).getSize();
      const sizes = [PAPER_SIZES[paper].width, PAPER_SIZES[paper].height].sort((a, b) => a - b);
      expect([width, height].sort((a, b) => a - b).map((points) => (points / 72) * 25.4)).toEqual(
        sizes.map((mm) => expect.closeTo(mm, 3)),
      );
      const { wide, high, columns, rows } = tilesFor(drawing, paper);
      const [left, bottom, right, top] = extentOf(drawing).map(toMm) as [
        number,
        number,
        number,
        number,
      ];
      expect(tiles.length).toBe(columns * rows);
      expect(tiles.length).toBeGreaterThan(1);
      expect(columns * wide - (columns - 1) * 10).toBeGreaterThanOrEqual(right - left);
      expect(rows * high - (rows - 1) * 10).toBeGreaterThanOrEqual(top - bottom);
    },
  );

  test('words in any language that the font has go onto the sheets', async () => {
    const bytes = await drawingsPdf(
      [viewDrawing(built.box, 'section')],
      'A4',
      font,
      'Fészekládák a töltésre, ½ hüvelyk',
    );
    expect((await PDFDocument.load(bytes)).getTitle()).toContain('Fészekládák');
  });

  test('every view and every panel of every family has a drawing with wood on it', () => {
    for (const family of FAMILIES) {
      const of = planFor(
        family,
        must(
          animalById(
            family.id === 'log'
              ? 'eurasian-nuthatch'
              : family.id.includes('bat')
                ? 'crevice-bats-na'
                : family.id === 'owl'
                  ? 'barn-owl-eu'
                  : 'great-tit',
          ),
          'animalById',
        ),
      );
      const result = buildBox(of);
      if (!result.ok) throw new Error(`${family.id}: ${JSON.stringify(result.refusals)}`);
      for (const view of ['front', 'section', 'plan'] as const) {
        const [left, bottom, right, top] = extentOf(viewDrawing(result.box, view));
        expect(Math.min(right - left, top - bottom)).toBeGreaterThan(fromMm(40));
      }
      const all = stacked(
        'All',
        result.box.panels.map((panel) => panelDrawing(panel, panel.id, say)),
      );
      expect(all.shapes.filter((shape) => shape.layer === 'panel')).toHaveLength(
        result.box.panels.length,
      );
    }
  });
});

describe('a layout and its cut list as files', () => {
  const plan = planFor(
    must(familyById('slant-roof'), 'slant-roof'),
    must(animalById('black-capped-chickadee'), 'black-capped-chickadee'),
    19.05,
    {
      width: fromMm(140),
    },
  );
  const box = buildBox(plan);
  if (!box.ok) throw new Error(JSON.stringify(box.refusals));
  const stock = { ...testBoard(1829, 240), thickness: must(plan.wood.front, 'front').thickness };
  const of = jobForBoxes('two', plan, box.box, 2, [{ ...stock, quantity: 6 }], STANDARD_SAW, 0.3);
  const found = searchLayout(of, { clock: stepClock(of.effort.seconds, 60) });
  const drawn = found.boards.map((laid, at) =>
    boardDrawing(of, laid, `Board ${at + 1}`, (part) => part, say),
  );

  test('the DXF of the boards, read back by another program, has each panel once and every entrance', () => {
    expect(found.unplaced).toEqual([]);
    const dxf = new DxfParser().parseSync(drawingDxf(stacked('Two', drawn)));
    const outlines = dxf.entities.filter(
      (entity) => entity.type === 'LWPOLYLINE' && entity.layer === 'panel',
    );
    expect(outlines).toHaveLength(of.parts.reduce((sum, each) => sum + each.quantity, 0));
    const entrance = dxf.entities.filter(
      (entity) => entity.type === 'CIRCLE' && entity.layer === 'hole',
    );
    expect(
      entrance.filter(
        ({ radius }) =>
          Math.abs(2 * radius - toMm(must(plan.sizes.entranceWidth, 'entranceWidth'))) < 1e-6,
      ),
    ).toHaveLength(2);
  });

  test('a word in the middle of a line is centred there in DXF too, whatever its turn', () => {
    const dxf = new DxfParser().parseSync(
      drawingDxf({
        name: 'Word',
        shapes: [
          {
            kind: 'text',
            layer: 'note',
            at: [fromMm(40), fromMm(30)],
            text: 'middle',
            height: fromMm(4),
            align: 'middle',
            turn: 30,
          },
        ],
      }),
    );
    const word = dxf.entities.find(({ type }) => type === 'TEXT');
    expect(word).toMatchObject({ halign: 1, endPoint: { x: 40, y: 30 }, rotation: 30 });
  });

  test('the PDF has a page for each board, as large as the board and its margins', async () => {
    const pdf = await PDFDocument.load(await trueScalePdf(drawn, font, 'Two'));
    expect(pdf.getPageCount()).toBe(found.boards.length);
    pdf.getPages().forEach((page, index) => {
      const [left, , right] = extentOf(at(drawn, index));
      expect(page.getWidth() / (72 / 25.4) - 24).toBeCloseTo(toMm(right - left), 3);
    });
  });

  test('the cut list as CSV holds each panel with its measures, and agrees with the layout job', () => {
    const csv = writeCutListCsv(plan, box.box, 2, (id) => (id === 'front' ? '=Front, "main"' : id));
    const { data, errors } = Papa.parse<Record<string, string>>(csv, { header: true });
    expect(errors).toEqual([]);
    expect(Object.keys(at(data, 0))).toEqual([...CUT_LIST_COLUMNS]);
    // A spreadsheet would take a name that begins so for a formula.
    expect(at(data, 0).panel).toBe('\'=Front, "main"');
    for (const [index, panel] of box.box.panels.entries()) {
      const row = at(data, index);
      const { blankWidth, longPoint, shortPoint } = measuresOf(panel);
      expect(Number(row.quantity)).toBe(
        must(
          of.parts.find((each) => each.id === panel.id || each.id === `${panel.id}.1`),
          'one of the parts',
        ).quantity,
      );
      expect([row.width, row.longPoint, row.shortPoint, row.thickness].map(Number)).toEqual(
        [blankWidth, longPoint, shortPoint, panel.thickness].map(toMm),
      );
      expect(row.cuts).toBe(cutWords(panel).map(plainText).join('; '));
    }
  });
});
