import { type Purchase, plural } from '@early-lantern/core';

/** "Together 48.20 USD; the price of 2 products is not known." */
export function priceWords(purchases: readonly Purchase[], currency = ''): string {
  const unknown = purchases.filter(({ cover }) => cover.price === undefined).length;
  if (unknown === purchases.length) return '';
  const total = purchases.reduce((sum, { cover }) => sum + (cover.price ?? 0), 0);
  const rest = unknown > 0 ? `; the price of ${plural(unknown, 'product')} is not known` : '';
  return `Together ${total.toFixed(2)}${currency && ` ${currency}`}${rest}.`;
}
