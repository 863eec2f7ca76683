import type { OpenDays, Supplier, WorkshopSettings } from '@early-lantern/contract';
import { DateTime } from 'luxon';

/** A supplier that never opens is said to be so after as many days. */
const MOST_DAYS = 500;

const at = (day: string) => DateTime.fromISO(day, { zone: 'utc' });
const plus = (day: string, days: number): string => at(day).plus({ days }).toISODate() as string;

export const dayBefore = (day: string): string => plus(day, -1);

/** Whether a business is open on a day, `YYYY-MM-DD`; one that says nothing always is. */
export const isOpen = (day: string, { workdays, closed = [] }: OpenDays = {}): boolean =>
  (!workdays || workdays.includes(at(day).weekday)) &&
  !closed.some(({ from, until }) => from <= day && day <= until);

/** The first day from `day` on that is open, or the last one up to it; undefined where none is within reach. */
function openFrom(day: string, step: 1 | -1, business: OpenDays | undefined): string | undefined {
  for (let days = 0; days < MOST_DAYS; days++) {
    const one = plus(day, step * days);
    if (isOpen(one, business)) return one;
  }
  return undefined;
}

type Delivering = Pick<Supplier, 'leadDays'> & OpenDays;

/**
 * The day on which an order is here: taken on the first day from `ordered` on that the supplier is open, sent off
 * after its lead time, counted in the days it is open, and taken in on the first day the shop is.
 * @returns `YYYY-MM-DD`; undefined where it never comes
 */
export function arrivesOn(
  ordered: string,
  supplier: Delivering,
  shop: WorkshopSettings['open'],
): string | undefined {
  let day = openFrom(ordered, 1, supplier);
  for (let left = supplier.leadDays; left > 0 && day !== undefined; left--)
    day = openFrom(plus(day, 1), 1, supplier);
  return day && openFrom(day, 1, shop);
}

/**
 * The last day on which the shop can still order and have it by `wanted`.
 * @returns `YYYY-MM-DD`; undefined where no day is early enough
 */
export function lastOrderDay(
  wanted: string,
  supplier: Delivering,
  shop: WorkshopSettings['open'],
): string | undefined {
  const taken = openFrom(wanted, -1, shop);
  let day = taken && openFrom(taken, -1, supplier);
  for (let left = supplier.leadDays; left > 0 && day !== undefined; left--)
    day = openFrom(plus(day, -1), -1, supplier);
  return day && openFrom(day, -1, shop);
}
