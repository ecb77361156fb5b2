import {
  type BuildChoices,
  type BuildPlan,
  type DryFitLook,
  dryFit,
  planBuild,
  type ThicknessEffect,
  thicknessEffects,
} from '@spare-knot/core/building';
import { buildBox } from '@spare-knot/core/families';
import type { PanelSet } from '@spare-knot/core/panels';
import type { BoxPlan, Refusal } from '@spare-knot/core/plan';

export interface BuildQuestion {
  plan: BoxPlan;
  boxes: number;
  choices: BuildChoices;
}

export type BuildAnswer =
  | {
      ok: true;
      box: PanelSet;
      build: BuildPlan;
      looks: readonly DryFitLook[];
      effects: readonly ThicknessEffect[];
    }
  | { ok: false; refusals: readonly Refusal[] };

function answer({ plan, boxes, choices }: BuildQuestion): BuildAnswer {
  const built = buildBox(plan);
  if (!built.ok) return built;
  const { box } = built;
  const build = planBuild(plan, box, boxes, choices);
  return { ok: true, box, build, looks: dryFit(box, build), effects: thicknessEffects(plan, box) };
}

self.onmessage = ({ data }: MessageEvent<BuildQuestion>) => self.postMessage(answer(data));
