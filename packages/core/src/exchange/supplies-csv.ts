import { SUPPLY_UNITS, type Supply, WEATHER_CLASSES } from '../building/index.js';
import { fromDecimal, printMoney } from '../measure/index.js';
import { unread } from '../wood/index.js';
import { type Cell, type CsvReading, oneOf, readCsv, writeCsv } from './csv.js';

/** Columns of the shop’s supplies as CSV. The price is that of one pack. */
const COLUMNS = ['item', 'name', 'unit', 'drive', 'weather', 'count', 'pack', 'price'] as const;

function readAmount(cell: Cell, column: string): number | null {
  const said = cell(column);
  if (said === '') return null;
  const amount = Number(said.replace(',', '.'));
  if (!(amount >= 0 && amount <= 1e7)) unread(`${column}: “${said}” is not an amount`);
  return amount;
}

function readRow(cell: Cell): Supply {
  const item = cell('item').slice(0, 160);
  if (item === '') unread('item: what is it? As a build plan names it');
  const price = readAmount(cell, 'price');
  const pack = readAmount(cell, 'pack');
  if (pack === 0) unread('pack: what does one hold?');
  const weather = cell('weather');
  return {
    item,
    name: cell('name').slice(0, 160) || item,
    unit: oneOf(SUPPLY_UNITS, cell('unit') || 'pieces', 'unit'),
    drive: cell('drive').slice(0, 40),
    weather: weather === '' ? null : oneOf(WEATHER_CLASSES, weather, 'weather'),
    count: readAmount(cell, 'count') ?? unread('count: how much is there?'),
    pack,
    price: price === null ? null : fromDecimal(price),
  };
}

/** Reads what a shop has in its drawers from CSV. Good lines are kept whatever stands on the others. */
export const readSuppliesCsv = (text: string): CsvReading<Supply> =>
  readCsv(text, { columns: COLUMNS, needed: ['item', 'count'], read: readRow });

/** What a shop has in its drawers as CSV. */
export const writeSuppliesCsv = (supplies: readonly Supply[]): string =>
  writeCsv(
    COLUMNS,
    supplies.map(({ item, name, unit, drive, weather, count, pack, price }) => [
      item,
      name,
      unit,
      drive,
      weather ?? '',
      count,
      pack ?? '',
      price === null ? '' : printMoney(price),
    ]),
  );
