import type { LookedKind, LookLimits, Piece, Workshop } from '@early-lantern/contract';
import { inchesToMetres } from '../quantity/length.ts';

/** What the eye is not to find, as is usual. Common practice, no source; widths, middle, corners, hidden ones, crevices, patches and accents from memory. */
export const usualLimits: LookLimits = {
  gapM: inchesToMetres(1.5),
  stringM: inchesToMetres(1),
  wideM: inchesToMetres(4),
  offM: inchesToMetres(4),
  narrowPct: 80,
  footM: inchesToMetres(1.5),
  cornerPct: 90,
  hiddenPct: 50,
  creviceM: inchesToMetres(8),
  clumpPct: 99,
  apartTimes: 3,
};

/** What counts for a piece: of its kind before of the house before the usual. */
export function limitsOf(
  { kind }: Pick<Piece, 'kind'>,
  { looks, looksOfKind }: Pick<Workshop, 'looks' | 'looksOfKind'>,
): LookLimits {
  // Of a kind that is not looked at there are none.
  return { ...usualLimits, ...looks, ...looksOfKind?.[kind as LookedKind] };
}
