import type { StockRow } from '@early-lantern/contract';
import { countPieces } from '@early-lantern/core';
import { demoJob, type TestServer, testServer } from '../test/server.ts';

let server: TestServer;
beforeEach(async () => {
  server = await testServer();
  await server.call('POST', '/job-files', demoJob('01-meadow-finish'));
});
afterEach(() => server.end());

const shelf = async (nominalIn: number, colour: string): Promise<number | undefined> => {
  const { body } = await server.call('GET', '/workshop');
  return body.data.stock.find((row: StockRow) => row.nominalIn === nominalIn && row.colour === colour)
    ?.onHand;
};
const movement = (change: number, more = {}) => ({
  nominalIn: 11,
  colour: 'chalk',
  kind: 'used',
  change,
  note: '',
  ...more,
});
const book = (...movements: object[]) => server.call('POST', '/stock/movements', { movements });

test('movements change the shelf and stand in the ledger, newest first', async () => {
  const before = (await shelf(11, 'chalk')) as number;
  const booked = await book(movement(-20), movement(5, { kind: 'returned', note: 'still good' }));
  expect(booked).toMatchObject({ status: 201 });
  expect(booked.body.movements.map((row: { onHand: number }) => row.onHand)).toEqual([
    before - 20,
    before - 15,
  ]);
  expect(await shelf(11, 'chalk')).toBe(before - 15);
  const ledger = (await server.call('GET', '/stock/movements?limit=1')).body;
  expect(ledger).toMatchObject({ total: 2, items: [{ kind: 'returned', change: 5, note: 'still good' }] });
  const rest = (await server.call('GET', `/stock/movements?limit=5&after=${ledger.next}`)).body;
  expect(rest).toMatchObject({ next: null, items: [{ change: -20 }] });
});

test('what is not there cannot be taken, and nothing of the booking is kept', async () => {
  const before = (await shelf(11, 'chalk')) as number;
  const reply = await book(movement(-10), movement(-before), movement(3, { colour: 'mauve' }));
  expect(reply.status).toBe(422);
  expect(reply.body.faults.map((fault: { path: string }) => fault.path)).toEqual([
    'movements[1].change',
    'movements[2].colour',
  ]);
  expect(await shelf(11, 'chalk')).toBe(before);
  expect((await server.call('GET', '/stock/movements')).body.total).toBe(0);
});

test('ten bookings at once lose nothing', async () => {
  const before = (await shelf(11, 'chalk')) as number;
  const replies = await Promise.all(Array.from({ length: 10 }, () => book(movement(-3))));
  expect(replies.every((reply) => reply.status === 201)).toBe(true);
  expect(await shelf(11, 'chalk')).toBe(before - 30);
  expect((await server.call('GET', '/stock/movements')).body.total).toBe(10);
});

test('a count typed on the shelf stands in the ledger too', async () => {
  const { body: row } = await server.call('GET', '/workshop');
  const stock = row.data.stock.map((one: StockRow) =>
    one.nominalIn === 11 && one.colour === 'chalk' ? { ...one, onHand: one.onHand - 4 } : one,
  );
  await server.call('PUT', '/workshop', { revision: row.revision, data: { ...row.data, stock } });
  const ledger = (await server.call('GET', '/stock/movements')).body.items;
  expect(ledger).toMatchObject([{ kind: 'counted', change: -4, colour: 'chalk' }]);
});

test('an order arrives in part: the rest stays on order', async () => {
  const { body: row } = await server.call('GET', '/workshop');
  const onOrder = [{ id: 'o1', nominalIn: 17, colour: 'oat', count: 50, arrives: '2027-06-10' }];
  await server.call('PUT', '/workshop', { revision: row.revision, data: { ...row.data, onOrder } });
  const before = (await shelf(17, 'oat')) as number;
  expect((await server.call('POST', '/stock/orders/o1/receive', { count: 51 })).status).toBe(422);
  const part = await server.call('POST', '/stock/orders/o1/receive', { count: 30 });
  expect(part.body.workshop.data.onOrder).toEqual([{ ...onOrder[0], count: 20 }]);
  const all = await server.call('POST', '/stock/orders/o1/receive', { count: 20 });
  expect(all.body.workshop.data.onOrder).toEqual([]);
  expect(await shelf(17, 'oat')).toBe(before + 50);
  expect((await server.call('POST', '/stock/orders/o1/receive', { count: 1 })).status).toBe(422);
});

test('a job finds held what coming jobs with earlier doors need, and no more', async () => {
  const first = demoJob('01-meadow-finish');
  const second = demoJob('02-engine-shed');
  await server.call('POST', '/job-files', second);
  const from = encodeURIComponent('2027-06-01T00:00:00Z');
  const ofFirst = await server.call('GET', `/jobs/${first.job.id}/left?from=${from}`);
  expect(ofFirst.body.reserved).toEqual([]);
  // Both open on one Saturday: pipes are cut together, and the earlier doors have the first choice of weights.
  expect(ofFirst.body.overlapping).toEqual([expect.objectContaining({ job: second.job.name, isFirst: false })]);
  const { body } = await server.call('GET', `/jobs/${second.job.id}/left?from=${from}`);
  const needed = countPieces(first).balloons.reduce((sum, row) => sum + row.need + row.spare, 0);
  expect(body.reserved.reduce((sum: number, row: { count: number }) => sum + row.count, 0)).toBe(needed);
  expect(body.reserved[0].jobs).toEqual([first.job.name]);
  expect(body.overlapping).toEqual([expect.objectContaining({ job: first.job.name, isFirst: true })]);
  expect(body.overlapping[0].weights.length).toBeGreaterThan(0);
  // Once the first job is over it holds nothing.
  const after = encodeURIComponent('2027-06-19T12:00:00-05:00');
  expect((await server.call('GET', `/jobs/${second.job.id}/left?from=${after}`)).body.reserved).toEqual([]);
});

test('a day’s counts are the sum of its jobs', async () => {
  await server.call('POST', '/job-files', demoJob('02-engine-shed'));
  const span = (from: string, until: string) =>
    server.call('GET', `/counts?from=${encodeURIComponent(from)}&until=${encodeURIComponent(until)}`);
  const { body } = await span('2027-06-19T00:00:00-05:00', '2027-06-20T00:00:00-05:00');
  expect(body.jobs).toHaveLength(2);
  const total = body.balloons.reduce((sum: number, row: { need: number }) => sum + row.need, 0);
  expect(total).toBe(body.jobs.reduce((sum: number, job: { balloons: number }) => sum + job.balloons, 0));
  expect((await span('2027-06-20T00:00:00-05:00', '2027-06-21T00:00:00-05:00')).body.jobs).toEqual([]);
});
