import type { Piece, Point } from '@early-lantern/contract';

const by = (point: Point, dxM: number, dyM: number): Point => ({
  xM: Number((point.xM + dxM).toFixed(5)),
  yM: Number(Math.max(0, point.yM + dyM).toFixed(5)),
});

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
