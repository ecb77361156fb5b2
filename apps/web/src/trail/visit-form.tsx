import type { NewVisit } from '@spare-knot/core/api';
import { type Day, daysBetween } from '@spare-knot/core/building';
import { type DueVisit, type Finding, findingsFor } from '@spare-knot/core/trail';
import { Camera, Minus, Plus } from 'lucide-react';
import { useId, useRef, useState } from 'react';
import { Sentence } from '../measure/length';
import { messageOf } from '../ui/message-of';
import { useNotice } from '../ui/notice';
import { smallPhoto } from './photo';
import { FINDING_WORDS, today } from './words';

/** A box that is visited, as far as the form must know it. */
export interface Visited {
  id: string;
  number: number;
  animal: string | null;
  hungOn: Day | null;
  keeper: string;
}

const COUNTED: Readonly<Partial<Record<Finding, readonly ('eggs' | 'young' | 'fledged')[]>>> = {
  eggs: ['eggs'],
  young: ['young', 'eggs'],
  fledged: ['fledged'],
};
const COUNT_WORDS = { eggs: 'Eggs', young: 'Young', fledged: 'Flown' } as const;

function Counter({
  label,
  value,
  onChange,
}: {
  label: string;
  value: number | null;
  onChange: (value: number | null) => void;
}) {
  const step = (by: number) => onChange(Math.min(200, Math.max(0, (value ?? 0) + by)));
  return (
    <div className="flex items-center gap-3">
      <span className="w-16 text-lg">{label}</span>
      <button
        type="button"
        className="btn min-h-12 min-w-12 justify-center"
        aria-label={`One fewer: ${label}`}
        disabled={value === null || value === 0}
        onClick={() => step(-1)}
      >
        <Minus aria-hidden />
      </button>
      <output className="mono w-24 text-center text-2xl" aria-label={label}>
        {value ?? <span className="block font-sans text-sm text-soft">not counted</span>}
      </output>
      <button
        type="button"
        className="btn min-h-12 min-w-12 justify-center"
        aria-label={`One more: ${label}`}
        onClick={() => step(1)}
      >
        <Plus aria-hidden />
      </button>
    </div>
  );
}

/** A photo is made small and bare on the phone, before it goes anywhere. */
function PhotoButton({
  photo,
  onPhoto,
}: {
  photo: string | null;
  onPhoto: (jpeg: string | null) => void;
}) {
  const input = useRef<HTMLInputElement>(null);
  const say = useNotice();
  const take = (file: File) =>
    smallPhoto(file).then(onPhoto, (error: unknown) =>
      say(`No photo: ${messageOf(error)}. The rest of the visit stays.`, { tone: 'danger' }),
    );
  return (
    <div className="flex flex-wrap items-center gap-3">
      <button type="button" className="btn min-h-12" onClick={() => input.current?.click()}>
        <Camera size={18} aria-hidden /> {photo ? 'Another photo' : 'Photo'}
      </button>
      <input
        ref={input}
        type="file"
        accept="image/*"
        capture="environment"
        aria-label="A photo of the box"
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (file) void take(file);
        }}
      />
      {photo && (
        <>
          <img
            src={`data:image/jpeg;base64,${photo}`}
            alt="As it will be kept"
            className="h-20 rounded border border-line"
          />
          <button type="button" className="btn btn-quiet" onClick={() => onPhoto(null)}>
            without it
          </button>
        </>
      )}
      <span className="text-sm text-soft">kept small, without where it was taken</span>
    </div>
  );
}

function Findings({
  options,
  found,
  onFound,
}: {
  options: readonly Finding[];
  found: Finding | null;
  onFound: (found: Finding) => void;
}) {
  return (
    <fieldset>
      <legend className="label text-base">What was in it?</legend>
      <div className="mt-1 grid grid-cols-2 gap-2 sm:grid-cols-4">
        {options.map((option) => (
          <label
            key={option}
            className={`flex min-h-14 cursor-pointer items-center gap-2 rounded-lg border-2 px-3 text-lg font-semibold ${found === option ? 'border-chalk bg-chalk-pale' : 'border-line bg-white'}`}
          >
            <input
              type="radio"
              name="found"
              className="size-5 accent-chalk"
              checked={found === option}
              onChange={() => onFound(option)}
            />
            {FINDING_WORDS[option]}
          </label>
        ))}
      </div>
    </fieldset>
  );
}

/** What must not be done now is said before anything is opened. */
function LeaveAlone({ due, on }: { due: DueVisit | null; on: Day }) {
  if (!due?.alone || due.alone <= on) return null;
  return (
    <p role="alert" className="rounded-md border-2 border-danger bg-danger-pale px-3 py-2 text-lg">
      <strong>Stop: do not open it before {due.alone}.</strong> <Sentence text={due.why} />
    </p>
  );
}

const UNTOLD = { eggs: null, young: null, fledged: null, cleaned: false };

/** What is told of a visit while it is being told. */
function useTold(box: Visited) {
  const [found, setFound] = useState<Finding | null>(null);
  const [counts, setCounts] = useState<Pick<NewVisit, keyof typeof UNTOLD>>(UNTOLD);
  const [words, setWords] = useState({ wants: '', guest: '', note: '', by: box.keeper });
  const [on, setOn] = useState<Day>(() => today());
  const [photo, setPhoto] = useState<string | null>(null);
  const asked = (found && COUNTED[found]) ?? [];
  const told = (): NewVisit | null =>
    found && {
      id: crypto.randomUUID(),
      box: box.id,
      on,
      found,
      eggs: asked.includes('eggs') ? counts.eggs : null,
      young: asked.includes('young') ? counts.young : null,
      fledged: asked.includes('fledged') ? counts.fledged : null,
      cleaned: counts.cleaned,
      wants: words.wants.trim(),
      guest: found === 'unwanted' ? words.guest.trim() : '',
      by: words.by.trim(),
      note: words.note.trim(),
    };
  return {
    ...{ found, setFound, counts, setCounts, words, setWords, on, setOn, photo, setPhoto },
    ...{ asked, told },
  };
}

function WordField({
  label,
  value,
  most,
  onChange,
}: {
  label: string;
  value: string;
  most: number;
  onChange: (value: string) => void;
}) {
  return (
    <label className="block">
      <span className="label">{label}</span>
      <input
        className="field mt-1 block min-h-12 w-full text-lg"
        value={value}
        maxLength={most}
        onChange={(event) => onChange(event.target.value)}
      />
    </label>
  );
}

/** What is seldom told otherwise than it is. */
function More({ form }: { form: ReturnType<typeof useTold> }) {
  const { on, words } = form;
  const dayId = useId();
  return (
    <details>
      <summary className="font-semibold text-chalk">Day, who, and a note</summary>
      <div className="mt-2 grid gap-3">
        <div>
          <label className="label block" htmlFor={dayId}>
            Day of the visit
          </label>
          <input
            id={dayId}
            type="date"
            className="field mt-1 min-h-12 text-lg"
            value={on}
            onChange={(event) => form.setOn(event.target.value)}
          />
        </div>
        <WordField
          label="Who was there"
          value={words.by}
          most={120}
          onChange={(by) => form.setWords({ ...words, by })}
        />
        <WordField
          label="Note"
          value={words.note}
          most={400}
          onChange={(note) => form.setWords({ ...words, note })}
        />
      </div>
    </details>
  );
}

/** A day that cannot well be is kept all the same: it may be the other day that is wrong. */
function OddDay({ on, hungOn }: { on: Day; hungOn: Day | null }) {
  const isEarly = hungOn !== null && daysBetween(hungOn, on) < 0;
  const isLate = daysBetween(today(), on) > 0;
  return (
    <>
      {isEarly && (
        <p role="alert" className="rounded-md border border-warn bg-warn-pale px-3 py-2">
          That is before the box was hung, {hungOn}. It is kept all the same: set the day right
          here, or at the box.
        </p>
      )}
      {isLate && (
        <p role="alert" className="rounded-md border border-warn bg-warn-pale px-3 py-2">
          That day has not come yet.
        </p>
      )}
    </>
  );
}

/** A visit told with one thumb: what was in the box, how many, cleaned, what wants mending. */
export function VisitForm({
  box,
  due,
  onTold,
}: {
  box: Visited;
  due: DueVisit | null;
  onTold: (visit: NewVisit, photo: string | null) => boolean;
}) {
  const form = useTold(box);
  const { found, counts, words, on, asked } = form;
  const isDay = /^\d{4}-\d{2}-\d{2}$/.test(on);
  const keep = () => {
    const visit = form.told();
    if (visit) onTold(visit, form.photo);
  };
  return (
    <form
      aria-label={`A visit to box ${box.number}`}
      className="grid gap-4"
      onSubmit={(event) => {
        event.preventDefault();
        keep();
      }}
    >
      <LeaveAlone due={due} on={on} />
      <Findings options={findingsFor(box.animal)} found={found} onFound={form.setFound} />
      {asked.map((of) => (
        <Counter
          key={of}
          label={COUNT_WORDS[of]}
          value={counts[of]}
          onChange={(value) => form.setCounts({ ...counts, [of]: value })}
        />
      ))}
      {found === 'unwanted' && (
        <WordField
          label="Which kind, if it is known"
          value={words.guest}
          most={120}
          onChange={(guest) => form.setWords({ ...words, guest })}
        />
      )}
      <label className="flex min-h-12 items-center gap-3 text-lg">
        <input
          type="checkbox"
          className="size-6 accent-chalk"
          checked={counts.cleaned}
          onChange={(event) => form.setCounts({ ...counts, cleaned: event.target.checked })}
        />
        Cleaned
      </label>
      <WordField
        label="What wants mending"
        value={words.wants}
        most={400}
        onChange={(wants) => form.setWords({ ...words, wants })}
      />
      <PhotoButton photo={form.photo} onPhoto={form.setPhoto} />
      <More form={form} />
      <OddDay on={on} hungOn={box.hungOn} />
      <div className="sticky bottom-0 -mx-1 bg-card px-1 py-2">
        <button
          type="submit"
          className="btn btn-main min-h-14 w-full justify-center text-xl"
          disabled={found === null || !isDay}
        >
          {found === null ? 'Say first what was in it' : 'Keep this visit'}
        </button>
      </div>
    </form>
  );
}
