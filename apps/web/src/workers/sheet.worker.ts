import { fitPanelSheet, type SheetFit, type SheetQuestion } from '@spare-knot/core/advice';
import { buildBox } from '@spare-knot/core/families';
import { highsSolver } from '@spare-knot/core/layout';
import { type OptionPicture, smallPicture } from '@spare-knot/core/sheets';
import loadHighs from 'highs';
import wasm from 'highs/runtime?url';
import { tellAnswer } from './tell-answer';

/** A box that the sheet can mean, with two small views of it. */
export interface DrawnFit extends SheetFit {
  front: OptionPicture | null;
  section: OptionPicture | null;
}

function drawn(fit: SheetFit): DrawnFit {
  const built = buildBox(fit.plan);
  if (!built.ok) return { ...fit, front: null, section: null };
  return {
    ...fit,
    front: smallPicture(built.box, 'front'),
    section: smallPicture(built.box, 'section'),
  };
}

function* drawnFits(
  ...question: Parameters<typeof fitPanelSheet>
): Generator<number, DrawnFit[], void> {
  return (yield* fitPanelSheet(...question)).map(drawn);
}

self.onmessage = async ({ data }: MessageEvent<SheetQuestion>) => {
  const highs = await loadHighs({ locateFile: () => wasm });
  tellAnswer(drawnFits(data, highsSolver(highs as never)));
};
