import type { SketchRecord } from '@spare-knot/core/api';
import { readPlace } from '@spare-knot/core/exchange';
import type { Coordinates } from '@spare-knot/core/trail';
import { ImagePlus, Trash2 } from 'lucide-react';
import { useRef, useState } from 'react';
import type { Placed, Spot } from './ground';
import { useSketches } from './use-sketches';

/** Which picture the plan is drawn on, another one, and off with it. */
export function SketchBar({
  sketch,
  onChoose,
}: {
  sketch: SketchRecord | undefined;
  onChoose: (id: string) => void;
}) {
  const { sketches, add, remove } = useSketches();
  const file = useRef<HTMLInputElement>(null);
  return (
    <div className="mt-2 flex flex-wrap items-end gap-2">
      <label>
        <span className="label block">Drawn on</span>
        <select
          className="field min-h-11"
          value={sketch?.id ?? ''}
          onChange={(event) => onChoose(event.target.value)}
        >
          <option value="">plain ground, north up</option>
          {sketches.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </label>
      <button type="button" className="btn min-h-11" onClick={() => file.current?.click()}>
        <ImagePlus size={18} aria-hidden /> A picture or sketch of your own
      </button>
      <input
        ref={file}
        type="file"
        accept="image/*"
        aria-label="A picture or sketch of the place"
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => {
          const [picture] = event.target.files ?? [];
          if (picture) void add(picture).then((kept) => kept && onChoose(kept.id));
          event.target.value = '';
        }}
      />
      {sketch && (
        <button
          type="button"
          className="btn btn-quiet min-h-11"
          aria-label={`Take the sketch ${sketch.name} off the list`}
          onClick={() => {
            onChoose('');
            void remove(sketch);
          }}
        >
          <Trash2 size={16} aria-hidden />
        </button>
      )}
    </div>
  );
}

/** Where a spot lies that was tapped: as a box whose place is known, or as two numbers. */
function WhereIsIt({
  placed,
  onTell,
  onGiveUp,
}: {
  placed: readonly Placed[];
  onTell: (place: Coordinates) => void;
  onGiveUp: () => void;
}) {
  const [typed, setTyped] = useState('');
  const place = readPlace(typed);
  return (
    <form
      aria-label="Where is this spot"
      className="flex flex-wrap items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (place) onTell(place);
      }}
    >
      {placed.length > 0 && (
        <label>
          <span className="label block">A box hangs there</span>
          <select
            className="field min-h-11"
            value=""
            onChange={(event) => {
              const box = placed.find(({ id }) => id === event.target.value);
              if (box) onTell(box.at);
            }}
          >
            <option value="">which?</option>
            {placed.map(({ id, number, place: words }) => (
              <option key={id} value={id}>
                {number}
                {words && `, ${words}`}
              </option>
            ))}
          </select>
        </label>
      )}
      <label>
        <span className="label block">or its latitude, longitude</span>
        <input
          className="field mono min-h-11 w-52"
          placeholder="46.1234, 8.5678"
          value={typed}
          aria-invalid={typed !== '' && !place}
          onChange={(event) => setTyped(event.target.value)}
        />
      </label>
      <button type="submit" className="btn btn-main min-h-11" disabled={!place}>
        It lies there
      </button>
      <button type="button" className="btn min-h-11" onClick={onGiveUp}>
        Another spot
      </button>
    </form>
  );
}

/** The two spots by which a picture lies on the earth: what is still missing is asked for. */
export function KnownSpots({
  sketch,
  isFitted,
  tapped,
  placed,
  onTapped,
}: {
  sketch: SketchRecord;
  isFitted: boolean;
  /** A spot that was tapped and of which it is not said yet where it lies. */
  tapped: Spot | null;
  placed: readonly Placed[];
  onTapped: (spot: Spot | null) => void;
}) {
  const { change } = useSketches();
  const { spots } = sketch;
  const tell = ({ latitude, longitude }: Coordinates) => {
    if (!tapped) return;
    const [up, right] = tapped;
    onTapped(null);
    void change(sketch, { spots: [...spots, { x: right, y: -up, latitude, longitude }] });
  };
  if (isFitted)
    return (
      <p className="mt-2 text-soft">
        Two spots of it are known, so each box lies where it hangs.{' '}
        <button type="button" className="link" onClick={() => void change(sketch, { spots: [] })}>
          Set them anew
        </button>
      </p>
    );
  const isOne = spots.length === 2;
  return (
    <div className="mt-2 rounded-lg border-2 border-chalk bg-chalk-pale p-3">
      {isOne && (
        <p className="mb-1 text-danger">The two spots are one: they say nothing of how it lies.</p>
      )}
      <p className="mb-1">
        <strong>
          {spots.length === 0
            ? 'Tap a spot of the picture of which you know where it lies.'
            : 'Tap a second one, far from the first.'}
        </strong>{' '}
        From two of them all the others follow.
      </p>
      {tapped && !isOne && (
        <WhereIsIt placed={placed} onTell={tell} onGiveUp={() => onTapped(null)} />
      )}
      {spots.length > 0 && (
        <button
          type="button"
          className="btn mt-2"
          onClick={() => void change(sketch, { spots: [] })}
        >
          Begin again
        </button>
      )}
    </div>
  );
}
