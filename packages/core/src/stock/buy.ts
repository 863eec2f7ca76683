import type { BalloonRow, ColourId, JobFile, Lack, OnOrder, WorkshopSettings } from '@early-lantern/contract';
import { DateTime } from 'luxon';
import { comesIn } from '../balloon/catalogue.ts';
import { closestColours } from '../balloon/colour-difference.ts';
import { availableOn, type ProductNeed, productNeeds } from './needs.ts';
import { type Purchase, purchasesOf } from './purchases.ts';

/** What to buy of one product, for this job and for others. */
export interface BuyRow extends Purchase {
  product: ProductNeed;
  /** Balloons that this job has of it. */
  missing: number;
  /** Balloons that other jobs have of it. */
  forOthers: { job: string; count: number }[];
  /** On order, but not here in time. */
  late: OnOrder[];
}

/** The day the balloons must be in the workshop: the one before doors, when inflating begins. */
export function wantedDay({ job, workshop }: Pick<JobFile, 'job' | 'workshop'>): string {
  return DateTime.fromISO(job.doors, { zone: workshop.timeZone }).minus({ days: 1 }).toISODate() as string;
}

/** What a job lacks of each product on its day. */
export const lacksOf = (job: string, needs: readonly ProductNeed[], wanted: string): Lack[] =>
  needs
    .filter(({ over }) => over < 0)
    .map(({ nominalIn, colour, over }) => ({ job, wanted, nominalIn, colour, count: -over }));

/** Tells a job's own lacks from those of others of the same name. */
const OWN = '';

/**
 * What must be bought for a job, by the last sensible order day, the earliest first: those of the packs, bought for
 * all coming jobs together, that this one needs.
 * @param today `YYYY-MM-DD`, to tell what is too late
 */
export function buyList(
  balloons: readonly BalloonRow[],
  settings: WorkshopSettings,
  wanted: string,
  today: string,
): BuyRow[] {
  const needs = productNeeds(balloons, settings, wanted);
  const own = lacksOf(OWN, needs, wanted);
  const isIt = (a: { nominalIn: number; colour: ColourId }) => (b: { nominalIn: number; colour: ColourId }) =>
    a.nominalIn === b.nominalIn && a.colour === b.colour;
  const others = (settings.othersLack ?? []).filter((lack) => own.some(isIt(lack)));
  return purchasesOf([...own, ...others], settings, today).flatMap((purchase) => {
    const missing = purchase.jobs.find(({ job }) => job === OWN)?.count ?? 0;
    const product = needs.find(isIt(purchase));
    if (missing === 0 || !product) return [];
    const late = (settings.onOrder ?? []).filter((one) => isIt(purchase)(one) && one.arrives > wanted);
    const forOthers = purchase.jobs.filter(({ job }) => job !== OWN);
    return [{ ...purchase, product, missing, forOthers, late }];
  });
}

/** A colour that could take the place of one that is sold out. */
export interface Substitute {
  colour: ColourId;
  /** CIEDE2000. */
  difference: number;
  isMade: boolean;
  /** Available without buying. */
  available: number;
}

/** Colours for one that is sold out: those made in the size first, then by closeness. */
export function substitutes(
  nominalIn: number,
  colour: ColourId,
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
        isMade: comesIn(other, nominalIn, settings),
        available: Math.max(0, there.onHand - there.reserved + there.arriving),
      };
    })
    .sort((a, b) => Number(b.isMade) - Number(a.isMade) || a.difference - b.difference);
}
