import type { ColourId, Lack, Reserved } from '@early-lantern/contract';
import { groupBy, sumOf } from '../quantity/group.ts';
import { type FamilyRule, shareOut } from './families.ts';
import { type Claim, heldBy } from './held.ts';
import type { Shelf } from './needs.ts';

/** What a job wants of the shelf. */
export interface ShelfWants {
  id: string;
  name: string;
  doors: string;
  /** The day its balloons must be there, `YYYY-MM-DD`. */
  wanted: string;
  /** Needs with their spares; a product may stand in several rows. */
  balloons: { nominalIn: number; colour: ColourId; count: number }[];
}

/** What a job finds held by those before it, and what it lacks itself. */
export interface Handed {
  /** Put together when it is asked for: of a season of jobs few are looked at. */
  reserved: () => Reserved[];
  lacks: Lack[];
}

/**
 * Hands the shelf out, job after job: each takes what it needs, but no more than is there on its day. What it lacks is
 * its own to buy, and no later job's.
 * @param jobs in the order in which they may take: by doors
 */
export function handOut(jobs: readonly ShelfWants[], shelf: Shelf & FamilyRule): Handed[] {
  const claims: Claim[] = [];
  const thereBy = shelfByProduct(shelf);
  /** Taken so far, by product. */
  const taken = new Map<string, number>();
  return jobs.map(({ name, wanted, balloons }, turn) => {
    const wants = [...groupBy(balloons, keyOf).values()].map((rows) => ({
      ...(rows[0] as (typeof rows)[number]),
      count: sumOf(rows.map(({ count }) => count)),
    }));
    const given = shareOut(
      wants,
      (product) => Math.max(0, thereBy(product, wanted) - (taken.get(keyOf(product)) ?? 0)),
      shelf,
    );
    const takes = given.flatMap(({ nominalIn, colour, own, fromFamily }) =>
      [{ nominalIn, count: own }, ...fromFamily].map((one) => ({ ...one, colour })),
    );
    const lacks = given
      .filter(({ lacking }) => lacking > 0)
      .map(({ nominalIn, colour, lacking }) => ({ job: name, wanted, nominalIn, colour, count: lacking }));
    const own = takes.filter(({ count }) => count > 0);
    for (const one of own) taken.set(keyOf(one), (taken.get(keyOf(one)) ?? 0) + one.count);
    claims.push({ job: name, takes: own });
    return { reserved: () => heldBy(claims.slice(0, turn)), lacks };
  });
}

/** What is there of a product on a day, on hand or come by then: looked up, since every job of a season asks for each of its own. */
function shelfByProduct({ stock, onOrder = [] }: Shelf): (product: Product, day: string) => number {
  const onHand = new Map<string, number>();
  for (const row of stock) if (!onHand.has(keyOf(row))) onHand.set(keyOf(row), row.onHand);
  const orders = groupBy(onOrder, keyOf);
  return (product, day) =>
    sumOf((orders.get(keyOf(product)) ?? []).map(({ arrives, count }) => (arrives <= day ? count : 0))) +
    (onHand.get(keyOf(product)) ?? 0);
}

type Product = { nominalIn: number; colour: ColourId };

const keyOf = ({ nominalIn, colour }: Product) => `${nominalIn}|${colour}`;
