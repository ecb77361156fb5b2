import { describe, expect, test } from '@jest/globals';
import { planFor } from '../../test/boxes.js';
import { lengthsIn } from '../../test/texts.js';
import { animalById } from '../animals/index.js';
import { hardwareOf } from '../building/index.js';
import { readBoxPlan, writeBoxPlan } from '../exchange/index.js';
import { buildBox, creviceBat, slantRoof } from '../families/index.js';
import { layoutJob, panelsAsSawn, STANDARD_SAW } from '../job/index.js';
import { checkLayout, searchLayout } from '../layout/index.js';
import { at, must } from '../lists/index.js';
import { fromMm } from '../measure/index.js';
import { type BoxPlan, doubledWoodOf, sawnThickness } from '../plan/index.js';
import { areaOf } from '../plane/index.js';
import type { BoardKind } from '../wood/index.js';
import { layerScrews, layersOf } from './layers.js';
import { instanceVolume } from './measures.js';
import type { PanelSet } from './panel-set.js';

const sheet: BoardKind = {
  material: 'plywood',
  thickness: fromMm(12),
  width: fromMm(1220),
  length: fromMm(2440),
  faceA: 'planed',
  faceB: 'planed',
  price: 4000,
  offcut: false,
  grained: false,
  grade: 'exterior',
  defects: [],
};
const start = planFor(creviceBat, must(animalById('crevice-bats-na'), 'the bats'), 19);
const cutFrom = (wood: BoxPlan['wood'][string]): BoxPlan => ({
  ...start,
  wood: Object.fromEntries(
    Object.entries(start.wood).map(([role, own]) => {
      const stick = creviceBat.roles.find(({ id }) => id === role)?.stick;
      return [role, stick ? own : wood];
    }),
  ),
});
const doubled = cutFrom(doubledWoodOf(sheet));
function built(plan: BoxPlan): PanelSet {
  const made = buildBox(plan);
  if (!made.ok) throw new Error(JSON.stringify(made.refusals));
  return made.box;
}

describe('two thin sheets glued and screwed into one', () => {
  test('take screws in their edge where one sheet is refused', () => {
    const thin = cutFrom({
      ...doubledWoodOf(sheet),
      thickness: fromMm(12),
      layers: undefined,
    } as never);
    expect(buildBox(thin).ok).toBe(false);
    expect(at(built(doubled).panels, 0).thickness).toBe(fromMm(24));
    expect(sawnThickness(doubledWoodOf(sheet))).toBe(fromMm(12));
  });

  test('are sawn as two panels of half the thickness that are together the one', () => {
    const { panels } = built(doubled);
    for (const panel of panels) {
      if (!doubled.wood[panel.role]?.layers) continue;
      const [outer, inner] = layersOf(panel);
      expect([outer.outline, inner.underside]).toEqual([panel.outline, panel.underside]);
      expect(outer.underside).toEqual(inner.outline);
      // A slab between two faces whose edges are straight: its volume by the mean of the faces and the middle (Simpson's rule).
      const volume = [outer, inner].map(({ outline, underside, thickness }) => {
        const middle = outline.map(([x, y], corner): [number, number] => {
          const [u, v] = at(underside, corner);
          return [(x + u) / 2, (y + v) / 2];
        });
        return ((areaOf(outline) + 4 * areaOf(middle) + areaOf(underside)) / 6) * thickness;
      });
      const whole = instanceVolume(at(panel.instances, 0));
      expect(Math.abs(at(volume, 0) + at(volume, 1) - whole) / whole).toBeLessThan(1e-3);
    }
    const sawn = panelsAsSawn(doubled, panels);
    expect(sawn.filter(({ id }) => id.endsWith('.outer')).length).toBe(
      sawn.filter(({ id }) => id.endsWith('.inner')).length,
    );
    expect(panelsAsSawn(start, panels)).toEqual(panels);
  });

  test('are laid out twice on the thin sheet, and the layout holds', () => {
    const stock = [
      { id: 'ply', quantity: 3, ...sheet },
      ...Object.entries(start.wood).map(([role, wood], index) => ({
        ...sheet,
        id: `stick-${index}-${role}`,
        quantity: 4,
        material: wood.material,
        thickness: wood.thickness,
        width: wood.width ?? fromMm(60),
        grained: true,
        faceA: 'rough' as const,
        faceB: 'rough' as const,
      })),
    ];
    const question = {
      name: '',
      plan: doubled,
      boxes: 1,
      stock,
      saw: STANDARD_SAW,
      seconds: 1,
      pinned: [],
    };
    const made = layoutJob(question);
    if (!made.ok) throw new Error('no job');
    expect(made.job.parts.find(({ id }) => id === 'back.outer')?.thickness).toBe(fromMm(12));
    let steps = 0;
    const layout = searchLayout(made.job, { clock: () => 0, stopped: () => ++steps > 3 });
    expect(layout.unplaced).toEqual([]);
    expect(checkLayout(made.job, layout)).toEqual([]);
  });

  test('are counted in screws that stay in the wood and in glue over their whole face', () => {
    const box = built(doubled);
    const front = must(
      box.panels.find(({ id }) => id === 'back'),
      'the back',
    );
    const screws = must(layerScrews(front), 'screws');
    expect(screws.fastener.length).toBeLessThanOrEqual(fromMm(24 - 3));
    expect(screws.fastener.length).toBeGreaterThan(fromMm(12));
    expect(screws.count).toBeGreaterThanOrEqual(4);
    // Nothing is short enough for two of 9 mm that bites: they are clamped.
    expect(layerScrews({ ...front, thickness: fromMm(12) })).toBeNull();
    const lines = hardwareOf(doubled, box);
    const why = must(
      lines.find(({ id }) => id.startsWith('layers-screw')),
      'screws of the sheets',
    ).why;
    // They keep out of the way of the joints' screws, none of which reaches so far in.
    const clear = must(lengthsIn(why)[0], 'a length');
    const bites = box.joints.flatMap(({ fastening }) => (fastening ? [fastening.bite] : []));
    expect(bites.length).toBeGreaterThan(4);
    expect(Math.max(...bites)).toBeLessThan(fromMm(clear));
    const glue = (plan: BoxPlan) =>
      hardwareOf(plan, box).find(({ id }) => id === 'glue')?.quantity ?? 0;
    expect(glue(doubled)).toBeGreaterThan(glue(start) + 20);
  });

  test('stand in a plan file, and are of sheets alone', () => {
    const read = readBoxPlan(JSON.stringify(writeBoxPlan(doubled)));
    expect(read.ok && read.value.plan).toEqual(doubled);
    const wren = planFor(slantRoof, must(animalById('house-wren'), 'the wren'));
    const front = { ...must(wren.wood.front, 'front'), layers: 2 as const };
    const refused = buildBox({ ...wren, wood: { ...wren.wood, front } });
    expect(!refused.ok && refused.refusals.map(({ field }) => field)).toEqual(['wood.front']);
    expect(writeBoxPlan(wren).wood.front).not.toHaveProperty('layers');
  });
});
