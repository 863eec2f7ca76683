import type { WorkshopRow } from '@early-lantern/contract';
import { expect, test } from './support/test.ts';

test('changes of the house made just before the page is left are all kept', async ({ page, request }) => {
  const settings = async () => ((await (await request.get('/api/v1/workshop')).json()) as WorkshopRow).data;
  const before = await settings();
  await page.goto('/workshop/house');
  // Answers take their time: the first change has none yet when the second is made and the page is left.
  const session = await page.context().newCDPSession(page);
  await session.send('Network.enable');
  await session.send('Network.emulateNetworkConditions', {
    offline: false,
    latency: 800,
    downloadThroughput: -1,
    uploadThroughput: -1,
  });
  const place = page.getByRole('region', { name: "The workshop's place" });
  await place.getByLabel(/^Floor for sections/).fill('30');
  await place.getByLabel(/^Floor for sections/).press('Enter');
  await place.getByLabel('Wagons, dollies').fill('3');
  await place.getByLabel('Wagons, dollies').press('Enter');
  await page.goto('/stock');
  await expect
    .poll(async () => {
      const { floorM2, wagons } = await settings();
      return [Math.round((floorM2 ?? 0) / 0.3048 ** 2), wagons];
    })
    .toEqual([30, 3]);
  // Back to what it was.
  const row = (await (await request.get('/api/v1/workshop')).json()) as WorkshopRow;
  const { floorM2 = null, wagons = 0 } = before;
  await request.put('/api/v1/workshop', {
    data: { revision: row.revision, data: { ...row.data, floorM2, wagons } },
  });
});
