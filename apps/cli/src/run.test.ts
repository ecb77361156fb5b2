import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { at, must } from '@spare-knot/core/lists';
import { run } from './run.js';

const examples = (name: string) =>
  readFileSync(new URL(`../../../examples/${name}`, import.meta.url), 'utf8');
const files: Record<string, string> = {
  plan: examples('chickadee.plan.json'),
  rack: examples('rack.csv'),
  yard: examples('yard.csv'),
  empty: examples('rack.csv').split('\n')[0] ?? '',
};
const spareKnot = (line: string, more: Record<string, string> = {}) =>
  run(
    line.split(' '),
    (path) => {
      const text = { ...files, ...more }[path];
      if (text === undefined) throw new Error('no such file');
      return text;
    },
    () => performance.now(),
  );

const BEFORE: { plan: { sizes: Record<string, number> } }[] = JSON.parse(
  readFileSync(
    new URL('../../../packages/core/test/release-before/plans.json', import.meta.url),
    'utf8',
  ),
);

describe('the command line', () => {
  test('from a plan and a rack to a checked layout: at least 88 % yield or at the bound', () => {
    const job = spareKnot('job plan rack --boxes 6 --seconds 1');
    expect(job.code).toBe(0);
    const layout = spareKnot('layout -', { '-': job.output });
    expect(layout.code).toBe(0);
    const found = JSON.parse(layout.output) as {
      unplaced: unknown[];
      yield: number;
      cost: number;
      lowerBound: number;
    };
    expect(found.unplaced).toEqual([]);
    expect(found.yield >= 0.88 || found.cost === found.lowerBound).toBe(true);
    const check = spareKnot('check job layout', { job: job.output, layout: layout.output });
    expect(check).toMatchObject({ code: 0, messages: [] });
    expect(JSON.parse(check.output)).toMatchObject({ valid: true, placed: 36 });
  });

  test('from a layout to the last cut, and what is left after some of it; a progress that cannot be is named', () => {
    const job = spareKnot('job plan rack --boxes 2 --seconds 1').output;
    const layout = spareKnot('layout -', { '-': job }).output;
    const cuts = spareKnot('cuts job layout', { job, layout });
    expect([cuts.code, cuts.messages]).toEqual([0, []]);
    const plan = JSON.parse(cuts.output) as {
      settings: number;
      lowerBound: number;
      boardAfterBoard: number;
      steps: { cuts: { cut: string; board: number }[] }[];
    };
    expect(plan.settings).toBe(plan.steps.length);
    expect(plan.settings).toBeLessThanOrEqual(plan.boardAfterBoard);
    const made = plan.steps.flatMap((step) => step.cuts.map(({ board, cut }) => `${board}:${cut}`));
    const after = (done: string[]) =>
      spareKnot('remain job layout cuts progress', {
        job,
        layout,
        cuts: cuts.output,
        progress: JSON.stringify({ format: 'spare-knot/progress', version: 1, done }),
      });
    const parts = ({ output }: { output: string }) =>
      (JSON.parse(output) as { parts: { quantity: number }[] }).parts.reduce(
        (sum, { quantity }) => sum + quantity,
        0,
      );
    expect(parts(after([]))).toBe(12);
    expect(parts(after(made.slice(0, 6)))).toBeLessThan(12);
    expect(parts(after(made))).toBe(0);
    const wrong = after(['7:c1']);
    expect(wrong.code).toBe(1);
    expect(wrong.messages).toEqual([expect.stringContaining('done[0]: there is no cut “7:c1”')]);
    const foreign = spareKnot('cuts job layout', {
      job: spareKnot('job plan rack --boxes 1 --seconds 1').output,
      layout,
    });
    expect(foreign.code).toBe(1);
    expect(foreign.messages.join()).toContain('rule 4');
  });

  test('from an empty rack and a yard list to what must be bought, proven', () => {
    const job = spareKnot('job plan empty --yard yard --boxes 6 --seconds 20');
    expect([job.code, job.messages]).toEqual([0, []]);
    const layout = spareKnot('layout -', { '-': job.output });
    const found = JSON.parse(layout.output) as {
      boards: { stock: string }[];
      cost: number;
      lowerBound: number;
      optimal: boolean;
    };
    expect(found).toMatchObject({ cost: 22.7, lowerBound: 22.7, optimal: true });
    expect(found.boards.map(({ stock }) => stock).sort()).toEqual(
      ['picket-6-ft', 'picket-6-ft', 'picket-6-ft', 'picket-6-ft', 'pine-1-8-6-ft'].sort(),
    );
    const check = spareKnot('check job layout', { job: job.output, layout: layout.output });
    expect(check.code).toBe(0);
  });

  test('beside a yard list the rack counts as paid, and names that both have are told apart', () => {
    const job = spareKnot('job plan rack --yard rack2 --boxes 2', {
      rack2: `yard,${files.rack?.split('\n').slice(0, 2).join('\nSlip,')}`,
    });
    const { stock } = JSON.parse(job.output) as { stock: { id: string; price: number }[] };
    expect(stock.map(({ id }) => id)).toEqual(expect.arrayContaining(['picket', 'picket-to-buy']));
    expect(stock.find(({ id }) => id === 'picket')?.price).toBe(0);
    expect(stock.find(({ id }) => id === 'picket-to-buy')?.price).toBe(3.4);
    expect(spareKnot('job plan rack --yard nowhere --boxes 2').code).toBe(1);
  });

  test('treated boards are left out and told, faces that are not said count as planed', () => {
    const rack = [
      'name,material,thickness,width,length,faceA,treatment',
      'Good,western-red-cedar,16,140,1829,rough,none',
      'Deck,western-red-cedar,16,140,1829,rough,pressure-treated',
      'Picket,western-red-cedar,16,140,1829,,',
    ].join('\n');
    const job = spareKnot('job plan rack2 --boxes 1', { rack2: rack });
    expect(job.code).toBe(0);
    expect(job.messages.join('\n')).toContain('rack2: deck is left out: Pressure-treated');
    const { stock } = JSON.parse(job.output) as { stock: { id: string; faceA: string }[] };
    expect(stock.map(({ id, faceA }) => [id, faceA])).toEqual([
      ['good', 'planed'],
      ['picket', 'planed'],
    ]);
  });

  test('a number of stages is heeded, and one that no layout is searched with is refused', () => {
    const job = spareKnot('job plan rack --boxes 2 --seconds 0.2').output;
    const strips = spareKnot('layout job --stages 2', { job });
    expect([strips.code, JSON.parse(strips.output).unplaced]).toEqual([0, []]);
    const refused = spareKnot('layout job --stages 4', { job });
    expect([refused.code, refused.output]).toEqual([2, '']);
    expect(refused.messages.join()).toContain('--stages 4: 2 or 3 is wanted');
  });

  test('a layout that was tampered with is refused, with rule and place', () => {
    const job = spareKnot('job plan rack --boxes 2 --seconds 0.2').output;
    const layout = JSON.parse(spareKnot('layout job', { job }).output) as {
      boards: { placements: { x: number }[] }[];
    };
    at(
      must(
        layout.boards.find((board) => board.placements.length > 1),
        'one of the boards',
      ).placements,
      1,
    ).x -= 5;
    const check = spareKnot('check job layout', { job, layout: JSON.stringify(layout) });
    expect(check.code).toBe(1);
    expect(check.messages.join('\n')).toMatch(/layout: boards\[\d\]\.placements\[\d\]: rule 3/);
  });

  test('pins that contradict each other are named, their panels laid elsewhere', () => {
    const job = JSON.parse(spareKnot('job plan rack --boxes 1 --seconds 0.2').output) as {
      stock: { id: string }[];
      pinned: object[];
    };
    const pin = {
      part: 'front',
      copy: 0,
      x: 0,
      y: 0,
      turn: 0,
      flipped: false,
      stock: at(job.stock, 0).id,
      piece: 0,
    };
    const pinned = [pin, { ...pin, part: 'back', x: 50 }];
    const result = spareKnot('layout job', { job: JSON.stringify({ ...job, pinned }) });
    expect([result.code, result.messages]).toEqual([
      1,
      [expect.stringMatching(/“back” 0 is laid elsewhere: .*less than a kerf/)],
    ]);
    const layout = JSON.parse(result.output) as {
      unplaced: unknown[];
      boards: { placements: { part: string }[] }[];
    };
    expect(layout.unplaced).toEqual([]);
    expect(
      layout.boards.flatMap((board) => board.placements.map((placement) => placement.part)),
    ).toContain('back');
  });

  test('a bad line of the rack is named and the good ones are used; a bad part or knot is named and the rest laid out', () => {
    const rack = `${must(files.rack, 'rack').trimEnd()}\nBad,2,western-red-cedar,-3,139.7,1828.8,rough,rough,3.40,no,\n`;
    const made = spareKnot('job plan bad --boxes 1 --seconds 0.2', { bad: rack });
    expect(made.code).toBe(1);
    expect(made.messages).toEqual([expect.stringMatching(/^bad: line \d+: thickness: .*negative/)]);
    const job = JSON.parse(made.output) as {
      parts: Record<string, unknown>[];
      stock: { defects: unknown[] }[];
    };
    at(job.parts, 0).outline = [
      [0, 0],
      [0, 9],
      [9, 9],
      [9, 0],
    ];
    at(job.stock, 0).defects = [{ kind: 'nail', circle: [99_000, 10, 2] }];
    const result = spareKnot('layout job', { job: JSON.stringify(job) });
    expect(result.code).toBe(1);
    expect(result.messages.join('\n')).toMatch(/job: parts\[0\].*\n.*/);
    expect(result.messages.join('\n')).toContain('job: stock[0].defects[0]');
    const layout = JSON.parse(result.output) as {
      unplaced: { part: string; count: number; reason: string }[];
      boards: unknown[];
    };
    expect(layout.unplaced).toEqual([{ part: 'front', count: 1, reason: expect.any(String) }]);
    expect(layout.boards.length).toBeGreaterThan(0);
  });

  test('no boards, or none wide or thick enough: every panel has its reason', () => {
    const job = JSON.parse(spareKnot('job plan rack --boxes 1 --seconds 0.2').output) as {
      parts: { id: string; quantity: number; thickness: number }[];
      stock: { length: number; defects: unknown[] }[];
    };
    const unplaced = (change: Partial<typeof job>) => {
      const result = spareKnot('layout job', { job: JSON.stringify({ ...job, ...change }) });
      expect(result.code).toBe(0);
      return (
        JSON.parse(result.output) as { unplaced: { part: string; count: number; reason: string }[] }
      ).unplaced;
    };
    const all = job.parts.map(({ id, quantity }) => [id, quantity]);
    const none = unplaced({ stock: [] });
    expect(none.map(({ part, count }) => [part, count])).toEqual(all);
    for (const { reason } of none) expect(reason).toBe('there are no boards');
    const short = unplaced({
      stock: job.stock.map((each) => ({ ...each, length: 50, defects: [] })),
    });
    for (const { reason } of short)
      expect(reason).toMatch(/longer than any board: [\d.]+ mm against 50 mm/);
    const thick = unplaced({
      parts: job.parts.map((each, index) => (index === 1 ? { ...each, thickness: 33 } : each)),
    });
    expect(thick).toEqual([
      { part: 'back', count: 1, reason: expect.stringContaining('no board is 33 mm thick') },
    ]);
  });

  test('plan prints a panel set', () => {
    const set = JSON.parse(spareKnot('plan plan').output) as {
      format: string;
      panels: { id: string }[];
    };
    expect(set.format).toBe('spare-knot/panel-set');
    expect(set.panels.map((panel) => panel.id)).toEqual([
      'front',
      'back',
      'side-left',
      'side-right',
      'floor',
      'roof',
    ]);
  });

  test.each([
    ['', 2, 'no command'],
    ['saw wood', 2, 'no command'],
    ['plan', 2, 'plan takes 1 file'],
    ['check - -', 2, 'only one file'],
    ['job plan rack --boxes none', 2, '--boxes'],
    ['job plan rack --teeth 3', 2, 'teeth'],
    ['plan nowhere', 1, 'nowhere: cannot be read'],
    ['plan rack', 1, 'rack: this is not JSON'],
    ['layout plan', 1, 'plan: format: found "spare-knot/box-plan"'],
  ])('%j ends with %d and says why', (line, code, message) => {
    const result = spareKnot(line);
    expect(result.code).toBe(code);
    expect(result.output).toBe('');
    expect(result.messages.join('\n')).toContain(message);
  });

  test('a file of the first version is read, and what it leaves out is said on standard error', () => {
    const { plan } = at(BEFORE, 0);
    const { ventSize: _ventSize, ...sizes } = plan.sizes;
    const result = spareKnot('plan before', { before: JSON.stringify({ ...plan, sizes }) });
    expect(result.code).toBe(0);
    expect(result.messages).toContain(
      'before: sizes.ventSize: is not given; the usual one is taken',
    );
    expect(JSON.parse(result.output).panels).toHaveLength(6);
  });

  test('an answer that is none is an error at its path, not a stack trace', () => {
    const plan = JSON.parse(must(files.plan, 'plan')) as { choices: Record<string, string> };
    plan.choices.roof = 'abc';
    const result = spareKnot('plan bad', { bad: JSON.stringify(plan) });
    expect([result.code, result.output]).toEqual([1, '']);
    expect(result.messages[0]).toMatch(/^bad: choices\.roof: “abc” is no answer/);
  });

  test('the rules that a box is held against are printed; refusals with exit 1', () => {
    const result = spareKnot('checks plan');
    expect(result.code).toBe(0);
    const checks = JSON.parse(result.output) as { id: string; severity: string; text: string }[];
    expect(checks.map(({ id }) => id)).toEqual(expect.arrayContaining(['grip', 'floor', 'air']));
    expect(checks.every(({ text }) => typeof text === 'string')).toBe(true);
    const plan = JSON.parse(must(files.plan, 'plan')) as { sizes: Record<string, number> };
    plan.sizes.entranceHeight = 400;
    const refused = spareKnot('checks bad', { bad: JSON.stringify(plan) });
    expect(refused.code).toBe(1);
    expect(JSON.parse(refused.output)[0].field).toBe('entranceHeight');
  });

  test('a stop is said on standard error by plan and job, which answer all the same', () => {
    const plan = JSON.parse(must(files.plan, 'plan')) as {
      wood: Record<string, { faceA: string; faceB: string }>;
    };
    Object.assign(must(plan.wood.front, 'front'), { faceA: 'planed', faceB: 'planed' });
    for (const command of ['plan bare', 'job bare rack --boxes 2']) {
      const sound = spareKnot(command.replace('bare', 'plan'));
      expect([sound.code, sound.messages.filter((each) => each.includes('stop'))]).toEqual([0, []]);
      const bare = spareKnot(command, { bare: JSON.stringify(plan) });
      expect(bare.code).toBe(0);
      expect(bare.output.length).toBeGreaterThan(100);
      expect(bare.messages.join('\n')).toMatch(/^bare: stop: grip: Nothing to climb by/m);
    }
  });

  test('a plan that gives no sound box names the field', () => {
    const plan = JSON.parse(must(files.plan, 'plan')) as { sizes: Record<string, number> };
    plan.sizes.entranceHeight = 400;
    const result = spareKnot('plan bad', { bad: JSON.stringify(plan) });
    expect(result.code).toBe(1);
    expect(result.messages[0]).toContain('bad: entranceHeight: The entrance reaches the roof');
  });
});
