import type { PackingRow } from '@early-lantern/contract';
import { amountText } from '../parts/amounts.ts';

const MEASURED = new Set(['m', 'ml', 'l']);

/** A line of the packing list: how many of what, or how much; of a bag that it is one goes without saying. */
export function rowWords({ id, qty, unit, label }: PackingRow, units: 'imperial' | 'metric'): string {
  if (id.startsWith('bag ')) return label;
  return MEASURED.has(unit) ? `${amountText(qty, unit, units)} ${label}` : `${qty} × ${label}`;
}
