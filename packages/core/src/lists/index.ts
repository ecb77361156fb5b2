export { digestOf } from './digest.js';
export { at, entry, maxBy, median, minBy, must, once, ringPairs, sum } from './lists.js';
