import type { Piece, Point } from '@early-lantern/contract';
import type { XY } from '../geometry/line.ts';

/** To a hundredth of a millimetre. */
export const tidy = (metres: number): number => Number(metres.toFixed(5));

/** A place on the elevation as a piece keeps it; nothing sinks below the floor. */
export const asPoint = ({ x, y }: XY): Point => ({ xM: tidy(x), yM: tidy(Math.max(0, y)) });

const by = ({ xM, yM }: Point, dxM: number, dyM: number): Point => asPoint({ x: xM + dxM, y: yM + dyM });

/** The piece moved on its spot, metres; nothing sinks below the floor. */
export function moved<P extends Piece>(piece: P, dxM: number, dyM: number): P {
  switch (piece.kind) {
    case 'organic-garland':
      return { ...piece, line: piece.line.map((point) => by(point, dxM, dyM)) };
    case 'chain':
      return { ...piece, from: by(piece.from, dxM, dyM), to: by(piece.to, dxM, dyM) };
    default:
      return { ...piece, at: by(piece.at, dxM, dyM) };
  }
}
