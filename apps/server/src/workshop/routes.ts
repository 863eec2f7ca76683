import { update, WorkshopRow, WorkshopSettings } from '@early-lantern/contract';
import { changeHouse } from '../db/locks.ts';
import { gives, type RouteOptions, type Server } from '../http/types.ts';
import { requireAllSound } from '../job-files/sound.ts';
import { enterCounts } from '../stock/ledger.ts';
import { getSettings, updateSettings } from './store.ts';

export async function workshopRoutes(server: Server, { db }: RouteOptions): Promise<void> {
  const tags = ['workshop'];

  server.get('/workshop', { schema: { tags, response: gives(WorkshopRow) } }, () => getSettings(db));

  server.put(
    '/workshop',
    { schema: { tags, body: update(WorkshopSettings), response: gives(WorkshopRow) } },
    ({ body }) =>
      changeHouse(db, async (tx) => {
        const before = await getSettings(tx);
        const row = await updateSettings(tx, body.revision, body.data);
        await enterCounts(tx, before.data, body.data);
        await requireAllSound(tx);
        return row;
      }),
  );
}
