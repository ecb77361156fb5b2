import type { Check } from '@spare-knot/core/checks';
import { printLength, type Ticks } from '@spare-knot/core/measure';
import type { Panel, PanelSet } from '@spare-knot/core/panels';
import {
  type BoxViewName,
  panelDrawing,
  panelSheet,
  templateOf,
  VIEW_TITLES,
  viewDrawing,
} from '@spare-knot/core/sheets';

import { useMemo, useState } from 'react';
import { useWidth } from '../board/use-width';
import { useUnits } from '../measure/units';
import { drawingFile, type FileToTake, TakeAway } from '../ui/take-away';
import { PanelFlat } from './panel-flat';
import { PaperPicture } from './paper-picture';

const VIEWS: readonly BoxViewName[] = ['front', 'section', 'plan'];

type Paper = 'A4' | 'Letter';

interface ToTake {
  box: PanelSet;
  names: ReadonlyMap<string, string>;
  title: string;
  paper: Paper;
  say: (ticks: Ticks) => string;
}

/** The files that views and panels can be taken away as; each is made when it is asked for. */
function filesOf({ box, names, title, paper, say }: ToTake): FileToTake[] {
  const nameOf = ({ id }: Panel) => names.get(id) ?? id;
  const all = () => [
    ...VIEWS.map((view) => viewDrawing(box, view)),
    ...box.panels.map((panel) => panelDrawing(panel, nameOf(panel), say)),
  ];
  const templates = () =>
    box.panels.filter((panel) => !panel.fromLog).map((panel) => templateOf(panel, nameOf(panel)));
  const setting = { title, paper };
  return [
    drawingFile('svg', all, setting, { what: 'The SVG' }),
    drawingFile('dxf', templates, setting, { what: 'The DXF' }),
    drawingFile('pdf', all, setting, { what: 'The PDF' }),
    drawingFile('templates', templates, setting, { what: 'The set of templates' }),
  ];
}

/** The level cut and every panel flat with its measures; all of it to take away as SVG, DXF or PDF, and templates at full size. */
export function PanelsFlat({
  box,
  names,
  title,
  checks,
}: {
  box: PanelSet;
  names: ReadonlyMap<string, string>;
  title: string;
  checks: readonly Check[];
}) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const { style } = useUnits();
  const [paper, setPaper] = useState<Paper>(style.system === 'inch' ? 'Letter' : 'A4');
  const panels = useMemo(
    () =>
      box.panels.map((panel) => {
        const name = names.get(panel.id) ?? panel.id;
        return {
          panel,
          name,
          sheet: panelSheet(panel, name, (ticks) => printLength(ticks, style)),
        };
      }),
    [box, names, style],
  );
  const plan = useMemo(() => viewDrawing(box, 'plan'), [box]);
  const files = filesOf({ box, names, title, paper, say: (ticks) => printLength(ticks, style) });

  return (
    <div ref={ref}>
      <fieldset className="mt-2 flex flex-wrap items-center gap-2">
        <legend className="sr-only">Take away</legend>
        <TakeAway title={title} files={files} />
        <label className="flex items-center gap-1.5">
          <span className="label">on</span>
          <select
            className="field"
            value={paper}
            onChange={(event) => setPaper(event.target.value as Paper)}
          >
            <option>A4</option>
            <option>Letter</option>
          </select>
        </label>
      </fieldset>
      {width > 0 && (
        <>
          <figure className="mt-3 rounded-md border border-line bg-white p-3">
            <figcaption className="font-slab font-semibold">{VIEW_TITLES.plan}</figcaption>
            <PaperPicture
              drawing={plan}
              width={Math.min(width - 30, 420)}
              most={220}
              label="The box cut level, seen from above"
            />
          </figure>
          <ul className="mt-3 grid gap-3">
            {panels.map(({ panel, name, sheet }) => (
              <PanelFlat
                key={panel.id}
                panel={panel}
                name={name}
                sheet={sheet}
                checks={checks}
                width={width}
              />
            ))}
          </ul>
        </>
      )}
      <p className="mt-2 text-sm text-soft">
        Full lines: the outside face. Dashed: the inside face where an edge is tilted. Fine dashes:
        grooves. Small crosses: pilot holes.
      </p>
    </div>
  );
}
