import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import { FIRST_WORKSHOP, JobFile } from '@early-lantern/contract';
import pg from 'pg';
import { buildApp } from '../app.ts';
import { connect, connectToWorkshops, migrateDatabase } from './database.ts';

const dumps = join(__dirname, 'dumps');
const released = readdirSync(dumps).filter((name) => name.endsWith('.sql.gz'));

test.each(released)('what the version of %s has left is read by today’s, whole', async (name) => {
  const url = new URL(process.env.TEST_CLUSTER_URL as string);
  const database = `released_${name.slice(0, 4)}_${process.pid}`;
  const admin = new pg.Client({ connectionString: url.href });
  await admin.connect();
  await admin.query(`create database ${database}`);
  await admin.end();
  url.pathname = `/${database}`;
  const loading = new pg.Client({ connectionString: url.href });
  await loading.connect();
  await loading.query(gunzipSync(readFileSync(join(dumps, name))).toString());
  await loading.end();

  const all = connect(url.href);
  await migrateDatabase(all.db, join(__dirname, '../../drizzle'));
  const { db, close } = connectToWorkshops(url.href, FIRST_WORKSHOP);
  const app = await buildApp({ db, installation: all.db });
  const read = async (path: string) => {
    const reply = await app.inject({ url: `/api/v1${path}`, headers: { host: 'localhost' } });
    expect([path, reply.statusCode]).toEqual([path, 200]);
    return reply.json();
  };
  // Eleven jobs, one of them deleted; one tick, one booking.
  const jobs = await read('/jobs?limit=100');
  expect(jobs.total).toBe(10);
  for (const { data } of jobs.items) {
    const file = JobFile.safeParse(await read(`/jobs/${data.id}/file`));
    expect(file.error).toBeUndefined();
  }
  expect((await read('/deleted-jobs')).map(({ id }: { id: string }) => id)).toEqual(['regatta-breakfast']);
  expect((await read('/jobs/meadow-finish/packing')).ticks).toHaveLength(1);
  const [latest] = (await read('/stock/movements?limit=1')).items;
  expect(latest).toMatchObject({ kind: 'received', change: 25, note: 'as delivered' });
  // What is new since works on it: found by words, and changed with what it was kept.
  expect((await read('/search?q=finish')).length).toBeGreaterThan(0);
  await app.close();
  await close();
  await all.close();
});
