import { animalById, spokenName } from '@spare-knot/core/animals';
import { familyById } from '@spare-knot/core/families';
import { must } from '@spare-knot/core/lists';
import { LABEL_SHEETS, type LabelSheet, labelPlaces } from '@spare-knot/core/sheets';
import { useState } from 'react';
import { useBatch, useBatchName } from '../../batch/batch-context';
import { useTools } from '../../shop/use-tools';
import { AmountField } from '../../ui/amount-field';
import { QrCode } from '../../ui/qr-code';
import { PAPERS } from './paper';

/** What stands on one label. */
interface LabelWords {
  number: number;
  batch: string;
  plan: string;
  year: number;
  address: string;
}

/** Labels less high than this have room for two lines beside the number. */
const LOW = 30;

function Label({ of, sheet, x, y }: { of: LabelWords; sheet: LabelSheet; x: number; y: number }) {
  const side = Math.min(sheet.height - 5, 30);
  const isLow = sheet.height < LOW;
  return (
    <article
      data-label={of.number}
      className={`absolute flex items-center gap-[1.5mm] overflow-hidden text-black ${sheet.id.startsWith('plain') ? 'border-[0.2mm] border-dashed border-[#999]' : 'border border-dotted border-line print:border-0'}`}
      style={{
        left: `${x}mm`,
        top: `${y}mm`,
        width: `${sheet.width}mm`,
        height: `${sheet.height}mm`,
        padding: '2mm 2.5mm',
      }}
    >
      <div className="min-w-0 flex-1 leading-tight">
        <p className={`font-slab font-bold ${isLow ? 'text-[6mm]' : 'text-[9mm]'} leading-none`}>
          {of.number}
          <span className="ml-[2mm] text-[3.2mm] font-normal">{of.year}</span>
        </p>
        <p className="mt-[0.8mm] line-clamp-2 text-[3mm] font-semibold">{of.batch}</p>
        <p className={`text-[2.7mm] ${isLow ? 'truncate' : 'line-clamp-2'}`}>{of.plan}</p>
      </div>
      <QrCode text={of.address} side={`${side}mm`} />
    </article>
  );
}

const isOwnMachine = (address: string): boolean =>
  /^https?:\/\/(127\.|localhost|\[::1\])/.test(address);

/** By which address a phone opens the pages of this house: the shop’s, kept for all labels. */
function AddressField({ address }: { address: string }) {
  const { change } = useTools();
  const [text, setText] = useState<string | null>(null);
  const [wrong, setWrong] = useState(false);
  const keep = () => {
    const said = (text ?? address).trim().replace(/\/+$/, '');
    setText(null);
    if (said === address) return;
    const isAddress = /^https?:\/\/[^\s/]+$/.test(said);
    setWrong(!isAddress);
    if (isAddress) void change({ address: said }, `Labels open ${said}.`);
  };
  return (
    <div className="basis-full text-center">
      <label className="inline-flex flex-wrap items-center justify-center gap-2">
        Address that the code opens
        <input
          className="field mono w-80"
          value={text ?? address}
          onChange={(event) => setText(event.target.value)}
          onBlur={keep}
          onKeyDown={(event) => event.key === 'Enter' && keep()}
        />
      </label>
      {wrong && (
        <p role="alert" className="text-danger">
          An address begins with http:// or https:// and a name, as http://boatshop.local:4310
        </p>
      )}
      {isOwnMachine(address) && (
        <p className="mx-auto max-w-2xl rounded-md bg-warn-pale px-3 py-1.5">
          Only this machine opens {address}. A phone at the box needs the address by which it
          reaches this house: ask whoever set it up, type it here, and print then.
        </p>
      )}
    </div>
  );
}

/** Which sheet, its margins, the first number, the year, and how many labels are gone from the first sheet. */
function Settings({
  sheet,
  onSheet,
  used,
  onUsed,
  year,
  onYear,
}: {
  sheet: LabelSheet;
  onSheet: (sheet: LabelSheet) => void;
  used: number;
  onUsed: (used: number) => void;
  year: number;
  onYear: (year: number) => void;
}) {
  const { draft, edit } = useBatch();
  const whole = (value: number | null, keep: (value: number) => void) =>
    value !== null && keep(Math.round(value));
  return (
    <div className="flex basis-full flex-wrap items-center justify-center gap-x-4 gap-y-2">
      <label className="flex items-center gap-2">
        Labels
        <select
          aria-label="Sheet of labels"
          className="field"
          value={sheet.id}
          onChange={(event) =>
            onSheet(
              must(
                LABEL_SHEETS.find(({ id }) => id === event.target.value),
                'sheet',
              ),
            )
          }
        >
          {LABEL_SHEETS.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </label>
      <AmountField
        label="mm left margin"
        value={sheet.left}
        most={40}
        className="w-16"
        onChange={(left) => left !== null && onSheet({ ...sheet, left })}
      />
      <AmountField
        label="mm top margin"
        value={sheet.top}
        most={60}
        className="w-16"
        onChange={(top) => top !== null && onSheet({ ...sheet, top })}
      />
      <AmountField
        label="is the first number"
        value={draft.making.firstNumber}
        least={1}
        most={99_999}
        className="w-20"
        onChange={(value) =>
          whole(value, (firstNumber) =>
            edit((current) => ({ ...current, making: { ...current.making, firstNumber } })),
          )
        }
      />
      <AmountField
        label="is the year"
        value={year}
        least={1900}
        most={2999}
        className="w-20"
        onChange={(value) => whole(value, onYear)}
      />
      <AmountField
        label="labels of the first sheet are gone"
        value={used}
        most={sheet.across * sheet.down - 1}
        className="w-16"
        onChange={(value) => whole(value, onUsed)}
      />
    </div>
  );
}

/** Labels for every box of the batch: number, batch, plan, year, and a code that opens its page. */
export function LabelSheets({ paper }: { paper: 'A4' | 'Letter' }) {
  const { draft, batch } = useBatch();
  const name = useBatchName();
  const { shop } = useTools();
  const address = shop?.address ?? window.location.origin;
  const [sheet, setSheet] = useState<LabelSheet>(() =>
    must(
      LABEL_SHEETS.find((each) => each.paper === paper),
      paper,
    ),
  );
  const [used, setUsed] = useState(0);
  const [year, setYear] = useState(() => new Date().getFullYear());
  const { making, boxes, plan } = draft;
  const guests = plan.animals.flatMap((id) => {
    const animal = animalById(id);
    return animal ? [spokenName(animal)] : [];
  });
  const words = `${familyById(plan.family)?.name ?? plan.family}${guests.length > 0 ? ` for ${guests.join(', ')}` : ''}`;
  const places = labelPlaces(sheet, boxes, used);
  const sheets = [...new Set(places.map((place) => place.sheet))];
  const size = PAPERS[sheet.paper];
  return (
    <>
      <style>{`@page { size: ${size.width}mm ${size.height}mm; margin: 0 }`}</style>
      <div className="mt-3 flex flex-wrap justify-center gap-2 print:hidden">
        <Settings
          sheet={sheet}
          onSheet={(next) => {
            setSheet(next);
            setUsed((known) => Math.min(known, next.across * next.down - 1));
          }}
          used={used}
          onUsed={setUsed}
          year={year}
          onYear={setYear}
        />
        <AddressField address={address} />
        <p className="basis-full text-center text-soft">
          Print at 100 %, on plain paper first, and hold it against a sheet of labels. A label goes
          on the underside or inside the door, where no rain reaches it.
        </p>
      </div>
      {sheets.map((each) => (
        <section
          key={each}
          data-sheet={each + 1}
          aria-label={`Sheet of labels ${each + 1}`}
          className="relative mx-auto break-after-page overflow-hidden border border-line bg-white shadow-md print:m-0 print:border-0 print:shadow-none"
          style={{ width: `${size.width}mm`, height: `${size.height - 0.2}mm` }}
        >
          {places.map(({ sheet: on, x, y }, index) => {
            if (on !== each) return null;
            const number = making.firstNumber + index;
            return (
              <Label
                key={number}
                sheet={sheet}
                x={x}
                y={y}
                of={{
                  number,
                  batch: name,
                  plan: words,
                  year,
                  address: `${address}/boxes/${batch.id}/${number}`,
                }}
              />
            );
          })}
        </section>
      ))}
    </>
  );
}
