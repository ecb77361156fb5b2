import { writeGeoJson, writeGpx } from '@spare-knot/core/exchange';
import { Download } from 'lucide-react';
import { useState } from 'react';
import { client } from '../api/client';
import { CsvButtons } from '../ui/csv-buttons';
import { FileButton } from '../ui/file-button';
import { saveFile } from '../ui/save-file';
import { placesIn } from './places-in';
import type { useTrail } from './use-trail';

/** As many boxes go to the server in one write. */
const AT_ONCE = 500;

/** What could not be read of a file of places, by the point’s place in it. */
function Problems({ problems }: { problems: readonly { line: number; message: string }[] }) {
  if (problems.length === 0) return null;
  return (
    <ul role="alert" className="mt-2 text-sm text-danger">
      {problems.slice(0, 12).map(({ line, message }, index) => (
        <li key={index}>
          Point {line}: {message}
        </li>
      ))}
      {problems.length > 12 && <li>and {problems.length - 12} more</li>}
    </ul>
  );
}

type TheTrail = ReturnType<typeof useTrail>;

function BoxesCsv({ attempt }: Pick<TheTrail, 'attempt'>) {
  return (
    <CsvButtons
      href="/api/trail/csv"
      download="boxes.csv"
      of="boxes that are out"
      goesTo="on the trail"
      read={async (csv) => {
        const report = await attempt(() => client.importBoxesCsv(csv));
        if (!report) return undefined;
        const { boxes, problems } = report;
        const takeBack = () =>
          Promise.all(boxes.map(({ id, version }) => client.removeBox(id, version)));
        return { kept: boxes.length, problems, undo: () => void attempt(takeBack) };
      }}
    />
  );
}

function VisitsCsv({ attempt }: Pick<TheTrail, 'attempt'>) {
  return (
    <CsvButtons
      href="/api/visits/csv"
      download="visits.csv"
      of="visits"
      goesTo="with their boxes"
      read={async (csv) => {
        const report = await attempt(() => client.importVisitsCsv(csv));
        if (!report) return undefined;
        const { visits, problems } = report;
        const takeBack = () =>
          Promise.all(visits.map(({ id, version }) => client.removeVisit(id, version)));
        return { kept: visits.length, problems, undo: () => void attempt(takeBack) };
      }}
    />
  );
}

function Places({ trail: { boxes, add } }: { trail: TheTrail }) {
  const [problems, setProblems] = useState<{ line: number; message: string }[]>([]);
  const read = async (text: string, name: string) => {
    const { fresh, problems: found } = placesIn(text, name, boxes);
    setProblems(found);
    for (let from = 0; from < fresh.length; from += AT_ONCE)
      await add(fresh.slice(from, from + AT_ONCE).map((box) => ({ ...box, batch: null })));
  };
  return (
    <>
      <div className="flex flex-wrap justify-end gap-2">
        <FileButton
          label="Read GeoJSON or GPX"
          of="GeoJSON or GPX file of boxes"
          accept=".geojson,.json,.gpx"
          onText={(text, name) => void read(text, name)}
        />
        <button
          type="button"
          className="btn"
          onClick={() => saveFile('boxes.geojson', 'application/geo+json', writeGeoJson(boxes))}
        >
          <Download size={16} aria-hidden /> GeoJSON
        </button>
        <button
          type="button"
          className="btn"
          onClick={() => saveFile('boxes.gpx', 'application/gpx+xml', writeGpx(boxes))}
        >
          <Download size={16} aria-hidden /> GPX
        </button>
      </div>
      <Problems problems={problems} />
    </>
  );
}

/** Boxes and visits out of files and into them. */
export function TrailFiles({ trail }: { trail: TheTrail }) {
  return (
    <details className="mt-4">
      <summary className="font-semibold text-chalk">Files: boxes, visits, places</summary>
      <div className="mt-2 grid grid-cols-3 gap-4 max-lg:grid-cols-1">
        <div>
          <h2 className="text-base">Boxes</h2>
          <BoxesCsv attempt={trail.attempt} />
        </div>
        <div>
          <h2 className="text-base">Visits</h2>
          <VisitsCsv attempt={trail.attempt} />
        </div>
        <div>
          <h2 className="text-base">Places</h2>
          <Places trail={trail} />
        </div>
      </div>
    </details>
  );
}
