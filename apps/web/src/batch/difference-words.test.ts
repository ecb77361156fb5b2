import { describe, expect, test } from '@jest/globals';
import { animalById } from '@spare-knot/core/animals';
import { slantRoof } from '@spare-knot/core/families';
import { must } from '@spare-knot/core/lists';
import { fromMm } from '@spare-knot/core/measure';
import { startPlan } from '@spare-knot/core/plan';
import { STANDARD_WOOD } from '../wood/standard-wood';
import { differenceWords } from './difference-words';

const chickadee = must(animalById('black-capped-chickadee'), 'black-capped-chickadee');
const plan = startPlan(slantRoof, chickadee, STANDARD_WOOD);
const words = (path: string[], here: unknown, there: unknown) =>
  differenceWords({ path, here, there }, { plan }, { system: 'mm', division: 1 });

describe('what was changed in two places is named as the maker knows it', () => {
  test.each([
    [['name'], 'Six', 'Eight', { what: 'Name', here: '“Six”', there: '“Eight”' }],
    [['boxes'], 6, 8, { what: 'How many boxes', here: '6', there: '8' }],
    [
      ['plan', 'sizes', 'width'],
      fromMm(102),
      fromMm(110),
      {
        what: must(
          slantRoof.parameters.find(({ id }) => id === 'width'),
          'width',
        ).label,
        here: '102 mm',
        there: '110 mm',
      },
    ],
    [['saw', 'kerf'], fromMm(3), fromMm(2), { what: 'Kerf', here: '3 mm', there: '2 mm' }],
    [['plan', 'hanging'], null, 'strap', { what: 'How it hangs', here: 'nothing', there: 'strap' }],
    [['wishes', 'pinned'], [1], [1, 2], { what: 'Pinned panels', here: 'one', there: '2 of them' }],
    [['plan'], plan, plan, { what: 'The box', here: 'its own', there: 'its own' }],
    [['making', 'site', 'height'], 1, 2, { what: 'Making', here: '1', there: '2' }],
  ])('%j', (path, here, there, expected) => {
    expect(words(path, here, there)).toEqual(expected);
  });

  test('a question by its option, the wood of a panel by what it is', () => {
    const [question] = slantRoof.choices;
    const [one, other] = must(question, 'a question').options;
    const { what, here, there } = words(
      ['plan', 'choices', must(question, 'a question').id],
      must(one, 'an option').id,
      must(other, 'another').id,
    );
    expect([what, here, there]).toEqual([question?.label, one?.label, other?.label]);
    const wood = must(plan.wood.roof, 'the roof’s wood');
    expect(words(['plan', 'wood', 'roof'], wood, { ...wood, material: 'white-oak' })).toMatchObject(
      {
        what: 'Wood of: roof',
        there: expect.stringMatching(/^white-oak, .* thick$/),
      },
    );
  });
});
