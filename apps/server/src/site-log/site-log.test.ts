import type { SiteEntry, SiteEvent, SiteLog } from '@early-lantern/contract';
import Papa from 'papaparse';
import { demoJob, type TestServer, testServer } from '../test/server.ts';

let server: TestServer;
const job = '/jobs/boat-hall-supper';
const at = `${job}/site-log`;

beforeAll(async () => {
  server = await testServer();
  await server.call('POST', '/job-files', demoJob('90-boat-hall'));
});
afterAll(() => server.end());

let made = 0;
function entry(event: SiteEvent, more: Partial<SiteEntry> = {}): SiteEntry {
  made += 1;
  const id = made.toString(16).padStart(32, '0');
  return { id, at: '2026-11-01T09:00:00.000Z', by: 'wren', event, ...more };
}
const send = (entries: SiteEntry[], more: object = {}) =>
  server.call('POST', at, { device: 'phone-1', clockOffMs: 0, entries, after: 0, ...more });
const logOf = async (after = 0): Promise<SiteLog> => (await server.call('GET', `${at}?after=${after}`)).body;

test('what is sent again is there once, as it was the first time; each device is told what it does not know', async () => {
  const done = entry({ kind: 'done', task: 'unload' });
  const first = await send([done]);
  expect(first).toMatchObject({ status: 200, body: { entries: [{ ...done, device: 'phone-1' }] } });
  // The answer was lost, and the clock was set right meanwhile.
  const again = await send([done, done], { clockOffMs: 60_000 });
  expect(again.body.entries).toEqual(first.body.entries);
  const other = await send([entry({ kind: 'note', text: 'from the second' })], {
    device: 'phone-2',
    after: first.body.last,
  });
  expect(other.body.entries).toMatchObject([{ device: 'phone-2', event: { text: 'from the second' } }]);
  expect((await logOf(first.body.last)).entries).toEqual(other.body.entries);
});

test('times are by the server’s clock, whatever a phone’s is off by, and never in the future', async () => {
  const slow = entry({ kind: 'start', task: 'unload' });
  const ahead = entry({ kind: 'start', task: 'unload' }, { at: '2096-01-01T00:00:00.000Z' });
  const { body } = await send([slow, ahead], { clockOffMs: 90 * 60_000 });
  const kept = (id: string) => (body as SiteLog).entries.find((one) => one.id === id)?.at as string;
  expect(kept(slow.id)).toBe('2026-11-01T10:30:00.000Z');
  expect(Math.abs(Date.parse(kept(ahead.id)) - Date.now())).toBeLessThan(60_000);
});

test('a device that knows of an entry which is no longer there, as after a backup was restored, is told all of it', async () => {
  const { entries, last } = await logOf();
  const { id } = entries.at(-1) as SiteLog['entries'][number];
  const asked = async (afterId: string) =>
    (await server.call('GET', `${at}?after=${last}&afterId=${afterId}`)).body as SiteLog;
  expect(await asked(id)).toMatchObject({ entries: [], isAnew: false });
  expect(await asked('f'.repeat(32))).toMatchObject({ entries, isAnew: true });
});

test('many devices at once: whoever asks after the last number that they saw has seen all before it', async () => {
  let seen = (await logOf()).last;
  const known = new Set<string>();
  let isWriting = true;
  const reading = (async () => {
    while (isWriting) {
      const { entries } = await logOf(seen);
      for (const one of entries) known.add(one.id);
      seen = entries.at(-1)?.seq ?? seen;
    }
  })();
  const written = Array.from({ length: 60 }, () => entry({ kind: 'note', text: 'at once' }));
  await Promise.all(written.map((one, i) => send([one], { device: `phone-${i % 5}` })));
  isWriting = false;
  await reading;
  for (const one of (await logOf(seen)).entries) known.add(one.id);
  expect(written.filter(({ id }) => !known.has(id))).toEqual([]);
});

test.each<[string, object, number]>([
  ['an id that a device could not have made', { ...entry({ kind: 'note', text: 'x' }), id: 'one' }, 422],
  ['a note of blanks', entry({ kind: 'note', text: '   ' }), 422],
  ['no balloons that popped', entry({ kind: 'popped', nominalIn: 11, colour: 'oat', count: 0 }), 422],
  [
    'an event of a sort that there is not',
    { ...entry({ kind: 'done', task: 'x' }), event: { kind: 'x' } },
    422,
  ],
])('%s is refused', async (_, one, status) => {
  expect((await send([one as SiteEntry])).status).toBe(status);
});

test('planned against actual as a table: every task with its people, pops by product, and the log line by line', async () => {
  const { body: plan } = await server.call('GET', `${job}/plan`);
  const task = plan.tasks.find(({ id }: { id: string }) => id === 'unload');
  const person = task.crew[0];
  const popped = entry({ kind: 'popped', nominalIn: 11, colour: plan.totals.balloons[0].colour, count: 2 });
  const wrong = entry({ kind: 'note', task: 'unload', text: 'wrong job' });
  await send([
    entry({
      kind: 'times',
      task: 'unload',
      person,
      from: '2026-11-02T09:00:00Z',
      until: '2026-11-02T09:12:30Z',
    }),
    popped,
    entry({ kind: 'kept', nominalIn: 11, colour: plan.totals.balloons[0].colour, count: 30 }),
    entry({ kind: 'fault', piece: plan.pieces[0].id, text: 'A gap' }),
    wrong,
    entry({ kind: 'taken-back' }, { replaces: [wrong.id] }),
    entry({ kind: 'note', task: 'unload', text: '=1+1' }),
  ]);
  const table = async (what: string) => {
    const { body, type } = await server.call('GET', `${job}/record/${what}/csv`);
    expect(type).toContain('text/csv');
    return Papa.parse<Record<string, string>>((body as string).replace(/^\uFEFF/, ''), { header: true }).data;
  };
  const tasks = await table('tasks');
  expect(tasks.filter((row) => row.task === 'unload' && row.person !== '')).toHaveLength(task.crew.length);
  // A formula is a text in every sheet.
  expect(tasks.find((row) => row.task === 'unload' && row.workedMin === '12.5')).toMatchObject({
    plannedMin: String((Date.parse(task.end) - Date.parse(task.start)) / 60_000),
    start: '2026-11-02T09:00:00.000Z',
    end: '2026-11-02T09:12:30.000Z',
    isDone: 'true',
    note: expect.stringMatching(/^'=1\+1/),
  });
  expect(await table('pops')).toMatchObject([{ 'nominal in': '11', popped: '2' }]);
  expect(await table('kept')).toMatchObject([{ 'nominal in': '11', kept: '30' }]);
  const pieces = await table('pieces');
  expect(pieces.map(({ piece }) => piece)).toEqual(plan.pieces.map(({ name }: { name: string }) => name));
  expect(pieces[0]).toMatchObject({ faults: 'A gap', heldHours: '' });
  const spoken = await server.call('GET', `${job}/run-sheet.txt?person=${person}`);
  expect(spoken.type).toContain('text/plain');
  expect(spoken.body).toContain('That is all.');
  expect((await server.call('GET', `${job}/run-sheet.txt?person=nobody`)).status).toBe(404);
  const log = await table('log');
  expect(log.filter((row) => row.details === 'wrong job')).toMatchObject([
    { holds: 'taken back', who: 'Wren Haddock' },
  ]);
  expect((await server.call('GET', `${job}/record/tasks/xlsx`)).type).toContain('spreadsheetml');
});

test('a job that is not there has no log, and takes none', async () => {
  expect((await server.call('GET', '/jobs/none/site-log')).status).toBe(404);
  expect(
    (await server.call('POST', '/jobs/none/site-log', { device: 'a', clockOffMs: 0, entries: [], after: 0 }))
      .status,
  ).toBe(404);
});

test('what did not come home is away for jobs after it, not before it, and not once it is back', async () => {
  const later = demoJob('02-engine-shed');
  await server.call('POST', '/job-files', later);
  const left = async (id: string) => (await server.call('GET', `/jobs/${id}/left`)).body;
  const ladder = { row: 'gear step-8', fate: 'missing', item: 'step-8', qty: 1 } as const;
  const carried = async () =>
    (await server.call('GET', `/jobs/${later.job.id}/plan`)).body.packing.map(({ id }: { id: string }) => id);
  expect(await carried()).toContain(ladder.row);
  const missing = entry({ kind: 'gear', ...ladder });
  await send([missing]);
  const { name } = demoJob('90-boat-hall').job;
  const away = [{ ...ladder, job: name, at: missing.at }];
  expect((await left(later.job.id)).awayGear).toEqual(away);
  expect((await left('boat-hall-supper')).awayGear).toEqual([]);
  // The phones' plan goes by it too.
  expect(await carried()).not.toContain(ladder.row);
  // In lists the same is told as of one job alone.
  const span = new URLSearchParams({ from: later.job.doors, until: later.job.strike.until });
  expect((await server.call('GET', `/left?${span}`)).body[later.job.id].awayGear).toEqual(away);
  await send([entry({ kind: 'gear', ...ladder, fate: 'back' }, { at: '2026-11-01T10:00:00.000Z' })]);
  expect((await left(later.job.id)).awayGear).toEqual([]);
});

test('gear of a job that stands for days is free for others once all of it has been counted home', async () => {
  const { id, doors } = demoJob('90-boat-hall').job;
  const dayOn = (at: string, days: number) => new Date(Date.parse(at) + days * 86_400_000).toISOString();
  const row = (await server.call('GET', `/jobs/${id}`)).body;
  const strike = { from: dayOn(row.data.strike.from, 4), until: dayOn(row.data.strike.until, 4) };
  const put = await server.call('PUT', `/jobs/${id}`, {
    revision: row.revision,
    data: { ...row.data, strike },
  });
  expect(put.status).toBe(200);
  const later = demoJob('01-meadow-finish');
  const at = (hours: number) => new Date(Date.parse(doors) + (48 + hours) * 3_600_000).toISOString();
  later.job = {
    ...later.job,
    id: 'stands-between',
    doors: at(0),
    access: { from: at(-6), until: at(0) },
    strike: { from: at(4), until: at(6) },
  };
  expect((await server.call('POST', '/job-files', later)).status).toBe(201);
  const sharing = async () =>
    (await server.call('GET', `/jobs/${later.job.id}/left`)).body.overlapping.map(
      ({ job }: { job: string }) => job,
    );
  expect(await sharing()).toEqual([row.data.name]);
  // Taken down on the evening of the first day.
  const counted = { kind: 'gear', row: 'kit tools scissors', fate: 'back' } as const;
  await send([entry(counted, { at: dayOn(doors, 0.2) })]);
  expect(await sharing()).toEqual([row.data.name]);
  await send([entry({ ...counted, row: 'kit cleaning broom', isAll: true }, { at: dayOn(doors, 0.21) })]);
  expect(await sharing()).toEqual([]);
});
