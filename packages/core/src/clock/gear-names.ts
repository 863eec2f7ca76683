import type { JobFile } from '@early-lantern/contract';
import { usualLadders } from '../fixing/reach.ts';

/** A ladder like one of the house, hired for a job: the first, second … of the day. */
export const hiredLadder = (ladder: string, number: number): string =>
  `hired-${number}-${ladder.slice(0, LONGEST_ID - 10)}`;

/** Wagons are counted, not named. */
export const wagonIds = (wagons = 0): string[] =>
  Array.from({ length: wagons }, (_, i) => `${WAGON}${i + 1}`);

export const isWagon = (id: string): boolean => id.startsWith(WAGON);

const WAGON = 'wagon-';
const LONGEST_ID = 64;

interface Named {
  id: string;
  name: string;
}

/** Everybody and everything that a plan names. */
export interface GearNames {
  crew: readonly Named[];
  inflators: readonly Named[];
  vehicles: readonly Named[];
  ladders?: readonly Named[] | undefined;
  wagons?: number | undefined;
}

/** People and things of a job by name: with the ladders that a workshop has which has not said, towers and lifts hired. */
export const namesFor = ({ workshop, job }: JobFile): GearNames => ({
  ...workshop,
  ladders: [...(workshop.ladders ?? usualLadders), ...(job.platforms ?? [])],
});

/** What people call somebody or something in a plan: by its name, a hired ladder by that of the one it is like. */
export function nameIn(id: string, { crew, inflators, vehicles, ladders = [], wagons }: GearNames): string {
  const own = [...crew, ...inflators, ...vehicles, ...ladders].find((one) => one.id === id);
  if (own) return own.name;
  const like = ladderLike(id, ladders);
  if (like) return `${like.name}, hired`;
  const wagon = wagonIds(wagons).indexOf(id);
  return wagon < 0 ? id : `Wagon ${wagon + 1}`;
}

/** The ladder of the house that a hired one is like. */
export const ladderLike = <T extends { id: string }>(id: string, ladders: readonly T[]): T | undefined =>
  ladders.find((one) => id.replace(/\d+/, '1') === hiredLadder(one.id, 1));

/** Whether a thing of a plan is a ladder, tower or lift, owned or hired. */
export const isLadder = (id: string, { ladders = [] }: GearNames): boolean =>
  ladders.some((one) => one.id === id) || ladderLike(id, ladders) !== undefined;
