const KELVIN = 273.15;

/** Air somewhere: how warm, and at what pressure. */
export interface Air {
  celsius: number;
  pascal: number;
}

/**
 * Diameter of a closed soft balloon elsewhere over its diameter here: the cube root of its volume's ratio,
 * `(T₂ p₁ / (T₁ p₂))^(1/3)`. The skin's own pressure, 2–4 kPa, is left out.
 */
export function diameterRatio(here: Air, there: Air): number {
  return Math.cbrt(((there.celsius + KELVIN) * here.pascal) / ((here.celsius + KELVIN) * there.pascal));
}

/** Share of a balloon's working limit that it is blown to at most. From memory, an editable default. */
export const LIMIT_MARGIN = 0.92;

/**
 * Diameter to blow to in the workshop, same unit as given, so that it is what was wanted where it hangs, or as near to
 * it as its limit allows: `min(wanted, limit · margin)` brought back to the workshop's air.
 */
export const blowTo = (wanted: number, limit: number, shop: Air, site: Air): number =>
  Math.min(wanted, limit * LIMIT_MARGIN) / diameterRatio(shop, site);
