import type { Colour, ColourId, WorkshopSettings } from '@early-lantern/contract';
import { familyOf } from '../balloon/catalogue.ts';
import type { Need } from '../piece/recipe.ts';

type Product = { nominalIn: number; colour: ColourId };

/** Whether sizes of a family are counted against the shelf together: unless the owner says not. */
export type FamilyRule = Pick<WorkshopSettings, 'familiesApart'>;

/** The other sizes of the family, the nearest first; none where the owner counts them apart. */
const matesOf = (nominalIn: number, { familiesApart }: FamilyRule): number[] =>
  familiesApart
    ? []
    : familyOf(nominalIn)
        .filter((size) => size !== nominalIn)
        .sort((a, b) => Math.abs(a - nominalIn) - Math.abs(b - nominalIn) || a - b);

/** The size of the family that a colour is made in: the wanted one where it is, else the nearest. */
function madeIn(colour: Colour | undefined, nominalIn: number, rule: FamilyRule): number {
  if (!colour?.sizesIn || colour.sizesIn.includes(nominalIn)) return nominalIn;
  return matesOf(nominalIn, rule).find((size) => colour.sizesIn?.includes(size)) ?? nominalIn;
}

/** What one product is given of the shelf: of its own size, and of others of its family. */
export interface Given extends Product {
  /** Of its own size. */
  own: number;
  fromFamily: { nominalIn: number; count: number }[];
  lacking: number;
}

/**
 * Shares the shelf out: first every product takes of its own size, then what is short takes of the rest of its family.
 * @param wants each product once
 * @param availableOf what there is of a product, 0 or more
 */
export function shareOut(
  wants: readonly (Product & { count: number })[],
  availableOf: (product: Product) => number,
  rule: FamilyRule,
): Given[] {
  const taken = new Map<string, number>();
  const take = (product: Product, wanted: number): number => {
    const key = `${product.nominalIn}|${product.colour}`;
    const gone = taken.get(key) ?? 0;
    const count = Math.max(0, Math.min(wanted, availableOf(product) - gone));
    taken.set(key, gone + count);
    return count;
  };
  const own = wants.map(({ nominalIn, colour, count }) => take({ nominalIn, colour }, count));
  return wants.map(({ nominalIn, colour, count }, i) => {
    let lacking = count - (own[i] as number);
    const fromFamily = matesOf(nominalIn, rule).flatMap((size) => {
      const given = take({ nominalIn: size, colour }, lacking);
      lacking -= given;
      return given > 0 ? [{ nominalIn: size, count: given }] : [];
    });
    return { nominalIn, colour, own: own[i] as number, fromFamily, lacking };
  });
}

/** Needs in the sizes that their colours are made in: a colour that comes in 12 in. only is bought and blown as that. */
export function asMade(
  needs: readonly Need[],
  settings: Pick<WorkshopSettings, 'colours'> & FamilyRule,
): readonly Need[] {
  const colours = new Map(settings.colours.map((colour) => [colour.id, colour]));
  const size = (need: Need) => madeIn(colours.get(need.colour), need.nominalIn, settings);
  if (needs.every((need) => size(need) === need.nominalIn)) return needs;
  return needs.map((need) => ({ ...need, nominalIn: size(need) }));
}
