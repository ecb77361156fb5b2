import type { ReactNode } from 'react';
import { FOOT, MARGIN, type PaperSize } from './paper';

const CAUTIONS = {
  saw: 'Guards on; eyes, ears and lungs covered. Nothing shorter than about 200 mm (8 in) is held by hand at a powered saw: clamp it, or cut it while the board is long [common practice]. Follow the saw’s own manual.',
  bench:
    'Clamp the panel over scrap before the bit goes in; eyes and lungs covered, sleeves and hair tied back. Unplug to change a bit. Children: an adult drills. Follow the drill’s own manual.',
} as const;

/** One sheet of paper with its heading, scale bar and caution. */
export function Sheet({
  size,
  number,
  of,
  name,
  at = 'saw',
  children,
}: {
  size: PaperSize;
  number: number;
  of: number;
  name: string;
  /** Where it is pinned up: the caution at its foot is for the work there. */
  at?: keyof typeof CAUTIONS;
  children: ReactNode;
}) {
  return (
    <section
      data-sheet={number}
      className="relative break-after-page overflow-hidden border border-line bg-white text-[3.3mm] leading-snug text-black shadow-md print:border-0 print:shadow-none"
      style={{ width: `${size.width}mm`, height: `${size.height - 0.2}mm`, padding: `${MARGIN}mm` }}
    >
      <header
        data-height="header"
        className="flex items-baseline justify-between gap-[4mm] border-b-[0.4mm] border-black pb-[1mm]"
      >
        <span className="min-w-0 font-slab text-[4.6mm] font-bold break-words">{name}</span>
        <span className="shrink-0">
          Spare Knot · sheet {number} of {of}
        </span>
      </header>
      {children}
      <footer
        data-height="footer"
        className="absolute flex items-end justify-between text-[2.7mm]"
        style={{ inset: `auto ${MARGIN}mm ${FOOT}mm` }}
      >
        <ScaleBar />
        <span className="max-w-[110mm] text-right">{CAUTIONS[at]}</span>
      </footer>
    </section>
  );
}

const ScaleBar = () => (
  <span>
    <svg
      width="52mm"
      height="4mm"
      viewBox="0 0 52 4"
      role="img"
      aria-label="Scale bar of 50 millimetres"
    >
      <path
        d="M.2 1V3.6H50.2V1M10.2 3.6V2M20.2 3.6V2M30.2 3.6V2M40.2 3.6V2"
        fill="none"
        stroke="#000"
        strokeWidth=".3"
      />
    </svg>
    <span className="block">50 mm on paper: if not, the printer has changed the size.</span>
  </span>
);
