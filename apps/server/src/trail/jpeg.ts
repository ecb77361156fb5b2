import { badInput } from '../http/problem.js';

const MARKER = 0xff;
/** Start of scan: what follows is the picture itself. */
const SCAN = 0xda;
/** JFIF, which every decoder knows and which tells nothing but the shape of a dot. */
const JFIF = 0xe0;

const isSegmentOfOthers = (marker: number): boolean =>
  (marker > JFIF && marker <= 0xef) || marker === 0xfe;

const wrong = (message: string) => badInput([{ path: 'jpeg', message }]);

/**
 * A picture that is a JPEG (ITU-T T.81), without the segments in which cameras write where and by whom it was taken. Refuses what is none.
 */
export function barePicture(picture: Buffer): Buffer {
  if (picture.length < 4 || picture.readUInt16BE(0) !== 0xffd8) throw wrong('is no JPEG picture');
  const kept = [picture.subarray(0, 2)];
  let at = 2;
  while (at + 4 <= picture.length) {
    const marker = picture.readUInt8(at + 1);
    if (picture.readUInt8(at) !== MARKER) throw wrong('is a JPEG that is broken');
    if (marker === SCAN) {
      kept.push(picture.subarray(at));
      return Buffer.concat(kept);
    }
    const end = at + 2 + picture.readUInt16BE(at + 2);
    if (end > picture.length) throw wrong('is a JPEG that is broken');
    if (!isSegmentOfOthers(marker)) kept.push(picture.subarray(at, end));
    at = end;
  }
  throw wrong('is a JPEG without a picture in it');
}
