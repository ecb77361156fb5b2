import type { Placement } from '@spare-knot/core/job';
import type { LaidBoard } from '@spare-knot/core/layout';
import { partName } from '@spare-knot/core/panels';

import { FlipHorizontal2, Pin, PinOff, RotateCw } from 'lucide-react';
import type { ReactNode } from 'react';
import type { PieceActs } from './piece-acts';

function Tool({ onClick, children }: { onClick: () => void; children: ReactNode }) {
  return (
    <button type="button" className="btn btn-quiet !min-h-8" onClick={onClick}>
      {children}
    </button>
  );
}

/** What can be done with the piece that is chosen, or how one is taken hold of. */
export function HandTools({
  acts,
  chosen,
  names,
  pinned,
  onLetAllGo,
}: {
  acts: PieceActs;
  chosen: { laid: LaidBoard; placement: Placement } | undefined;
  names: ReadonlyMap<string, string>;
  pinned: number;
  onLetAllGo: () => void;
}) {
  const isPinned = chosen !== undefined && acts.isPinned(chosen.placement);
  const PinIcon = isPinned ? PinOff : Pin;
  return (
    <div
      className="mb-2 flex min-h-11 flex-wrap items-center gap-1.5 rounded-md bg-card px-2 py-1"
      role="toolbar"
      aria-label="The piece in hand"
    >
      {chosen ? (
        <>
          <strong className="mr-1">{partName(names, chosen.placement.part)}</strong>
          <Tool onClick={() => acts.togglePin(chosen.laid, chosen.placement)}>
            <PinIcon size={16} aria-hidden /> {isPinned ? 'Let go' : 'Pin here'}
          </Tool>
          <Tool onClick={() => acts.turn(chosen.laid, chosen.placement)}>
            <RotateCw size={16} aria-hidden /> Turn
          </Tool>
          <Tool onClick={() => acts.flip(chosen.laid, chosen.placement)}>
            <FlipHorizontal2 size={16} aria-hidden /> Turn over
          </Tool>
        </>
      ) : (
        <span className="text-sm text-soft">
          Drag a panel where you want it: it is pinned there, and the rest flows round it. By
          keyboard: Tab to a panel, then the arrow keys.
        </span>
      )}
      {pinned > 0 && (
        <button type="button" className="btn btn-quiet ml-auto !min-h-8" onClick={onLetAllGo}>
          <PinOff size={16} aria-hidden />{' '}
          {pinned === 1 ? 'Let the pinned one go' : `Let all ${pinned} go`}
        </button>
      )}
    </div>
  );
}
