import type { Piece } from '@early-lantern/contract';
import { useJob } from '../job/context.ts';
import { withHold } from './points.ts';

/** Changes how a piece is carried, the rest of it kept. */
export function useHoldEdit(piece: Piece) {
  const { changePiece } = useJob();
  return (edit: Parameters<typeof withHold>[1]) => changePiece(piece.id, (before) => withHold(before, edit));
}
