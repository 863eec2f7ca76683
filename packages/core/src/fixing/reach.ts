import type { HoldPiece, HoldPoint, JobFile, Ladder, Spot } from '@early-lantern/contract';
import { formatMass } from '../quantity/customary.ts';
import { countAway } from '../stock/away.ts';
import { rulesOf } from '../structure/gust-at.ts';
import platforms from './platforms.json';

/** A person reaches so high above what they stand on, m: higher is ladder work. From memory, an editable default. */
export const REACH_M = 2.15;
/** How high hands go to put a piece's highest balloons on, m: to their middle, unless they go on lower down. */
export const handsM = ({ topM, visibleWidthM, handsUpToM }: Reached): number =>
  handsUpToM ?? topM - visibleWidthM / 2;

interface Reached {
  topM: number;
  visibleWidthM: number;
  handsUpToM?: number;
}

/** Tools and a garland's end carried up, kg. From memory, an editable default. */
const CARRIED_KG = 8;
/** Standing this high, a second person holds the ladder, m. From memory, an editable default. */
const SECOND_FROM_M = 1.8;

/** Ladders that a workshop has which has not said. From memory, an editable default. */
export const usualLadders: Ladder[] = [
  { id: 'step-4', name: 'Step ladder, 4 ft', kind: 'step', standM: 0.6, dutyKg: 113 },
  { id: 'step-8', name: 'Step ladder, 8 ft', kind: 'step', standM: 1.8, dutyKg: 113 },
];

/** Towers and lifts that can be hired. */
export const usualPlatforms = platforms.map(({ source: _, ...one }) => ({
  ...one,
  kind: one.kind as 'tower' | 'lift',
}));

/** What one may stand on at this job: ladders of the workshop that are at home and whole, towers and lifts hired for it. */
const standingOn = ({ workshop, job }: JobFile): Pick<Ladder, 'id' | 'name' | 'standM' | 'dutyKg'>[] => [
  ...(workshop.ladders ?? usualLadders).filter(({ id }) => countAway(workshop.awayGear, id) === 0),
  ...(job.platforms ?? []),
];

/** The highest that one may stand at this job, m. */
export const standingHeightM = (file: JobFile): number =>
  Math.max(0, ...standingOn(file).map(({ standM }) => standM));

/** Height that one stands at under a point, m: on a stair on its treads, else on the floor. */
export function floorUnder({ stair, widthM }: Spot, xM: number): number {
  if (!stair) return 0;
  const along = Math.min(1, Math.max(0, xM / widthM));
  return stair.riseM * (stair.up === 'right' ? along : 1 - along);
}

/** Where hands have to be to fix a point, m above the floor under it: up at the bar, beam or ceiling that it is tied to. */
export function tiedAtM(spot: Spot, { xM, yM }: { xM: number; yM: number }, fixing?: string): number {
  const bar = spot.fixings?.find(({ id }) => id === fixing);
  const upM = bar?.yM ?? (spot.kind === 'ceiling-run' ? spot.heightM : yM);
  return Math.max(yM, upM) - floorUnder(spot, xM);
}

/**
 * The lowest ladder of the job from which a height is reached, rated for person and load; who may use it; whether
 * somebody holds it.
 * @param heightM of the hands above what one stands on
 * @returns undefined within reach from the floor; a trouble where no ladder does
 */
export function ladderFor(
  heightM: number,
  file: JobFile,
): HoldPoint['ladder'] | { trouble: string } | undefined {
  if (heightM <= REACH_M + 1e-6) return undefined;
  const standM = heightM - REACH_M;
  const { personKg } = rulesOf(file);
  const all = standingOn(file);
  const rated = all.filter((one) => one.dutyKg >= personKg + CARRIED_KG);
  const ladder = rated.filter((one) => one.standM >= standM - 1e-6).sort((a, b) => a.standM - b.standM)[0];
  if (!ladder) {
    const high = all.some((one) => one.standM >= standM);
    return {
      trouble: high
        ? `no ladder high enough is rated for ${formatMass(personKg + CARRIED_KG, file.workshop.units)}`
        : 'no ladder of the workshop reaches it',
    };
  }
  const crew = file.workshop.crew.filter((member) => file.job.crew.includes(member.id));
  const who = crew.filter((member) => member.skills.includes('ladder')).map((member) => member.id);
  return { id: ladder.id, name: ladder.name, standM, who, needsSecond: standM >= SECOND_FROM_M - 1e-6 };
}

/** A piece whose points each say from which ladder they are fixed; a point that none reaches is in trouble. */
export function withLadders(held: HoldPiece, spot: Spot, file: JobFile): HoldPiece {
  const troubles: string[] = [];
  const points = held.points.map((point): HoldPoint => {
    if (point.ladder || point.trouble) return point;
    const ladder = ladderFor(tiedAtM(spot, point.spotXYM, point.fixing), file);
    if (!ladder) return point;
    if (!('trouble' in ladder)) return { ...point, ladder };
    troubles.push(`${held.name}: ${ladder.trouble}.`);
    return { ...point, trouble: ladder.trouble };
  });
  return { ...held, points, troubles: [...held.troubles, ...new Set(troubles)] };
}
