import type { Workshop } from '@early-lantern/contract';

/** A ladder like one of the house, hired for a job: the first, second … of the day. */
export const hiredLadder = (ladder: string, number: number): string =>
  `hired-${number}-${ladder.slice(0, LONGEST_ID - 10)}`;

/** Wagons are counted, not named. */
export const wagonIds = (wagons = 0): string[] =>
  Array.from({ length: wagons }, (_, i) => `${WAGON}${i + 1}`);

export const isWagon = (id: string): boolean => id.startsWith(WAGON);

const WAGON = 'wagon-';
const LONGEST_ID = 64;

/** What people call somebody or something in a plan: by its name, a hired ladder by that of the one it is like. */
export function nameIn(id: string, { crew, inflators, vehicles, ladders = [], wagons }: Workshop): string {
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
