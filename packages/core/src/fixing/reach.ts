import type { CrewMember, HoldPoint, Ladder } from '@early-lantern/contract';

/** A person reaches so high above what they stand on, m. From memory, an editable default. */
const REACH_M = 2;
/** Tools and a garland's end carried up, kg. From memory, an editable default. */
const CARRIED_KG = 8;
/** Standing this high, a second person holds the ladder, m. From memory, an editable default. */
const SECOND_FROM_M = 1.8;

/**
 * The lowest owned ladder from which a point can be reached, rated for person and load; who may use it; whether
 * somebody holds it.
 * @returns undefined within reach from the floor; a trouble where no ladder does
 */
export function ladderFor(
  heightM: number,
  ladders: readonly Ladder[],
  crew: readonly CrewMember[],
  personKg: number,
): HoldPoint['ladder'] | { trouble: string } | undefined {
  if (heightM <= REACH_M) return undefined;
  const standM = heightM - REACH_M;
  const rated = ladders.filter((one) => one.dutyKg >= personKg + CARRIED_KG);
  const ladder = rated.filter((one) => one.standM >= standM - 1e-6).sort((a, b) => a.standM - b.standM)[0];
  if (!ladder) {
    const high = ladders.some((one) => one.standM >= standM);
    return {
      trouble: high
        ? `no ladder high enough is rated for ${personKg + CARRIED_KG} kg`
        : 'no ladder of the workshop reaches it',
    };
  }
  const who = crew.filter((member) => member.skills.includes('ladder')).map((member) => member.id);
  return { id: ladder.id, name: ladder.name, standM, who, needsSecond: standM >= SECOND_FROM_M - 1e-6 };
}
