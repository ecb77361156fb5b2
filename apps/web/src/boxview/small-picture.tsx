import type { PanelSet } from '@spare-knot/core/panels';
import {
  behindSection,
  belowSection,
  type DrawnFace,
  frontView,
  levelSection,
  middleSection,
} from '@spare-knot/core/sheets';

import { useMemo } from 'react';

export type SmallView = 'section' | 'front' | 'plan';

interface Props {
  box: PanelSet;
  view: SmallView;
  width: number;
  height: number;
  /** Panels to point out. */
  accent?: readonly string[];
}

/** A small view of a box, from the same geometry as the large drawings. */
export function SmallPicture({ box, view, width, height, accent = [] }: Props) {
  const { behind, cut, holes, map } = useMemo(() => {
    const [cutFaces, behindFaces] =
      view === 'section'
        ? [middleSection(box), behindSection(box)]
        : view === 'plan'
          ? [levelSection(box), belowSection(box)]
          : [frontView(box), []];
    const entrances: DrawnFace[] =
      view === 'front'
        ? box.openings
            .filter(
              (opening) =>
                opening.kind !== 'drain' &&
                opening.polygon.every((point) => Math.abs(point[1]) <= 2),
            )
            .map((opening) => ({
              panel: 'hole',
              points: opening.polygon.map((point) => [point[0], point[2]] as const),
            }))
        : view === 'plan'
          ? box.openings
              .filter((opening) => opening.kind === 'drain' || opening.kind === 'crevice')
              .map((opening) => ({
                panel: 'hole',
                points: opening.polygon.map((point) => [point[0], point[1]] as const),
              }))
          : [];
    const all = [...cutFaces, ...behindFaces].flatMap((face) => face.points);
    const xs = all.map((point) => point[0]);
    const ys = all.map((point) => point[1]);
    const [left, right, low, high] = [
      Math.min(...xs),
      Math.max(...xs),
      Math.min(...ys),
      Math.max(...ys),
    ];
    const scale = Math.min((width - 4) / (right - left), (height - 4) / (high - low));
    const [dx, dy] = [(width - (right - left) * scale) / 2, (height - (high - low) * scale) / 2];
    const toPaper = (face: DrawnFace) =>
      face.points
        .map(
          ([x, y]) =>
            `${((x - left) * scale + dx).toFixed(1)},${(height - dy - (y - low) * scale).toFixed(1)}`,
        )
        .join(' ');
    return { behind: behindFaces, cut: cutFaces, holes: entrances, map: toPaper };
  }, [box, view, width, height]);
  return (
    <svg width={width} height={height} aria-hidden className="block">
      {behind.map((face, index) => (
        <polygon
          key={`b${index}`}
          points={map(face)}
          fill="#f7ead3"
          stroke="#a98b5d"
          strokeWidth=".8"
        />
      ))}
      {cut.map((face, index) => (
        <polygon
          key={`c${index}`}
          points={map(face)}
          fill={accent.includes(face.panel) ? '#1d5a96' : view === 'front' ? '#edd2ad' : '#cf9f63'}
          stroke="#4d3414"
          strokeWidth=".9"
        />
      ))}
      {holes.map((face, index) => (
        <polygon key={`h${index}`} points={map(face)} fill="#3a2a1a" />
      ))}
    </svg>
  );
}
