import type { NewBox } from '@spare-knot/core/api';
import { readPlace } from '@spare-knot/core/exchange';
import { FACINGS } from '@spare-knot/core/trail';
import { useQuery } from '@tanstack/react-query';
import { type ReactNode, useId, useState } from 'react';
import { client } from '../api/client';
import { LengthField } from '../measure/length-field';
import { ANIMALS_BY_REGION } from './words';

type Tell = (told: Partial<NewBox>) => void;

export const MOUNT_WORDS = {
  tree: 'on a tree',
  wall: 'on a wall',
  post: 'on a post',
  pole: 'on a pole',
  water: 'over water',
  building: 'in a building',
} as const;
type MountName = keyof typeof MOUNT_WORDS;
const MOUNT_NAMES = Object.keys(MOUNT_WORDS) as MountName[];

function Field({ label, children }: { label: string; children: (id: string) => ReactNode }) {
  const id = useId();
  return (
    <div>
      <label className="label" htmlFor={id}>
        {label}
      </label>
      {children(id)}
    </div>
  );
}

function Words({
  label,
  value,
  most = 120,
  onTell,
}: {
  label: string;
  value: string;
  most?: number;
  onTell: (value: string) => void;
}) {
  return (
    <Field label={label}>
      {(id) => (
        <input
          id={id}
          className="field mt-1 block min-h-11 w-full"
          value={value}
          maxLength={most}
          onChange={(event) => onTell(event.target.value)}
        />
      )}
    </Field>
  );
}

function Day({
  label,
  value,
  onTell,
}: {
  label: string;
  value: string | null;
  onTell: (value: string | null) => void;
}) {
  return (
    <Field label={label}>
      {(id) => (
        <input
          id={id}
          type="date"
          className="field mt-1 block min-h-11"
          value={value ?? ''}
          onChange={(event) => onTell(event.target.value || null)}
        />
      )}
    </Field>
  );
}

function AnimalChoice({
  value,
  onTell,
}: {
  value: string | null;
  onTell: (id: string | null) => void;
}) {
  return (
    <Field label="For which animal">
      {(id) => (
        <select
          id={id}
          className="field mt-1 block min-h-11 w-full"
          value={value ?? ''}
          onChange={(event) => onTell(event.target.value || null)}
        >
          <option value="">not said</option>
          {ANIMALS_BY_REGION.map(({ region, animals }) => (
            <optgroup key={region} label={region}>
              {animals.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </optgroup>
          ))}
        </select>
      )}
    </Field>
  );
}

/** In which batch it was built: by that the version of its plan is known, and its panels have names. */
function BatchChoice({
  value,
  onTell,
}: {
  value: string | null;
  onTell: (batch: string | null) => void;
}) {
  const { data } = useQuery({ queryKey: ['plans'], queryFn: client.plans });
  const batches = (data?.plans ?? []).filter(({ isMending }) => !isMending);
  const isElsewhere = value !== null && !batches.some(({ batch }) => batch === value);
  return (
    <Field label="Built in which batch">
      {(id) => (
        <select
          id={id}
          className="field mt-1 block min-h-11 w-full"
          value={value ?? ''}
          onChange={(event) => onTell(event.target.value || null)}
        >
          <option value="">not said</option>
          {isElsewhere && <option value={value}>one that is off the bench</option>}
          {batches.map(({ batch, name }) => (
            <option key={batch} value={batch}>
              {name}
            </option>
          ))}
        </select>
      )}
    </Field>
  );
}

/** Where a box hangs, typed, or taken from the phone that stands below it. */
function PlaceField({ at, onTell }: { at: NewBox['at']; onTell: (at: NewBox['at']) => void }) {
  const [typed, setTyped] = useState<string | null>(null);
  const [trouble, setTrouble] = useState('');
  const shown = at ? `${at.latitude}, ${at.longitude}` : '';
  const tell = (text: string) => {
    setTyped(text);
    const read = text.trim() === '' ? null : (readPlace(text) ?? undefined);
    setTrouble(read === undefined ? 'two numbers: latitude −90 to 90, longitude −180 to 180' : '');
    if (read !== undefined) onTell(read);
  };
  const locate = () =>
    navigator.geolocation.getCurrentPosition(
      ({ coords: { latitude, longitude } }) => {
        setTyped(null);
        setTrouble('');
        onTell({
          latitude: Math.round(latitude * 1e6) / 1e6,
          longitude: Math.round(longitude * 1e6) / 1e6,
        });
      },
      ({ message }) => setTrouble(`this device does not say where it is: ${message}`),
      { enableHighAccuracy: true, timeout: 20_000 },
    );
  return (
    <div>
      <Field label="Latitude, longitude">
        {(id) => (
          <input
            id={id}
            className="field mono mt-1 block min-h-11 w-full"
            inputMode="text"
            placeholder="46.1234, 8.5678"
            aria-invalid={trouble !== ''}
            value={typed ?? shown}
            onChange={(event) => tell(event.target.value)}
            onBlur={() => trouble === '' && setTyped(null)}
          />
        )}
      </Field>
      {trouble && (
        <p role="alert" className="text-sm text-danger">
          {trouble}
        </p>
      )}
      {'geolocation' in navigator && (
        <button type="button" className="btn mt-1" onClick={locate}>
          Here, where I stand
        </button>
      )}
    </div>
  );
}

/** Everything that can be told of a box that hangs; what nobody knows stays open. */
export function BoxFields({ box, tell }: { box: NewBox; tell: Tell }) {
  return (
    <div className="grid grid-cols-2 gap-x-4 gap-y-3 max-sm:grid-cols-1">
      <Field label="Number on its label">
        {(id) => (
          <input
            id={id}
            className="field mono mt-1 block min-h-11 w-28"
            inputMode="numeric"
            value={box.number || ''}
            onChange={(event) => {
              if (/^\d{0,5}$/.test(event.target.value))
                tell({ number: Number(event.target.value) });
            }}
          />
        )}
      </Field>
      <AnimalChoice value={box.animal} onTell={(animal) => tell({ animal })} />
      <BatchChoice value={box.batch} onTell={(batch) => tell({ batch })} />
      <Words label="Place, in words" value={box.place} onTell={(place) => tell({ place })} />
      <PlaceField at={box.at} onTell={(at) => tell({ at })} />
      <Day label="Hung on" value={box.hungOn} onTell={(hungOn) => tell({ hungOn })} />
      <Day
        label="Taken down on"
        value={box.takenDownOn}
        onTell={(takenDownOn) => tell({ takenDownOn })}
      />
      <LengthField
        label={`Entrance above the ground${box.height === null ? ' (not known)' : ''}`}
        value={box.height ?? 0}
        className="w-28 min-h-11"
        onChange={(ticks) => tell({ height: ticks > 0 ? ticks : null })}
      />
      <Field label="Faces">
        {(id) => (
          <select
            id={id}
            className="field mt-1 block min-h-11"
            value={box.facing ?? ''}
            onChange={(event) =>
              tell({ facing: FACINGS.find((each) => each === event.target.value) ?? null })
            }
          >
            <option value="">not said</option>
            {FACINGS.map((facing) => (
              <option key={facing}>{facing}</option>
            ))}
          </select>
        )}
      </Field>
      <Field label="Hangs">
        {(id) => (
          <select
            id={id}
            className="field mt-1 block min-h-11"
            value={box.mount ?? ''}
            onChange={(event) =>
              tell({ mount: MOUNT_NAMES.find((each) => each === event.target.value) ?? null })
            }
          >
            <option value="">not said</option>
            {MOUNT_NAMES.map((mount) => (
              <option key={mount} value={mount}>
                {MOUNT_WORDS[mount]}
              </option>
            ))}
          </select>
        )}
      </Field>
      <Words label="The tree, wall or post" value={box.host} onTell={(host) => tell({ host })} />
      <Words label="Who looks after it" value={box.keeper} onTell={(keeper) => tell({ keeper })} />
      <Words label="Plan" value={box.plan} onTell={(plan) => tell({ plan })} />
      <Words label="Note" most={400} value={box.note} onTell={(note) => tell({ note })} />
    </div>
  );
}
