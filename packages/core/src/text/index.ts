export { piecesOf, say, sentenceIn } from './sentence.js';
