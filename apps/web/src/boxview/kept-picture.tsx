import type { Picture } from '@spare-knot/core/api';

/** A small drawing of a box as it comes with the list of batches. */
export function KeptPicture({
  picture: { box, behind, cut },
  width,
  height,
}: {
  picture: Picture;
  width: number;
  height: number;
}) {
  const stroke = Math.max(box[2] / width, box[3] / height);
  return (
    <svg width={width} height={height} viewBox={box.join(' ')} aria-hidden className="block">
      <path d={behind} fill="#f7ead3" stroke="#a98b5d" strokeWidth={stroke * 0.8} />
      <path d={cut} fill="#cf9f63" stroke="#4d3414" strokeWidth={stroke * 0.9} />
    </svg>
  );
}
