export {
  joinTexts,
  ofAngle,
  ofArea,
  ofLength,
  ofPanel,
  ofWeight,
  plainText,
  printText,
  printValue,
  type Text,
  text,
} from './text.js';
