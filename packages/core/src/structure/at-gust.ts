import type { HoldPiece } from '@early-lantern/contract';
import { dynamicPressure } from '../air/wind.ts';
import { factorAt, governing } from './standing.ts';

/** How a piece holds at a gust. */
export interface HeldAt {
  /** Of what governs there; infinite where nothing pushes. */
  factor: number;
  required: number;
  label: string;
}

/**
 * A planned piece at any gust, m/s: whatever governs of the ways it could come down and of its points.
 * @returns undefined for what needs no holding
 */
export function heldAt(
  { cases, points, required, governing: named }: HoldPiece,
  gustMs: number,
): HeldAt | undefined {
  const pressure = dynamicPressure(gustMs);
  const worst = governing(cases, pressure);
  if (worst) return { factor: factorAt(worst, pressure), required: worst.required, label: worst.label };
  if (points.length === 0 || required === null) return undefined;
  const factor = Math.min(
    ...points.map(({ ratingN, loadN, windNPerPa }) => {
      const borne = Math.hypot(loadN, windNPerPa * pressure);
      return borne > 0 ? ratingN / borne : Infinity;
    }),
  );
  return { factor, required, label: named };
}
