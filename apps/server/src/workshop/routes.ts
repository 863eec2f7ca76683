import { update, WorkshopRow, WorkshopSettings } from '@early-lantern/contract';
import { changeHouse } from '../db/locks.ts';
import { gives, type RouteOptions, type Server } from '../http/types.ts';
import { requireAllSound } from '../job-files/sound.ts';
import { workshopChange } from '../people/money.ts';
import { enterCounts } from '../stock/ledger.ts';
import { getSettings, updateSettings } from './store.ts';

export async function workshopRoutes(server: Server, { db }: RouteOptions): Promise<void> {
  const tags = ['workshop'];

  server.get('/workshop', { config: { right: 'look' }, schema: { tags, response: gives(WorkshopRow) } }, () =>
    getSettings(db),
  );

  server.put(
    '/workshop',
    {
      config: { right: 'plan' },
      schema: { tags, body: update(WorkshopSettings), response: gives(WorkshopRow) },
    },
    (request) =>
      changeHouse(db, async (tx) => {
        const { revision } = request.body;
        const before = await getSettings(tx);
        // One that was made from an old row is told so, whatever is in it.
        const data =
          before.revision === revision
            ? workshopChange(request, before.data, request.body.data)
            : request.body.data;
        const row = await updateSettings(tx, revision, data);
        await enterCounts(tx, before.data, data);
        await requireAllSound(tx);
        return row;
      }),
  );
}
