import type { Picture } from '@spare-knot/core/api';
import type { OptionPicture } from '@spare-knot/core/sheets';

/** A small view of a box, from the same geometry as the large drawings; `light` for what is not cut but looked at. */
export function SmallPicture({
  picture,
  width,
  height,
  light = false,
}: {
  picture: Picture | OptionPicture;
  width: number;
  height: number;
  light?: boolean;
}) {
  const { box, behind, cut } = picture;
  const { accent, holes } = 'accent' in picture ? picture : { accent: '', holes: '' };
  const [, , wide, high] = box;
  const stroke = Math.max(wide / (width - 4), high / (height - 4));
  const [left, top] = [box[0] - 2 * stroke, box[1] - 2 * stroke];
  return (
    <svg
      width={width}
      height={height}
      viewBox={`${left} ${top} ${wide + 4 * stroke} ${high + 4 * stroke}`}
      aria-hidden
      className="block"
    >
      <path d={behind} fill="#f7ead3" stroke="#a98b5d" strokeWidth={stroke * 0.8} />
      <path
        d={cut}
        fill={light ? '#edd2ad' : '#cf9f63'}
        stroke="#4d3414"
        strokeWidth={stroke * 0.9}
      />
      <path d={accent} fill="#1d5a96" stroke="#4d3414" strokeWidth={stroke * 0.9} />
      <path d={holes} fill="#3a2a1a" />
    </svg>
  );
}
