import type { Colour, ColourShare, OrganicGarland, Piece, Spot } from '@early-lantern/contract';
import { catalogueSizes } from '@early-lantern/core';
import { newId } from '../parts/ids.ts';

/** Blow range of a nominal size, from the catalogue; nine tenths of the size where it is not listed. */
export function usualRange(nominalIn: number): { min: number; max: number } {
  const listed = catalogueSizes.find((size) => size.nominalIn === nominalIn);
  return listed ? { ...listed.blowIn } : { min: Math.max(1, nominalIn * 0.6), max: nominalIn * 0.9 };
}

/** Even whole shares that add up to 100. */
function evenShares(count: number): number[] {
  return Array.from(
    { length: count },
    (_, i) => Math.floor((100 * (i + 1)) / count) - Math.floor((100 * i) / count),
  );
}

/** A first garland on a spot: a rising sweep over two thirds of it, the usual mix, the first colours. */
export function newGarland(
  spot: Spot,
  colours: readonly Colour[],
  existing: readonly Piece[],
): OrganicGarland {
  const name = existing.length === 0 ? 'Garland' : `Garland ${existing.length + 1}`;
  const at = (x: number, y: number) => ({
    xM: Number((x * spot.widthM).toFixed(3)),
    yM: Number((y * Math.min(spot.heightM, 3.4)).toFixed(3)),
  });
  const chosen = colours.slice(0, 3);
  const shares = evenShares(chosen.length);
  return {
    kind: 'organic-garland',
    id: newId(name),
    name,
    spotId: spot.id,
    line: [at(0.16, 0.12), at(0.24, 0.46), at(0.48, 0.7), at(0.78, 0.74)],
    widthM: 0.6096,
    taper: 0.75,
    clusterSize: 'auto',
    strung: 'tight',
    joining: 'string-260',
    sizePolicy: 'as-set',
    sizes: [
      { nominalIn: 11, sharePct: 75, inflatedIn: usualRange(11) },
      { nominalIn: 17, sharePct: 25, inflatedIn: usualRange(17) },
    ],
    colours: chosen.map((colour, i): ColourShare => ({ colour: colour.id, sharePct: shares[i] as number })),
    colourPlan: 'blocks',
    fillers: { nominalIn: 5, inflatedIn: { min: 3, max: 4.5 }, triosPerM: 6.56 },
    grade: 'professional',
    seed: Math.floor(Math.random() * 1_000_000),
  };
}
