import { expect, test } from '@jest/globals';
import jsQR from 'jsqr';
import { qrPath } from './qr-code';

/** The path as a camera sees it: four points to a square. */
function photographed({ path, size }: ReturnType<typeof qrPath>): Uint8ClampedArray {
  const wide = size * 4;
  const pixels = new Uint8ClampedArray(wide * wide * 4).fill(255);
  for (const [, x, y] of path.matchAll(/M(\d+) (\d+)h1v1h-1z/g))
    for (let dy = 0; dy < 4; dy += 1)
      for (let dx = 0; dx < 4; dx += 1) {
        const at = ((Number(y) * 4 + dy) * wide + Number(x) * 4 + dx) * 4;
        pixels.fill(0, at, at + 3);
      }
  return pixels;
}

test('what is printed is read back by an independent reader', () => {
  for (const text of [
    'http://127.0.0.1:4310/boxes/3f0c2f7e-5a6b-4d53-9a58-2f5d1c7a9e01/17',
    'https://boxes.example/boxes/3f0c2f7e-5a6b-4d53-9a58-2f5d1c7a9e01/99999',
  ]) {
    const code = qrPath(text);
    const wide = code.size * 4;
    expect(jsQR(photographed(code), wide, wide)?.data).toBe(text);
  }
});
