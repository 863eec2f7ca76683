import type { ColourId, Lack, Pack, Supplier, WorkshopSettings } from '@early-lantern/contract';
import { packsOf } from '../balloon/catalogue.ts';
import { groupBy, sumOf } from '../quantity/group.ts';
import { arrivesOn, dayBefore, lastOrderDay } from './open-days.ts';
import { coverByPacks, type PackCover } from './packs.ts';

/** Packs of one product to be ordered by a day, with the jobs that they are for. */
export interface Purchase {
  nominalIn: number;
  colour: ColourId;
  /** The first day on which one of the jobs wants them, `YYYY-MM-DD`. */
  wanted: string;
  cover: PackCover;
  supplier: Supplier | undefined;
  leadDays: number;
  /** The last day on which an order still arrives in time, `YYYY-MM-DD`. */
  orderBy: string;
  isTooLate: boolean;
  /** When it is here if ordered today; undefined where it never comes. */
  arrives: string | undefined;
  jobs: { job: string; count: number }[];
}

/** Days from order to arrival where no supplier is named. From memory, an editable default. */
const USUAL_LEAD_DAYS = 3;

/**
 * What to buy for all jobs together: of each product the cheapest packs that cover all that is lacking, bought only
 * as they are wanted. What a pack leaves over goes to the next job. What an order can no longer bring in time is bought
 * by itself: it may never come, so no job that still has time counts on what it would leave over.
 * @param lacks what each job lacks on its day, beyond shelf and orders that are there by then
 * @param today `YYYY-MM-DD`, to tell what is too late, and which jobs are over
 */
export function purchasesOf(lacks: readonly Lack[], settings: WorkshopSettings, today: string): Purchase[] {
  // What a job lacked whose doors have opened is lacking no more: it was wanted the day before them.
  const open = lacks.filter(({ wanted }) => wanted >= dayBefore(today));
  const products = groupBy(open, ({ nominalIn, colour }) => `${nominalIn}|${colour}`);
  return [...products.values()]
    .flatMap((rows) => ofProduct(rows, settings, today))
    .sort((a, b) => a.orderBy.localeCompare(b.orderBy) || b.cover.balloons - a.cover.balloons);
}

function ofProduct(lacks: readonly Lack[], settings: WorkshopSettings, today: string): Purchase[] {
  const { nominalIn, colour } = lacks[0] as Lack;
  const supplierId = settings.colours.find((one) => one.id === colour)?.supplierId;
  const supplier = settings.suppliers?.find((one) => one.id === supplierId);
  const delivering = supplier ?? { leadDays: USUAL_LEAD_DAYS };
  const orderBy = (wanted: string) => lastOrderDay(wanted, delivering, settings.open);
  const isLate = (wanted: string) => (orderBy(wanted) ?? '') < today;
  const start = (wanted: string, cover: PackCover): Purchase => ({
    nominalIn,
    colour,
    wanted,
    cover,
    supplier,
    leadDays: delivering.leadDays,
    orderBy: orderBy(wanted) ?? today,
    isTooLate: isLate(wanted),
    arrives: arrivesOn(today, delivering, settings.open),
    jobs: [],
  });
  const offered = packsOf(nominalIn, colour, settings);
  const [late, inTime] = [true, false].map((is) => lacks.filter(({ wanted }) => isLate(wanted) === is));
  return [late, inTime].flatMap((some) => boughtFor(some ?? [], offered, start));
}

/** The packs for some lacks, day by day. */
function boughtFor(
  lacks: readonly Lack[],
  offered: readonly Pack[],
  start: (wanted: string, cover: PackCover) => Purchase,
): Purchase[] {
  let packs = coverByPacks(sumOf(lacks.map(({ count }) => count)), offered).packs;
  const bought: { purchase: Purchase; left: number }[] = [];
  const byDay = [...lacks].sort((a, b) => a.wanted.localeCompare(b.wanted) || (a.job < b.job ? -1 : 1));
  for (const [wanted, ofDay] of groupBy(byDay, (lack) => lack.wanted)) {
    const missing = sumOf(ofDay.map(({ count }) => count)) - sumOf(bought.map(({ left }) => left));
    if (missing > 0) {
      const taken = fewestOf(packs, missing);
      packs = packs.map(({ pack, times }, i) => ({ pack, times: times - (taken[i] as number) }));
      const cover = coverOf(
        packs.map(({ pack }, i) => ({ pack, times: taken[i] as number })),
        missing,
      );
      bought.push({ purchase: start(wanted, cover), left: cover.balloons });
    }
    for (const { job, count } of ofDay) handOut(bought, job, count);
  }
  return bought.map(({ purchase, left }) => ({
    ...purchase,
    cover: { ...purchase.cover, surplus: left },
  }));
}

/** Gives a job what it lacks, from what was bought first. */
function handOut(bought: { purchase: Purchase; left: number }[], job: string, count: number): void {
  let wanted = count;
  for (const one of bought) {
    const given = Math.min(wanted, one.left);
    if (given === 0) continue;
    one.left -= given;
    wanted -= given;
    one.purchase.jobs.push({ job, count: given });
  }
}

/**
 * How many of each pack are opened to have a number of balloons and as few more as can be, of those there are.
 * Exact, by going through every sum that the packs make: a bounded subset sum.
 */
export function fewestOf(packs: readonly { pack: Pack; times: number }[], wanted: number): number[] {
  let sums = new Map<number, number[]>([[0, []]]);
  for (const { pack, times } of packs) {
    const next = new Map<number, number[]>();
    for (const [have, taken] of sums)
      for (let more = 0; more <= times; more++) {
        const all = have + more * pack.count;
        if (!next.has(all)) next.set(all, [...taken, more]);
        if (all >= wanted) break;
      }
    sums = next;
  }
  const enough = [...sums.keys()].filter((all) => all >= wanted);
  if (enough.length === 0) throw new RangeError(`the packs hold fewer than ${wanted}`);
  return sums.get(Math.min(...enough)) as number[];
}

function coverOf(packs: PackCover['packs'], wanted: number): PackCover {
  const opened = packs.filter(({ times }) => times > 0);
  const balloons = sumOf(opened.map(({ pack, times }) => pack.count * times));
  const prices = opened.map(({ pack, times }) => (pack.price === undefined ? undefined : pack.price * times));
  return {
    packs: opened,
    balloons,
    surplus: balloons - wanted,
    price: prices.every((price) => price !== undefined) ? sumOf(prices) : undefined,
  };
}
