import type { Colour, ColourId, Grade, Pack, SizeEntry, WorkshopSettings } from '@early-lantern/contract';
import data from './catalogue.json';
import { latexMassG } from './mass.ts';

interface CatalogueSize extends SizeEntry {
  tag: string;
}

/** Sizes as they are sold, with the diameters they are usually blown to. */
export const catalogueSizes: readonly CatalogueSize[] = data.sizes;

/** Every size there is to choose from, the smallest first: the catalogue's and those that the workshop added. */
export const knownSizes = (settings?: Pick<WorkshopSettings, 'sizes'>): number[] =>
  [...new Set([...catalogueSizes, ...(settings?.sizes ?? [])].map(({ nominalIn }) => nominalIn))].sort(
    (a, b) => a - b,
  );

/** A size's figures: the workshop's own, else the catalogue's, else from the formulas. */
export function sizeOf(nominalIn: number, settings?: Pick<WorkshopSettings, 'sizes'>): CatalogueSize {
  const own = settings?.sizes?.find((size) => size.nominalIn === nominalIn);
  if (own) return { ...own, tag: "the workshop's own figures" };
  const listed = catalogueSizes.find((size) => size.nominalIn === nominalIn);
  return (
    listed ?? {
      nominalIn,
      blowIn: { min: Math.max(1, nominalIn * 0.6), max: nominalIn * 0.9 },
      massG: latexMassG(nominalIn),
      topUpPct: 2,
      tag: 'from memory, an editable default',
    }
  );
}

/** Packs that a product comes in: its own, else those of its size, else the catalogue's; singly where none is known. */
export function packsOf(
  nominalIn: number,
  colour: ColourId,
  settings: Pick<WorkshopSettings, 'packs'>,
): Pack[] {
  const own = (settings.packs ?? []).filter((pack) => pack.nominalIn === nominalIn);
  const ofColour = own.filter((pack) => pack.colour === colour);
  if (ofColour.length) return ofColour;
  const ofSize = own.filter((pack) => pack.colour === undefined);
  if (ofSize.length) return ofSize;
  const listed = data.packs.filter((pack) => pack.nominalIn === nominalIn);
  return listed.length ? listed : [{ nominalIn, count: 1 }];
}

export const defaultPacks: readonly Pack[] = data.packs;

/** Chance that a balloon of a quality grade is lost in making, with the figure's tag. */
function gradeLoss(grade: Grade): { loss: number; tag: string } {
  const entry = data.grades.find((row) => row.grade === grade);
  if (!entry) throw new RangeError(`no loss rate for grade "${grade}"`);
  return { loss: entry.loss, tag: entry.tag };
}

/** Chance that a balloon of a product is lost: the workshop's own experience with the colour goes before the grade's. */
export function productLoss(colour: Colour | undefined, pieceGrade: Grade): { loss: number; tag: string } {
  if (colour?.lossPct !== undefined)
    return { loss: colour.lossPct / 100, tag: "the workshop's own experience with this colour" };
  return gradeLoss(colour?.grade ?? pieceGrade);
}

/** Sizes sold under neighbouring numbers that are used for each other. Common practice, no source. */
const families: readonly (readonly number[])[] = [
  [11, 12],
  [16, 17, 18],
];

/** The sizes that are used for one another, this one among them. */
export const familyOf = (nominalIn: number): readonly number[] =>
  families.find((family) => family.includes(nominalIn)) ?? [nominalIn];

const isSameSize = (a: number, b: number): boolean => familyOf(a).includes(b);

/** Whether a colour is made in a size; a colour that does not say comes in all. */
export function comesIn(
  colour: Colour | undefined,
  nominalIn: number,
  { familiesApart }: Pick<WorkshopSettings, 'familiesApart'> = {},
): boolean {
  return (
    !colour?.sizesIn ||
    colour.sizesIn.some((size) => (familiesApart ? size === nominalIn : isSameSize(size, nominalIn)))
  );
}

/** Whether a size is that of modelling balloons, which are listed by how thick they are blown. */
export const isModelling = (nominalIn: number): boolean => nominalIn === 2;

/** "11 in."; a modelling balloon, listed as 2 in. thick, is no round of that size. */
export function sizeName(nominalIn: number): string {
  return isModelling(nominalIn) ? 'modelling 260' : `${nominalIn} in.`;
}
