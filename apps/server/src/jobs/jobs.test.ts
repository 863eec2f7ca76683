import { sql } from 'drizzle-orm';
import pg from 'pg';
import { demoJob, type TestServer, testServer } from '../test/server.ts';
import { emptyBin } from './store.ts';

let server: TestServer;
beforeEach(async () => {
  server = await testServer();
  await server.call('POST', '/job-files', demoJob('01-meadow-finish'));
  await server.call('POST', '/job-files', demoJob('03-glasshouse-night'));
});
afterEach(() => server.end());

const meadow = async () => (await server.call('GET', '/jobs/meadow-finish')).body;

test('an update counts the revision up; a stale one gets 409 with the row as it is', async () => {
  const row = await meadow();
  const first = await server.call('PUT', '/jobs/meadow-finish', {
    revision: row.revision,
    data: { ...row.data, notes: 'mine' },
  });
  expect(first).toMatchObject({ status: 200, body: { revision: row.revision + 1, data: { notes: 'mine' } } });
  const second = await server.call('PUT', '/jobs/meadow-finish', {
    revision: row.revision,
    data: { ...row.data, notes: 'theirs' },
  });
  expect(second.status).toBe(409);
  expect(second.type).toContain('application/problem+json');
  expect(second.body.current).toEqual(first.body);
});

test('a job is read as it is now, whoever changed it: another server, a piece of it, or an update that was taken back', async () => {
  const before = await meadow();
  expect(await meadow()).toEqual(before);
  const named = (name: string) =>
    server.db.execute(
      sql`update pieces set data = jsonb_set(data, '{name}', to_jsonb(${name}::text)) where id = 'rope-garland'`,
    );
  const nameNow = async () =>
    (await meadow()).pieces.find((one: { data: { id: string } }) => one.data.id === 'rope-garland').data.name;
  await named('Hung by another server');
  expect(await nameNow()).toBe('Hung by another server');
  await server.db
    .transaction(async (tx) => {
      await tx.execute(
        sql`update jobs set data = jsonb_set(data, '{notes}', '"never"') where id = 'meadow-finish'`,
      );
      throw new Error('taken back');
    })
    .catch(() => undefined);
  expect((await meadow()).data.notes).toBe(before.data.notes);
  await server.db.execute(sql`delete from pieces where id = 'rope-garland'`);
  expect((await meadow()).pieces).toHaveLength(before.pieces.length - 1);
  await server.db.execute(sql`update jobs set deleted_at = now() where id = 'meadow-finish'`);
  expect((await server.call('GET', '/jobs/meadow-finish')).status).toBe(404);
});

test('of many updates at once from the same revision exactly one wins', async () => {
  const row = (await meadow()).pieces[0];
  const replies = await Promise.all(
    Array.from({ length: 12 }, (_, i) =>
      server.call('PUT', '/jobs/meadow-finish/pieces/rope-garland', {
        revision: row.revision,
        data: { ...row.data, name: `Version ${i}` },
      }),
    ),
  );
  expect(replies.filter((reply) => reply.status === 200)).toHaveLength(1);
  expect(replies.filter((reply) => reply.status === 409)).toHaveLength(11);
  expect((await meadow()).pieces[0].revision).toBe(row.revision + 1);
});

test('a piece that names what is not there is refused and not stored', async () => {
  const row = (await meadow()).pieces[0];
  const data = { ...row.data, spotId: 'roof', colours: [{ colour: 'mauve', sharePct: 100 }] };
  const reply = await server.call('PUT', '/jobs/meadow-finish/pieces/rope-garland', {
    revision: row.revision,
    data,
  });
  expect(reply.status).toBe(422);
  expect(reply.body.faults).toHaveLength(2);
  expect((await meadow()).pieces[0]).toEqual(row);
});

test('pieces are added at the end, and taken out', async () => {
  const ids = (pieces: { data: { id: string } }[]) => pieces.map((piece) => piece.data.id);
  const { pieces } = await meadow();
  const before = ids(pieces);
  const added = await server.call('POST', '/jobs/meadow-finish/pieces', {
    ...pieces[0].data,
    id: 'second',
    name: 'Second',
  });
  expect(added.status).toBe(201);
  const again = await server.call('POST', '/jobs/meadow-finish/pieces', { ...pieces[0].data, id: 'second' });
  expect(again.status).toBe(409);
  expect(ids((await meadow()).pieces)).toEqual([...before, 'second']);
  const paged: string[] = [];
  let after = '';
  do {
    const page = (await server.call('GET', `/jobs/meadow-finish/pieces?limit=2${after}`)).body;
    expect(page.total).toBe(before.length + 1);
    paged.push(...ids(page.items));
    after = page.next ? `&after=${page.next}` : '';
  } while (after);
  expect(paged).toEqual([...before, 'second']);
  expect((await server.call('DELETE', '/jobs/meadow-finish/pieces/second?revision=7')).status).toBe(409);
  expect((await server.call('DELETE', '/jobs/meadow-finish/pieces/second?revision=1')).status).toBe(200);
  expect(ids((await meadow()).pieces)).toEqual(before);
});

test('a deleted job is gone from the lists and comes back whole', async () => {
  const before = await meadow();
  expect((await server.call('DELETE', `/jobs/meadow-finish?revision=${before.revision}`)).status).toBe(200);
  expect((await server.call('GET', '/jobs/meadow-finish')).status).toBe(404);
  expect((await server.call('GET', '/jobs')).body.total).toBe(1);
  const back = await server.call('POST', '/jobs/meadow-finish/restore');
  expect(back.body.data).toEqual(before.data);
  expect(back.body.pieces).toEqual(before.pieces);
});

test('a deleted job lies in the bin for thirty days; then it goes, with its pieces and earlier versions', async () => {
  const before = await meadow();
  await server.call('DELETE', `/jobs/meadow-finish?revision=${before.revision}`);
  expect((await server.call('GET', '/deleted-jobs')).body).toMatchObject([
    { id: 'meadow-finish', name: before.data.name },
  ]);
  await emptyBin(server.db);
  await server.db.execute(
    sql`update jobs set deleted_at = now() - interval '29 days' where id = 'meadow-finish'`,
  );
  expect(await emptyBin(server.db)).toBe(0);
  await server.db.execute(
    sql`update jobs set deleted_at = now() - interval '31 days' where id = 'meadow-finish'`,
  );
  expect((await server.call('GET', '/deleted-jobs')).body).toEqual([]);
  expect(await emptyBin(server.db)).toBe(1);
  expect((await server.call('POST', '/jobs/meadow-finish/restore')).status).toBe(404);
  const left = sql`select (select count(*) from pieces where job_id = 'meadow-finish')
    + (select count(*) from versions where job_id = 'meadow-finish') as left`;
  expect(Number((await server.db.execute(left)).rows[0]?.left)).toBe(0);
  // Those that are not deleted stay, however old.
  expect((await server.call('GET', '/jobs')).body.total).toBe(1);
});

test('people and places that a job needs cannot be deleted; others can', async () => {
  const wren = (await server.call('GET', '/crew/wren')).body;
  const refusal = await server.call('DELETE', `/crew/wren?revision=${wren.revision}`);
  expect(refusal).toMatchObject({ status: 409, body: { title: 'In use' } });
  expect(refusal.body.detail).toContain('Finish line, charity ride');
  expect((await server.call('DELETE', '/sites/meadow?revision=1')).status).toBe(409);
  expect((await server.call('DELETE', '/crew/bram?revision=1')).status).toBe(200);
});

test('lists come by doors, in pages that miss nothing and repeat nothing', async () => {
  for (let i = 0; i < 5; i++) {
    const copy = demoJob('01-meadow-finish');
    copy.job.id = `copy-${i}`;
    await server.call('POST', '/job-files', copy);
  }
  const walk = async (query: string) => {
    const seen: string[] = [];
    let after = '';
    do {
      const page = (await server.call('GET', `/jobs?limit=3${query}${after}`)).body;
      expect(page.total).toBe(7);
      seen.push(...page.items.map((row: { data: { id: string } }) => row.data.id));
      after = page.next ? `&after=${page.next}` : '';
    } while (after);
    return seen;
  };
  const seen = await walk('');
  // The latest first is the same the other way round.
  expect(await walk('&order=desc')).toEqual([...seen].reverse());
  const names = (await server.call('GET', '/job-names')).body;
  expect(names.map(({ id }: { id: string }) => id).sort()).toEqual([...seen].sort());
  expect((await server.call('GET', '/job-names?limit=2')).body).toHaveLength(2);
  expect(seen).toHaveLength(7);
  expect(new Set(seen).size).toBe(7);
  expect(seen.at(-1)).toBe('glasshouse-night');
  const from = await server.call('GET', `/jobs?from=${encodeURIComponent('2027-06-20T00:00:00Z')}`);
  expect(from.body.items).toHaveLength(1);
  expect((await server.call('GET', '/jobs?after=nonsense')).status).toBe(422);
});

test('what stands at a moment and what is over then are all jobs, each once', async () => {
  const { doors, strike } = (await meadow()).data;
  const at = async (query: string) =>
    (await server.call('GET', `/jobs?${query}`)).body.items.map(
      (row: { data: { id: string } }) => row.data.id,
    );
  const before = (moment: string, ms: number) =>
    encodeURIComponent(new Date(Date.parse(moment) - ms).toISOString());
  // A minute after its doors it stands, a minute before its strike ends still; then it is over.
  for (const [moment, isUp] of [
    [before(doors, -60_000), true],
    [before(strike.until, 60_000), true],
    [before(strike.until, -60_000), false],
  ] as const) {
    const [standing, over] = [await at(`standing=${moment}`), await at(`over=${moment}`)];
    expect(standing.includes('meadow-finish')).toBe(isUp);
    expect([...standing, ...over].sort()).toEqual(['glasshouse-night', 'meadow-finish']);
  }
});

test('a job at a site that is not there is refused in words', async () => {
  const row = await meadow();
  const reply = await server.call('PUT', '/jobs/meadow-finish', {
    revision: row.revision,
    data: { ...row.data, siteId: 'moon' },
  });
  expect(reply.body.faults).toEqual([{ path: 'siteId', reason: 'no site "moon"' }]);
});

test('a connection lost in the middle of writing is answered 503, nothing is half stored, and the next change goes through', async () => {
  const row = await meadow();
  const change = { revision: row.revision, data: { ...row.data, notes: 'while it breaks' } };
  const { rows } = await server.db.execute<{ name: string }>(sql`select current_database() as name`);
  const url = new URL(process.env.TEST_CLUSTER_URL as string);
  url.pathname = `/${rows[0]?.name}`;
  const other = new pg.Client({ connectionString: url.href });
  await other.connect();
  try {
    // Somebody else holds the house: the change waits inside its transaction. There its connection is cut.
    await other.query('begin');
    await other.query('select pg_advisory_xact_lock(431019, hashtext($1))', ['first']);
    const reply = server.call('PUT', '/jobs/meadow-finish', change);
    let cut = 0;
    for (let turn = 0; turn < 100 && cut === 0; turn++) {
      await new Promise((done) => setTimeout(done, 50));
      const found = await other.query(
        `select pg_terminate_backend(pid) from pg_stat_activity
         where datname = current_database() and wait_event_type = 'Lock' and wait_event = 'advisory'`,
      );
      cut = found.rowCount ?? 0;
    }
    expect(cut).toBe(1);
    expect(await reply).toMatchObject({ status: 503, body: { title: 'The database does not answer' } });
  } finally {
    await other.query('rollback');
    await other.end();
  }
  expect(await meadow()).toEqual(row);
  expect((await server.call('PUT', '/jobs/meadow-finish', change)).status).toBe(200);
});
