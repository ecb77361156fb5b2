import type { BoardRecord, NewBoard } from '@spare-knot/core/api';
import { type Assumed, stillAssumed } from '@spare-knot/core/wood';
import { CircleHelp } from 'lucide-react';
import { assumptionWords } from '../wood/wood-words';

type Change = Partial<NewBoard>;

interface Answer {
  label: string;
  change: Change;
}

/** What may be answered beside “it is so”: faces as they really are. */
function otherAnswers({ faceA, faceB }: BoardRecord, fact: string): Answer[] {
  if (fact !== 'faces') return [];
  const faces: readonly (readonly [string, Change])[] = [
    ['rough both faces', { faceA: 'rough', faceB: 'rough' }],
    ['one face rough', { faceA: 'rough', faceB: 'planed' }],
    ['planed both faces', { faceA: 'planed', faceB: 'planed' }],
  ];
  return faces
    .filter(([, each]) => each.faceA !== faceA || each.faceB !== faceB)
    .map(([label, change]) => ({ label: `No, ${label}`, change }));
}

/** What nobody has confirmed of a board, each settled by one press. */
export function Assumptions({
  board,
  onAnswer,
}: {
  board: BoardRecord;
  onAnswer: (change: Change) => void;
}) {
  return (board.assumed ?? []).map((fact) => {
    const settled = { assumed: stillAssumed(board, fact as Assumed) };
    return (
      <p key={fact} className="mt-1 flex flex-wrap items-center gap-x-2 gap-y-1 text-sm">
        <span className="inline-flex items-center gap-1 font-semibold">
          <CircleHelp size={15} aria-hidden /> Assumed: {assumptionWords(board, fact)}
        </span>
        <span className="text-soft">
          {fact === 'size' ? 'Nobody has held a tape to it yet.' : 'Nobody has looked yet.'} Is it
          so?
        </span>
        <button
          type="button"
          className="btn !min-h-7 !px-2 text-sm"
          aria-label={`${board.name}: yes, ${assumptionWords(board, fact)}`}
          onClick={() => onAnswer(settled)}
        >
          Yes
        </button>
        {otherAnswers(board, fact).map(({ label, change }) => (
          <button
            key={label}
            type="button"
            className="btn !min-h-7 !px-2 text-sm"
            aria-label={`${board.name}: ${label.toLowerCase()}`}
            onClick={() => onAnswer({ ...settled, ...change })}
          >
            {label}
          </button>
        ))}
      </p>
    );
  });
}
