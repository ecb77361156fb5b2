import { describe, expect, test } from '@jest/globals';
import { stepClock } from '../../test/clock.js';
import { board, job, knot, part, points, rectangle } from '../../test/layouts.js';
import { animalById } from '../animals/index.js';
import { buildBox, FAMILIES, slantRoof } from '../families/index.js';
import { jobForBoxes } from '../job/index.js';
import { checkLayout, searchLayout } from '../layout/index.js';
import { at, must } from '../lists/index.js';
import { fromInches, fromMm } from '../measure/index.js';
import { startPlan } from '../plan/index.js';
import { plainText } from '../text/index.js';
import { readBoxPlan, writeBoxPlan } from './box-plan-file.js';
import { jsonSchema, SCHEMA_NAMES } from './json-schemas.js';
import { readLayout, writeLayout } from './layout-file.js';
import { readLayoutJob, salvageLayoutJob, writeLayoutJob } from './layout-job-file.js';
import { writePanelSet } from './panel-set-file.js';
import { readStockCsv, writeStockCsv } from './stock-csv.js';
import { readStock } from './stock-file.js';

const wood = {
  thickness: fromInches(5 / 8),
  width: fromInches(5.5),
  material: 'western-red-cedar',
  faceA: 'rough',
  faceB: 'rough',
} as const;
const plan = startPlan(
  slantRoof,
  must(animalById('black-capped-chickadee'), 'black-capped-chickadee'),
  wood,
);
const problems = (read: { ok: boolean; problems?: { path: string; message: string }[] }) =>
  (read.problems ?? []).map(({ path, message }) => `${path}: ${message}`);

describe('files come back as they went out', () => {
  const built = buildBox(plan);
  if (!built.ok) throw new Error('the plan is not sound');
  const stock = [
    board(1829, 139.7, {
      thickness: fromInches(5 / 8),
      quantity: 9,
      defects: [knot(400, 60, 12), knot(900, 20, 3, 'nail')],
    }),
  ];
  const of = jobForBoxes('two', plan, built.box, 2, stock, undefined, 0.2);

  test('box plan', () =>
    expect(readBoxPlan(JSON.stringify(writeBoxPlan(plan)))).toEqual({
      ok: true,
      value: { plan, notes: [] },
    }));
  test('layout job, but for what no file tells', () => {
    const parts = of.parts.map(({ perBox: _perBox, ...part }) => part);
    expect(readLayoutJob(JSON.stringify(writeLayoutJob(of)))).toEqual({
      ok: true,
      value: { ...of, parts },
    });
  });
  test('layout, still valid', () => {
    const layout = searchLayout(of, { clock: stepClock(of.effort.seconds, 60) });
    const read = readLayout(JSON.stringify(writeLayout(layout)));
    expect(read.ok && read.value.boards).toEqual(layout.boards);
    expect(read.ok && checkLayout(of, read.value)).toEqual([]);
  });
  test('lengths are millimetres: 5/8 in is 15.875', () => {
    expect(writeBoxPlan(plan).wood.front?.thickness).toBe(15.875);
    const set = JSON.parse(JSON.stringify(writePanelSet(built.box)));
    expect(set.panels[0].thickness).toBe(15.875);
    expect(set.panels[0].features[0].diameter).toBeCloseTo(28.575, 2);
    expect(set.panels[0].edges).toHaveLength(4);
  });
});

describe('a file that is wrong', () => {
  const written = () =>
    JSON.parse(
      JSON.stringify(writeLayoutJob(job([part('a', rectangle(100, 50))], [board(900, 100)]))),
    );
  const broken = (change: (file: ReturnType<typeof written>) => void): string[] => {
    const file = written();
    change(file);
    return problems(readLayoutJob(JSON.stringify(file)));
  };

  test.each([
    [
      'unknown format',
      (f: BrokenFile) => {
        f.format = 'other/thing';
      },
      'format: found "other/thing"; this reads “spare-knot/layout-job” version 1',
    ],
    [
      'newer version',
      (f: BrokenFile) => {
        f.version = 2;
      },
      'version: found version 2',
    ],
    [
      'negative size',
      (f: BrokenFile) => {
        f.stock[0].width = -3;
      },
      'stock[0].width',
    ],
    [
      'absurd size',
      (f: BrokenFile) => {
        f.stock[0].length = 1e12;
      },
      'stock[0].length',
    ],
    [
      'knot outside its board',
      (f: BrokenFile) => {
        f.stock[0].defects = [{ kind: 'knot-sound', circle: [2000, 50, 10] }];
      },
      'stock[0].defects[0]: the knot-sound lies outside',
    ],
    [
      'knot without a place',
      (f: BrokenFile) => {
        f.stock[0].defects = [{ kind: 'knot-sound' }];
      },
      'stock[0].defects[0]: a defect is a circle',
    ],
    [
      'unknown defect',
      (f: BrokenFile) => {
        f.stock[0].defects = [{ kind: 'dent', circle: [1, 1, 1] }];
      },
      'stock[0].defects[0].kind',
    ],
    [
      'clockwise outline',
      (f: BrokenFile) => {
        f.parts[0].outline.reverse();
      },
      'parts[0].outline: the corners must run anticlockwise',
    ],
    [
      'dented outline',
      (f: BrokenFile) => {
        f.parts[0].outline = [
          [0, 0],
          [100, 0],
          [50, 10],
          [100, 50],
          [0, 50],
        ];
      },
      'not convex',
    ],
    [
      'two parts of one name',
      (f: BrokenFile) => {
        f.parts.push(f.parts[0]);
      },
      'parts[1].id: the part “a” stands here twice',
    ],
    [
      'a number that is a word',
      (f: BrokenFile) => {
        f.saw.kerf = 'thin';
      },
      'saw.kerf',
    ],
    [
      'pin on no board',
      (f: BrokenFile) => {
        f.pinned = [{ part: 'a', copy: 0, x: 0, y: 0, turn: 0, stock: 'zzz', piece: 0 }];
      },
      'pinned[0].stock: there is no stock “zzz”',
    ],
    [
      'faces that do not match',
      (f: BrokenFile) => {
        f.parts[0].underside = [
          [0, 0],
          [9, 0],
          [9, 9],
        ];
      },
      'parts[0].underside',
    ],
  ])('%s is named with its place', (_name, change, message) => {
    expect(broken(change).join('\n')).toContain(message);
  });

  test('text that is no JSON, and JSON that is no object', () => {
    expect(problems(readLayoutJob('{')).join()).toContain('this is not JSON');
    expect(problems(readLayoutJob('[]')).join()).toContain('this is a list');
  });
});

// The broken files above are made by hand, so their shape is anything.
// biome-ignore lint/suspicious/noExplicitAny: a file that breaks the schema has no type
type BrokenFile = any;

describe('a rack as CSV', () => {
  const good = 'name,quantity,material,thickness,width,length,faceA,faceB,price,offcut,defects';

  test('goes out and comes back', () => {
    const entries = [
      {
        name: 'Picket',
        quantity: 6,
        nominal: null,
        kind: {
          material: 'western-red-cedar',
          thickness: 5080,
          width: 44704,
          length: 585216,
          faceA: 'rough',
          faceB: 'planed',
          price: 340,
          offcut: false,
          grained: true,
          defects: [
            knot(400, 60, 12),
            {
              kind: 'split',
              zone: { kind: 'rect', corner: [544000, 0], width: 41280, height: 44704 },
            },
          ],
        },
      },
      {
        name: 'Sheet, "good" side',
        quantity: 1,
        nominal: null,
        kind: {
          material: 'plywood',
          thickness: 3840,
          width: 390400,
          length: 780800,
          faceA: 'planed',
          faceB: 'planed',
          price: null,
          offcut: true,
          grained: false,
          defects: [
            { kind: 'rot', zone: { kind: 'polygon', points: points([0, 0], [90, 0], [0, 90]) } },
          ],
        },
      },
    ] as const;
    const reading = readStockCsv(writeStockCsv(entries));
    expect(reading.problems).toEqual([]);
    expect(reading.entries).toEqual(entries);
  });

  test('treatment, grade, stamp, paint and what is assumed go out and come back', () => {
    const [board] = readStockCsv(`${good}\nSlat,2,pallet,22,95,1150,rough,planed,,no,`).entries;
    const { kind, ...entry } = must(board, 'a board');
    const told = {
      ...entry,
      kind: { ...kind, assumed: ['treatment'], stamp: 'HT', grade: 'green', oldPaint: true },
    };
    const poisoned = { ...entry, kind: { ...kind, treatment: 'creosoted' } };
    expect(readStockCsv(writeStockCsv([told, poisoned])).entries).toEqual([told, poisoned]);
  });

  test('faces that are not said are as such boards usually are, and stand as assumed', () => {
    const { entries } = readStockCsv(
      [
        'name,material,thickness,width,length',
        'Picket,cedar,16,140,1800',
        'Board,pine,19,140,1800',
      ].join('\n'),
    );
    expect(entries.map(({ kind }) => [kind.faceA, kind.faceB, kind.assumed])).toEqual([
      ['rough', 'rough', ['faces']],
      ['planed', 'planed', ['faces']],
    ]);
  });

  test('a wood that is not said or not known is asked for, and one that is refused is kept by its name', () => {
    const { entries, problems: found } = readStockCsv(
      [
        'name,material,thickness,width,length,assumed',
        'None,,16,140,1800,',
        'Strange,cheese,16,140,1800,',
        'Sheet,osb,12,1220,2440,',
        'Odd,pine,16,140,1800,colour',
      ].join('\n'),
    );
    expect(entries.map(({ kind }) => kind.material)).toEqual(['osb']);
    expect(found.map(({ line }) => line)).toEqual([2, 3, 5]);
    expect(found.map(({ message }) => message).join(' ')).toMatch(/which wood.*cheese.*colour/);
  });

  test('bad lines are named, good ones kept', () => {
    const text = [
      good,
      'Picket,6,cedar,5/8 in,5 1/2 in,6 ft,rough,rough,3.40,no,',
      'Worse,6,cedar,thick,140,1800,rough,rough,3.40,no,',
      'Odd,1.5,cedar,16,140,1800,rough,rough,,no,',
      'Bent,1,cheese,16,140,1800,rough,rough,,no,',
      'Minus,1,pine,16,-140,1800,rough,rough,,no,',
      'Holed,1,pine,16,140,1800,rough,rough,,no,hole circle 5000 5 5',
      'Slat,2,pallet,22,95,1150,,,,yes,nail circle 30 40 2',
    ].join('\n');
    const { entries, problems: found } = readStockCsv(text);
    expect(entries.map((entry) => entry.name)).toEqual(['Picket', 'Slat']);
    expect(found.map(({ line }) => line)).toEqual([3, 4, 5, 6, 7]);
    expect(found.map(({ message }) => message).join('\n')).toMatch(
      /thick.*\n.*1\.5.*\n.*cheese.*\n.*negative.*\n.*outside its board/,
    );
  });

  test('a header without sizes says which columns there are', () => {
    expect(readStockCsv('a,b\n1,2').problems[0]?.message).toContain('thickness');
    expect(readStockCsv('').problems).toHaveLength(1);
  });

  test.each(['=2+2', "'=2+2", '@home', "'", "''quoted", '-12', 'plain'])(
    'a name like %s is escaped where a spreadsheet would take it for a formula, and comes back as it was',
    (name) => {
      const [entry] = readStockCsv(`${good}\nPicket,1,cedar,16,140,1800,,,,,`).entries;
      const written = writeStockCsv([{ ...must(entry, 'entry'), name }]);
      expect(written.split('\r\n')[1]).not.toMatch(/^"?[=+\-@]/);
      expect(readStockCsv(written).entries[0]?.name).toBe(name);
    },
  );

  test('a problem names its line after blank lines and rows of several lines', () => {
    const text = [
      '',
      good,
      '',
      '"Long',
      'name",1,cedar,16,140,1800,,,,,',
      'Worse,6,cedar,thick,140,1800,rough,rough,3.40,no,',
      ',,,,,,,,,,',
      'Wide,1,cedar,16,140,1800,rough,rough,3.40,no,,too much',
    ].join('\r\n');
    const { entries, problems: found } = readStockCsv(text);
    expect(entries.map((entry) => entry.name)).toEqual(['Long\r\nname']);
    expect(found.map(({ line }) => line)).toEqual([6, 8]);
  });

  test('stock is read from CSV, from a list and from a job', () => {
    const list = JSON.stringify([writeLayoutJob(job([], [board(900, 100)])).stock[0]]);
    for (const text of [list, `{"stock":${list}}`])
      expect(readStock(text)).toMatchObject({
        ok: true,
        value: { stock: [{ id: 'board', length: fromMm(900) }], problems: [] },
      });
    expect(
      readStock(`${good}\nPicket,1,cedar,16,140,1800,,,,,\nPicket,1,cedar,16,140,900,,,,,`),
    ).toMatchObject({
      ok: true,
      value: { stock: [{ id: 'picket' }, { id: 'picket-2' }], problems: [] },
    });
    // Good lines are kept, bad ones named; a file without a good line is refused.
    const mixed = readStock(
      `${good}\nPicket,1,cedar,16,140,1800,,,,,\nPicket,1,cedar,-16,140,900,,,,,`,
    );
    expect(mixed).toMatchObject({
      ok: true,
      value: { stock: [{ id: 'picket' }], problems: [{ path: 'line 3' }] },
    });
    expect(readStock(`${good}\nPicket,1,cedar,-16,140,900,,,,,`)).toMatchObject({
      ok: false,
      problems: [{ path: 'line 2' }],
    });
  });
});

describe('a layout job with something wrong in it', () => {
  const sound = () =>
    structuredClone(
      writeLayoutJob(
        job(
          [
            part('a', rectangle(100, 50), { quantity: 2 }),
            part('b', rectangle(80, 60)),
            part('c', rectangle(70, 40)),
          ],
          [
            board(900, 100, { id: 'one' }),
            board(800, 120, {
              id: 'two',
              defects: [knot(100, 50, 5), knot(300, 50, 5), knot(500, 50, 5)],
            }),
          ],
        ),
      ),
    ) as unknown as {
      parts: Record<string, unknown>[];
      stock: { width: number; defects: unknown[] }[];
      pinned: object[];
      saw: { kerf: unknown };
    };
  const salvage = (change: (file: ReturnType<typeof sound>) => void) => {
    const file = sound();
    change(file);
    return salvageLayoutJob(JSON.stringify(file));
  };
  const good = (change: Parameters<typeof salvage>[0]) => {
    const read = salvage(change);
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    return read.value;
  };

  test('a sound one is read as it is', () => {
    const read = good(() => {});
    expect([read.problems, read.leftOut]).toEqual([[], []]);
    expect(read.job.parts).toHaveLength(3);
  });

  test('parts that cannot be are left out with the reason, the others keep their places', () => {
    const read = good(({ parts }) => {
      Object.assign(at(parts, 0), {
        outline: [
          [0, 0],
          [0, 50],
          [100, 50],
          [100, 0],
        ],
        underside: undefined,
      });
      at(parts, 2).thickness = -4;
    });
    expect(read.job.parts.map(({ id }) => id)).toEqual(['b']);
    expect(read.leftOut.map(({ part: id, count }) => [id, count])).toEqual(
      expect.arrayContaining([
        ['a', 2],
        ['c', 1],
      ]),
    );
    expect(read.problems.map(({ path }) => path)).toEqual(
      expect.arrayContaining(['parts[0].outline', 'parts[2].thickness']),
    );
    for (const { reason } of read.leftOut) expect(plainText(reason).length).toBeGreaterThan(10);
  });

  test('boards, and single defects of boards, are left out by their place in the file; a pin on a board that is gone goes with it', () => {
    const read = good((file) => {
      at(file.stock, 0).width = -5;
      at(file.stock, 1).defects[0] = { kind: 'nail', circle: [9000, 50, 2] };
      at(file.stock, 1).defects[2] = { kind: 'woodpecker', circle: [500, 50, 2] };
      file.pinned.push({
        part: 'a',
        copy: 0,
        x: 0,
        y: 0,
        turn: 0,
        flipped: false,
        stock: 'one',
        piece: 0,
      });
    });
    expect(read.job.stock.map(({ id }) => id)).toEqual(['two']);
    expect(at(read.job.stock, 0).defects).toEqual([knot(300, 50, 5)]);
    expect(read.job.pinned).toEqual([]);
    const paths = read.problems.map(({ path }) => path);
    for (const place of [
      /^stock\[0\]\.width/,
      /^stock\[1\]\.defects\[0\]/,
      /^stock\[1\]\.defects\[2\]/,
      /^pinned\[0\]\.stock/,
    ])
      expect(paths.some((path) => place.test(path))).toBe(true);
    expect(read.leftOut).toEqual([]);
  });

  test('the second of two parts of one name is left out, and the first stays', () => {
    const read = good(({ parts }) => parts.push({ ...at(parts, 0), quantity: 9 }));
    expect(read.job.parts.map(({ id, quantity }) => [id, quantity])).toEqual([
      ['a', 2],
      ['b', 1],
      ['c', 1],
    ]);
    expect(read.leftOut).toEqual([]);
    expect(read.problems).toEqual([
      { path: 'parts[3].id', message: expect.stringContaining('twice') },
    ]);
  });

  test('whatever is wrong with a part or a board, what is said of it can be written into a layout', () => {
    for (const wrong of [
      { quantity: 10 ** 8 },
      { quantity: -5 },
      { quantity: 2.5 },
      { id: '' },
      { id: 7 },
    ]) {
      const read = good(({ parts }) => Object.assign(at(parts, 0), wrong));
      expect(read.job.parts.map(({ id }) => id)).toEqual(['b', 'c']);
      expect(read.problems.length).toBeGreaterThan(0);
      for (const { part: id, count } of read.leftOut)
        expect(id !== '' && count > 0 && count <= 100_000).toBe(true);
    }
    const read = good(({ stock }) => Object.assign(at(stock, 1), { defects: 'none' }));
    expect(read.job.stock.map(({ id }) => id)).toEqual(['one']);
  });

  test('what concerns the whole job is refused', () => {
    expect(salvage(({ saw }) => (saw.kerf = 'wide'))).toMatchObject({
      ok: false,
      problems: [{ path: 'saw.kerf' }],
    });
    expect(salvageLayoutJob('not JSON').ok).toBe(false);
    expect(salvage((file) => Object.assign(file, { version: 9 }))).toMatchObject({
      ok: false,
      problems: [{ path: 'version' }],
    });
    // A list that is none leaves nothing to keep.
    expect(salvage((file) => Object.assign(file, { stock: 'none' })).ok).toBe(false);
    expect(salvage(({ parts }) => parts.splice(0, 3, null as never)).ok).toBe(true);
  });
});

test.each(SCHEMA_NAMES)('the JSON Schema of %s is made from what reads it', (name) => {
  interface Shape {
    properties: Record<string, unknown>;
    required: string[];
  }
  const schema = jsonSchema(name) as unknown as Shape & { anyOf?: Shape[] };
  const shapes = schema.anyOf ?? [schema];
  expect(shapes).toHaveLength(name === 'box-plan' ? FAMILIES.length : 1);
  for (const { required, properties } of shapes) {
    expect(required).toContain('format');
    expect(properties.format).toEqual({ type: 'string', const: `spare-knot/${name}` });
  }
});

describe('a list that is too long, or wrong on every line', () => {
  const header = 'thickness,width,length,material';
  const good = '16,140,1829,western-red-cedar';

  test('of 5,000 lines is read, of one more nothing is, and it says so', () => {
    const read = (count: number) =>
      readStockCsv([header, ...Array.from({ length: count }, () => good)].join('\n'));
    expect(read(5000).entries).toHaveLength(5000);
    for (const count of [5001, 60_000]) {
      const { entries, problems } = read(count);
      expect(entries).toEqual([]);
      expect(problems).toEqual([{ line: 5001, message: expect.stringMatching(/split/) }]);
    }
  });

  test('has twenty of its lines named, and the rest counted; the good ones are kept', () => {
    const wrong = Array.from({ length: 30 }, () => 'x,1,1,oak');
    const { entries, problems } = readStockCsv([header, ...wrong, good].join('\n'));
    expect(entries).toHaveLength(1);
    expect(problems).toHaveLength(21);
    expect(problems[20]).toEqual({ line: 22, message: expect.stringMatching(/10 more lines/) });
  });
});
