import type { BalloonRow, JobFile, WorkshopSettings } from '@early-lantern/contract';
import { DateTime } from 'luxon';
import { comesIn, packsOf } from '../balloon/catalogue.ts';
import { closestColours } from '../balloon/colour-difference.ts';
import { availableOn, type ProductNeed, productNeeds } from './needs.ts';
import { coverByPacks, type PackCover } from './packs.ts';

/** What to buy of one product. */
export interface BuyRow {
  product: ProductNeed;
  /** Balloons missing. */
  missing: number;
  cover: PackCover;
  supplier: string | undefined;
  leadDays: number;
  /** The last day on which an order still arrives in time, `YYYY-MM-DD`. */
  orderBy: string;
  isTooLate: boolean;
}

/** Days from order to arrival where no supplier is named. From memory, an editable default. */
const USUAL_LEAD_DAYS = 3;

/** The day the balloons must be in the workshop: the one before doors, when inflating begins. */
export function wantedDay({ job, workshop }: Pick<JobFile, 'job' | 'workshop'>): string {
  return DateTime.fromISO(job.doors, { zone: workshop.timeZone }).minus({ days: 1 }).toISODate() as string;
}

/**
 * What must be bought, by the last sensible order day, the earliest first.
 * @param today `YYYY-MM-DD`, to tell what is too late
 */
export function buyList(
  balloons: readonly BalloonRow[],
  settings: WorkshopSettings,
  wanted: string,
  today: string,
): BuyRow[] {
  return productNeeds(balloons, settings, wanted)
    .filter((product) => product.over < 0)
    .map((product) => {
      const missing = -product.over;
      const colour = settings.colours.find((one) => one.id === product.colour);
      const supplier = settings.suppliers?.find((one) => one.id === colour?.supplierId);
      const leadDays = supplier?.leadDays ?? USUAL_LEAD_DAYS;
      const orderBy = DateTime.fromISO(wanted).minus({ days: leadDays }).toISODate() as string;
      return {
        product,
        missing,
        cover: coverByPacks(missing, packsOf(product.nominalIn, product.colour, settings)),
        supplier: supplier?.name,
        leadDays,
        orderBy,
        isTooLate: orderBy < today,
      };
    })
    .sort((a, b) => a.orderBy.localeCompare(b.orderBy) || b.missing - a.missing);
}

/** A colour that could take the place of one that is sold out. */
export interface Substitute {
  colour: string;
  /** CIEDE2000. */
  difference: number;
  isMade: boolean;
  /** Available without buying. */
  available: number;
}

/** Colours for one that is sold out: those made in the size first, then by closeness. */
export function substitutes(
  nominalIn: number,
  colour: string,
  settings: WorkshopSettings,
  wanted: string,
): Substitute[] {
  const own = settings.colours.find((one) => one.id === colour);
  if (!own) return [];
  return closestColours(own, settings.colours)
    .map(({ colour: other, difference }) => {
      const there = availableOn(settings, nominalIn, other.id, wanted);
      return {
        colour: other.id,
        difference,
        isMade: comesIn(other, nominalIn),
        available: Math.max(0, there.onHand - there.reserved + there.arriving),
      };
    })
    .sort((a, b) => Number(b.isMade) - Number(a.isMade) || a.difference - b.difference);
}
