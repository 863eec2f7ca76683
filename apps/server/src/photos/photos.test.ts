import { setTimeout } from 'node:timers/promises';
import type { PhotoRow } from '@early-lantern/contract';
import { sql } from 'drizzle-orm';
import { demoJob, type TestServer, testServer } from '../test/server.ts';

let server: TestServer;
const at = '/jobs/boat-hall-supper/photos';
let pieceId: string;

beforeAll(async () => {
  server = await testServer();
  const job = demoJob('90-boat-hall');
  await server.call('POST', '/job-files', job);
  pieceId = job.job.pieces[0]?.id as string;
});
afterAll(() => server.end());

/** One dot. PNG, second edition (W3C 2003). */
const dot =
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==';

/** Head of a JPEG 40 px wide and 30 high whose camera was held on its side. EXIF 2.3, tag 0x0112; ITU T.81, SOF0. */
const turned = Buffer.concat([
  Buffer.from('ffd8ffe1001e457869660000', 'hex'),
  Buffer.from('4d4d002a000000080001011200030000000100060000', 'hex'),
  Buffer.from('ffc0000b08001e0028010111003f00ffd9', 'hex'),
]).toString('base64');

const add = (content = dot) => server.call('POST', at, { pieceId, content });
const mark = { id: 'a', kind: 'gap', x: 0.5, y: 0.25, r: 0.04 };

test('a photo is kept as it was sent, its size read from itself, its camera held on its side', async () => {
  const added = await add();
  expect(added).toMatchObject({
    status: 201,
    body: { revision: 1, data: { pieceId, type: 'image/png', widthPx: 1, heightPx: 1, marks: [] } },
  });
  const picture = await server.app.inject({
    url: `/api/v1${at}/${added.body.data.id}/picture`,
    headers: { host: 'localhost' },
  });
  expect(picture.headers['content-type']).toBe('image/png');
  expect(picture.rawPayload.toString('base64')).toBe(dot);
  expect((await add(turned)).body.data).toMatchObject({ type: 'image/jpeg', widthPx: 30, heightPx: 40 });
});

test('sent again by a phone that had no answer a photo is there once, as it was taken and marked first; deleted it stays deleted', async () => {
  const id = '0123456789abcdef0123456789abcdef';
  const sent = {
    id,
    pieceId,
    content: dot,
    takenAt: '2026-05-01T10:00:00Z',
    marks: [mark],
    moment: 'before',
  };
  const [first, again] = [await server.call('POST', at, sent), await server.call('POST', at, sent)];
  expect(first.body.data).toMatchObject({
    id,
    addedAt: '2026-05-01T10:00:00.000Z',
    marks: [mark],
    moment: 'before',
  });
  expect(again.body).toEqual(first.body);
  await server.call('DELETE', `${at}/${id}`);
  expect((await server.call('POST', at, sent)).status).toBe(201);
  const ids = (await server.call('GET', at)).body.map((row: PhotoRow) => row.data.id);
  expect(ids).not.toContain(id);
  // Sent again while the first is still being kept, by the page and from behind it.
  let late: ReturnType<typeof server.call> | undefined;
  await server.db.transaction(async (tx) => {
    await tx.execute(sql`insert into photos (workshop_id, job_id, id, data, planned, content)
      select workshop_id, job_id, 'at-once', jsonb_set(data, '{id}', '"at-once"'), planned, content
      from photos where id = ${id}`);
    late = server.call('POST', at, { ...sent, id: 'at-once' });
    await setTimeout(500);
  });
  expect(await late).toMatchObject({ status: 201, body: { data: { id: 'at-once', moment: 'before' } } });
  const early = { ...sent, id: 'of-the-future', takenAt: '2199-01-01T00:00:00Z' };
  const { body } = await server.call('POST', at, early);
  expect(Math.abs(Date.parse(body.data.addedAt) - Date.now())).toBeLessThan(60_000);
});

test('marks are kept; made from an old state they change nothing and show what is there', async () => {
  const { data, revision }: PhotoRow = (await add()).body;
  const put = (marks: unknown[], from: number, more = {}) =>
    server.call('PUT', `${at}/${data.id}`, { revision: from, data: { ...data, ...more, marks } });
  expect((await put([mark], revision, { widthPx: 99 })).body).toMatchObject({
    revision: 2,
    data: { marks: [mark], widthPx: 1 },
  });
  const late = await put([], revision);
  expect(late).toMatchObject({ status: 409, body: { current: { revision: 2, data: { marks: [mark] } } } });
  expect((await put([{ ...mark, x: 1.2 }], 2)).status).toBe(422);
});

test('a deleted photo is out of sight and comes back with its marks', async () => {
  const { data }: PhotoRow = (await add()).body;
  const ids = async () => (await server.call('GET', at)).body.map((row: PhotoRow) => row.data.id);
  await server.call('PUT', `${at}/${data.id}`, { revision: 1, data: { ...data, marks: [mark] } });
  await server.call('DELETE', `${at}/${data.id}`);
  expect(await ids()).not.toContain(data.id);
  expect((await server.call('GET', `${at}/${data.id}/picture`)).status).toBe(404);
  const back = await server.call('POST', `${at}/${data.id}/restore`);
  expect(back.body.data.marks).toEqual([mark]);
  expect(await ids()).toContain(data.id);
});

test.each([
  ['text', Buffer.from('no picture at all').toString('base64'), 422],
  ['another kind of picture', 'R0lGODlhAQABAIAAAAAAAP///yH5BAEAAAAALAAAAAABAAEAAAIBRAA7', 422],
  ['nothing', '', 422],
  ['half a word', 'a', 422],
])('%s is refused', async (_, content, status) => {
  expect((await add(content)).status).toBe(status);
});

test('a piece and a job that are not there are told', async () => {
  expect((await server.call('POST', at, { pieceId: 'none', content: dot })).status).toBe(404);
  expect((await server.call('GET', '/jobs/none/photos')).status).toBe(404);
});
