import type { OnOrder, WorkshopRow, WorkshopSettings } from '@early-lantern/contract';
import { arrivesOn, type Purchase, plural } from '@early-lantern/core';
import { keys } from '../api/queries.ts';
import { useNotice } from '../parts/notices.tsx';
import { useRowSave } from '../parts/useRowSave.ts';

type Product = Pick<OnOrder, 'nominalIn' | 'colour'>;
const isOf = (product: Product) => (one: Product) =>
  one.nominalIn === product.nominalIn && one.colour === product.colour;

/**
 * The order of a purchase. It is named by what was on order of the product when it was seen, so that a button pressed
 * twice orders once.
 */
function orderOf(purchase: Purchase, seen: readonly OnOrder[], arrives: string): OnOrder {
  const before = seen.filter(isOf(purchase)).reduce((sum, { count }) => sum + count, 0);
  return {
    id: `order-${purchase.nominalIn}-${before}-${purchase.wanted}-${purchase.colour}`
      .replace('.', '-')
      .slice(0, 64),
    nominalIn: purchase.nominalIn,
    colour: purchase.colour,
    count: purchase.cover.balloons,
    arrives,
  };
}

/**
 * Marks purchases as ordered today.
 * @returns takes purchases, and another supplier than their colour's own where the order goes there
 */
export function useOrdering(row: WorkshopRow, today: string) {
  const notify = useNotice();
  const save = useRowSave<WorkshopSettings>(keys.workshop, '/workshop', row);
  const { onOrder: seen = [], suppliers = [], open } = row.data;
  return (purchases: readonly Purchase[], supplierId?: string): void => {
    const other = suppliers.find((one) => one.id === supplierId);
    const orders = purchases.flatMap((purchase) => {
      const arrives = other ? arrivesOn(today, other, open) : purchase.arrives;
      return arrives ? [orderOf(purchase, seen, arrives)] : [];
    });
    if (orders.length === 0) return;
    const isMine = ({ id }: OnOrder) => orders.some((mine) => mine.id === id);
    save(({ onOrder = [] }) => ({ onOrder: [...onOrder.filter((one) => !isMine(one)), ...orders] }));
    notify({
      text: `On order: ${plural(orders.length, 'product')}. Receive them under Stock.`,
      undo: () => save(({ onOrder = [] }) => ({ onOrder: onOrder.filter((one) => !isMine(one)) })),
    });
  };
}
