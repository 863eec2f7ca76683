import { randomBytes } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { JobFile } from '@early-lantern/contract';
import { FIRST_WORKSHOP } from '@early-lantern/contract';
import pg from 'pg';
import { buildApp } from '../app.ts';
import { connect, connectToWorkshops } from '../db/database.ts';
import { listenTo } from '../events/hub.ts';

export const demoFolder = join(__dirname, '../../../../demo/jobs');

export const demoJob = (name: string): JobFile =>
  JSON.parse(readFileSync(join(demoFolder, `${name}.json`), 'utf8')) as JobFile;

// The tests look freely into answers of many shapes.
// biome-ignore lint/suspicious/noExplicitAny: see above
type Answer = { status: number; type: string; body: any; cookies: Record<string, string> };

/** The server on a fresh copy of the migrated database. */
export async function testServer() {
  const url = new URL(process.env.TEST_CLUSTER_URL as string);
  const name = `test_${randomBytes(6).toString('hex')}`;
  const admin = new pg.Client({ connectionString: url.href });
  await admin.connect();
  await admin.query(`create database ${name} template template_lantern`);
  await admin.end();
  url.pathname = `/${name}`;
  const rows = connectToWorkshops(url.href, FIRST_WORKSHOP);
  const events = listenTo(url.href);
  // What a test itself does to the database it does to all of it; what it writes is the first workshop's.
  url.searchParams.set('options', `-c lantern.workshop=${FIRST_WORKSHOP}`);
  const { db, close } = connect(url.href);
  url.search = '';
  const app = await buildApp({ db: rows.db, installation: db, events });

  /** Calls the API; the body comes back read. */
  const call = async (
    method: 'GET' | 'POST' | 'PUT' | 'DELETE',
    path: string,
    body?: unknown,
    cookies: Record<string, string> = {},
  ): Promise<Answer> => {
    const reply = await app.inject({
      method,
      url: path.startsWith('/api') ? path : `/api/v1${path}`,
      headers: { host: 'localhost' },
      cookies,
      ...(body === undefined ? {} : { payload: body as object }),
    });
    const type = String(reply.headers['content-type']);
    const set = Object.fromEntries(reply.cookies.map(({ name, value }) => [name, value]));
    return {
      status: reply.statusCode,
      type,
      cookies: set,
      body: type.includes('json') ? reply.json() : reply.body,
    };
  };
  return {
    app,
    /** All of the database; what is written by it is the first workshop's. */
    db,
    /** Rows of the workshop that is asked for. */
    rows: rows.db,
    url: url.href,
    call,
    end: async () => {
      await app.close();
      await events.close();
      await rows.close();
      await close();
    },
  };
}

export type TestServer = Awaited<ReturnType<typeof testServer>>;
