import type { GearAway } from '@early-lantern/contract';

/** So many of an item, of the weights of a name, or of a ladder did not come home whole from earlier jobs. */
export const countAway = (away: readonly GearAway[] | undefined, item: string): number =>
  (away ?? []).reduce((sum, one) => sum + (one.item === item ? (one.qty ?? 0) : 0), 0);

/** Weights are told apart by their names. */
export const weightItem = (name: string): string => `weight ${name}`;
