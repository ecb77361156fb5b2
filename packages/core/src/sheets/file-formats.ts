import { type Drawing, stacked } from './drawing.js';
import type { PaperName } from './writers/pdf.js';
import { drawingSvg } from './writers/svg.js';

/** What a file of drawings is called and made with. The font is a TrueType font, fetched only by what sets letters itself. */
export interface FileSetting {
  title: string;
  paper: PaperName;
  font: () => Promise<Uint8Array>;
}

/** A kind of file that drawings are written as. */
export interface FileFormat {
  label: string;
  ending: string;
  /** Its media type. */
  type: string;
  write: (
    drawings: readonly Drawing[],
    setting: FileSetting,
  ) => Promise<string | Uint8Array> | string | Uint8Array;
}

/**
 * Every kind of file that drawings are written as. A new one is a writer and an entry here. Writers that need a library of their own
 * load it when a file is asked for, not before.
 */
export const FILE_FORMATS = {
  svg: {
    label: 'SVG',
    ending: '.svg',
    type: 'image/svg+xml',
    write: (drawings, { title }) => drawingSvg(stacked(title, drawings)),
  },
  dxf: {
    label: 'DXF',
    ending: '.dxf',
    type: 'application/dxf',
    write: async (drawings, { title }) =>
      (await import('./writers/dxf.js')).drawingDxf(stacked(title, drawings)),
  },
  /** Each drawing on a page, made to fit. */
  pdf: {
    label: 'PDF',
    ending: '.pdf',
    type: 'application/pdf',
    write: async (drawings, { title, paper, font }) =>
      (await import('./writers/pdf.js')).drawingsPdf(drawings, paper, await font(), title),
  },
  /** Each drawing on a page of its own size. */
  'true-scale-pdf': {
    label: 'PDF 1 : 1',
    ending: '.pdf',
    type: 'application/pdf',
    write: async (drawings, { title, font }) =>
      (await import('./writers/pdf.js')).trueScalePdf(drawings, await font(), title),
  },
  /** Full size over as many sheets of paper as it takes. */
  templates: {
    label: 'Templates 1 : 1',
    ending: '-templates.pdf',
    type: 'application/pdf',
    write: async (drawings, { title, paper, font }) =>
      (await (await import('./writers/pdf.js')).templatesPdf(drawings, paper, await font(), title))
        .bytes,
  },
} as const satisfies Record<string, FileFormat>;

export type FileFormatId = keyof typeof FILE_FORMATS;
