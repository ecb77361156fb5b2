/** Ways in which a box hangs or stands, as makers tell them. */
export const HANGING_WAYS = [
  'screws-inside',
  'coach-screws',
  'back-plate',
  'wire',
  'chain',
  'hanger',
  'rod',
  'pole',
  'post-rod',
  'winch-pole',
  'eaves',
  'barn-wall',
] as const;
export type HangingWay = (typeof HANGING_WAYS)[number];

export const isHangingWay = (id: string): id is HangingWay =>
  HANGING_WAYS.some((way) => way === id);

/** What each way is, in a maker’s words. Common practice, no source. */
export const HANGING_WORDS: Readonly<Record<HangingWay, readonly [name: string, what: string]>> = {
  'screws-inside': [
    'screws through the back',
    'Two screws from inside the open box, one high and one low.',
  ],
  'coach-screws': ['coach screws', 'Two long coach screws high in the back, for a box of weight.'],
  'back-plate': [
    'a plate behind the back',
    'A board that stands out above and below, with a screw at each end: the box stays closed.',
  ],
  wire: ['wire round the tree', 'Over a strip of rubber, tightened loosely, let out as it grows.'],
  chain: [
    'a chain from eye bolts',
    'Two eye bolts high in the back, chain to screw eyes in the trunk, a low board off the bark.',
  ],
  hanger: ['a picture hanger', 'For a light box that is taken down to be looked into.'],
  rod: [
    'a threaded rod and a nail',
    'The rod through back and post, a nail below so that it does not turn.',
  ],
  pole: ['straps on a smooth pole', 'Conduit with an anchor board below ground, or in concrete.'],
  'post-rod': ['a post on a rod', 'A rod in the ground, up into the foot of the post.'],
  'winch-pole': ['a pole with a winch', 'The house comes down to be looked into and cleaned.'],
  eaves: ['under the eaves', 'Two screws through the back into the wall’s timber, rain kept off.'],
  'barn-wall': ['inside on the wall of a barn', 'Four coach screws through the back into timber.'],
};
