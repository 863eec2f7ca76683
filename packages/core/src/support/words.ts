import type { On, Piece } from '@early-lantern/contract';
import { carryingOf } from './parts.ts';

/** "the top bar of Curtain"; nothing where no piece carries it. */
export function carrierWords(on: On | null | undefined, pieces: readonly Piece[]): string | undefined {
  const carrying = carryingOf(on, pieces);
  return carrying && `the ${carrying.part.label} of ${carrying.carrier.name}`;
}
