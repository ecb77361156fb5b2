import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { describe, expect, test } from '@jest/globals';
import { planFor } from '../../test/boxes.js';
import { animalById } from '../animals/index.js';
import { buildBox, familyById } from '../families/index.js';
import { must } from '../lists/index.js';
import { printLength } from '../measure/index.js';
import { FILE_FORMATS, type FileFormat } from './file-formats.js';
import { panelDrawing } from './panel-drawing.js';

const family = must(familyById('roost-shelf'), 'the shelf');
const built = buildBox(planFor(family, must(animalById(family.example), family.example)));
if (!built.ok) throw new Error('the shelf is not sound');
const drawings = built.box.panels.map((panel) =>
  panelDrawing(panel, panel.id, (ticks) => printLength(ticks, { system: 'mm', division: 1 })),
);
let fonts = 0;
const setting = {
  title: 'A shelf',
  paper: 'A4',
  font: async () => {
    fonts += 1;
    const { resolve } = createRequire(import.meta.url);
    return new Uint8Array(readFileSync(resolve('dejavu-fonts-ttf/ttf/DejaVuSansCondensed.ttf')));
  },
} as const;
const BEGINS: Record<string, string> = {
  'image/svg+xml': '<?xml',
  'application/dxf': '0',
  'application/pdf': '%PDF-',
};

describe('files that drawings are written as', () => {
  const formats: [string, FileFormat][] = Object.entries(FILE_FORMATS);

  test.each(formats)(
    '%s begins as its media type does, and says something',
    async (_id, format) => {
      const file = await format.write(drawings, setting);
      const text = typeof file === 'string' ? file : Buffer.from(file).toString('latin1');
      expect(text.trimStart().startsWith(must(BEGINS[format.type], format.type))).toBe(true);
      expect(text.length).toBeGreaterThan(1500);
    },
  );

  test('letters are fetched only by what sets them itself', async () => {
    for (const [id, format] of formats) {
      fonts = 0;
      await format.write(drawings.slice(0, 1), setting);
      expect([id, fonts]).toEqual([id, format.type === 'application/pdf' ? 1 : 0]);
    }
  });

  test('each is told from the others by its letters on the button', () => {
    expect(new Set(formats.map(([, { label }]) => label)).size).toBe(formats.length);
    for (const [, { ending }] of formats) expect(ending).toMatch(/^-?[a-z-]*\.[a-z]+$/);
  });
});
