import type { Saw, Stock } from '@spare-knot/core/job';
import { must } from '@spare-knot/core/lists';
import {
  type Become,
  type NamedPanel,
  panelsOn,
  scrapJob,
  wantedOf,
} from '@spare-knot/core/spares';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { BoardDrawing } from '../board/board-drawing';
import { useWidth } from '../board/use-width';
import { Length } from '../measure/length';
import type { ScrapsAnswer } from '../workers/scraps.worker';

/** As many are drawn; the others are counted. */
const SHOWN = 12;

const percent = (share: number): string => `${Math.round(100 * share)} %`;

const ScrapWords = ({ of }: { of: Stock }) => (
  <strong>
    <Length ticks={of.thickness} /> × <Length ticks={of.width} /> ×{' '}
    <Length ticks={of.length} unit />
  </strong>
);

function BecomeRow({
  of,
  scrap,
  saw,
  scale,
}: {
  of: Become<NamedPanel>;
  scrap: Stock;
  saw: Saw;
  scale: number;
}) {
  const { wanted, copies, isOtherWood, share, laid } = of;
  const { part, name, batch, batchName, short } = wanted;
  const job = useMemo(
    () => scrapJob({ ...part, materials: null }, copies, scrap, saw),
    [part, copies, scrap, saw],
  );
  const names = useMemo(() => new Map([[part.id, name]]), [part, name]);
  return (
    <li className="card p-3" data-become={`${batchName}: ${name}`}>
      <p className="text-lg">
        <strong>
          {copies > 1 && `${copies} × `}
          {name}
        </strong>{' '}
        of{' '}
        <Link className="link" to={`/batches/${batch}/box`}>
          {batchName}
        </Link>
        {', '}
        {short > 0 ? (
          <span className="font-semibold text-danger">{short} wanted</span>
        ) : (
          <span className="text-soft">none wanted now: a spare</span>
        )}
        , {percent(share)} of the scrap
      </p>
      {isOtherWood && (
        <p className="text-warn-ink">
          The plan names another wood: one box of two woods is yours to decide.
        </p>
      )}
      <div className="mt-1">
        <BoardDrawing
          board={scrap}
          scale={scale}
          laid={{ job, board: laid }}
          names={names}
          tape
          label={`${copies} of ${name} on the scrap`}
        />
      </div>
    </li>
  );
}

/** What one scrap could become, the best first, drawn as it would be sawn. */
export function Becomes({ answer, saw }: { answer: ScrapsAnswer; saw: Saw }) {
  const [ref, width] = useWidth<HTMLOListElement>();
  const scrap = must(answer.scraps[0], 'the scrap');
  const { becomes, wanted } = answer;
  const scale = Math.min((width - 40) / scrap.length, 150 / scrap.width);
  if (becomes.length === 0)
    return (
      <p className="card mt-4 p-5">
        <ScrapWords of={scrap} /> is none of the {wanted.length} panels of the plans on the bench:
        too small, of another thickness, or what is wrong with it lies where they would. As
        kindling, a shim, or a test piece it still serves.
      </p>
    );
  return (
    <>
      <p className="mt-4" role="status">
        <ScrapWords of={scrap} />: {becomes.length} of {wanted.length} panels of the plans on the
        bench would come out of it.
        {becomes.length > SHOWN && ` The best ${SHOWN}:`}
      </p>
      <ol ref={ref} className="mt-2 grid gap-3">
        {width > 0 &&
          becomes
            .slice(0, SHOWN)
            .map((of) => (
              <BecomeRow
                key={`${of.wanted.batch} ${of.wanted.part.id}`}
                of={of}
                scrap={scrap}
                saw={saw}
                scale={scale}
              />
            ))}
      </ol>
    </>
  );
}

/** `6 × Floor of the swallows; Back of the chickadees`. */
function counted(names: readonly string[]): string {
  const counts = new Map<string, number>();
  for (const name of names) counts.set(name, (counts.get(name) ?? 0) + 1);
  return [...counts].map(([name, count]) => (count > 1 ? `${count} × ${name}` : name)).join('; ');
}

/** All scraps at once: which panels come out of the whole bucket, scrap by scrap. */
export function Bucket({ answer }: { answer: ScrapsAnswer }) {
  const [ref, width] = useWidth<HTMLOListElement>();
  const { laid, scraps, wanted } = answer;
  const names = useMemo(() => {
    const known = new Map(wanted.map((each) => [`${each.batch}/${each.part.id}`, each]));
    const named = (of: (panel: NamedPanel) => string) =>
      new Map(
        (laid?.job.parts ?? []).map(({ id }) => {
          const own = known.get(id);
          return [id, own ? of(own) : wantedOf(id).panel];
        }),
      );
    return {
      panels: named(({ name }) => name),
      whole: named(({ name, batchName }) => `${name} of ${batchName}`),
    };
  }, [laid, wanted]);
  if (!laid) return null;
  const { job, layout } = laid;
  const used = layout.boards.filter(({ placements }) => placements.length > 0);
  const short = job.parts.reduce((sum, { quantity }) => sum + quantity, 0);
  const longest = Math.max(
    1,
    ...used.map(({ stock }) => scraps.find(({ id }) => id === stock)?.length ?? 0),
  );
  if (used.length === 0)
    return (
      <p className="card mt-4 p-5">
        No panel that is wanted comes out of these offcuts. Batches whose boards are taken want
        nothing any more.
      </p>
    );
  return (
    <>
      <p className="mt-4 text-lg" role="status">
        <strong>{panelsOn(used)} panels</strong> of the {short} that are wanted in their thickness
        and wood come out of {used.length} {used.length === 1 ? 'offcut' : 'offcuts'}.
      </p>
      <ol ref={ref} className="mt-2 grid gap-3">
        {width > 0 &&
          used.map((board) => {
            const scrap = scraps.find(({ id }) => id === board.stock);
            if (!scrap) return null;
            const scale = Math.min((width - 40) / longest, 150 / scrap.width);
            return (
              <li key={`${board.stock}/${board.piece}`} className="card p-3" data-scrap>
                <p>
                  <Length ticks={scrap.length} /> × <Length ticks={scrap.width} unit />:{' '}
                  {counted(board.placements.map(({ part }) => names.whole.get(part) ?? part))}
                </p>
                <BoardDrawing
                  board={scrap}
                  scale={scale}
                  laid={{ job, board }}
                  names={names.panels}
                  tape
                  label={`Offcut with ${board.placements.length} panels`}
                />
              </li>
            );
          })}
      </ol>
    </>
  );
}
