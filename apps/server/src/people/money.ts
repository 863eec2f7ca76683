import { isDeepStrictEqual } from 'node:util';
import { type JobHead, may, type Pack, type WorkshopSettings } from '@early-lantern/contract';
import type { FastifyRequest } from 'fastify';
import { ProblemError } from '../http/problem.ts';
import type { Server } from '../http/types.ts';

/** Whether whoever asks may see pay and prices. */
export const seesMoney = ({ principal }: FastifyRequest): boolean =>
  principal === undefined || may(principal.account.role, 'see money');

/** Whatever is sent to those who may not see money goes without it, wherever in the answer it stands. */
export function keepMoneyBack(server: Server): void {
  server.addHook('preSerialization', async (request, _, payload) =>
    seesMoney(request) ? payload : withoutMoney(payload),
  );
}

/** Keys under which an amount of money stands, anywhere in the contract. */
const MONEY = new Set(['wage', 'wages', 'price']);

/**
 * Anything without its amounts of money. Prices of packs decide which are bought, and whoever plans must come to the same list as
 * the owner: they stay, as multiples of the cheapest of their size.
 */
export function withoutMoney(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(withoutMoney);
  if (typeof value !== 'object' || value === null || value instanceof Date) return value;
  return Object.fromEntries(
    Object.entries(value)
      .filter(([key]) => !MONEY.has(key))
      .map(([key, inner]) => [key, isPacks(key, inner) ? relative(inner) : withoutMoney(inner)]),
  );
}

const isPacks = (key: string, value: unknown): value is Pack[] =>
  key === 'packs' && Array.isArray(value) && value.every((one) => 'nominalIn' in one && 'count' in one);

function relative(packs: readonly Pack[]): Pack[] {
  return packs.map((pack) => {
    if (pack.price === undefined) return pack;
    const alike = packs.filter(({ nominalIn, price }) => nominalIn === pack.nominalIn && price);
    const cheapest = Math.min(...alike.map(({ price }) => price as number));
    return { ...pack, price: Number.isFinite(cheapest) ? pack.price / cheapest : 0 };
  });
}

/** Of the workshop those who plan may change what is on the shelf and on its way; the rest is the owner's. */
const SHELF = ['stock', 'onOrder', 'materials'] as const;

/**
 * What a change of the workshop comes to, by who makes it: those who may not run it change the shelf, and leave the money that they
 * do not see as it is.
 * @throws ProblemError where they change anything else
 */
export function workshopChange(
  request: FastifyRequest,
  before: WorkshopSettings,
  after: WorkshopSettings,
): WorkshopSettings {
  const role = request.principal?.account.role;
  if (role === undefined || may(role, 'run the workshop')) return after;
  const rest = (settings: WorkshopSettings) =>
    withoutMoney(
      Object.fromEntries(Object.entries(settings).filter(([key]) => !SHELF.some((one) => one === key))),
    );
  if (!isDeepStrictEqual(rest(before), rest(after)))
    throw new ProblemError('not-allowed', 'Only the owner changes the workshop itself. Nothing was stored.');
  const shelf = Object.fromEntries(
    SHELF.flatMap((key) => (after[key] === undefined ? [] : [[key, after[key]]])),
  );
  const kept = Object.fromEntries(
    Object.entries(before).filter(([key]) => !SHELF.some((one) => one === key)),
  );
  return { ...kept, ...shelf } as WorkshopSettings;
}

/** A job as somebody has changed it who does not see hire prices. */
export function keepingPrices(before: JobHead, after: JobHead): JobHead {
  return {
    ...after,
    ...(after.cars ? { cars: withPrices(before.cars, after.cars) } : {}),
    ...(after.platforms ? { platforms: withPrices(before.platforms, after.platforms) } : {}),
  };
}

/** Whoever sees no prices sets none either: each stays what it was. */
function withPrices<T extends { id: string; price?: number | undefined }>(
  before: readonly T[] = [],
  after: readonly T[],
): T[] {
  return after.map(({ price: _, ...one }) => {
    const price = before.find(({ id }) => id === one.id)?.price;
    return { ...one, ...(price === undefined ? {} : { price }) } as T;
  });
}
