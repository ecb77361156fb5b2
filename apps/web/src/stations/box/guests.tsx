import {
  ANIMALS,
  type Animal,
  atTheHole,
  REGION_NAMES,
  readyWords,
  type SharedFigure,
  sharedNeeds,
  spokenName,
} from '@spare-knot/core/animals';
import { animalsOf, type Family } from '@spare-knot/core/families';
import { type Ticks, toMm } from '@spare-knot/core/measure';
import { clearOpening } from '@spare-knot/core/panels';
import { X } from 'lucide-react';
import { useBatch } from '../../batch/batch-context';
import { AnimalFacts, Between } from '../../boxview/animal-facts';

const FIGURES: Record<SharedFigure, string> = {
  entrance: 'entrance',
  height: 'entrance’s height above the floor',
  cavity: 'height of the room',
  mount: 'height that it hangs at',
};

const named = (animals: readonly Animal[]): string => animals.map(spokenName).join(', ');

/** What several animals can have in one box, and what no box gives them together. */
function Shared({ animals }: { animals: readonly Animal[] }) {
  const { entrance, height, cavity, floorWidth, floorDepth, first, clashes } = sharedNeeds(animals);
  const [soonest] = first;
  return (
    <div className="mt-1 text-[0.87rem]">
      <p className="font-semibold">What they share</p>
      {clashes.map((figure) => (
        <p key={figure} className="font-semibold text-danger">
          No {FIGURES[figure]} suits them all.
        </p>
      ))}
      {entrance && (
        <p>
          Entrance <Between range={entrance} />
        </p>
      )}
      {height && (
        <p>
          Entrance above the floor <Between range={height} />
        </p>
      )}
      {floorWidth !== null && floorDepth !== null && (
        <p>
          Floor at least <Between range={[floorWidth, floorWidth]} /> ×{' '}
          <Between range={[floorDepth, floorDepth]} />
        </p>
      )}
      {cavity && (
        <p>
          Room high <Between range={cavity} />
        </p>
      )}
      {soonest && (
        <p>
          Up by {readyWords(soonest)}, for {named(first)}
        </p>
      )}
    </div>
  );
}

/** Whom the hole as it is shuts out, and who else comes in. */
function AtTheHole({ animals, opening }: { animals: readonly Animal[]; opening: Ticks }) {
  const [first] = animals;
  if (!first || first.family === 'bat') return null;
  const { keptOut, comeInToo } = atTheHole(first.region, toMm(opening));
  const others = comeInToo.filter((each) => !animals.includes(each));
  return (
    <div className="mt-1 text-[0.87rem]">
      <p>
        <span className="font-semibold">Too big for this hole</span> (of the table,{' '}
        {REGION_NAMES[first.region]}): {named(keptOut) || 'nobody'}.
      </p>
      <p>
        <span className="font-semibold">Come in too</span>: {named(others) || 'nobody else'}.
      </p>
    </div>
  );
}

/** Whom the box is for: one animal or several that share it. */
export function Guests({
  family,
  change,
}: {
  family: Family;
  change: (animals: readonly string[]) => void;
}) {
  const { draft, sound, locked } = useBatch();
  const { plan } = draft;
  const animals = animalsOf(plan);
  const opening = sound && clearOpening(sound.box);
  const fits = (animal: Animal) =>
    (animal.family === 'bat') === (family.guests === 'bats') && !plan.animals.includes(animal.id);
  const [first] = animals;
  return (
    <details className="mb-3 rounded-md border border-line bg-white px-2 py-1">
      <summary className="font-semibold">
        {animals.map(({ name }) => name).join(', ') || 'For nobody yet'}
      </summary>
      {animals.map((animal) => (
        <div key={animal.id} className="mt-1 border-b border-line pb-1">
          {animals.length > 1 && (
            <p className="flex items-center justify-between font-semibold">
              {animal.name}
              <button
                type="button"
                className="btn btn-quiet !min-h-7"
                disabled={locked}
                aria-label={`Not for ${spokenName(animal)}`}
                onClick={() => change(plan.animals.filter((id) => id !== animal.id))}
              >
                <X size={15} aria-hidden />
              </button>
            </p>
          )}
          <AnimalFacts animal={animal} brief />
        </div>
      ))}
      {animals.length > 1 && <Shared animals={animals} />}
      {opening !== null && <AtTheHole animals={animals} opening={opening} />}
      <label className="mt-2 block">
        <span className="label block">
          {animals.length > 0 ? 'The same box also for' : 'It is for'}
        </span>
        <select
          className="field mt-1 w-full"
          value=""
          disabled={locked}
          onChange={(event) =>
            event.target.value !== '' && change([...plan.animals, event.target.value])
          }
        >
          <option value="">choose…</option>
          {ANIMALS.filter(
            (animal) => fits(animal) && (!first || animal.region === first.region),
          ).map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </label>
    </details>
  );
}
