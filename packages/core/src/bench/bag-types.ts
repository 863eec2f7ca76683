import type { BagType, WorkshopSettings } from '@early-lantern/contract';

/** A large bag for loose balloons, m³. From memory, an editable default. */
const BAG_M3 = 0.35;

/** A full bag is a bolster: as long as it is, round across. */
const holdsM3 = ({ lengthM, diameterM }: Pick<BagType, 'lengthM' | 'diameterM'>): number =>
  (Math.PI / 4) * diameterM ** 2 * lengthM;

type Bags = Pick<WorkshopSettings, 'bagTypes' | 'bagM3'>;

/** What loose balloons go into: of the bags that the house owns the largest. */
export const looseBag = ({ bagTypes = [] }: Bags): BagType | undefined =>
  bagTypes.reduce<BagType | undefined>((a, b) => (a && holdsM3(a) >= holdsM3(b) ? a : b), undefined);

/** What a bag for loose balloons holds, m³. */
export function looseBagM3(settings: Bags): number {
  const own = looseBag(settings);
  return own ? holdsM3(own) : (settings.bagM3 ?? BAG_M3);
}

/** The smallest bag that takes something so long and so wide; undefined where none does. */
export const bagFor = (lengthM: number, diameterM: number, types: readonly BagType[]): BagType | undefined =>
  types
    .filter((one) => one.lengthM >= lengthM - 1e-9 && one.diameterM >= diameterM - 1e-9)
    .reduce<BagType | undefined>((a, b) => (a && holdsM3(a) <= holdsM3(b) ? a : b), undefined);
