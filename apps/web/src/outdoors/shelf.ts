/** What the pages of one build are made of lies under this name and the build’s own. */
const PAGES = 'spare-knot-pages ';
export const pagesOf = (build: string): string => `${PAGES}${build}`;
export const isPages = (shelf: string): boolean => shelf.startsWith(PAGES);

/** What the server last said of each thing that is read. */
export const SAID = 'spare-knot-said';

/** The page itself, whatever address it is opened at. */
export const PAGE = '/';

/** Every file of a build and its name, as the build wrote them down. */
export const FILES = '/files.json';

/** Addresses whose answers never change, since their names do. */
export const isAsset = (path: string): boolean => path.startsWith('/assets/');

const ID = '[0-9a-f-]{36}';
const READS = [
  'batches',
  `batches/${ID}`,
  `batches/${ID}/(sawing|sawing/progress|sawing/log|work)`,
  'plans',
  'rack',
  'yard',
  'bin',
  'supplies',
  'lists/[a-z]+',
  'shop',
  'shop/(pace|learned)',
  'sketches',
  'repairs',
  `repairs\\?box=${ID}`,
  `repairs/plans/[0-9a-f]{64}`,
  'winter',
  'trail',
  `trail/${ID}`,
  'trail/season\\?.*',
].map((path) => new RegExp(`^/api/${path}$`));

/** What a maker reads away from the house: lists, batches and boxes; no file that is taken away, and no picture. */
export const isRead = (address: string): boolean => READS.some((path) => path.test(address));

const CHANGED = new RegExp(`^/api/batches/${ID}$`);
const SAWN = new RegExp(`^(/api/batches/${ID}/sawing)/cuts$`);

/** The read that the answer to a write is as good as; null where there is none. */
export function readAfter(method: string, path: string): string | null {
  if (method === 'PATCH' && CHANGED.test(path)) return path;
  const [, sawing] = (method === 'POST' && SAWN.exec(path)) || [];
  return sawing === undefined ? null : `${sawing}/progress`;
}

/** Things that are read and kept: the oldest go first. */
export const MOST_SAID = 400;
