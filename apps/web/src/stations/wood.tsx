import { woodGroups } from '@spare-knot/core/advice';
import type { BoardRecord } from '@spare-knot/core/api';
import { buildBox, familyById } from '@spare-knot/core/families';
import { at } from '@spare-knot/core/lists';
import { measuresOf, type PanelChange, panelChanges, panelNames } from '@spare-knot/core/panels';
import { applying, type PanelWood } from '@spare-knot/core/plan';
import { joinTexts } from '@spare-knot/core/text';
import { materialName } from '@spare-knot/core/wood';

import { useState } from 'react';
import { Link } from 'react-router';
import { useBatch } from '../batch/batch-context';
import { StationActions } from '../batch/station-actions';
import { useWidth } from '../board/use-width';
import { Length, Sentence } from '../measure/length';
import { BoardEditor } from '../rack/board-editor';
import { BoardRow } from '../rack/board-row';
import { QuickEntry } from '../rack/quick-entry';
import { rackScale } from '../rack/rack-scale';
import { useRack } from '../rack/use-rack';
import { Trouble } from '../ui/trouble';

const woodOf = (board: BoardRecord): PanelWood => ({
  thickness: board.thickness,
  width: board.width,
  material: board.material,
  faceA: board.faceA,
  faceB: board.faceB,
});
const sameWood = (a: PanelWood | undefined, board: BoardRecord): boolean =>
  a !== undefined && a.thickness === board.thickness && a.material === board.material;

/** Which board for which panel. The plan follows the real thickness at once and says what it moved. */
export function WoodStation() {
  const { draft, edit, sound, built, locked } = useBatch();
  const rack = useRack();
  const family = familyById(draft.plan.family);
  const [roles, setRoles] = useState<readonly string[]>(() =>
    family ? (woodGroups(family, draft.plan.choices)[0] ?? []) : [],
  );
  const [moved, setMoved] = useState<{ to: string; changes: readonly PanelChange[] } | null>(null);
  const [open, setOpen] = useState<string | null>(null);
  const [ref, width] = useWidth<HTMLUListElement>();
  if (!family) return null;
  const wanted = applying(family.roles, draft.plan.choices).filter((role) => !role.offBoard);
  const all = wanted.map((role) => role.id);
  const boardRoles = wanted.filter((role) => !role.stick).map((role) => role.id);
  const groups = woodGroups(family, draft.plan.choices);
  const body = groups[0] ?? [];
  const names = sound ? panelNames(family, sound.box) : new Map<string, string>();
  const nameOf = (id: string) =>
    names.get(id) ?? family.roles.find((each) => each.id === id)?.label ?? id;
  const same = (a: readonly string[], b: readonly string[]) =>
    a.length === b.length && a.every((each) => b.includes(each));
  const scaleOf = rackScale(rack.boards, width - 34);

  const groupButtons: readonly (readonly [string, readonly string[]])[] = [
    ['All boards', boardRoles],
    ['Body', body],
    ...groups.slice(1).map((group) => {
      const label = at(group, 0).startsWith('roof')
        ? wanted.find((role) => role.id === group[0])?.label === 'Lid'
          ? 'Lid'
          : 'Roof'
        : nameOf(at(group, 0));
      return [label, group] as const;
    }),
  ];

  const use = (board: BoardRecord) => {
    const plan = {
      ...draft.plan,
      wood: {
        ...draft.plan.wood,
        ...Object.fromEntries(roles.map((role) => [role, woodOf(board)])),
      },
    };
    const after = buildBox(plan);
    setMoved({
      to: board.name,
      changes: sound && after.ok ? panelChanges(sound.box, after.box) : [],
    });
    edit((current) => ({ ...current, plan: { ...current.plan, wood: plan.wood } }));
  };

  return (
    <main className="mt-3 grid grid-cols-[300px_minmax(0,1fr)] gap-3 max-lg:grid-cols-1">
      <StationActions>
        <Link to="../layout" className="btn btn-main">
          Lay it out
        </Link>
      </StationActions>
      <section className="card self-start p-3" aria-label="Panels">
        <h2 className="text-base">Panels to find wood for</h2>
        <div className="mt-2 flex flex-wrap gap-1.5">
          {groupButtons.map(([label, those]) => (
            <button
              key={label}
              type="button"
              aria-pressed={same(roles, those)}
              className={`btn !min-h-7 !px-2 text-sm ${same(roles, those) ? '!bg-chalk-pale' : ''}`}
              onClick={() => setRoles(those)}
            >
              {label}
            </button>
          ))}
        </div>
        <ul className="mt-2">
          {wanted.map((role) => {
            const wood = draft.plan.wood[role.id];
            const panel = sound?.box.panels.find((each) => each.role === role.id);
            const there = rack.boards.some((board) => sameWood(wood, board));
            return (
              <li key={role.id} className="border-b border-dotted border-line py-1">
                <label className="flex min-h-8 cursor-pointer items-start gap-2">
                  <input
                    type="checkbox"
                    className="mt-1 size-4 accent-chalk"
                    checked={roles.includes(role.id)}
                    onChange={(event) =>
                      setRoles(
                        event.target.checked
                          ? [...roles, role.id]
                          : roles.filter((each) => each !== role.id),
                      )
                    }
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
                      {wood ? (
                        <>
                          {role.stick && wood.width ? (
                            <>
                              <Length ticks={wood.thickness} /> × <Length ticks={wood.width} unit />
                            </>
                          ) : (
                            <Length ticks={wood.thickness} unit />
                          )}{' '}
                          {materialName(wood.material)}
                        </>
                      ) : (
                        'no wood chosen'
                      )}
                      {rack.query.data && wood && !there && (
                        <span className="font-semibold text-danger"> · none on the rack</span>
                      )}
                    </span>
                  </span>
                </label>
              </li>
            );
          })}
        </ul>
        {!built.ok && (
          <p
            role="alert"
            className="mt-2 rounded-md border border-danger bg-danger-pale p-2 text-sm text-danger"
          >
            <Sentence
              text={joinTexts(
                built.refusals.map((refusal) => refusal.message),
                ' ',
              )}
            />
          </p>
        )}
        {moved && (
          <div className="mt-3 rounded-md bg-chalk-pale p-3" aria-live="polite">
            <h3 className="font-sans font-bold">
              {moved.changes.length === 0
                ? `${moved.to}: no panel is cut differently`
                : `${moved.to}: these panels are cut anew`}
            </h3>
            <ul className="mt-1 text-sm">
              {moved.changes.map((change) => (
                <li key={`${change.panel} ${change.measure}`}>
                  {nameOf(change.panel)}, {change.measure}: <Length ticks={change.before} /> →{' '}
                  <strong>
                    <Length ticks={change.after} unit />
                  </strong>
                </li>
              ))}
            </ul>
          </div>
        )}
      </section>
      <section aria-label="Boards on the rack" className="min-w-0">
        {!locked && <QuickEntry onAdd={rack.add} />}
        {rack.query.isError && (
          <Trouble error={rack.query.error} retry={() => void rack.query.refetch()} />
        )}
        {rack.query.data && rack.boards.length === 0 && (
          <p className="card mt-3 p-6 text-center">
            There is no wood on the rack. Type a line above: it goes onto the rack, and then to the
            panels.
          </p>
        )}
        <ul ref={ref} className="mt-3 grid gap-2">
          {width > 0 &&
            rack.boards.map((board) => {
              const using = wanted.filter((role) => sameWood(draft.plan.wood[role.id], board));
              return (
                <li
                  key={board.id}
                  className={`card p-3 ${using.length > 0 ? '!border-2 !border-moss' : ''}`}
                  data-board={board.name}
                >
                  <BoardRow board={board} scale={scaleOf(board)}>
                    <button
                      type="button"
                      className="btn btn-quiet"
                      aria-expanded={open === board.id}
                      onClick={() => setOpen(open === board.id ? null : board.id)}
                    >
                      {open === board.id ? 'Close' : 'Knots…'}
                    </button>
                    <button
                      type="button"
                      className="btn"
                      disabled={locked || roles.length === 0}
                      onClick={() => use(board)}
                    >
                      Use for{' '}
                      {same(roles, boardRoles)
                        ? 'all boards'
                        : same(roles, body)
                          ? 'the body'
                          : roles.length === 1 ||
                              (roles.length > 0 && roles.every((role) => role.startsWith('roof')))
                            ? at(roles, 0).startsWith('roof')
                              ? 'roof'
                              : nameOf(at(roles, 0)).toLowerCase()
                            : `${roles.length} panels`}
                    </button>
                  </BoardRow>
                  {using.length > 0 && (
                    <p className="mt-1 text-sm font-semibold text-moss">
                      <span aria-hidden>✓ </span>May be used for{' '}
                      {same(
                        using.map((role) => role.id),
                        all,
                      )
                        ? 'every panel'
                        : using.map((role) => role.label.toLowerCase()).join(', ')}
                    </p>
                  )}
                  {open === board.id && (
                    <BoardEditor
                      key={`${board.id} ${board.version}`}
                      board={board}
                      onDefects={async (defects, what) => {
                        const marked = await rack.markDefects(board, defects, what);
                        if (marked) setOpen(marked.id);
                      }}
                    />
                  )}
                </li>
              );
            })}
        </ul>
      </section>
    </main>
  );
}
