import { printLength, readTape, type Ticks } from '@spare-knot/core/measure';
import { printText, printValue, type Text } from '@spare-knot/core/text';

import { createContext, Fragment, useCallback, useContext, useMemo } from 'react';
import { useUnits } from './units';

/** A length as a tape shows it, with a real fraction. */
export function Length({ ticks, unit = false }: { ticks: Ticks; unit?: boolean }) {
  const { style } = useUnits();
  if (style.system === 'mm')
    return (
      <span className="whitespace-nowrap">
        {printLength(ticks, style)}
        {unit && ' mm'}
      </span>
    );
  const { negative, whole, top, bottom } = readTape(ticks, style.division);
  return (
    <span className="whitespace-nowrap">
      <span className="sr-only">{printLength(ticks, style)}</span>
      <span aria-hidden>
        {negative && '−'}
        {(whole > 0 || top === 0) && whole}
        {top > 0 && (
          <span className="frac">
            {whole > 0 && '\u2009'}
            <sup>{top}</sup>⁄<sub>{bottom}</sub>
          </span>
        )}
      </span>
      {unit && ' in'}
    </span>
  );
}

type PanelWords = (id: string) => string;

/** What the panels of the box on the bench are called. */
export const PanelWordsContext = createContext<PanelWords | null>(null);

function useReader() {
  const { style } = useUnits();
  const panel = useContext(PanelWordsContext);
  return useMemo(() => ({ style, ...(panel && { panel }) }), [style, panel]);
}

/** Prints a sentence of the core for where only plain words can stand. */
export function usePrintedText(): (text: Text) => string {
  const reader = useReader();
  return useCallback((text) => printText(text, reader), [reader]);
}

function SentencePart({
  part,
  reader,
}: {
  part: Text[number];
  reader: ReturnType<typeof useReader>;
}) {
  if (typeof part === 'string') return part;
  return part.kind === 'length' ? <Length ticks={part.ticks} unit /> : printValue(part, reader);
}

/** A sentence of the core with its values in the reader's units. */
export function Sentence({ text }: { text: Text }) {
  const reader = useReader();
  return (
    <>
      {text.map((part, index) => (
        <Fragment key={index}>
          <SentencePart part={part} reader={reader} />
        </Fragment>
      ))}
    </>
  );
}
