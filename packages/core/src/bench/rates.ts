import type { Rate, RateKey, Working, WorkshopSettings } from '@early-lantern/contract';
import { working } from '../working.ts';
import data from './rates.json';

interface DefaultRate extends Rate {
  label: string;
  per: string;
  tag: string;
}

/** The engine's own rates, each with what it is for and how the figure is known. */
export const defaultRates: Record<RateKey, DefaultRate> = data;

/** Quick, usual and slow, seconds. */
export interface Spread {
  quickS: number;
  usualS: number;
  slowS: number;
}

/** An amount of work with how long one person takes over it. */
export interface Effort {
  seconds: number;
  /** The same work when all goes well, as usual, and when it does not, seconds of one person. */
  spread: Spread;
  working: Working[];
}

/** Mean of a three-point estimate, `(quick + 4 usual + slow)/6` (beta-PERT), in the rate's unit. */
function meanSeconds({ quickS, usualS, slowS }: Rate): number {
  return (quickS + 4 * usualS + slowS) / 6;
}

function rateOf(key: RateKey, settings: WorkshopSettings): DefaultRate {
  const own = settings.rates[key];
  return own ? { ...defaultRates[key], ...own, tag: "the workshop's own rate" } : defaultRates[key];
}

/** `amount` units of work at a rate: person-seconds, with the working. */
export function effort(key: RateKey, amount: number, settings: WorkshopSettings): Effort {
  const rate = rateOf(key, settings);
  const seconds = amount * meanSeconds(rate);
  return {
    seconds,
    spread: { quickS: amount * rate.quickS, usualS: amount * rate.usualS, slowS: amount * rate.slowS },
    working: [
      working(
        rate.label,
        'amount · (quick + 4 usual + slow) / 6',
        [
          ['amount', amount, `× ${rate.per}`],
          ['quick', rate.quickS, 's'],
          ['usual', rate.usualS, 's'],
          ['slow', rate.slowS, 's'],
        ],
        { value: seconds / 60, unit: 'min' },
        rate.tag,
      ),
    ],
  };
}

/** The same work, so many times as long; its working is told with it. */
export function scaled(work: Effort, factor: number, because: readonly Working[]): Effort {
  const { quickS, usualS, slowS } = work.spread;
  return {
    seconds: work.seconds * factor,
    spread: { quickS: quickS * factor, usualS: usualS * factor, slowS: slowS * factor },
    working: [...work.working, ...because],
  };
}

/** Work done one after the other. */
export function together(efforts: readonly Effort[]): Effort {
  return {
    seconds: efforts.reduce((sum, one) => sum + one.seconds, 0),
    spread: {
      quickS: efforts.reduce((sum, one) => sum + one.spread.quickS, 0),
      usualS: efforts.reduce((sum, one) => sum + one.spread.usualS, 0),
      slowS: efforts.reduce((sum, one) => sum + one.spread.slowS, 0),
    },
    working: efforts.flatMap((one) => one.working),
  };
}
