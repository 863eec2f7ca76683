import type { HoldPiece, Piece } from '@early-lantern/contract';

/** A piece that nothing is known of yet but its mass, kg, and what carries it. */
export const blank = (piece: Piece, carrier: string, massKg: number): HoldPiece => ({
  id: piece.id,
  name: piece.name,
  carrier,
  massKg,
  isOutdoors: false,
  unasked: [],
  safetyFactor: null,
  required: null,
  governing: '',
  limitGustMs: null,
  takeDownGustMs: null,
  lowerGustMs: null,
  watchGustMs: null,
  ballastKg: [],
  weights: [],
  tieLines: [],
  ground: [],
  cases: [],
  points: [],
  troubles: [],
  risks: [],
  notes: [],
  working: [],
});
