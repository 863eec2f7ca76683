import type { Forecast, Site } from '@early-lantern/contract';
import { simulatedForecast } from '@early-lantern/core';

/** Where a place's forecast comes from. A service of real forecasts would be another one of these. */
export interface ForecastSource {
  forecast: (asked: {
    site: Site;
    timeZone: string;
    from: Date;
    until: Date;
    /** The moment it is asked for: what lies further ahead is less sure. */
    made: Date;
  }) => Promise<Forecast>;
}

/** The made-up weather that ships with the product: no network, the same answer for the same question. */
export const simulatedSource: ForecastSource = {
  forecast: async ({ site, timeZone, from, until, made }) => ({
    source: 'simulated',
    madeAt: made.toISOString(),
    hours: simulatedForecast({
      place: site.id,
      timeZone,
      fromMs: from.getTime(),
      untilMs: until.getTime(),
      madeMs: made.getTime(),
    }),
  }),
};
