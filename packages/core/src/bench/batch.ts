import type { Skill, Task } from '@early-lantern/contract';
import { inchesToMetres } from '../quantity/length.ts';
import type { Effort } from './rates.ts';

/** One person's work at the bench, before it has a time. */
export interface Batch {
  id: string;
  label: string;
  effort: Effort;
  needsInflator: boolean;
  /** Air it takes. */
  litres?: number;
  /** Bags that it goes into loose. */
  bags?: number;
  /** What whoever does it is trusted with, where anybody of the crew is. */
  skill?: Skill;
  /** What it blows. */
  blows?: NonNullable<Task['blows']>;
  place: 'workshop' | 'site';
  /** Batches of the same piece that must be done before, by id. */
  after: string[];
}

/** Nobody inflates longer than this at a stretch, and two people can share what is longer. */
const LONGEST_BATCH_S = 45 * 60;
/** Loose fillers fill so much of a bag: random packing of spheres. Derived in the engine. */
export const PACKING = 0.6;

/** A ball of a diameter, in., litres. */
export const litresOf = (diameterIn: number): number =>
  (Math.PI / 6) * inchesToMetres(diameterIn) ** 3 * 1000;

/** Balloons of a diameter, in., that go loose into a bag; whole fillers of so many. */
export function bagHolds(diameterIn: number, bagM3: number, each = 3): number {
  return Math.max(each, Math.floor((PACKING * bagM3 * 1000) / litresOf(diameterIn) / each) * each);
}

/** Cut so that every batch but the last fills whole bags, and none is longer than the longest if a bag is not. */
export function inBags(
  amount: number,
  perBag: number,
  workFor: (amount: number) => Effort,
): { amount: number; suffix: string }[] {
  const bags = Math.ceil(amount / perBag);
  const bagS = workFor(perBag).seconds;
  if (bags < 2 || bagS > LONGEST_BATCH_S) return inParts(amount, workFor);
  const parts = Math.ceil(bags / Math.floor(LONGEST_BATCH_S / bagS));
  const upTo = (part: number) => Math.min(amount, Math.ceil((part * bags) / parts) * perBag);
  return Array.from({ length: parts }, (_, i) => ({
    amount: upTo(i + 1) - upTo(i),
    suffix: parts > 1 ? `-${i + 1}` : '',
  }));
}

/** An amount cut into as few even parts as keep each within the longest batch. */
export function inParts(
  amount: number,
  workFor: (amount: number) => Effort,
): { amount: number; suffix: string }[] {
  if (amount === 0) return [];
  const parts = Math.min(amount, Math.ceil(workFor(amount).seconds / LONGEST_BATCH_S));
  return Array.from({ length: parts }, (_, i) => ({
    amount: Math.floor(((i + 1) * amount) / parts) - Math.floor((i * amount) / parts),
    suffix: parts > 1 ? `-${i + 1}` : '',
  }));
}
