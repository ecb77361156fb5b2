import type { Check } from '@spare-knot/core/checks';
import { printLength } from '@spare-knot/core/measure';
import type { PanelSet } from '@spare-knot/core/panels';
import {
  type BoxViewName,
  drawingSvg,
  loadDxf,
  loadPdf,
  panelDrawing,
  stacked,
  templateOf,
  VIEW_TITLES,
  viewDrawing,
} from '@spare-knot/core/sheets';

import { useMemo, useState } from 'react';
import { useWidth } from '../board/use-width';
import { Sentence } from '../measure/length';
import { useUnits } from '../measure/units';
import { type FileToTake, pdfFont, TakeAway } from '../ui/take-away';
import { PaperPicture } from './paper-picture';

const VIEWS: readonly BoxViewName[] = ['front', 'section', 'plan'];

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
  const [paper, setPaper] = useState<'A4' | 'Letter'>(style.system === 'inch' ? 'Letter' : 'A4');
  const panels = useMemo(
    () =>
      box.panels.map((panel) => ({
        panel,
        drawing: panelDrawing(panel, names.get(panel.id) ?? panel.id, (ticks) =>
          printLength(ticks, style),
        ),
      })),
    [box, names, style],
  );
  const plan = useMemo(() => viewDrawing(box, 'plan'), [box]);
  const all = () => [
    ...VIEWS.map((view) => viewDrawing(box, view)),
    ...panels.map(({ drawing }) => drawing),
  ];
  const templates = () =>
    box.panels
      .filter((panel) => !panel.fromLog)
      .map((panel) => templateOf(panel, names.get(panel.id) ?? panel.id));
  const files: readonly FileToTake[] = [
    {
      label: 'SVG',
      what: 'The SVG',
      ending: '.svg',
      type: 'image/svg+xml',
      make: () => drawingSvg(stacked(title, all())),
    },
    {
      label: 'DXF',
      what: 'The DXF',
      ending: '.dxf',
      type: 'application/dxf',
      make: async () => (await loadDxf()).drawingDxf(stacked(title, templates())),
    },
    {
      label: 'PDF',
      what: 'The PDF',
      ending: '.pdf',
      type: 'application/pdf',
      make: async () => (await loadPdf()).drawingsPdf(all(), paper, await pdfFont(), title),
    },
    {
      label: 'Templates 1 : 1',
      what: 'The set of templates',
      ending: '-templates.pdf',
      type: 'application/pdf',
      make: async () =>
        (await (await loadPdf()).templatesPdf(templates(), paper, await pdfFont(), title)).bytes,
    },
  ];

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
            onChange={(event) => setPaper(event.target.value as 'A4' | 'Letter')}
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
            {panels.map(({ panel, drawing }) => (
              <li
                key={panel.id}
                className="overflow-x-auto rounded-md border border-line bg-white p-2"
                data-flat={panel.id}
              >
                {panel.instances.length > 1 && (
                  <p className="px-1 text-sm font-semibold text-soft">
                    {panel.instances.length} alike in each box
                  </p>
                )}
                <PaperPicture
                  drawing={drawing}
                  width={width - 24}
                  most={320}
                  label={`${names.get(panel.id) ?? panel.id}, flat, with its measures`}
                />
                <ul className="px-1">
                  {checks
                    .filter((check) => check.role === panel.role && check.severity !== 'kept')
                    .map((check) => (
                      <li
                        key={check.id}
                        className={`text-sm font-semibold ${check.severity === 'stop' ? 'text-danger' : 'text-warn'}`}
                      >
                        <span aria-hidden>{check.severity === 'stop' ? '! ' : '? '}</span>
                        <Sentence text={check.text} />
                      </li>
                    ))}
                </ul>
              </li>
            ))}
          </ul>
        </>
      )}
      <p className="mt-2 text-sm text-soft">
        Full lines: the outside face. Dashed: the inside face where an edge is tilted. Fine dashes:
        grooves. Small circles: pilot holes.
      </p>
    </div>
  );
}
