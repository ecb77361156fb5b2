import { type RippedSticks, ripSticks } from '@spare-knot/core/advice';
import type { BoardRecord } from '@spare-knot/core/api';
import type { Family } from '@spare-knot/core/families';
import { newCopies } from '@spare-knot/core/job';
import { measuresOf, type Panel } from '@spare-knot/core/panels';
import type { PanelRole, PanelWood } from '@spare-knot/core/plan';

import { useBatch } from '../../batch/batch-context';
import type { WoodOfBatch } from '../../batch/use-wood';
import { Length } from '../../measure/length';
import { assumedWords, woodWords } from '../../wood/wood-words';
import { isSameWood, rolesToFind } from './role-groups';

/** Offers of boards to rip a stick from, beside it. */
const MOST_RIPPED = 2;

function WoodWords({ wood, isStick }: { wood: PanelWood | undefined; isStick: boolean }) {
  if (!wood) return 'no wood chosen';
  return (
    <>
      {isStick && wood.width ? (
        <>
          <Length ticks={wood.thickness} /> × <Length ticks={wood.width} unit />
        </>
      ) : (
        <Length ticks={wood.thickness} unit />
      )}{' '}
      {woodWords(wood)}
      {wood.layers && ', two sheets in one'}
      {assumedWords(wood) && <span className="font-semibold"> · {assumedWords(wood)}</span>}
    </>
  );
}

/** One panel with its size, its wood, and whether that is on the rack. */
function RoleRow({
  role,
  wood,
  panel,
  missing,
  isChosen,
  ripped,
  onChoose,
  onRip,
}: {
  role: PanelRole;
  wood: PanelWood | undefined;
  panel: Panel | undefined;
  /** Said where the rack has none of its wood; null where it has. */
  missing: { words: string; isTrouble: boolean } | null;
  isChosen: boolean;
  /** Wider boards that the stick can be ripped from. */
  ripped: readonly RippedSticks<BoardRecord>[];
  onChoose: (isChosen: boolean) => void;
  onRip: (wood: PanelWood) => void;
}) {
  return (
    <li className="border-b border-dotted border-line py-1">
      <label className="flex min-h-8 cursor-pointer items-start gap-2">
        <input
          type="checkbox"
          className="mt-1 size-4 accent-chalk"
          checked={isChosen}
          onChange={(event) => onChoose(event.target.checked)}
        />
        <span className="flex-1">
          <span className="font-semibold">{role.label}</span>
          {panel && (
            <span className="mono float-right text-sm">
              <Length ticks={measuresOf(panel).longPoint} /> ×{' '}
              <Length ticks={measuresOf(panel).blankWidth} />
            </span>
          )}
          <span className="block text-sm text-soft">
            <WoodWords wood={wood} isStick={role.stick !== undefined} />
            {missing && (
              <span className={`font-semibold ${missing.isTrouble ? 'text-danger' : 'text-chalk'}`}>
                {' '}
                · {missing.words}
              </span>
            )}
          </span>
        </span>
      </label>
      {(missing || isChosen) &&
        ripped.map(({ board, sticks, kerfs, wood: own }) => (
          <p key={board.id} className="ml-6 flex flex-wrap items-center gap-x-2 text-sm">
            <button
              type="button"
              className="link text-left"
              aria-label={`${role.label}: rip it from ${board.name}`}
              onClick={() => onRip(own)}
            >
              Rip {sticks} from each {board.name}
            </button>
            <span className="text-soft">
              {kerfs} {kerfs === 1 ? 'kerf' : 'kerfs'}, <Length ticks={board.width} unit /> wide
            </span>
          </p>
        ))}
    </li>
  );
}

/** The panels that wood is found for, to choose any of them. */
export function RoleList({
  family,
  wood,
  roles,
  onRoles,
}: {
  family: Family;
  wood: WoodOfBatch;
  roles: readonly string[];
  onRoles: (roles: readonly string[]) => void;
}) {
  const { draft, batch, sound, edit, locked } = useBatch();
  const { wood: planned, choices } = draft.plan;
  const { saw, wishes } = draft;
  const rippedFor = (role: PanelRole) => {
    const own = planned[role.id];
    if (!role.stick || !own?.width || !saw.rip || locked) return [];
    const { thickness, width } = own;
    return ripSticks({ thickness, width }, wood.rack, saw.kerf).slice(0, MOST_RIPPED);
  };
  const missingOf = (own: PanelWood) => {
    const atYard = wood.offers.some((offer) => isSameWood(own, offer) && offer.price !== null);
    if (!atYard) return { words: 'none on the rack', isTrouble: true };
    return wishes.supply === 'rack'
      ? { words: 'none on the rack; a yard sells it', isTrouble: true }
      : { words: 'to buy', isTrouble: false };
  };
  // Where boxes are mended wood is asked for new panels alone.
  const fresh = batch.mends && newCopies(batch.mends.boxes);
  const isMade = ({ id }: PanelRole): boolean =>
    !fresh || (sound?.box.panels.some((each) => each.role === id && fresh.has(each.id)) ?? true);
  return (
    <ul className="mt-2">
      {rolesToFind(family, choices)
        .filter(isMade)
        .map((role) => {
          const own = planned[role.id];
          const isThere = wood.rack.some((board) => isSameWood(own, board));
          return (
            <RoleRow
              key={role.id}
              role={role}
              wood={own}
              panel={sound?.box.panels.find((each) => each.role === role.id)}
              missing={own !== undefined && wood.isKnown && !isThere ? missingOf(own) : null}
              isChosen={roles.includes(role.id)}
              ripped={rippedFor(role)}
              onRip={(ripped) =>
                edit((current) => ({
                  ...current,
                  plan: { ...current.plan, wood: { ...current.plan.wood, [role.id]: ripped } },
                }))
              }
              onChoose={(isChosen) =>
                onRoles(isChosen ? [...roles, role.id] : roles.filter((each) => each !== role.id))
              }
            />
          );
        })}
    </ul>
  );
}
