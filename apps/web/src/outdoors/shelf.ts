/** What lies here opens the page where the server cannot be reached. */
export const SHELF = 'spare-knot-outdoors';

/** The page itself, whatever address it is opened at. */
export const PAGE = '/';

/** Addresses whose answers never change, since their names do. */
export const isAsset = (path: string): boolean => path.startsWith('/assets/');

/** What a walk needs to read: the boxes, one box, the times that are heeded. */
export const isRead = (path: string): boolean =>
  path === '/api/trail' || path === '/api/shop' || /^\/api\/trail\/[0-9a-f-]{36}$/.test(path);

/** More than that are of builds that are gone: the oldest go first. */
export const MOST_KEPT = 600;
