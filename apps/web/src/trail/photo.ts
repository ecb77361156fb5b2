/** Longest side of a photo that is kept, in pixels, and the quality it is written with. */
const MOST = 1000;
const QUALITY = 0.72;
/** As many letters of base64 as are sent at most. */
const MOST_LETTERS = 500_000;

/**
 * A picture as it is kept: small, and drawn anew, so that nothing of where and by whom it was taken goes with it. JPEG in base64; rejects
 * what is no picture.
 */
export async function smallPhoto(file: Blob): Promise<string> {
  const picture = await createImageBitmap(file).catch(() => {
    throw new Error('this is no picture that can be read');
  });
  for (let most = MOST; most >= 250; most /= 2) {
    const scale = Math.min(1, most / Math.max(picture.width, picture.height));
    const canvas = document.createElement('canvas');
    canvas.width = Math.max(1, Math.round(picture.width * scale));
    canvas.height = Math.max(1, Math.round(picture.height * scale));
    canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height);
    const [, jpeg = ''] = canvas.toDataURL('image/jpeg', QUALITY).split(',');
    if (jpeg !== '' && jpeg.length <= MOST_LETTERS) return jpeg;
  }
  throw new Error('this picture does not get small enough');
}
