export { digestOf } from './digest.js';
export { at, entry, maxBy, median, minBy, must, ringPairs, sum } from './lists.js';
