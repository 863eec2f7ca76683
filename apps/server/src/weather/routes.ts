import { Forecast, Id, Instant } from '@early-lantern/contract';
import { z } from 'zod';
import { siteRows } from '../db/rows.ts';
import { refused } from '../http/problem.ts';
import { gives, type RouteOptions, type Server } from '../http/types.ts';
import { getSettings } from '../workshop/store.ts';
import { simulatedSource } from './source.ts';

/** As many hours as a forecast may have. */
const MOST_MS = 399 * 3_600_000;

export async function weatherRoutes(server: Server, { db }: RouteOptions): Promise<void> {
  server.get(
    '/sites/:id/forecast',
    {
      config: { right: 'look' },
      schema: {
        tags: ['sites'],
        summary: 'The weather to be expected at a site, hour by hour (made up)',
        params: z.object({ id: Id }),
        querystring: z.object({ from: Instant, until: Instant, made: Instant }),
        response: gives(Forecast),
      },
    },
    async ({ params, query }) => {
      const [from, until, made] = [query.from, query.until, query.made].map((one) => new Date(one)) as [
        Date,
        Date,
        Date,
      ];
      if (until <= from) throw refused([{ path: 'until', reason: 'ends before it begins' }]);
      if (until.getTime() - from.getTime() > MOST_MS)
        throw refused([{ path: 'until', reason: 'no more than 399 hours at once' }]);
      const { data: site } = await siteRows.get(db, params.id);
      const { data: settings } = await getSettings(db);
      return simulatedSource.forecast({ site, timeZone: settings.timeZone, from, until, made });
    },
  );
}
