import { Download } from 'lucide-react';
import { useState } from 'react';
import { FileButton } from './file-button';
import { useNotice } from './notice';

/** What came of reading a file: how many lines were kept, which were not, and how to take the kept ones back. */
export interface CsvRead {
  kept: number;
  problems: readonly { line: number; message: string }[];
  undo: () => void;
}

interface Props {
  /** Where the CSV comes from, and what the file is called. */
  href: string;
  download: string;
  /** What such a file has in it, and where its lines go: `boards`, `on the rack`. */
  of: string;
  goesTo: string;
  /** Keeps what stands in a file; undefined when nothing could be kept, which has been said. */
  read: (csv: string) => Promise<CsvRead | undefined>;
}

/** A list read from a CSV and saved as one; lines that cannot be read are named, the others kept. */
export function CsvButtons({ href, download, of, goesTo, read }: Props) {
  const [problems, setProblems] = useState<CsvRead['problems']>([]);
  const say = useNotice();
  const take = async (text: string, name: string) => {
    const report = await read(text);
    if (!report) return;
    const { kept, undo } = report;
    setProblems(report.problems);
    const left = report.problems.length;
    say(
      `${kept} ${kept === 1 ? 'line' : 'lines'} of ${name} put ${goesTo}${left > 0 ? `; ${left} could not be read` : ''}.`,
      kept > 0 ? { undo } : {},
    );
  };
  return (
    <div className="text-right">
      <div className="flex flex-wrap justify-end gap-2">
        <FileButton
          label="Read CSV"
          of={`CSV file of ${of}`}
          accept=".csv,text/csv"
          onText={(text, name) => void take(text, name)}
        />
        <a className="btn" href={href} download={download}>
          <Download size={16} aria-hidden /> Save as CSV
        </a>
      </div>
      {problems.length > 0 && (
        <div
          role="alert"
          className="mt-2 rounded-md border border-danger bg-danger-pale p-3 text-left text-sm"
        >
          <p className="font-semibold">These lines were left out; the others are {goesTo}:</p>
          <ul>
            {problems.map((problem) => (
              <li key={problem.line}>
                line {problem.line}: {problem.message}
              </li>
            ))}
          </ul>
          <button type="button" className="link" onClick={() => setProblems([])}>
            Good
          </button>
        </div>
      )}
    </div>
  );
}
