/** A share with the interval in which it lies, 95 in 100 times; counts beside it, so that small numbers show. */
export interface Share {
  of: number;
  hung: number;
  share: number;
  low: number;
  high: number;
}

/** The 97.5th percentile of the standard normal distribution. */
const Z = 1.959963984540054;

/** Fewer than this say little whatever they show: common practice, no source. */
export const FEW = 10;

/** How many of how many, by Wilson’s score interval (E. B. Wilson, JASA 22, 1927; R. G. Newcombe, Statist. Med. 17, 1998, method 3). */
export function shareOf(of: number, hung: number): Share {
  if (hung === 0) return { of, hung, share: 0, low: 0, high: 1 };
  const share = of / hung;
  const z2 = (Z * Z) / hung;
  const middle = (share + z2 / 2) / (1 + z2);
  const half = (Z * Math.sqrt((share * (1 - share)) / hung + z2 / (4 * hung))) / (1 + z2);
  return {
    of,
    hung,
    share,
    low: of === 0 ? 0 : middle - half,
    high: of === hung ? 1 : middle + half,
  };
}

/** One box in one year: where it hung, and the best that was seen in it. */
export interface BoxYear {
  year: number;
  animal: string | null;
  plan: string;
  place: string;
  facing: string | null;
  /** Metres, rounded down; null where nobody has said. */
  height: number | null;
  visits: number;
  livedIn: boolean;
  eggs: number;
  young: number;
  fledged: number;
}

export const SEASON_KEYS = ['year', 'animal', 'plan', 'place', 'facing', 'height'] as const;
export type SeasonKey = (typeof SEASON_KEYS)[number];

/** What came of the boxes that are alike in one thing. */
export interface SeasonRow {
  /** What they are alike in; null where nobody has said. */
  key: string | number | null;
  /** Lived in, of those that were visited that year. */
  taken: Share;
  /** Hung, but nobody looked. */
  unseen: number;
  eggs: number;
  young: number;
  fledged: number;
}

/** What is counted of boxes that are alike. */
type Counted = Record<'seen' | 'taken' | 'unseen' | 'eggs' | 'young' | 'fledged', number>;

/** Boxes by what they are alike in. A box that nobody visited in a year is counted apart, not as empty. */
export function seasonBy(years: readonly BoxYear[], by: SeasonKey): SeasonRow[] {
  const groups = new Map<string | number | null, Counted>();
  for (const each of years) {
    const key = each[by] === '' ? null : each[by];
    const group = groups.get(key) ?? {
      seen: 0,
      taken: 0,
      unseen: 0,
      eggs: 0,
      young: 0,
      fledged: 0,
    };
    groups.set(key, group);
    if (each.visits === 0) {
      group.unseen += 1;
      continue;
    }
    group.seen += 1;
    if (each.livedIn) group.taken += 1;
    group.eggs += each.eggs;
    group.young += each.young;
    group.fledged += each.fledged;
  }
  const rows = [...groups].map(
    ([key, { seen, taken, ...counted }]): SeasonRow => ({
      key,
      taken: shareOf(taken, seen),
      ...counted,
    }),
  );
  return rows.sort((a, b) => (by === 'year' || by === 'height' ? inOrder(a, b) : mostFirst(a, b)));
}

const inOrder = (a: SeasonRow, b: SeasonRow): number =>
  Number(a.key ?? Number.POSITIVE_INFINITY) - Number(b.key ?? Number.POSITIVE_INFINITY);
const mostFirst = (a: SeasonRow, b: SeasonRow): number =>
  b.taken.hung - a.taken.hung || String(a.key).localeCompare(String(b.key));
