import { setTimeout as sleep } from 'node:timers/promises';
import type { StockRow } from '@early-lantern/contract';
import { countPieces } from '@early-lantern/core';
import { sql } from 'drizzle-orm';
import { DateTime } from 'luxon';
import { jobNeeds } from '../db/schema.ts';
import { listenTo } from '../events/hub.ts';
import { demoJob, type TestServer, testServer } from '../test/server.ts';
import { getSettings } from '../workshop/store.ts';
import { needsOfAll, type Reckoning } from './needs-of-all.ts';
import { needsUpTo } from './needs-store.ts';
import { wantsOf } from './season.ts';

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

const total = (counts: readonly number[]) => counts.reduce((sum, count) => sum + count, 0);

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
  expect(ledger).toMatchObject({ items: [{ kind: 'returned', change: 5, note: 'still good', job: null }] });
  // Of one product, page by page, down to its opening balance.
  const ofIt = 'limit=2&nominalIn=11&colour=chalk';
  const newest = (await server.call('GET', `/stock/movements?${ofIt}`)).body;
  const rest = (await server.call('GET', `/stock/movements?${ofIt}&after=${newest.next}`)).body;
  expect([newest.total, rest.next]).toEqual([3, null]);
  expect(rest.items).toMatchObject([{ kind: 'opening', change: before, onHand: before }]);
});

test.each([
  ['used', 5],
  ['used', 0],
  ['popped', 1],
  ['received', -3],
  ['returned', -1],
  ['corrected', 0],
])('a movement says what its kind can: %s %d is refused', async (kind, change) => {
  expect((await book(movement(change, { kind }))).status).toBe(422);
});

test('what is not there cannot be taken, and nothing of the booking is kept', async () => {
  const before = (await shelf(11, 'chalk')) as number;
  const reply = await book(
    movement(-10),
    movement(-before),
    movement(3, { colour: 'mauve', kind: 'returned' }),
  );
  expect(reply.status).toBe(422);
  expect(reply.body.faults.map((fault: { path: string }) => fault.path)).toEqual([
    'movements[1].change',
    'movements[2].colour',
  ]);
  expect(await shelf(11, 'chalk')).toBe(before);
  expect((await server.call('GET', '/stock/movements?limit=1')).body.items[0].kind).toBe('opening');
});

test('ten bookings at once lose nothing', async () => {
  const before = (await shelf(11, 'chalk')) as number;
  const replies = await Promise.all(Array.from({ length: 10 }, () => book(movement(-3))));
  expect(replies.every((reply) => reply.status === 201)).toBe(true);
  expect(await shelf(11, 'chalk')).toBe(before - 30);
  const { total } = (await server.call('GET', '/stock/movements?nominalIn=11&colour=chalk')).body;
  expect(total).toBe(11);
});

test('sent again under the same key, a booking or an arrival is booked once', async () => {
  const key = '7d3f8a52-0c1e-4c5e-9d8b-0a4c1f2e3d4b';
  const before = (await shelf(11, 'chalk')) as number;
  const send = () => server.call('POST', '/stock/movements', { movements: [movement(-2)], key });
  const [first, again] = [await send(), await send()];
  expect(again.body.movements).toEqual(first.body.movements);
  expect(await shelf(11, 'chalk')).toBe(before - 2);
  const other = { movements: [movement(-2)], key: '7d3f8a52-0c1e-4c5e-9d8b-0a4c1f2e3d4c' };
  expect((await server.call('POST', '/stock/movements', other)).status).toBe(201);
  expect(await shelf(11, 'chalk')).toBe(before - 4);
});

test('a count typed on the shelf stands in the ledger too', async () => {
  const { body: row } = await server.call('GET', '/workshop');
  const stock = row.data.stock.map((one: StockRow) =>
    one.nominalIn === 11 && one.colour === 'chalk' ? { ...one, onHand: one.onHand - 4 } : one,
  );
  await server.call('PUT', '/workshop', { revision: row.revision, data: { ...row.data, stock } });
  const ledger = (await server.call('GET', '/stock/movements?limit=1')).body.items;
  expect(ledger).toMatchObject([{ kind: 'counted', change: -4, colour: 'chalk' }]);
});

test('an order arrives in parts, short or over: the rest stays on order, or never comes', async () => {
  const order = (id: string) => ({ id, nominalIn: 17, colour: 'oat', count: 50, arrives: '2027-06-10' });
  const { body: row } = await server.call('GET', '/workshop');
  const onOrder = ['o1', 'o2', 'o3'].map(order);
  await server.call('PUT', '/workshop', { revision: row.revision, data: { ...row.data, onOrder } });
  const before = (await shelf(17, 'oat')) as number;
  const receive = (id: string, body: object) => server.call('POST', `/stock/orders/${id}/receive`, body);
  const part = await receive('o1', { count: 30 });
  expect(part.body.workshop.data.onOrder[0]).toEqual({ ...order('o1'), count: 20 });
  expect(part.body.movements[0].note).toBe('30 of 50; the rest is still to come');
  await receive('o1', { count: 20 });
  const short = await receive('o2', { count: 45, isLast: true });
  expect(short.body.workshop.data.onOrder).toEqual([order('o3')]);
  const over = await receive('o3', { count: 60 });
  expect(over.body.movements[0].note).toBe('10 more than ordered');
  expect(over.body.workshop.data.onOrder).toEqual([]);
  expect(await shelf(17, 'oat')).toBe(before + 155);
  expect((await receive('o3', { count: 1 })).status).toBe(422);
});

test('what a job used is recorded once: it holds nothing any more, until that is taken back', async () => {
  const first = demoJob('01-meadow-finish');
  await server.call('POST', '/job-files', demoJob('02-engine-shed'));
  const jobs = (await server.call('GET', '/jobs')).body.items;
  const second = jobs.find((one: { data: { id: string } }) => one.data.id !== first.job.id).data.id;
  const leftTo = async (id: string) => (await server.call('GET', `/jobs/${id}/left`)).body;
  const held = (await leftTo(second)).reserved;
  expect(held.length).toBeGreaterThan(0);
  const before = (await shelf(11, 'chalk')) as number;
  const large = (await shelf(36, 'chalk')) ?? 0;
  const { body: row } = await server.call('GET', '/workshop');
  const tape = { item: 'tape', onHand: 40 };
  await server.call('PUT', '/workshop', { revision: row.revision, data: { ...row.data, materials: [tape] } });
  const use = {
    balloons: [
      { nominalIn: 11, colour: 'chalk', used: 30, popped: 4 },
      // More than the shelf ever had: counted in first.
      { nominalIn: 36, colour: 'chalk', used: large + 2, popped: 0 },
    ],
    materials: [{ item: 'tape', used: 12 }],
  };
  const recorded = await server.call('POST', `/jobs/${first.job.id}/use`, use);
  expect(recorded.status).toBe(201);
  expect(recorded.body.workshop.data.materials).toEqual([{ ...tape, onHand: 28 }]);
  expect([await shelf(11, 'chalk'), await shelf(36, 'chalk')]).toEqual([before - 34, 0]);
  expect((await server.call('POST', `/jobs/${first.job.id}/use`, use)).status).toBe(422);
  expect((await leftTo(second)).reserved).toEqual([]);
  expect((await leftTo(first.job.id)).isUsed).toBe(true);
  const ledger = (await server.call('GET', `/stock/movements?jobId=${first.job.id}`)).body.items;
  expect(new Set(ledger.map((entry: { job: string }) => entry.job))).toEqual(new Set([first.job.name]));
  const back = await server.call('DELETE', `/jobs/${first.job.id}/use`);
  expect(back.body.workshop.data.materials).toEqual([tape]);
  expect(await shelf(11, 'chalk')).toBe(before);
  expect((await leftTo(second)).reserved).toEqual(held);
  expect((await server.call('DELETE', `/jobs/${first.job.id}/use`)).status).toBe(422);
});

test('a job finds held what coming jobs with earlier doors need, and no more', async () => {
  const first = demoJob('01-meadow-finish');
  const second = demoJob('02-engine-shed');
  await server.call('POST', '/job-files', second);
  const ofFirst = await server.call('GET', `/jobs/${first.job.id}/left`);
  expect(ofFirst.body.reserved).toEqual([]);
  // Both are out on one Saturday: pipes are cut together, and the earlier doors have the first choice of weights.
  expect(ofFirst.body.overlapping).toEqual([
    expect.objectContaining({ job: second.job.name, isFirst: false }),
  ]);
  const { body } = await server.call('GET', `/jobs/${second.job.id}/left`);
  const needed = countPieces(first).balloons.reduce((sum, row) => sum + row.need + row.spare, 0);
  expect(body.reserved.reduce((sum: number, row: { count: number }) => sum + row.count, 0)).toBe(needed);
  expect(body.reserved[0].jobs).toEqual([first.job.name]);
  expect(body.overlapping).toEqual([expect.objectContaining({ job: first.job.name, isFirst: true })]);
  expect(body.overlapping[0].weights.length).toBeGreaterThan(0);
  // What all lack is one list, and a file of it.
  const lacks = (await server.call('GET', '/stock/lacks')).body;
  expect(ofFirst.body.othersLack).toEqual(lacks.filter(({ job }: { job: string }) => job !== first.job.name));
  const sheet = (await server.call('GET', '/stock/buy.csv?today=2027-06-01')).body as string;
  const [head = [], ...rows] = sheet
    .trim()
    .split('\n')
    .map((line) => line.split(','));
  const missing = rows.map((row) => Number(row[head.indexOf('missing')]));
  const lacking = lacks.map(({ count }: { count: number }) => count);
  expect(rows.length).toBeGreaterThan(0);
  expect(total(missing)).toBe(total(lacking));
});

test('a product is needed by the coming jobs that are agreed to, each by what it counts, spares included', async () => {
  const [first, second] = [demoJob('01-meadow-finish'), demoJob('02-engine-shed')];
  await server.call('POST', '/job-files', second);
  const offered = { ...second, job: { ...second.job, id: 'offered', state: 'offered' } };
  await server.call('POST', '/job-files', offered);
  const [row] = countPieces(second).balloons;
  const product = { nominalIn: row?.nominalIn as number, colour: row?.colour as string };
  const own = (file: typeof first) =>
    countPieces(file)
      .balloons.filter(
        ({ nominalIn, colour }) => nominalIn === product.nominalIn && colour === product.colour,
      )
      .reduce((sum, { need, spare, kept }) => sum + need - kept + spare, 0);
  const of = ({ job }: typeof first, count: number) => ({ jobId: job.id, job: job.name, count });
  const at = (moment: string) =>
    wantsOf(server.db, product, new Date(moment), async (files) => needsOfAll(files));
  const all = [of(first, own(first)), of(second, own(second))].filter(({ count }) => count > 0);
  expect(await at('2027-01-01T00:00:00Z')).toEqual(all);
  // The first has opened its doors by then.
  expect(await at('2027-06-19T17:00:00-05:00')).toEqual([of(second, own(second))]);
  const { status } = await server.call('GET', '/stock/wants?nominalIn=11&colour=nothing-of-ours');
  expect(status).toBe(200);
});

test('jobs whose use is recorded and those whose use is not are listed apart', async () => {
  const second = demoJob('02-engine-shed');
  await server.call('POST', '/job-files', second);
  await server.call('POST', '/jobs/meadow-finish/use', { balloons: [], materials: [] });
  const listed = async (recorded: string) => {
    const { body } = await server.call('GET', `/jobs?recorded=${recorded}&limit=1`);
    return [body.total, ...body.items.map((row: { data: { id: string } }) => row.data.id)];
  };
  expect(await listed('yes')).toEqual([1, 'meadow-finish']);
  expect(await listed('no')).toEqual([1, second.job.id]);
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

test('a booking leaves how the house works as it is; consumables counted, used and taken back stand in their own ledger', async () => {
  const { body: house } = await server.call('GET', '/workshop');
  const materials = [...(house.data.materials ?? []), { item: 'hooks', onHand: 30 }];
  const count = { ...house.data, materials };
  const counted = await server.call('PUT', '/workshop', { revision: house.revision, data: count });
  expect(counted.status).toBe(200);
  const history = async () => (await server.call('GET', '/history/workshop')).body.length;
  const before = await history();
  await book(movement(-3));
  expect(await history()).toBe(before);
  const { body: after } = await server.call('GET', '/workshop');
  expect(after.revision).toBe(counted.body.revision + 1);
  expect({ ...after.data, stock: [] }).toEqual({ ...counted.body.data, stock: [] });

  const use = { balloons: [], materials: [{ item: 'hooks', used: 12 }] };
  expect((await server.call('POST', '/jobs/meadow-finish/use', use)).status).toBe(201);
  await server.call('DELETE', '/jobs/meadow-finish/use');
  const { body: ledger } = await server.call('GET', '/stock/items/movements?item=hooks');
  expect(
    ledger.items.map(({ kind, change, onHand }: Record<string, unknown>) => [kind, change, onHand]),
  ).toEqual([
    ['returned', 12, 30],
    ['used', -12, 18],
    ['counted', 30, 30],
  ]);
  // An earlier way of the house comes back without what lay on the shelf then.
  const { body: then } = await server.call('GET', '/workshop');
  await server.call('PUT', '/workshop', {
    revision: then.revision,
    data: { ...then.data, spareTargetPct: 99 },
  });
  await book(movement(-2));
  const [version] = (await server.call('GET', '/history/workshop')).body;
  const whole = (await server.call('GET', `/history/workshop/${version.id}`)).body.data;
  const now = (await server.call('GET', '/workshop')).body.data;
  expect([whole.stock, whole.materials]).toEqual([now.stock, now.materials]);
});

test('what jobs take is kept with what it was made of: a booking changes nothing of it, a change of a job, its place or the ways of the house does', async () => {
  const first = demoJob('01-meadow-finish');
  const second = demoJob('02-engine-shed');
  await server.call('POST', '/job-files', second);
  const held = async () =>
    (await server.call('GET', `/jobs/${second.job.id}/left`)).body.reserved.reduce(
      (sum: number, row: { count: number }) => sum + row.count,
      0,
    );
  const madeOf = async () =>
    new Map((await server.db.select().from(jobNeeds)).map((row) => [row.jobId, row.madeOf]));
  const before = await held();
  const kept = await madeOf();
  expect([...kept.keys()].sort()).toEqual([first.job.id, second.job.id].sort());
  const booking = { kind: 'received', change: 5, nominalIn: 11, colour: 'chalk', note: '' };
  expect((await server.call('POST', '/stock/movements', { movements: [booking] })).status).toBe(201);
  expect(await held()).toBe(before);
  expect(await madeOf()).toEqual(kept);

  const [piece] = (await server.call('GET', `/jobs/${first.job.id}`)).body.pieces;
  await server.call('DELETE', `/jobs/${first.job.id}/pieces/${piece.data.id}?revision=${piece.revision}`);
  expect(await held()).toBeLessThan(before);
  const afterPiece = await madeOf();
  expect(afterPiece.get(first.job.id)).not.toBe(kept.get(first.job.id));
  expect(afterPiece.get(second.job.id)).toBe(kept.get(second.job.id));
  const { body: house } = await server.call('GET', '/workshop');
  const data = { ...house.data, spareTargetPct: 99 };
  await server.call('PUT', '/workshop', { revision: house.revision, data });
  await held();
  expect((await madeOf()).get(second.job.id)).not.toBe(kept.get(second.job.id));
});

test('a job that cannot be counted holds nothing, and keeps nothing from the others', async () => {
  await server.call('POST', '/job-files', demoJob('02-engine-shed'));
  const left = async () => (await server.call('GET', '/jobs/engine-shed-unveiled/left')).body;
  expect((await left()).reserved.length).toBeGreaterThan(0);
  // As no route would take it: a row spoilt by whatever else.
  await server.db.execute(
    sql`update pieces set data = '{"kind": "organic-garland"}', revision = revision + 1 where job_id = 'meadow-finish'`,
  );
  expect(await left()).toMatchObject({ reserved: [], isUsed: false });
  expect((await server.call('GET', '/stock/lacks')).status).toBe(200);
});

test('of a span of days each open job is answered as by itself', async () => {
  const second = demoJob('02-engine-shed');
  await server.call('POST', '/job-files', second);
  const ids = ['meadow-finish', second.job.id];
  const span = `from=${encodeURIComponent('2027-06-19T00:00:00-05:00')}&until=${encodeURIComponent('2027-06-20T00:00:00-05:00')}`;
  const { body } = await server.call('GET', `/left?${span}`);
  expect(Object.keys(body).sort()).toEqual([...ids].sort());
  for (const id of ids) expect(body[id]).toEqual((await server.call('GET', `/jobs/${id}/left`)).body);
  expect((await server.call('GET', '/left?from=never&until=now')).status).toBe(422);
});

test('jobs that are looked at are counted before a season that was read in; the rest comes behind, and is told', async () => {
  const model = demoJob('02-engine-shed');
  for (let week = 1; week <= 22; week++) {
    const file = structuredClone(model);
    file.job.id = `later-${week}`;
    for (const span of [file.job.access, file.job.strike])
      for (const end of ['from', 'until'] as const) span[end] = weeksOn(span[end], week);
    file.job.doors = weeksOn(file.job.doors, week);
    expect((await server.call('POST', '/job-files', file)).status).toBe(201);
  }
  await server.db.delete(jobNeeds);
  const { data: settings } = await getSettings(server.db);
  const counted: string[][] = [];
  const reckon: Reckoning = async (files) => {
    counted.push(files.map(({ job }) => job.id));
    return needsOfAll(files);
  };
  const idsOf = (needs: readonly { id: string }[]) => needs.map(({ id }) => id);
  const told: string[] = [];
  const events = listenTo(server.url);
  events.subscribe(({ what }) => told.push(what));
  const looked = () => needsUpTo(server.db, settings, reckon, new Date('2027-06-20T00:00:00-05:00'));
  expect(idsOf(await looked())).toEqual(['meadow-finish']);
  expect(counted[0]).toEqual(['meadow-finish']);
  while (!told.includes('needs')) await sleep(20);
  await events.close();
  expect(idsOf(await looked())).toHaveLength(23);
  expect(counted.flat()).toHaveLength(23);
});

const weeksOn = (at: string, weeks: number) =>
  DateTime.fromISO(at, { setZone: true }).plus({ weeks }).toISO() as string;
