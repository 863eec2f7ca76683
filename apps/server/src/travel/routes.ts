import { Drive, Id, Instant } from '@early-lantern/contract';
import { z } from 'zod';
import { siteRows } from '../db/rows.ts';
import { refused } from '../http/problem.ts';
import { gives, type RouteOptions, type Server } from '../http/types.ts';
import { getSettings } from '../workshop/store.ts';
import { simulatedTravel } from './source.ts';

export async function travelRoutes(server: Server, { db }: RouteOptions): Promise<void> {
  server.get(
    '/sites/:id/drive',
    {
      config: { right: 'look' },
      schema: {
        tags: ['sites'],
        summary: 'The drive from the workshop to a site at a moment (made up)',
        params: z.object({ id: Id }),
        querystring: z.object({ at: Instant }),
        response: gives(Drive),
      },
    },
    async ({ params, query }) => {
      const { data: site } = await siteRows.get(db, params.id);
      const { data: settings } = await getSettings(db);
      if (!settings.at)
        throw refused([{ path: 'workshop.at', reason: 'nobody has said where the workshop is' }]);
      if (!site.at) throw refused([{ path: 'site.at', reason: 'nobody has said where the place is' }]);
      return simulatedTravel.drive({
        from: settings.at,
        to: site.at,
        at: new Date(query.at),
        timeZone: settings.timeZone,
      });
    },
  );
}
