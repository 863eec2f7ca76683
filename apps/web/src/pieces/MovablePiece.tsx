import type { Colour, Piece } from '@early-lantern/contract';
import type { Picture } from '@early-lantern/core';
import { useDrag } from '@use-gesture/react';
import { memo, useRef } from 'react';
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
  onChoose: (id: string) => void;
  onMove: (id: string, dxM: number, dyM: number, gesture: string) => void;
}

const BY_POINTER = { pointer: { keys: false }, threshold: 4 };

/** A piece on the elevation: pressed it is chosen, dragged it moves, with whatever moves with it. */
export const MovablePiece = memo(function MovablePiece(props: MovablePieceProps) {
  const { piece, picture, colours, heightM, perM, snapM, isChosen, isPainted, onChoose, onMove } = props;
  const gestures = useRef(0);
  const bind = useDrag(({ first, movement: [mx, my], memo }) => {
    if (first) gestures.current += 1;
    const snap = (px: number) => Math.round(px / perM / snapM) * snapM;
    const [dx, dy] = [snap(mx), snap(-my)];
    const [beforeX, beforeY] = (memo ?? [0, 0]) as [number, number];
    if (dx !== beforeX || dy !== beforeY)
      onMove(piece.id, dx - beforeX, dy - beforeY, `move-${gestures.current}`);
    return [dx, dy];
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
