import type { Mishap, SawnCuts } from '@spare-knot/core/api';
import {
  type Axis,
  liesIn,
  measured,
  type NamedPiece,
  type PieceThere,
  partsIn,
  type Rect,
  sizeOf,
  wholeOf,
} from '@spare-knot/core/cuts';
import { type LengthStyle, printLength, type Ticks } from '@spare-knot/core/measure';
import { Dialog } from 'radix-ui';
import { useId, useState } from 'react';
import { useBatch } from '../../batch/batch-context';
import { Length } from '../../measure/length';
import { LengthField } from '../../measure/length-field';
import { useUnits } from '../../measure/units';
import { useFocusBack } from '../../ui/focus-back';
import { readPart } from './good-part';
import { boundsOfPiece, PieceDrawing } from './piece-drawing';
import { type NameOf, pieceWords } from './step-words';
import { VerdictWords } from './verdict-words';

type Told = SawnCuts['ruined'][number];
type Kind = 'measured' | 'ruined' | 'split' | 'wrong side';

const KINDS: readonly { kind: Kind; words: string }[] = [
  { kind: 'measured', words: 'Its size is off' },
  { kind: 'ruined', words: 'It is ruined' },
  { kind: 'wrong side', words: 'Sawn on the wrong side of the line' },
  { kind: 'split', words: 'It is split' },
];

/** What is drawn, as it would be typed. */
const lineOf = (piece: NamedPiece, [x, y, length, width]: Rect, style: LengthStyle): string => {
  const [left, bottom] = boundsOfPiece(piece);
  const print = (ticks: Ticks) => printLength(ticks, style);
  return `${print(length)} x ${print(width)} at ${print(x - left)}, ${print(y - bottom)}`;
};

/** A part of a piece, typed in one line or drawn on it; null while there is none. */
function PartOfPiece({
  there: { board, piece },
  tone,
  onRect,
}: {
  there: PieceThere;
  tone: 'good' | 'flaw';
  onRect: (rect: Rect | null) => void;
}) {
  const { style } = useUnits();
  const id = useId();
  const [line, setLine] = useState('');
  const bounds = boundsOfPiece(piece);
  const read = line.trim() === '' ? null : readPart(line, bounds, style.system);
  const isIn = read?.ok && liesIn(piece, read.rect);
  const problem = read && (read.ok ? !isIn && 'Part of that is beyond the piece.' : read.message);
  const put = (text: string) => {
    setLine(text);
    const now = text.trim() === '' ? null : readPart(text, bounds, style.system);
    onRect(now?.ok && liesIn(piece, now.rect) ? now.rect : null);
  };
  const example = style.system === 'mm' ? '300 x 140 at the left' : '12 x 5 1/2 at the left';
  return (
    <div className="mt-2">
      <label htmlFor={id} className="label block">
        {tone === 'good' ? 'What is good of it (nothing, if left empty)' : 'Where it is split'}
      </label>
      <input
        id={id}
        className="field mono w-full"
        value={line}
        placeholder={example}
        autoComplete="off"
        aria-invalid={problem ? true : undefined}
        aria-describedby={`${id}-said`}
        onChange={(event) => put(event.target.value)}
      />
      <p
        id={`${id}-said`}
        className={problem ? 'text-danger' : 'text-soft'}
        role={problem ? 'alert' : undefined}
      >
        {problem || `As ${example}, or draw it on the piece with a finger.`}
      </p>
      <PieceDrawing
        board={board}
        piece={piece}
        rect={read?.ok ? read.rect : null}
        tone={tone}
        onDraw={(rect) => put(lineOf(piece, rect, style))}
      />
    </div>
  );
}

/** What a piece measures, and what that means. */
function Measured({
  there: { board, piece },
  axis,
  size,
  panelName,
  onAxis,
  onSize,
}: {
  there: PieceThere;
  axis: Axis;
  size: Ticks;
  panelName: (id: string) => string;
  onAxis: (axis: Axis) => void;
  onSize: (size: Ticks) => void;
}) {
  const { sound } = useBatch();
  const name = useId();
  return (
    <div className="mt-2 space-y-2">
      <fieldset className="flex flex-wrap gap-4">
        <legend className="sr-only">Which way it was measured</legend>
        {(['along', 'across'] as const).map((each) => (
          <label key={each} className="flex min-h-11 items-center gap-2">
            <input type="radio" name={name} checked={axis === each} onChange={() => onAxis(each)} />
            {each === 'along' ? 'along the board' : 'across it'}
          </label>
        ))}
      </fieldset>
      <LengthField
        label="It measures"
        value={size}
        onChange={onSize}
        className="w-32 text-xl"
        least={1}
      />
      {sound && (
        <VerdictWords
          verdict={measured(sound.box, board, piece.id, { axis, is: size })}
          panelName={panelName}
          plan={sound.plan}
          box={sound.box}
        />
      )}
    </div>
  );
}

/** What is told of a piece; null while it cannot be told. */
function toldOf(
  { key, piece }: PieceThere,
  kind: Kind,
  { rect, axis, size }: { rect: Rect | null; axis: Axis; size: Ticks },
): Told | null {
  const whole = wholeOf(piece);
  if (kind === 'ruined')
    return { piece: key, left: rect ? [rect] : [], defects: [], mishap: 'ruined' };
  if (kind === 'split') {
    if (!rect) return null;
    const [x, y, width, height] = rect;
    const zone = { kind: 'rect', corner: [x, y], width, height } as const;
    return {
      piece: key,
      left: whole ? [whole] : [],
      defects: [{ kind: 'split', zone }],
      mishap: 'split',
    };
  }
  const mishap: Mishap = kind === 'wrong side' ? 'wrong side' : 'short';
  if (!whole) return { piece: key, left: [], defects: [], mishap };
  const [x, y, length, width] = whole;
  const left: Rect =
    axis === 'along'
      ? [x, y, Math.min(length, size), width]
      : [x, y, length, Math.min(width, size)];
  return { piece: key, left: left[2] > 0 && left[3] > 0 ? [left] : [], defects: [], mishap };
}

interface Props {
  pieces: readonly PieceThere[];
  /** What a saw takes away. */
  kerf: Ticks;
  nameOf: NameOf;
  panelName: (id: string) => string;
  onTell: (told: Told) => void;
  onClose: () => void;
}

/** Which piece it is about. */
function WhichPiece({
  pieces,
  chosen,
  nameOf,
  onChoose,
}: {
  pieces: readonly PieceThere[];
  chosen: PieceThere;
  nameOf: NameOf;
  onChoose: (piece: PieceThere) => void;
}) {
  const id = useId();
  const { style } = useUnits();
  const words = ({ board, piece, index }: PieceThere) =>
    `${pieceWords(piece, nameOf, partsIn(board, piece.id).length)}, ${printLength(sizeOf(piece, 'along'), style)} × ${printLength(sizeOf(piece, 'across'), style)}, of board ${index + 1}`;
  return (
    <div>
      <label htmlFor={id} className="label block">
        Which piece
      </label>
      <select
        id={id}
        className="field min-h-11 w-full"
        value={chosen.key}
        onChange={(event) => {
          const next = pieces.find(({ key }) => key === event.target.value);
          if (next) onChoose(next);
        }}
      >
        {pieces.map((each) => (
          <option key={each.key} value={each.key}>
            {words(each)}
          </option>
        ))}
      </select>
    </div>
  );
}

function Telling({ pieces, kerf, nameOf, panelName, onTell }: Props) {
  const [chosen, setChosen] = useState(pieces[0]);
  const [kind, setKind] = useState<Kind>('measured');
  const [axis, setAxis] = useState<Axis>('along');
  const [rect, setRect] = useState<Rect | null>(null);
  const [size, setSize] = useState<Ticks | null>(null);
  const name = useId();
  if (!chosen) return <p>There is no piece yet.</p>;
  const should = sizeOf(chosen.piece, axis);
  const now = size ?? (kind === 'wrong side' ? should - kerf : should);
  const told = toldOf(chosen, kind, { rect, axis, size: now });
  const isMeasured = kind === 'measured' || kind === 'wrong side';
  const isPanel = chosen.piece.is !== null && typeof chosen.piece.is === 'object';
  return (
    <div className="mt-3 space-y-3 text-lg">
      <WhichPiece
        pieces={pieces}
        chosen={chosen}
        nameOf={nameOf}
        onChoose={(next) => {
          setChosen(next);
          setRect(null);
          setSize(null);
        }}
      />
      <fieldset className="flex flex-wrap gap-x-5">
        <legend className="label">What is wrong</legend>
        {KINDS.map((each) => (
          <label key={each.kind} className="flex min-h-11 items-center gap-2">
            <input
              type="radio"
              name={name}
              checked={kind === each.kind}
              onChange={() => {
                setKind(each.kind);
                setRect(null);
                setSize(null);
              }}
            />
            {each.words}
          </label>
        ))}
      </fieldset>
      {isMeasured ? (
        <Measured
          key={`${chosen.key} ${kind}`}
          there={chosen}
          axis={axis}
          size={now}
          panelName={panelName}
          onAxis={(next) => {
            setAxis(next);
            setSize(null);
          }}
          onSize={setSize}
        />
      ) : (
        <PartOfPiece
          key={`${chosen.key} ${kind}`}
          there={chosen}
          tone={kind === 'split' ? 'flaw' : 'good'}
          onRect={setRect}
        />
      )}
      <div className="flex flex-wrap gap-3">
        <button
          type="button"
          className="btn btn-main min-h-12 text-lg"
          disabled={!told || (isMeasured && now === should)}
          onClick={() => told && onTell(told)}
        >
          {isPanel ? 'Saw this panel again' : 'Plan what lies in it again'}
        </button>
        <Dialog.Close className="btn min-h-12 text-lg">
          {isMeasured ? 'Keep it as it is' : 'Never mind'}
        </Dialog.Close>
      </div>
      {kind === 'wrong side' && (
        <p className="text-soft">
          The kerf of <Length ticks={kerf} unit /> went into the piece, so it is so much short.
        </p>
      )}
    </div>
  );
}

/** Something is wrong with a piece: what it means, and what is to be done with it. */
export function WrongPiece(props: Props) {
  const focusBack = useFocusBack();
  return (
    <Dialog.Root open onOpenChange={(open) => !open && props.onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/40" />
        <Dialog.Content
          {...focusBack}
          className="card fixed top-[4vh] left-1/2 z-50 max-h-[92vh] w-[min(94vw,640px)] -translate-x-1/2 overflow-auto p-5 shadow-xl"
        >
          <Dialog.Title className="text-2xl">Something is wrong with a piece</Dialog.Title>
          <Dialog.Description className="text-soft">
            Saw off and blade still first. What is sawn stays sawn; the rest is planned from what is
            there.
          </Dialog.Description>
          <Telling {...props} />
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
