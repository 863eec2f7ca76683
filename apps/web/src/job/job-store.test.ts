import type { JobHead, JobRow, Piece } from '@early-lantern/contract';
import { JobStore } from './job-store.ts';

const kept = new Map<string, unknown>();
jest.mock('idb-keyval', () => ({
  get: async (key: string) => structuredClone(kept.get(key)),
  set: async (key: string, value: unknown) => {
    kept.set(key, structuredClone(value));
  },
  del: async (key: string) => {
    kept.delete(key);
  },
}));

const DRAFT = 'early-lantern-draft:job';
const head = { id: 'job', name: 'Job', notes: '' } as unknown as JobHead;
const piece = (id: string, name = id) => ({ id, name, widthM: 0.6 }) as unknown as Piece;

interface Stored<D> {
  revision: number;
  data: D;
}

/** A server of one job in memory, with revisions, that can be told to fail. */
class FakeServer {
  head: Stored<JobHead> = { revision: 1, data: head };
  pieces = new Map<string, Stored<Piece>>([['a', { revision: 1, data: piece('a') }]]);
  /** Takes the request without an answer, or refuses the connection, once. */
  next: 'answer' | 'lose answer' | 'no connection' | 'refuse' | 'break' = 'answer';
  requests: string[] = [];

  private row(): JobRow {
    const rows = [...this.pieces.values()].map((one) => ({ ...one, updatedAt: '' }));
    return { ...this.head, updatedAt: '', usedAt: null, pieces: rows };
  }

  readonly fetch = async (url: string, init: { method: string; body?: string }): Promise<Response> => {
    const path = url.replace('/api/v1/jobs/job', '');
    const mode = this.next;
    if (init.method !== 'GET') {
      this.requests.push(`${init.method} ${path}`);
      this.next = 'answer';
      if (mode === 'no connection') throw new TypeError('no connection');
      if (mode === 'break') return this.problem(500, { requestId: 'abc123' });
      if (mode === 'refuse')
        return this.problem(422, { faults: [{ path: 'name', reason: 'must not be blank' }] });
    }
    const answer = this.handle(init.method, path, init.body ? JSON.parse(init.body) : undefined);
    if (init.method !== 'GET' && mode === 'lose answer') throw new TypeError('connection lost');
    return answer;
  };

  private handle(method: string, path: string, body: { revision: number; data: never } & Piece): Response {
    const id = /^\/pieces\/([^?]+)/.exec(path)?.[1];
    if (method === 'GET') return this.json(id ? this.pieces.get(id) : this.row());
    if (method === 'POST') {
      if (this.pieces.has(body.id)) return this.problem(409, {});
      this.pieces.set(body.id, { revision: 1, data: body });
      return this.json(this.pieces.get(body.id));
    }
    const stored = id ? this.pieces.get(id) : this.head;
    if (!stored) return this.problem(404, {});
    const revision = body?.revision ?? Number(/revision=(\d+)/.exec(path)?.[1]);
    if (revision !== stored.revision) return this.problem(409, { current: stored });
    if (method === 'DELETE') this.pieces.delete(id as string);
    else Object.assign(stored, { revision: revision + 1, data: body.data });
    return this.json(id ? stored : this.row());
  }

  private json = (body: unknown, status = 200) =>
    new Response(JSON.stringify(body), { status, headers: { 'content-type': 'application/json' } });
  private problem = (status: number, more: object) =>
    this.json({ type: 'about:blank', title: 'No', status, ...more }, status);
}

let server: FakeServer;
beforeEach(() => {
  kept.clear();
  server = new FakeServer();
  globalThis.fetch = server.fetch as unknown as typeof fetch;
});

const rename = (store: JobStore, name: string, gesture?: string) =>
  store.change((before) => ({ ...before, head: { ...before.head, name } }), gesture);
const state = (store: JobStore) => store.getSnapshot().save.kind;

test('changes show at once, are kept in the browser, then saved row by row; a gesture is one request', async () => {
  const store = await JobStore.open('job');
  rename(store, 'J', 'typing');
  rename(store, 'Jo', 'typing');
  store.change((before) => ({ ...before, pieces: [...before.pieces, piece('b')] }));
  expect(store.getSnapshot().document.pieces).toHaveLength(2);
  expect(state(store)).toBe('saving');
  await Promise.resolve();
  expect(kept.has(DRAFT)).toBe(true);
  await store.flush();
  expect(state(store)).toBe('saved');
  expect(server.requests).toEqual(['PUT ', 'POST /pieces']);
  expect(server.head.data.name).toBe('Jo');
  expect(kept.has(DRAFT)).toBe(false);
});

test('the plan on screen is kept with a change, once a gesture, and is nothing for two people to choose between', async () => {
  const store = await JobStore.open('job');
  const shown = (start: string) => [{ task: 'load-vehicle', start, crew: ['wren'] }];
  store.noteShown(shown('2027-06-19T08:00:00Z'));
  rename(store, 'J', 'typing');
  store.noteShown(shown('2027-06-19T09:00:00Z'));
  rename(store, 'Jo', 'typing');
  await store.flush();
  expect(server.head.data.clock?.shown).toEqual(shown('2027-06-19T08:00:00Z'));
  // Somebody else has renamed the job: a change of a piece alone takes that name, and asks nothing.
  server.head = { revision: server.head.revision + 1, data: { ...server.head.data, name: 'Theirs' } };
  store.change((before) => ({ ...before, pieces: [piece('a', 'changed')] }));
  await store.flush();
  expect(state(store)).toBe('saved');
  expect(server.pieces.get('a')?.data).toEqual(piece('a', 'changed'));
  expect(server.head.data.name).toBe('Theirs');
  expect(store.getSnapshot().document.head.name).toBe('Theirs');
});

test('undo and redo are saved like any change, a deleted piece comes back', async () => {
  const store = await JobStore.open('job');
  store.change((before) => ({ ...before, pieces: [] }));
  await store.flush();
  expect(server.pieces.size).toBe(0);
  store.undo();
  await store.flush();
  expect(server.pieces.get('a')?.data).toEqual(piece('a'));
  store.redo();
  await store.flush();
  expect(server.pieces.size).toBe(0);
  expect(store.getSnapshot()).toMatchObject({ canUndo: true, canRedo: false });
});

test.each(['mine', 'theirs'] as const)(
  'changed elsewhere: nothing is overwritten until %s is chosen',
  async (choice) => {
    const store = await JobStore.open('job');
    server.head = { revision: 2, data: { ...head, name: 'Theirs' } };
    rename(store, 'Mine');
    await store.flush();
    expect(store.getSnapshot().save).toMatchObject({
      kind: 'conflict',
      conflict: { part: 'job', mine: { name: 'Mine' }, theirs: { data: { name: 'Theirs' } } },
    });
    expect(server.head.data.name).toBe('Theirs');
    rename(store, 'Mine, further');
    await store.flush();
    expect(server.head.data.name).toBe('Theirs');
    store.resolve(choice);
    await store.flush();
    const wanted = choice === 'mine' ? 'Mine, further' : 'Theirs';
    expect(server.head.data.name).toBe(wanted);
    expect(store.getSnapshot()).toMatchObject({
      save: { kind: 'saved' },
      document: { head: { name: wanted } },
    });
  },
);

test('a piece deleted elsewhere while it is changed here: kept again, or let go', async () => {
  for (const choice of ['mine', 'theirs'] as const) {
    server = new FakeServer();
    globalThis.fetch = server.fetch as unknown as typeof fetch;
    const store = await JobStore.open('job');
    server.pieces.delete('a');
    store.change((before) => ({ ...before, pieces: [piece('a', 'changed')] }));
    await store.flush();
    expect(store.getSnapshot().save).toMatchObject({ kind: 'conflict', conflict: { theirs: null } });
    store.resolve(choice);
    await store.flush();
    expect(server.pieces.get('a')?.data.name).toBe(choice === 'mine' ? 'changed' : undefined);
    expect(store.getSnapshot().document.pieces).toHaveLength(choice === 'mine' ? 1 : 0);
  }
});

test('an answer lost on the way is no conflict: the server already holds just this', async () => {
  const store = await JobStore.open('job');
  server.next = 'lose answer';
  rename(store, 'Sent');
  await store.flush();
  expect(state(store)).toBe('offline');
  expect(kept.has(DRAFT)).toBe(true);
  await store.flush();
  expect(state(store)).toBe('saved');
  server.next = 'lose answer';
  store.change((before) => ({ ...before, pieces: [...before.pieces, piece('b')] }));
  await store.flush();
  await store.flush();
  expect(state(store)).toBe('saved');
  expect(server.pieces.size).toBe(2);
});

test('a refusal is told with its reasons, the work stays, and the next sound change is saved', async () => {
  const store = await JobStore.open('job');
  server.next = 'refuse';
  rename(store, '');
  await store.flush();
  expect(store.getSnapshot()).toMatchObject({
    save: { kind: 'refused', faults: [{ path: 'name', reason: 'must not be blank' }] },
    document: { head: { name: '' } },
  });
  rename(store, 'Sound');
  await store.flush();
  expect(server.head.data.name).toBe('Sound');
});

test('a fault of the server is told with its id, holds up no other row, and is tried again later', async () => {
  const store = await JobStore.open('job');
  server.next = 'break';
  rename(store, 'Breaks it');
  store.change((before) => ({ ...before, pieces: [piece('a', 'changed')] }));
  await store.flush();
  expect(store.getSnapshot().save).toEqual({ kind: 'broken', id: 'abc123' });
  expect(server.pieces.get('a')?.data.name).toBe('changed');
  expect(server.head.data.name).toBe('Job');
  expect(kept.has(DRAFT)).toBe(true);
  await store.flush();
  expect(server.head.data.name).toBe('Breaks it');
  expect(state(store)).toBe('saved');
});

test('work that no server took is found at the next opening and saved; if the row moved on both are put together, and of one field it is a conflict', async () => {
  for (const movedOn of [undefined, { notes: 'theirs' }, { name: 'Theirs' }]) {
    kept.clear();
    server = new FakeServer();
    globalThis.fetch = server.fetch as unknown as typeof fetch;
    const first = await JobStore.open('job');
    server.next = 'no connection';
    rename(first, 'Unsaved');
    await first.flush();
    expect(state(first)).toBe('offline');
    if (movedOn) server.head = { revision: 2, data: { ...head, ...movedOn } };
    const second = await JobStore.open('job');
    expect(second.getSnapshot().document.head.name).toBe('Unsaved');
    expect(state(second)).toBe('saving');
    await second.flush();
    expect(state(second)).toBe(movedOn && 'name' in movedOn ? 'conflict' : 'saved');
    second.resolve('mine');
    await second.flush();
    expect(server.head.data).toEqual({ ...head, ...movedOn, name: 'Unsaved' });
  }
});

test('what others save shows at once and none of it is undone here; of the same field it asks when it is saved', async () => {
  const store = await JobStore.open('job');
  rename(store, 'Mine');
  await store.flush();
  const theirs = (edit: object) => {
    const { revision, data } = server.head;
    server.head = { revision: revision + 1, data: { ...data, ...edit } };
  };
  theirs({ notes: 'Theirs' });
  server.pieces.set('b', { revision: 1, data: piece('b') });
  server.pieces.set('a', { revision: 2, data: { ...piece('a'), widthM: 0.9 } as unknown as Piece });
  await store.refresh();
  const shown = () => store.getSnapshot().document;
  expect(shown().head).toMatchObject({ name: 'Mine', notes: 'Theirs' });
  expect(shown().pieces).toMatchObject([{ id: 'a', widthM: 0.9 }, { id: 'b' }]);
  expect(state(store)).toBe('saved');
  // Their change stays, mine is taken back.
  store.undo();
  await store.flush();
  expect(server.head.data).toMatchObject({ name: 'Job', notes: 'Theirs' });
  expect(server.pieces.get('a')?.data).toMatchObject({ widthM: 0.9 });
  // Unsaved here and another field changed there: both.
  store.change((before) => ({
    ...before,
    pieces: before.pieces.map((one) => ({ ...one, name: `${one.name}!` })),
  }));
  server.pieces.set('a', { revision: 9, data: { ...piece('a'), widthM: 1.2 } as unknown as Piece });
  server.pieces.delete('b');
  await store.refresh();
  expect(shown().pieces).toMatchObject([{ id: 'a', name: 'a!', widthM: 1.2 }, { name: 'b!' }]);
  rename(store, 'Mine again');
  theirs({ name: 'Theirs again' });
  await store.refresh();
  expect(shown().head.name).toBe('Mine again');
  await store.flush();
  expect(store.getSnapshot().save).toMatchObject({ kind: 'conflict', conflict: { part: 'job' } });
  store.resolve('theirs');
  await store.flush();
  // Deleted there while it was changed here.
  expect(store.getSnapshot().save).toMatchObject({ conflict: { part: 'piece', id: 'b', theirs: null } });
  store.resolve('theirs');
  await store.flush();
  expect(server.pieces.get('a')?.data).toMatchObject({ name: 'a!', widthM: 1.2 });
});

test('two who both make their first change, each with a plan of their own on screen, have nothing to choose between', async () => {
  const store = await JobStore.open('job');
  store.noteShown([{ task: 'load-vehicle', start: '2027-06-19T08:00:00Z', crew: ['wren'] }]);
  const theirs = [{ task: 'load-vehicle', start: '2027-06-19T09:00:00Z', crew: ['ilo'] }];
  server.head = { revision: 2, data: { ...head, notes: 'theirs', clock: { shown: theirs } } as JobHead };
  rename(store, 'Mine');
  await store.flush();
  expect(state(store)).toBe('saved');
  expect(server.head.data).toMatchObject({ name: 'Mine', notes: 'theirs' });
});

test('what was done in an earlier session is undone in the next, unless somebody has changed the job since', async () => {
  const first = await JobStore.open('job');
  rename(first, 'One');
  await first.flush();
  rename(first, 'Two');
  await first.flush();
  await new Promise(setImmediate);
  const second = await JobStore.open('job');
  expect(second.getSnapshot()).toMatchObject({ canUndo: true, document: { head: { name: 'Two' } } });
  second.undo();
  await second.flush();
  expect(server.head.data.name).toBe('One');
  // A third in which nothing was done hears of it and keeps nothing of its own.
  kept.set('early-lantern-undo:other', kept.get('early-lantern-undo:job'));
  kept.delete('early-lantern-undo:job');
  const idle = await JobStore.open('job');
  server.pieces.set('b', { revision: 1, data: piece('b') });
  await idle.refresh();
  expect(kept.has('early-lantern-undo:job')).toBe(false);
  server.pieces.delete('b');
  kept.set('early-lantern-undo:job', kept.get('early-lantern-undo:other'));
  await new Promise(setImmediate);
  expect((await JobStore.open('job')).getSnapshot()).toMatchObject({ canUndo: true, canRedo: true });
  server.head = { revision: 9, data: { ...server.head.data, notes: 'theirs' } };
  expect((await JobStore.open('job')).getSnapshot()).toMatchObject({ canUndo: false, canRedo: false });
});

test('a page reloaded while its own half-typed text was on the way is in no conflict with itself', async () => {
  const first = await JobStore.open('job');
  server.next = 'lose answer';
  rename(first, 'Hal');
  await first.flush();
  expect(server.head).toMatchObject({ revision: 2, data: { name: 'Hal' } });
  rename(first, 'Half typed');
  await new Promise(setImmediate);
  const second = await JobStore.open('job');
  await second.flush();
  expect(state(second)).toBe('saved');
  expect(server.head.data.name).toBe('Half typed');
  await first.flush();
});

test('carriers are saved before what hangs on them, and deleted after; a draft of an older page is read', async () => {
  const store = await JobStore.open('job');
  const on = { pieceId: 'stand', part: 'top-bar' };
  const garland = { ...piece('garland'), on } as Piece;
  store.change((before) => ({ ...before, pieces: [...before.pieces, garland, piece('stand')] }));
  await store.flush();
  expect(server.requests).toEqual(['POST /pieces', 'POST /pieces']);
  expect([...server.pieces.keys()]).toEqual(['a', 'stand', 'garland']);
  server.requests = [];
  store.change((before) => ({ ...before, pieces: before.pieces.filter(({ id }) => id === 'a') }));
  await store.flush();
  expect(server.requests).toEqual(['DELETE /pieces/garland?revision=1', 'DELETE /pieces/stand?revision=1']);
  const pick = { id: 'star', label: 'Star', massKg: 0.1, at: 0.5 };
  const old = { ...piece('a', 'renamed'), hold: { picks: [pick] } };
  kept.set(DRAFT, { document: { head, pieces: [old] }, head: 1, pieces: [['a', 1]] });
  const again = await JobStore.open('job');
  expect(again.getSnapshot().document.pieces[0]).toMatchObject({
    name: 'renamed',
    attachments: [{ id: 'star', name: 'Star' }],
  });
});
