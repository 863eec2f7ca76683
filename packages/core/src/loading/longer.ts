import type { Fits } from '@early-lantern/contract';
import { fitsOf, type ToLoad } from './fits.ts';
import { THOROUGH } from './trip.ts';

/** So many beginnings are tried before it is given up. */
const BEGINNINGS = 40;

/** How far a longer search for a load has come. */
export interface LongerLoad {
  done: number;
  of: number;
  /** The best load so far, where it is better than the one there was; kept by its beginning. */
  better?: { seed: number } & Pick<Fits, 'squeeze' | 'firstAtDoor' | 'unplaced'>;
}

/** What speaks against a load: what it leaves behind first, then bags pressed, then what is needed first not at the door. */
const faultsOf = ({ unplaced, squeeze, firstAtDoor }: Pick<Fits, 'squeeze' | 'firstAtDoor' | 'unplaced'>) =>
  unplaced.length * 4 + (squeeze > 0 ? 2 : 0) + (firstAtDoor ? 0 : 1);

/**
 * Goes on searching for a better load than a plan has, from one beginning after the other, until everything goes in as
 * it should; can be broken off after each.
 * @param fits the plan's own load
 */
export function* longerLoad(job: ToLoad, fits: Fits): Generator<LongerLoad, void, void> {
  let least = faultsOf(fits);
  let better: LongerLoad['better'];
  const begun = job.file.job.loadSeed ?? 1;
  for (let done = 1; done <= BEGINNINGS && least > 0; done++) {
    const seed = begun + done;
    const { unplaced, squeeze, firstAtDoor } = fitsOf(job, THOROUGH, seed);
    const faults = faultsOf({ unplaced, squeeze, firstAtDoor });
    if (faults < least) [least, better] = [faults, { seed, unplaced, squeeze, firstAtDoor }];
    yield { done, of: BEGINNINGS, ...(better ? { better } : {}) };
  }
}
