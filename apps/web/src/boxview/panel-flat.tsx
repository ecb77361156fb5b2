import type { Check } from '@spare-knot/core/checks';
import type { Panel } from '@spare-knot/core/panels';
import type { PanelSheet } from '@spare-knot/core/sheets';

import { Sentence } from '../measure/length';
import { PaperPicture } from './paper-picture';

/** What the checks say against the panels of a role. */
function Broken({ role, checks }: { role: string; checks: readonly Check[] }) {
  return (
    <ul className="px-1">
      {checks
        .filter((check) => check.role === role && check.severity !== 'kept')
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
  );
}

/** One panel flat with its measures, and in words what has no room on it. */
export function PanelFlat({
  panel,
  name,
  sheet,
  checks,
  width,
}: {
  panel: Panel;
  name: string;
  sheet: PanelSheet;
  checks: readonly Check[];
  width: number;
}) {
  return (
    <li className="overflow-x-auto rounded-md border border-line bg-white p-2" data-flat={panel.id}>
      {panel.instances.length > 1 && (
        <p className="px-1 text-sm font-semibold text-soft">
          {panel.instances.length} alike in each box
        </p>
      )}
      <PaperPicture
        drawing={sheet.drawing}
        width={width - 24}
        most={320}
        label={`${name}, flat, with its measures`}
      />
      <ul className="px-1 pt-1 text-sm">
        {sheet.sentences.map((sentence) => (
          <li key={sentence}>{sentence}</li>
        ))}
      </ul>
      <Broken role={panel.role} checks={checks} />
    </li>
  );
}
