import type { ColourId, Lack, Reserved } from '@early-lantern/contract';
import { groupBy, sumOf } from '../quantity/group.ts';
import { type FamilyRule, shareOut } from './families.ts';
import { type Claim, heldBy } from './held.ts';
import { availableOn, type Shelf } from './needs.ts';

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
  /** Taken so far, by product. */
  const taken = new Map<string, number>();
  return jobs.map(({ name, wanted, balloons }, turn) => {
    const wants = [...groupBy(balloons, keyOf).values()].map((rows) => ({
      ...(rows[0] as (typeof rows)[number]),
      count: sumOf(rows.map(({ count }) => count)),
    }));
    const given = shareOut(
      wants,
      ({ nominalIn, colour }) => {
        const there = availableOn({ ...shelf, reserved: [] }, nominalIn, colour, wanted);
        return Math.max(0, there.onHand + there.arriving - (taken.get(keyOf({ nominalIn, colour })) ?? 0));
      },
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

const keyOf = ({ nominalIn, colour }: { nominalIn: number; colour: ColourId }) => `${nominalIn}|${colour}`;
