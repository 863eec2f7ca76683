import type { Colour, Piece } from '@early-lantern/contract';
import type { Picture } from '@early-lantern/core';
import { useDrag } from '@use-gesture/react';
import { memo, useRef } from 'react';
import { attracted, type magnetsOf } from './magnets.ts';
import { PieceDrawing } from './PieceDrawing.tsx';

interface MovablePieceProps {
  piece: Piece;
  picture: Picture | undefined;
  colours: readonly Colour[];
  heightM: number;
  perM: number;
  snapM: number;
  isChosen: boolean;
  isPainted: boolean;
  /** What it is drawn to while it is dragged, asked for once a drag. */
  magnets: (id: string) => ReturnType<typeof magnetsOf>;
  onChoose: (id: string) => void;
  onMove: (id: string, dxM: number, dyM: number, gesture: string) => void;
  /** It was let go somewhere else than where it was taken up. */
  onDrop: (id: string) => void;
}

/** Pixels from which a magnet draws. */
const MAGNET_PX = 7;

/** A drag: the piece as it was taken up, what it is drawn to, and how far it has been moved. */
interface Drag {
  start: Piece;
  magnets: ReturnType<typeof magnetsOf>;
  moved: [number, number];
}

const BY_POINTER = { pointer: { keys: false }, threshold: 4 };

/** A piece on the elevation: pressed it is chosen, dragged it moves, with whatever moves with it. */
export const MovablePiece = memo(function MovablePiece(props: MovablePieceProps) {
  const { piece, picture, colours, heightM, perM, snapM, isChosen, isPainted } = props;
  const { magnets, onChoose, onMove, onDrop } = props;
  const gestures = useRef(0);
  const bind = useDrag(({ first, last, movement: [mx, my], memo }): Drag => {
    if (first) gestures.current += 1;
    const drag = (memo ?? { start: piece, magnets: magnets(piece.id), moved: [0, 0] }) as Drag;
    const snap = (px: number) => Math.round(px / perM / snapM) * snapM;
    const to = attracted(drag.start, { dxM: snap(mx), dyM: snap(-my) }, drag.magnets, MAGNET_PX / perM);
    const [beforeX, beforeY] = drag.moved;
    if (to.dxM !== beforeX || to.dyM !== beforeY)
      onMove(piece.id, to.dxM - beforeX, to.dyM - beforeY, `move-${gestures.current}`);
    if (last && (to.dxM !== 0 || to.dyM !== 0)) onDrop(piece.id);
    return { ...drag, moved: [to.dxM, to.dyM] };
  }, BY_POINTER);
  if (!picture) return null;
  return (
    <g
      {...bind()}
      onPointerDownCapture={() => onChoose(piece.id)}
      style={{ cursor: isChosen ? 'move' : 'pointer', touchAction: isChosen ? 'none' : 'auto' }}
    >
      <PieceDrawing picture={picture} colours={colours} heightM={heightM} isPainted={isPainted} />
    </g>
  );
});
