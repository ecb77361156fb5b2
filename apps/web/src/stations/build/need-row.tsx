import type { NewSupply, SupplyRecord } from '@spare-knot/core/api';
import { metalDoubt, type Need, standIns, WEATHER_CLASSES } from '@spare-knot/core/building';
import { printLengthUnit } from '@spare-knot/core/measure';
import { plainText, type Text } from '@spare-knot/core/text';
import { useMemo } from 'react';
import { useBatch } from '../../batch/batch-context';
import { Sentence } from '../../measure/length';
import { useUnits } from '../../measure/units';
import { CountField, MetalField, PackFields } from '../../shop/supply-fields';
import { useBitStyle } from './use-bit-style';
import type { Built } from './use-build';

const isFastener = (item: string): boolean => /^(screw|nail)-\d/.test(item);

/** What the shop has of it, as it is first told: of the metal that the row asks for. */
const told = ({ item, line, unit }: Need, metal: string | undefined): NewSupply => ({
  item,
  name: plainText(line.name),
  unit,
  drive: '',
  weather: (isFastener(item) && WEATHER_CLASSES.find((each) => each === metal)) || null,
  count: 0,
  pack: null,
  price: null,
});

/** What follows from what is there: enough, so much short, and what would do instead. */
function Verdict({
  need,
  built,
  supplies,
}: {
  need: Need;
  built: Built;
  supplies: readonly SupplyRecord[];
}) {
  const { draft } = useBatch();
  const { item, short, packs, unit, whole, supply, amount, spare } = need;
  const { style } = useUnits();
  const bits = useBitStyle();
  const instead = useMemo(
    () =>
      short !== 0 && isFastener(item) ? standIns(item, amount + spare, built.box, supplies) : [],
    [short, item, amount, spare, built, supplies],
  );
  const doubt = supply && metalDoubt(supply, draft.plan.place);
  return (
    <>
      {short === null && <span className="text-soft">not counted yet</span>}
      {short === 0 && <span className="font-semibold text-moss">enough</span>}
      {short !== null && short > 0 && (
        <span className="font-semibold text-danger">
          {unit === 'pieces' ? short : `${short} ${unit}`} short
          {packs !== null && `: buy ${packs} ${packs === 1 ? 'pack' : 'packs'}`}
          {whole !== null && `, ${(whole / 100).toFixed(2)}`}
        </span>
      )}
      {instead.slice(0, 2).map(({ fastener, count }) => (
        <span key={fastener.id} className="block text-sm">
          or {fastener.kind} {style.system === 'inch' ? fastener.inchName : fastener.name}: {count}{' '}
          there, holds every joint with its own pilot of {printLengthUnit(fastener.pilot, bits)}
        </span>
      ))}
      {doubt && (
        <span className="block text-sm text-danger">
          <Sentence text={doubt} />
        </span>
      )}
    </>
  );
}

const nameOf = ({ line }: Need, isInch: boolean): Text =>
  isInch && line.inchName ? line.inchName : line.name;

/** One thing that the batch takes, with what the shop has of it, to be told where it stands. */
export function NeedRow({
  need,
  built,
  supplies,
  onTell,
}: {
  need: Need;
  built: Built;
  /** What is in the drawers; null as long as the list has not come, and nothing can be told beside it. */
  supplies: readonly SupplyRecord[] | null;
  onTell: (supply: NewSupply, change: Partial<NewSupply>) => Promise<void>;
}) {
  const { style } = useUnits();
  const { item, line, unit, amount, spare, supply } = need;
  const name = nameOf(need, style.system === 'inch');
  const plain = plainText(name);
  const { metal } = useBatch().draft.plan.choices;
  const tell = (change: Partial<NewSupply>) => void onTell(supply ?? told(need, metal), change);
  const counted = unit === 'pieces' ? '' : unit;
  return (
    <tr
      className="border-b border-dotted border-line align-top max-md:block max-md:py-2 max-md:[&>td]:block max-md:[&>td]:py-1 max-md:[&>td]:pl-0 max-md:[&>td]:text-left"
      data-need={item}
    >
      <td className="py-2 pr-2">
        <span className="font-semibold">
          <Sentence text={name} />
        </span>
        <span className="block text-sm text-soft">
          <Sentence text={line.why} />
        </span>
      </td>
      <td className="mono py-2 text-right whitespace-nowrap">
        <span className="text-soft md:hidden">needed </span>
        {amount} {counted}
        {spare > 0 && <span className="block text-sm text-soft">+ {spare} spare</span>}
      </td>
      <td className="py-2 pl-4 whitespace-nowrap">
        <span className="text-soft md:hidden">in the shop </span>
        <fieldset disabled={!supplies} className="contents">
          <CountField name={plain} counted={counted} count={supply?.count ?? null} onTell={tell} />
          {isFastener(item) && (
            <span className="ml-1">
              <MetalField name={plain} weather={supply?.weather ?? null} onTell={tell} />
            </span>
          )}
        </fieldset>
      </td>
      <td className="py-2 pl-4 whitespace-nowrap">
        <span className="text-soft md:hidden">one pack holds </span>
        <fieldset disabled={!supplies} className="contents">
          <PackFields
            name={plain}
            counted={counted}
            pack={supply?.pack ?? null}
            price={supply?.price ?? null}
            onTell={tell}
          />
        </fieldset>
      </td>
      <td className="py-2 pl-4">
        {supplies ? (
          <Verdict need={need} built={built} supplies={supplies} />
        ) : (
          <span className="text-soft">looking in the drawers…</span>
        )}
      </td>
    </tr>
  );
}
