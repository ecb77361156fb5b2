import {
  type BoardRecord,
  boardOffered,
  type NewBoard,
  type OfferRecord,
} from '@spare-knot/core/api';
import { buildBox, type Family, familyById } from '@spare-knot/core/families';
import { sum } from '@spare-knot/core/lists';
import { layerScrews, type PanelChange, panelChanges, panelNames } from '@spare-knot/core/panels';
import { doubledWoodOf, panelWoodOf } from '@spare-knot/core/plan';
import { joinTexts } from '@spare-knot/core/text';
import { type BoardKind, woodRefused } from '@spare-knot/core/wood';

import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { useBatch } from '../../batch/batch-context';
import { StationActions } from '../../batch/station-actions';
import { useWood, type WoodOfBatch } from '../../batch/use-wood';
import { useWidth } from '../../board/use-width';
import { Length, Sentence } from '../../measure/length';
import { QuickEntry } from '../../rack/quick-entry';
import { rackScale } from '../../rack/rack-scale';
import { type useRack as Rack, useRack } from '../../rack/use-rack';
import { Trouble } from '../../ui/trouble';
import { OfferRow } from '../../yard/offer-row';
import { BoardToUse } from './board-to-use';
import {
  isSameWood,
  type RoleGroup,
  roleGroups,
  rolesToFind,
  sameRoles,
  spokenRoles,
  woodConfirmed,
} from './role-groups';
import { RoleList } from './role-list';
import { WhatToBuyPanel } from './what-to-buy-panel';

interface Moved {
  to: string;
  changes: readonly PanelChange[];
}

/** Puts the wood of a board to the chosen panels, and says which of them are cut anew by it. */
function useWoodFor(roles: readonly string[]) {
  const { draft, edit, sound } = useBatch();
  const [moved, setMoved] = useState<Moved | null>(null);
  const use = (board: Pick<BoardRecord, 'name'> & BoardKind, doubled = false) => {
    const own = doubled ? doubledWoodOf(board) : panelWoodOf(board);
    const chosen = Object.fromEntries(roles.map((role) => [role, own]));
    const wood = { ...draft.plan.wood, ...chosen };
    const after = buildBox({ ...draft.plan, wood });
    const changes = sound && after.ok ? panelChanges(sound.box, after.box) : [];
    setMoved({ to: doubled ? `Two of ${board.name}` : board.name, changes });
    edit((current) => ({ ...current, plan: { ...current.plan, wood } }));
  };
  return { moved, use };
}

/** What the last choice of wood did to the panels. */
function CutAnew({ moved, nameOf }: { moved: Moved; nameOf: (panel: string) => string }) {
  return (
    <div className="mt-3 rounded-md bg-chalk-pale p-3" aria-live="polite">
      <h3 className="font-sans font-bold">
        {moved.to}:{' '}
        {moved.changes.length === 0 ? 'no panel is cut differently' : 'these panels are cut anew'}
      </h3>
      <ul className="mt-1 text-sm">
        {moved.changes.map(({ panel, measure, before, after }) => (
          <li key={`${panel} ${measure}`}>
            {nameOf(panel)}, {measure}: <Length ticks={before} /> →{' '}
            <strong>
              <Length ticks={after} unit />
            </strong>
          </li>
        ))}
      </ul>
    </div>
  );
}

/** Groups of panels, to choose one by a press. */
function GroupButtons({
  groups,
  roles,
  onChoose,
}: {
  groups: readonly RoleGroup[];
  roles: readonly string[];
  onChoose: (roles: readonly string[]) => void;
}) {
  return (
    <div className="mt-2 flex flex-wrap gap-1.5">
      {groups.map((group) => {
        const isChosen = sameRoles(roles, group.roles);
        return (
          <button
            key={group.label}
            type="button"
            aria-pressed={isChosen}
            className={`btn !min-h-7 !px-2 text-sm ${isChosen ? '!bg-chalk-pale' : ''}`}
            onClick={() => onChoose(group.roles)}
          >
            {group.label}
          </button>
        );
      })}
    </div>
  );
}

/** The boards of the rack, each with what it may be used for. */
function BoardsToUse({
  family,
  rack,
  roles,
  useFor,
  onUse,
}: {
  family: Family;
  rack: ReturnType<typeof Rack>;
  /** The chosen panels. */
  roles: readonly string[];
  useFor: string | null;
  onUse: (board: BoardRecord, doubled?: boolean) => void;
}) {
  const { draft, edit, sound, locked } = useBatch();
  const chosen = sound?.box.panels.filter(({ role }) => roles.includes(role)) ?? [];
  const screwsFor = ({ thickness }: BoardRecord): number =>
    sum(
      chosen.map(
        (panel) =>
          (layerScrews({ ...panel, thickness: 2 * thickness })?.count ?? 0) *
          panel.instances.length,
      ),
    );
  /** What is confirmed of a board holds for the panels that are planned in it. */
  const answer = async (board: BoardRecord, change: Partial<NewBoard>) => {
    const confirmed = await rack.change(board, change, 'Confirmed');
    if (!confirmed || locked) return;
    edit((current) => ({
      ...current,
      plan: { ...current.plan, wood: woodConfirmed(current.plan.wood, board, confirmed) },
    }));
  };
  const [open, setOpen] = useState<string | null>(null);
  const [ref, width] = useWidth<HTMLUListElement>();
  const { wood, choices } = draft.plan;
  const wanted = rolesToFind(family, choices);
  const scaleOf = rackScale(rack.boards, width - 34);
  return (
    <ul ref={ref} className="mt-3 grid gap-2">
      {width > 0 &&
        rack.boards.map((board) => {
          const using = wanted.filter(({ id }) => isSameWood(wood[id], board));
          return (
            <BoardToUse
              key={board.id}
              board={board}
              scale={scaleOf(board)}
              using={
                using.length === wanted.length
                  ? 'every panel'
                  : using.map(({ label }) => label.toLowerCase()).join(', ')
              }
              useFor={useFor}
              screws={screwsFor(board)}
              locked={locked}
              isOpen={open === board.id}
              onOpen={(isOpen) => setOpen(isOpen ? board.id : null)}
              onUse={(doubled) => onUse(board, doubled)}
              onAnswer={(change) => void answer(board, change)}
              onDefects={async (defects, what) => {
                const marked = await rack.markDefects(board, defects, what);
                if (marked) setOpen(marked.id);
              }}
            />
          );
        })}
    </ul>
  );
}

/** What the yards sell, each with what it may be bought for. */
function OffersToUse({
  wood,
  useFor,
  onUse,
}: {
  wood: WoodOfBatch;
  useFor: string | null;
  onUse: (offer: OfferRecord) => void;
}) {
  const { locked, draft } = useBatch();
  const [isOpen, setOpen] = useState(false);
  const [ref, width] = useWidth<HTMLUListElement>();
  const scaleOf = rackScale(wood.offers, width - 34);
  const isShown = isOpen || wood.rack.length === 0;
  if (locked || wood.offers.length === 0) return null;
  return (
    <section aria-label="At the yard" className="mt-5">
      <div className="flex items-baseline gap-3">
        <h2 className="text-xl">At the yard</h2>
        <p className="text-soft">{wood.offers.length} kinds to buy from</p>
        {wood.rack.length > 0 && (
          <button
            type="button"
            className="btn ml-auto"
            aria-expanded={isShown}
            onClick={() => setOpen(!isOpen)}
          >
            {isShown ? 'Close' : 'Show what they sell'}
          </button>
        )}
      </div>
      {isShown && (
        <ul ref={ref} className="mt-2 grid gap-2">
          {width > 0 &&
            wood.offers.map((offer) => (
              <li key={offer.id} className="card p-3" data-offer={offer.name}>
                <OfferRow offer={offer} scale={scaleOf(offer)}>
                  <span className="text-sm text-soft">{offer.yard}</span>
                  <button
                    type="button"
                    className="btn"
                    disabled={useFor === null || woodRefused(offer) !== null}
                    onClick={() => onUse(offer)}
                  >
                    Plan {useFor ?? 'no panel'} in it
                  </button>
                </OfferRow>
              </li>
            ))}
        </ul>
      )}
      {isShown && draft.wishes.supply === 'rack' && (
        <p className="mt-2 text-sm">
          This batch takes from the rack only. Planning panels in wood of the yard lets it buy what
          the rack has not.
        </p>
      )}
    </section>
  );
}

function PanelsToFind({
  family,
  wood,
  groups,
  roles,
  onRoles,
  moved,
  nameOf,
}: {
  family: Family;
  wood: WoodOfBatch;
  groups: readonly RoleGroup[];
  roles: readonly string[];
  onRoles: (roles: readonly string[]) => void;
  moved: Moved | null;
  nameOf: (id: string) => string;
}) {
  const { built } = useBatch();
  return (
    <section className="card self-start p-3" aria-label="Panels">
      <h2 className="text-base">Panels to find wood for</h2>
      <GroupButtons groups={groups} roles={roles} onChoose={onRoles} />
      <RoleList family={family} wood={wood} roles={roles} onRoles={onRoles} />
      {!built.ok && (
        <p
          role="alert"
          className="mt-2 rounded-md border border-danger bg-danger-pale p-2 text-sm text-danger"
        >
          <Sentence
            text={joinTexts(
              built.refusals.map(({ message }) => message),
              ' ',
            )}
          />
        </p>
      )}
      {moved && <CutAnew moved={moved} nameOf={nameOf} />}
    </section>
  );
}

/** Which board for which panel. The plan follows the real thickness at once and says what it moved. */
export function WoodStation() {
  const { draft } = useBatch();
  const family = familyById(draft.plan.family);
  return family ? <WoodFor key={family.id} family={family} /> : null;
}

function WoodFor({ family }: { family: Family }) {
  const { draft, edit, sound, locked } = useBatch();
  const rack = useRack();
  const { choices } = draft.plan;
  const names = useMemo(() => (sound ? panelNames(family, sound.box) : null), [family, sound]);
  const nameOf = (id: string) =>
    names?.get(id) ?? family.roles.find((each) => each.id === id)?.label ?? id;
  const groups = roleGroups(family, choices, nameOf);
  const [roles, setRoles] = useState(groups[1]?.roles ?? []);
  const { moved, use } = useWoodFor(roles);
  const wood = useWood();
  const buy = (offer: OfferRecord) => {
    use(boardOffered(offer));
    if (draft.wishes.supply === 'rack')
      edit((current) => ({ ...current, wishes: { ...current.wishes, supply: 'rack-first' } }));
  };
  const useFor = roles.length > 0 ? spokenRoles(roles, groups, nameOf) : null;
  return (
    <div className="mt-3 grid grid-cols-[300px_minmax(0,1fr)] gap-3 max-lg:grid-cols-1">
      <StationActions>
        <Link to="../layout" className="btn btn-main">
          Lay it out
        </Link>
      </StationActions>
      <div className="min-w-0">
        <PanelsToFind
          family={family}
          wood={wood}
          groups={groups}
          roles={roles}
          onRoles={setRoles}
          moved={moved}
          nameOf={nameOf}
        />
        <WhatToBuyPanel wood={wood} nameOf={nameOf} />
      </div>
      <section aria-label="Boards on the rack" className="min-w-0">
        {!locked && <QuickEntry onAdd={rack.add} />}
        {rack.query.isError && (
          <Trouble error={rack.query.error} retry={() => void rack.query.refetch()} />
        )}
        {rack.query.data && rack.boards.length === 0 && (
          <p className="card mt-3 p-6 text-center">
            There is no wood on the rack. Type a line above: it goes onto the rack, and then to the
            panels. Or plan the panels in what a yard sells.
          </p>
        )}
        <BoardsToUse family={family} rack={rack} roles={roles} useFor={useFor} onUse={use} />
        <OffersToUse wood={wood} useFor={useFor} onUse={buy} />
      </section>
    </div>
  );
}
