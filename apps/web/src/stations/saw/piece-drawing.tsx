import { leavesOf, type NamedBoard, type NamedPiece, type Rect } from '@spare-knot/core/cuts';
import { type Bounds, boundsOf, type Point } from '@spare-knot/core/plane';
import { type PointerEvent, useRef } from 'react';

/** Drawn with a millimetre as one unit, the near edge below, as Layout draws a board. */
const TICKS = 320;

export const boundsOfPiece = ({ wood }: NamedPiece): Bounds =>
  wood ? boundsOf([...wood.faceA, ...wood.faceB]) : [0, 0, 0, 0];

/** A piece as it lies on its board, with the part that is spoken of; that can be drawn on it with a finger. */
export function PieceDrawing({
  board,
  piece,
  rect,
  tone,
  onDraw,
}: {
  board: NamedBoard;
  piece: NamedPiece;
  rect: Rect | null;
  /** What is marked: what is good of it, or a split. */
  tone: 'good' | 'flaw';
  onDraw: (rect: Rect) => void;
}) {
  const [left, bottom, right, top] = boundsOfPiece(piece);
  const from = useRef<Point | null>(null);
  const [length, width] = [(right - left) / TICKS, (top - bottom) / TICKS];
  const room = Math.max(length, width) * 0.03;
  const x = (ticks: number) => (ticks - left) / TICKS;
  const y = (ticks: number) => (top - ticks) / TICKS;
  // A bevel may leave no wood on one face.
  const path = (face: readonly Point[]) =>
    face.length === 0
      ? ''
      : `M${face.map(([u, v]) => `${x(u).toFixed(2)} ${y(v).toFixed(2)}`).join('L')}Z`;
  const pointOf = (event: PointerEvent<SVGSVGElement>): Point | null => {
    const matrix = event.currentTarget.getScreenCTM();
    if (!matrix) return null;
    const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
    const within = (value: number, most: number) => Math.min(Math.max(value, 0), most);
    return [left + within(at.x, length) * TICKS, top - within(at.y, width) * TICKS];
  };
  const onMove = (event: PointerEvent<SVGSVGElement>) => {
    const [start, now] = [from.current, pointOf(event)];
    if (!start || !now) return;
    const [u, v] = [Math.min(start[0], now[0]), Math.min(start[1], now[1])].map(Math.round);
    const [l, w] = [Math.abs(start[0] - now[0]), Math.abs(start[1] - now[1])].map(Math.round);
    if (u !== undefined && v !== undefined && l && w) onDraw([u, v, l, w]);
  };
  return (
    <svg
      viewBox={[-room, -room, length + 2 * room, width + 2 * room].join(' ')}
      className="max-h-44 w-full touch-none"
      role="img"
      aria-label={`The piece, face A up, its left end at the left. ${tone === 'good' ? 'What is sound can be drawn there.' : 'The split can be drawn there.'}`}
      onPointerDown={(event) => {
        from.current = pointOf(event);
        event.currentTarget.setPointerCapture(event.pointerId);
      }}
      onPointerMove={onMove}
      onPointerUp={() => {
        from.current = null;
      }}
    >
      {piece.wood && (
        <>
          <path d={path(piece.wood.faceB)} fill="none" stroke="#8a6a3c" strokeDasharray="4 3" />
          <path d={path(piece.wood.faceA)} fill="#edd2ad" stroke="#6b4f28" strokeWidth={room / 5} />
        </>
      )}
      {leavesOf(board, piece.id).map(
        ({ id, wood }) =>
          wood && (
            <path
              key={id}
              d={path(wood.faceA)}
              fill="none"
              stroke="#8a6a3c"
              strokeWidth={room / 12}
            />
          ),
      )}
      {rect && (
        <rect
          x={x(rect[0])}
          y={y(rect[1] + rect[3])}
          width={rect[2] / TICKS}
          height={rect[3] / TICKS}
          fill={tone === 'good' ? '#dfead6' : '#fae4de'}
          stroke={tone === 'good' ? '#3c6b35' : '#a8321f'}
          strokeWidth={room / 3}
          strokeDasharray={tone === 'good' ? undefined : `${room} ${room / 2}`}
        />
      )}
    </svg>
  );
}
