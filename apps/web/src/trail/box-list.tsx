import type { BoxRecord } from '@spare-knot/core/api';
import { tooNear } from '@spare-knot/core/trail';
import { Plus } from 'lucide-react';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { Sentence } from '../measure/length';
import { LongList } from '../ui/long-list';
import { BoxDialog } from './box-dialog';
import { TrailFiles } from './trail-files';
import { untoldBox, type useTrail } from './use-trail';
import { animalName, FINDING_WORDS } from './words';

const STATES = ['hangs', 'down', 'all'] as const;
type State = (typeof STATES)[number];
const STATE_WORDS: Readonly<Record<State, string>> = {
  hangs: 'that hang',
  down: 'that were taken down',
  all: 'all of them',
};

const hasState = ({ takenDownOn }: BoxRecord, state: State): boolean =>
  state === 'all' || (takenDownOn === null) === (state === 'hangs');

/** Every word that is looked for stands somewhere in what is told of the box. */
function says(box: BoxRecord, words: readonly string[]): boolean {
  const told = [
    box.number,
    box.place,
    animalName(box.animal),
    box.plan,
    box.keeper,
    box.host,
    box.note,
    box.last?.wants ?? '',
  ]
    .join(' ')
    .toLowerCase();
  return words.every((word) => told.includes(word));
}

function lastWords({ last, hungOn }: BoxRecord): string {
  if (last) return `${last.on}: ${FINDING_WORDS[last.found].toLowerCase()}`;
  return hungOn ? `hung ${hungOn}, not visited yet` : 'nobody has said when it was hung';
}

function BoxRow({ box }: { box: BoxRecord }) {
  return (
    <div className="card flex flex-wrap items-baseline gap-x-5 gap-y-1 p-3" data-box={box.number}>
      <span className="basis-64">
        <Link className="link text-lg" to={`/trail/${box.id}`}>
          Box {box.number}
        </Link>{' '}
        {box.place}
      </span>
      <span className="basis-52 text-soft">{animalName(box.animal)}</span>
      <span className="flex-1 basis-52">
        {lastWords(box)}
        {box.takenDownOn && `, taken down ${box.takenDownOn}`}
      </span>
      <span className="text-soft">{box.keeper}</span>
    </div>
  );
}

/** Pairs that stand nearer to each other than their animal bears. */
function TooNear({ boxes }: { boxes: readonly BoxRecord[] }) {
  const pairs = useMemo(() => tooNear(boxes), [boxes]);
  if (pairs.length === 0) return null;
  return (
    <details className="mt-3 rounded-md border border-warn bg-warn-pale px-3 py-2">
      <summary className="font-semibold">
        {pairs.length === 1 ? 'Two boxes stand' : `${pairs.length} pairs of boxes stand`} nearer to
        each other than their animal wants
      </summary>
      <ul className="mt-1">
        {pairs.slice(0, 30).map(({ boxes: [a, b], why }) => (
          <li key={`${a} ${b}`}>
            Box {boxes[a]?.number} and box {boxes[b]?.number}: <Sentence text={why} />
          </li>
        ))}
        {pairs.length > 30 && <li>and {pairs.length - 30} more pairs</li>}
      </ul>
    </details>
  );
}

/** All boxes that are out, looked through by words and by whether they hang. */
export function BoxList({ trail }: { trail: ReturnType<typeof useTrail> }) {
  const { boxes, add } = trail;
  const [words, setWords] = useState('');
  const [state, setState] = useState<State>('hangs');
  const [isAsked, setAsked] = useState(false);
  const found = useMemo(() => {
    const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
    return boxes.filter((box) => hasState(box, state) && says(box, wanted));
  }, [boxes, words, state]);
  const next = Math.min(99_999, Math.max(0, ...boxes.map(({ number }) => number)) + 1);
  const start = useMemo(() => untoldBox(next), [next]);
  return (
    <section aria-label="Boxes that are out">
      <search className="mt-3 flex flex-wrap items-end gap-3">
        <label>
          <span className="label block">Look for</span>
          <input
            type="search"
            className="field min-h-11 w-72"
            placeholder="number, place, animal, keeper"
            value={words}
            onChange={(event) => setWords(event.target.value)}
          />
        </label>
        <label>
          <span className="label block">Boxes</span>
          <select
            className="field min-h-11"
            value={state}
            onChange={(event) => {
              const to = STATES.find((each) => each === event.target.value);
              if (to) setState(to);
            }}
          >
            {STATES.map((each) => (
              <option key={each} value={each}>
                {STATE_WORDS[each]}
              </option>
            ))}
          </select>
        </label>
        <button type="button" className="btn btn-main min-h-11" onClick={() => setAsked(true)}>
          <Plus size={18} aria-hidden /> Hang a box
        </button>
        <p role="status" className="ml-auto">
          {found.length} of {boxes.length} boxes
        </p>
      </search>
      <TooNear boxes={boxes} />
      {trail.query.data && boxes.length === 0 && (
        <p className="card mt-4 p-5">
          No box is out yet. “Hang a box” says where the first one hangs; a box that was built here
          is hung from the page that its label opens, and knows its plan.
        </p>
      )}
      <div className="mt-3">
        <LongList
          items={found}
          keyOf={({ id }) => id}
          heightOf={() => 52}
          row={(box) => <BoxRow box={box} />}
        />
      </div>
      <TrailFiles trail={trail} />
      <BoxDialog
        title="A box hangs"
        start={isAsked ? start : null}
        keepWord="It hangs: keep it"
        onKeep={async (box) => (await add([box])) !== undefined}
        onClose={() => setAsked(false)}
      />
    </section>
  );
}
