/** Where the arrow keys move something, in steps: to the right, upwards. */
export const ARROW_KEYS: Readonly<Record<string, readonly [right: number, up: number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
};
