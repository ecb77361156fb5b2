import { printLength, readTape, type Ticks } from '@spare-knot/core/measure';
import { piecesOf } from '@spare-knot/core/text';

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

/** A sentence of the core with its lengths in the reader's unit. */
export function Sentence({ text }: { text: string }) {
  return (
    <>
      {piecesOf(text).map((piece, index) =>
        typeof piece === 'string' ? piece : <Length key={index} ticks={piece} unit />,
      )}
    </>
  );
}
