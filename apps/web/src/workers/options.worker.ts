import { familyById } from '@spare-knot/core/families';
import { applying, type BoxPlan } from '@spare-knot/core/plan';
import { drawOption } from '@spare-knot/core/sheets';

import { type OptionPictures, optionKey } from './option-key';

export interface OptionsQuestion {
  run: number;
  plan: BoxPlan;
}
export interface OptionsAnswer {
  run: number;
  pictures: OptionPictures;
}

self.onmessage = ({ data: { run, plan } }: MessageEvent<OptionsQuestion>) => {
  const choices = applying(familyById(plan.family)?.choices ?? [], plan.choices);
  const pictures = new Map(
    choices.flatMap((choice) =>
      choice.options.flatMap(({ id }) => {
        const drawn = drawOption(plan, choice, id);
        return drawn ? [[optionKey(choice.id, id), drawn] as const] : [];
      }),
    ),
  );
  self.postMessage({ run, pictures } satisfies OptionsAnswer);
};
