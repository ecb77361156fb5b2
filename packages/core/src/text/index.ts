export {
  joinTexts,
  ofAngle,
  ofArea,
  ofHeight,
  ofLength,
  ofPanel,
  ofWeight,
  plainText,
  printText,
  printValue,
  type Text,
  text,
} from './text.js';
