import { showPath } from '@spare-knot/core/exchange';

/** Values in one request, and how deep they lie in one another: far above what any page sends, so that reading it takes no second. */
const MOST_VALUES = 150_000;
const DEEPEST = 30;

/** Half a character: what no text has, and no file keeps. */
const HALF = /\p{Surrogate}/u;

type Way = (string | number)[];
interface Wrong {
  way: Way;
  message: string;
}

class Bounds {
  private values = 0;

  /** The first place that is beyond them. */
  find(value: unknown, depth = 0): Wrong | null {
    this.values += 1;
    if (this.values > MOST_VALUES) return { way: [], message: 'more is sent than is read at once' };
    if (depth > DEEPEST) return { way: [], message: 'lies too deep in one another' };
    if (typeof value === 'string')
      return HALF.test(value) ? { way: [], message: 'has half a character in it' } : null;
    if (typeof value !== 'object' || value === null) return null;
    return Array.isArray(value) ? this.inList(value, depth) : this.inFields(value, depth);
  }

  private inList(list: readonly unknown[], depth: number): Wrong | null {
    for (let index = 0; index < list.length; index += 1) {
      const wrong = this.find(list[index], depth + 1);
      if (wrong) return { ...wrong, way: [index, ...wrong.way] };
    }
    return null;
  }

  private inFields(fields: object, depth: number): Wrong | null {
    for (const [key, value] of Object.entries(fields)) {
      const wrong = HALF.test(key)
        ? { way: [], message: 'a name has half a character in it' }
        : this.find(value, depth + 1);
      if (wrong) return { ...wrong, way: [key, ...wrong.way] };
    }
    return null;
  }
}

/** What of a request is beyond all measure, before anybody reads what it means; null when nothing is. */
export function outOfBounds(value: unknown): { path: string; message: string } | null {
  const wrong = new Bounds().find(value);
  return wrong && { path: showPath(wrong.way), message: wrong.message };
}
