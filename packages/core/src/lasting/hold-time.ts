import type { Grade, HoldTime, WorkshopSettings } from '@early-lantern/contract';
import data from './hold-times.json';

/** The engine's own hold times, hours at 21 °C, each with where it comes from. */
export const usualHoldTimes = data as readonly (HoldTime & { source: string })[];

/** Thin and blotched skins let go sooner: share of the hold time. From memory, editable defaults. */
const GRADE_SHARE: Record<Grade, number> = { professional: 1, standard: 0.85, budget: 0.6 };

/** Temperature that hold times are told for, and how they shrink: half for every ten degrees more. From memory. */
export const HOLD_C = 21;
const Q10 = 2;

/** Hours that a balloon stays as it should at 21 °C, and where the figure comes from. The workshop's own go first. */
export function holdTime(
  nominalIn: number,
  gas: HoldTime['gas'],
  grade: Grade,
  { holdTimes = [] }: Pick<WorkshopSettings, 'holdTimes'>,
): { hours: number; source: string } {
  const from = <T extends HoldTime>(rows: readonly T[]): T | undefined =>
    rows.filter((row) => row.gas === gas && row.fromIn <= nominalIn).sort((a, b) => b.fromIn - a.fromIn)[0];
  const own = from(holdTimes);
  const usual = from(usualHoldTimes) as HoldTime & { source: string };
  // An own figure for large ones says nothing of those between, where the engine has a nearer one.
  const row = own && own.fromIn >= usual.fromIn ? { ...own, source: "the workshop's own figure" } : usual;
  return { hours: row.hours * GRADE_SHARE[grade], source: row.source };
}

/** How much faster than at 21 °C a balloon ages, no unit: `2^((T − 21)/10)`, never slower than at 21 °C. */
export const ageing = (celsius: number): number => Q10 ** (Math.max(0, celsius - HOLD_C) / 10);
