import { at, sum } from '../../lists/index.js';
import type { CutTree, ThroughCut } from './separate.js';

/**
 * In how many stages a board comes apart as its cuts are planned: all cuts of a stage go one way, and stages turn by a quarter (Gilmore
 * and Gomory, Operations Research 13 (1965), from memory [M]). Cuts that part nothing but waste or an offcut from what is wanted are not
 * counted, nor are those that free a part within the wood.
 */
export function treeStages({ pieces, cuts }: CutTree): number {
  const cutOf = new Map(
    cuts.flatMap((cut): (readonly [number, ThroughCut])[] =>
      cut.kind === 'through' ? [[cut.of, cut]] : [],
    ),
  );
  const given = (piece: number): number[] =>
    (cutOf.get(piece)?.gives ?? []).flatMap((each) => (each === null ? [] : [each]));
  const counted = new Map<number, number>();
  const partsIn = (piece: number): number => {
    const known = counted.get(piece);
    if (known !== undefined) return known;
    const { is } = at(pieces, piece);
    const count = is !== null && typeof is === 'object' ? 1 : sum(given(piece).map(partsIn));
    counted.set(piece, count);
    return count;
  };
  const stages = (piece: number, before: boolean | null): number => {
    const cut = cutOf.get(piece);
    if (!cut || partsIn(piece) <= 1) return 0;
    const wanted = given(piece).filter((each) => partsIn(each) > 0);
    const [only, other] = wanted;
    if (only !== undefined && other === undefined) return stages(only, before);
    const isAlong = isLengthwise(cut);
    const turned = isAlong === before ? 0 : 1;
    return turned + Math.max(...wanted.map((each) => stages(each, isAlong)));
  };
  return stages(0, null);
}

const isLengthwise = ({ cut }: ThroughCut): boolean =>
  Math.abs(cut.along[0]) > Math.abs(cut.along[1]);
