export { at, ringPairs } from './lists.js';
