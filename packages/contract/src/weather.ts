import { z } from 'zod';
import { withRule } from './rules.ts';
import { Instant } from './scalars.ts';

/** The weather of one hour at one place. */
export const WeatherHour = z.strictObject({
  /** The hour begins. */
  at: Instant,
  tempC: z.number().min(-60).max(60),
  humidityPct: z.number().min(0).max(100),
  cloudPct: z.number().min(0).max(100),
  /** Mean over ten minutes, 10 m above open ground, and its gusts. */
  windMs: z.number().min(0).max(90),
  gustMs: z.number().min(0).max(120),
  rainMm: z.number().min(0).max(200),
  /** How far the temperature and the gust may be out, one standard deviation. */
  tempSpreadC: z.number().min(0).max(30).optional(),
  gustSpreadMs: z.number().min(0).max(40).optional(),
});
export type WeatherHour = z.infer<typeof WeatherHour>;

const ForecastFields = z.strictObject({
  source: z.enum(['simulated', 'imported']),
  madeAt: Instant,
  hours: z.array(WeatherHour).min(1).max(400),
});

/** A forecast as somebody looked at it: kept with the job, since the next look may say otherwise. */
export const Forecast = withRule(ForecastFields, ForecastFields.pick({ hours: true }), ({ hours }) =>
  hours.flatMap((hour, i) => {
    const before = hours[i - 1];
    return before && Date.parse(before.at) >= Date.parse(hour.at)
      ? [{ path: ['hours', i, 'at'], reason: `${hour.at} does not come after ${before.at}` }]
      : [];
  }),
);
export type Forecast = z.infer<typeof Forecast>;
