import { sql } from 'drizzle-orm';
import { connectToWorkshops } from '../db/database.ts';
import { inWorkshop } from '../db/which-workshop.ts';
import { inviteFirstOwner } from '../people/accounts.ts';
import { addNewWorkshop } from '../setup/new-workshop.ts';
import { demoJob, type TestServer, testServer } from '../test/server.ts';

type Cookies = Record<string, string>;
type Method = 'GET' | 'POST' | 'PUT' | 'DELETE';
const password = 'four lanterns in a row';
/** Stands in whatever the first workshop has. */
const MARK = 'heronsmark';

let server: TestServer;
let here: Cookies;
let there: Cookies;
let link = '';
/** What a route's parameters are called in the first workshop. */
let ids: Record<string, string> = {};

beforeAll(async () => {
  server = await testServer();
  const file = demoJob('01-meadow-finish');
  const [piece] = file.job.pieces;
  const marked = JSON.parse(JSON.stringify(file).replaceAll('"name":"', `"name":"${MARK} `));
  expect((await server.call('POST', '/job-files', marked)).status).toBe(201);
  const booked = [
    { nominalIn: 11, colour: file.workshop.colours[0]?.id, kind: 'received', change: 5, note: MARK },
  ];
  expect((await server.call('POST', '/stock/movements', { movements: booked })).status).toBe(201);
  const job = (await server.call('GET', '/jobs/meadow-finish')).body;
  await server.call('PUT', '/jobs/meadow-finish', {
    revision: job.revision,
    data: { ...job.data, notes: MARK },
  });
  here = (await server.call('POST', '/owner', { name: `${MARK} owner`, password })).cookies;
  link = (await server.call('POST', '/jobs/meadow-finish/links', { name: MARK, days: 3 }, here)).body.token;
  ids = { id: 'meadow-finish', pieceId: piece?.id ?? '', piece: piece?.id ?? '' };

  const { token } = await inWorkshop('weir', async () => {
    await addNewWorkshop(server.rows, 'Weir Lane');
    return inviteFirstOwner(server.rows, 'Pim Sallow');
  });
  expect(token).toMatch(/^weir\./);
  there = (await server.call('POST', '/invitations/accept', { token, password })).cookies;
});
afterAll(() => server.end());

/** Every row of the first workshop, as one checksum of each table. */
async function kept(): Promise<string[]> {
  const tables = await ownTables();
  const sums: string[] = [];
  for (const table of tables) {
    // That somebody was seen is noted at every visit.
    const rows = sql.raw(
      `select md5(coalesce(string_agg(t::text, '|' order by t::text), '')) as sum from ${table} t where workshop_id = 'first'`,
    );
    const found = await server.db.execute<{ sum: string }>(rows);
    sums.push(`${table} ${found.rows[0]?.sum}`);
  }
  return sums;
}

async function ownTables(): Promise<string[]> {
  const { rows } = await server.db.execute<{ name: string }>(sql`
    select table_name as name from information_schema.columns
    where table_schema = 'public' and column_name = 'workshop_id' order by 1
  `);
  return rows.map(({ name }) => name);
}

test('every table has an owner whose rows alone are seen, or belongs to no workshop and is listed here', async () => {
  const { rows } = await server.db.execute<{ name: string; safe: boolean }>(sql`
    select c.relname as name, c.relrowsecurity and exists (select from pg_policy p where p.polrelid = c.oid) as safe
    from pg_class c join pg_namespace n on n.oid = c.relnamespace
    where n.nspname = 'public' and c.relkind = 'r' order by 1
  `);
  expect(rows.filter(({ safe }) => !safe).map(({ name }) => name)).toEqual([
    'pulse',
    'work_hands',
    'work_items',
  ]);
  expect(rows.filter(({ safe }) => safe).map(({ name }) => name)).toEqual(await ownTables());
  // Where none was said nothing is answered; said one, nothing of another is written.
  const silent = connectToWorkshops(server.url);
  await expect(silent.db.execute(sql`select 1`)).rejects.toMatchObject({
    cause: { message: expect.stringContaining('without saying of which workshop') },
  });
  await silent.close();
  const write = (row: string) =>
    inWorkshop('weir', () =>
      server.rows.execute(sql.raw(`insert into crew (workshop_id, id, data) values (${row})`)),
    );
  await expect(write(`'first', 'x', '{}'`)).rejects.toMatchObject({
    cause: { message: expect.stringContaining('row-level security') },
  });
  await expect(
    inWorkshop('weir', () => server.rows.execute(sql`select * from work_items`)),
  ).rejects.toMatchObject({ cause: { message: expect.stringContaining('permission denied') } });
});

test('no route shows or changes anything of another workshop, whatever ids are guessed', async () => {
  const { body } = await server.call('GET', '/api/docs/json', undefined, here);
  const routes = Object.entries(body.paths as Record<string, object>).flatMap(([path, methods]) =>
    Object.keys(methods).map((method) => ({ method: method.toUpperCase() as Method, path })),
  );
  const guessed = (path: string) =>
    path.replace(/\{(\w+)\}/g, (_, name: string) =>
      path.includes('/crew/') ? 'wren' : path.includes('/sites/') ? 'meadow' : (ids[name] ?? 'owner'),
    );
  const reads = routes.filter(({ method, path }) => method === 'GET' && !path.endsWith('/events'));
  const own: string[] = [];
  for (const { path } of reads) {
    const url = `${guessed(path)}?q=${MARK}&from=2000-01-01T00:00:00Z&until=2100-01-01T00:00:00Z`;
    for (const path of [url, url.split('?')[0] as string]) {
      if (JSON.stringify((await server.call('GET', path, undefined, here)).body).includes(MARK))
        own.push(path);
      const seen = JSON.stringify((await server.call('GET', path, undefined, there)).body);
      expect([path, seen.replace(`q=${MARK}`, '').includes(MARK)]).toEqual([path, false]);
    }
  }
  // So that what is looked for is there at all.
  expect(new Set(own.map((path) => path.split('?')[0])).size).toBeGreaterThan(15);

  const before = await kept();
  for (const { method, path } of routes.filter(({ method }) => method !== 'GET')) {
    if (path.includes('/sign-') || path.includes('/shared') || path.includes('/me/')) continue;
    for (const revision of [1, 2])
      await server.call(
        method,
        `${guessed(path)}?revision=${revision}`,
        { revision, data: {}, id: 'meadow-finish' },
        there,
      );
  }
  // The same job by the same name is another one.
  expect((await server.call('POST', '/job-files', demoJob('01-meadow-finish'), there)).status).toBe(201);
  const theirs = (await server.call('GET', '/jobs/meadow-finish', undefined, there)).body;
  await server.call('DELETE', `/jobs/meadow-finish?revision=${theirs.revision}`, undefined, there);
  expect(await kept()).toEqual(before);
  expect((await server.call('GET', '/jobs', undefined, there)).body.total).toBe(0);
  expect((await server.call('GET', '/jobs', undefined, here)).body.total).toBe(1);
});

test('a session, a link and a password count in the workshop that they are of, and in no other', async () => {
  const session = there['lantern-session'] as string;
  for (const forged of [
    session.replace('weir.', ''),
    session.replace('weir.', 'first.'),
    session.replace('weir.', 'other.'),
  ])
    expect((await server.call('GET', '/jobs', undefined, { 'lantern-session': forged })).status).toBe(401);
  expect((await server.call('GET', '/jobs', undefined, { 'lantern-session': session })).status).toBe(200);
  // A workshop without a password is nobody's, and its short name alone opens none.
  for (const name of ['weir', 'other', 'first'])
    expect((await server.call('GET', '/jobs', undefined, { 'lantern-workshop': name })).status).toBe(401);

  expect((await server.call('POST', '/shared', { token: link }, there)).body.for).toBe(MARK);
  expect((await server.call('POST', '/shared', { token: `weir.${link}` })).status).toBe(404);

  const signIn = (workshop: string | undefined, name: string) =>
    server.call('POST', '/sign-in', { ...(workshop ? { workshop } : {}), name, password });
  expect((await signIn('weir', 'Pim Sallow')).body).toMatchObject({
    workshop: 'Weir Lane',
    workshopId: 'weir',
  });
  for (const [workshop, name] of [
    [undefined, 'Pim Sallow'],
    ['weir', `${MARK} owner`],
    ['other', 'Pim Sallow'],
  ] as const)
    expect((await signIn(workshop, name)).status).toBe(401);
  // A stranger is not told which there are.
  expect((await server.call('GET', '/me')).body).toMatchObject({
    workshop: '',
    workshopId: '',
    account: null,
  });
  expect((await server.call('GET', '/me', undefined, { 'lantern-workshop': 'weir' })).body).toMatchObject({
    workshop: 'Weir Lane',
  });
});
