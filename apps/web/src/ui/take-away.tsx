import {
  type Drawing,
  FILE_FORMATS,
  type FileFormatId,
  type FileSetting,
} from '@spare-knot/core/sheets';

import { Download } from 'lucide-react';
import { useState } from 'react';
import { messageOf } from './message-of';
import { useNotice } from './notice';
import { saveFile } from './save-file';

export interface FileToTake {
  /** Letters on the button. */
  label: string;
  /** What the notice calls it: `The SVG`. */
  what: string;
  /** Appended to the title for the file's name: `.svg`. */
  ending: string;
  type: string;
  make: () => Promise<string | Uint8Array> | string | Uint8Array;
}

const fileName = (title: string): string =>
  title.replace(/[^\p{L}\p{N}]+/gu, '-').replace(/^-|-$/g, '') || 'box';

/** Buttons that make a file and hand it to the downloads, one at a time; trouble is told and nothing is lost. */
export function TakeAway({ title, files }: { title: string; files: readonly FileToTake[] }) {
  const say = useNotice();
  const [busy, setBusy] = useState(false);
  const take = async ({ what, ending, type, make }: FileToTake) => {
    setBusy(true);
    try {
      saveFile(`${fileName(title)}${ending}`, type, await make());
      say(`${what} is in your downloads.`);
    } catch (error) {
      say(`${what} could not be made: ${messageOf(error)}`, {
        tone: 'danger',
      });
    }
    setBusy(false);
  };
  return (
    <>
      {files.map((file) => (
        <button
          key={file.label}
          type="button"
          className="btn"
          disabled={busy}
          onClick={() => void take(file)}
        >
          <Download size={16} aria-hidden /> {file.label}
        </button>
      ))}
      {busy && <span role="status">Drawing…</span>}
    </>
  );
}

/** Letters for PDF files: those of the product's own that have every sign a drawing needs. */
const pdfFont = async (): Promise<Uint8Array> => {
  const url = (await import('dejavu-fonts-ttf/ttf/DejaVuSansCondensed.ttf?url')).default;
  return new Uint8Array(await (await fetch(url)).arrayBuffer());
};

/** Drawings as a file of some kind; `named` goes before the ending where one page takes away several things. */
export function drawingFile(
  id: FileFormatId,
  drawings: () => readonly Drawing[],
  setting: { title: string; paper: FileSetting['paper'] },
  { label, what, named = '' }: { label?: string; what: string; named?: string },
): FileToTake {
  const format = FILE_FORMATS[id];
  return {
    label: label ?? format.label,
    what,
    ending: `${named}${format.ending}`,
    type: format.type,
    make: () => format.write(drawings(), { ...setting, font: pdfFont }),
  };
}
