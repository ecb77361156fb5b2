export { at, entry, maxBy, minBy, must, ringPairs, sum } from './lists.js';
