/** Longest side of a picture that is kept, in pixels, and as many letters of base64 as are sent at most. */
interface Small {
  most: number;
  letters: number;
}
const PHOTO: Small = { most: 1000, letters: 500_000 };
const SKETCH: Small = { most: 1800, letters: 1_300_000 };
const QUALITY = 0.72;

/** A picture as it is kept: JPEG in base64, and how large it is, in pixels. */
export interface SmallPicture {
  jpeg: string;
  width: number;
  height: number;
}

async function small(file: Blob, { most: first, letters }: Small): Promise<SmallPicture> {
  const picture = await createImageBitmap(file).catch(() => {
    throw new Error('this is no picture that can be read');
  });
  for (let most = first; most >= 250; most /= 2) {
    const scale = Math.min(1, most / Math.max(picture.width, picture.height));
    const canvas = document.createElement('canvas');
    canvas.width = Math.max(1, Math.round(picture.width * scale));
    canvas.height = Math.max(1, Math.round(picture.height * scale));
    canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height);
    const [, jpeg = ''] = canvas.toDataURL('image/jpeg', QUALITY).split(',');
    if (jpeg !== '' && jpeg.length <= letters)
      return { jpeg, width: canvas.width, height: canvas.height };
  }
  throw new Error('this picture does not get small enough');
}

/**
 * A photo as it is kept: small, and drawn anew, so that nothing of where and by whom it was taken goes with it. JPEG in base64; rejects
 * what is no picture.
 */
export const smallPhoto = async (file: Blob): Promise<string> => (await small(file, PHOTO)).jpeg;

/** A picture of the place as it is kept, drawn anew like a photo; large enough that its writing is read. */
export const smallSketch = (file: Blob): Promise<SmallPicture> => small(file, SKETCH);
