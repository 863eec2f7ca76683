import type { JobFile, JobHead, JobRow, Round, Task } from '@early-lantern/contract';
import { agree, applyWay, letGoOfDay, setDrivenAlone } from './save-day.ts';

const drafts = new Map<string, unknown>();
jest.mock('idb-keyval', () => ({
  get: async (key: string) => drafts.get(key),
  set: async (key: string, value: unknown) => {
    // What can be undone is kept as well: it does nothing by itself.
    if (key.startsWith('early-lantern-draft')) drafts.set(key, value);
  },
  del: async (key: string) => {
    drafts.delete(key);
  },
}));

/** A server of two jobs and a crew, with revisions; one job can be changed by somebody else just before it is saved. */
class FakeServer {
  jobs = new Map(['north', 'south'].map((id) => [id, { revision: 1, data: { id, name: id } as JobHead }]));
  crew: string[] = [];
  /** Changed elsewhere at its next save. */
  meanwhile: string | undefined;
  /** Does not answer at its next save. */
  silent: string | undefined;

  readonly fetch = async (
    url: string,
    { method, body }: { method: string; body?: string },
  ): Promise<Response> => {
    const sent = body ? JSON.parse(body) : undefined;
    if (url.endsWith('/crew')) {
      this.crew.push(sent.id);
      return json({ revision: 1, data: sent });
    }
    if (url.includes('/crew/')) {
      this.crew = this.crew.filter((id) => !url.includes(`/crew/${id}?`));
      return json({});
    }
    const id = url.split('/').at(-1) as string;
    const stored = this.jobs.get(id);
    if (!stored) return json({ title: 'No', status: 404 }, 404);
    if (method === 'PUT' && this.silent === id) {
      this.silent = undefined;
      throw new TypeError('no connection');
    }
    if (method === 'PUT') {
      if (this.meanwhile === id) {
        stored.revision += 1;
        this.meanwhile = undefined;
      }
      if (sent.revision !== stored.revision) return json({ title: 'No', status: 409, current: stored }, 409);
      Object.assign(stored, { revision: stored.revision + 1, data: sent.data });
    }
    return json({ ...stored, updatedAt: '', usedAt: null, pieces: [] } satisfies JobRow);
  };

  head = (id: string) => this.jobs.get(id)?.data as JobHead;
}

const json = (body: unknown, status = 200) =>
  new Response(JSON.stringify(body), { status, headers: { 'content-type': 'application/json' } });

let server: FakeServer;
beforeEach(() => {
  drafts.clear();
  server = new FakeServer();
  globalThis.fetch = server.fetch as unknown as typeof fetch;
});

const at = '2027-06-17T12:00:00Z';
const planned = ['north', 'south'].map((jobId) => ({
  jobId,
  name: jobId,
  tasks: [{ id: 'load-vehicle', start: at, crew: ['wren'], gear: ['van', 'wagon-1'] } as Task],
  onTime: { minutesInHand: 27 },
}));
const round: Round = {
  trip: 'strike',
  stops: ['north', 'south'].map((job) => ({ job, place: job, driveMin: 10 })),
  homeMin: 12,
  people: ['wren'],
};
const files = () =>
  [...server.jobs.values()].map(
    ({ data }) => ({ workshop: { crew: [] }, site: {}, job: { ...data, pieces: [] } }) as unknown as JobFile,
  );

test('a day agreed on is kept with each of its jobs, people and gear with it; undo and letting go take it back', async () => {
  const undo = await agree(planned, [], at);
  const agreed = {
    at,
    tasks: [{ task: 'load-vehicle', start: at, crew: ['wren'], gear: ['van', 'wagon-1'] }],
    inHandMin: 27,
  };
  for (const id of ['north', 'south']) expect(server.head(id).clock).toEqual({ agreed });
  await undo();
  for (const id of ['north', 'south']) expect(server.head(id)).toEqual({ id, name: id });
  await agree(planned, [round], at);
  for (const id of ['north', 'south']) expect(server.head(id).clock).toEqual({ agreed, rounds: [round] });
  // Planned anew, with drives of their own.
  await agree(planned, [], at);
  for (const id of ['north', 'south']) expect(server.head(id).clock).toEqual({ agreed });
  await agree(planned, [round], at);
  await letGoOfDay(files());
  for (const id of ['north', 'south']) expect(server.head(id)).toEqual({ id, name: id });
});

test('drives kept apart: what was agreed ends, and they may be joined again', async () => {
  await agree(planned, [round], at);
  await setDrivenAlone(files(), 'strike', true);
  for (const id of ['north', 'south']) expect(server.head(id).clock).toEqual({ drivesAlone: ['strike'] });
  await setDrivenAlone(files(), 'strike', false);
  for (const id of ['north', 'south']) expect(server.head(id)).toEqual({ id, name: id });
});

test('one job changed elsewhere meanwhile: the others are taken back, and it is named', async () => {
  server.meanwhile = 'south';
  await expect(agree(planned, [], at)).rejects.toThrow('south was changed elsewhere meanwhile');
  for (const id of ['north', 'south']) expect(server.head(id).clock).toBeUndefined();
  // Nothing waits in the browser to be saved behind everybody's back.
  expect(drafts.size).toBe(0);
});

test('the server does not answer for one of them: it is not tried again behind anybody’s back', async () => {
  jest.useFakeTimers({ doNotFake: ['setImmediate', 'queueMicrotask'] });
  server.silent = 'south';
  await expect(agree(planned, [], at)).rejects.toThrow('the server does not answer');
  await jest.advanceTimersByTimeAsync(10_000);
  jest.useRealTimers();
  expect(server.head('north').clock).toBeUndefined();
  expect(server.head('south').clock).toBeUndefined();
  expect(drafts.size).toBe(0);
});

test('a way out changes its jobs, hires who is hired, and ends what was agreed; undo takes back all of it', async () => {
  await agree(planned, [], at);
  const hire = { id: 'hired', name: 'Hired', skills: [], shift: { from: '06:00', to: '22:00' } };
  const way = {
    hire,
    changes: [
      { jobId: 'south', changes: [{ path: '/job/strikeCrew', value: ['hired'] }] },
      { jobId: 'north', changes: [{ path: '/job/name', value: 'North, later' }] },
    ],
  };
  const before = [server.head('north'), server.head('south')];
  const undo = await applyWay(files(), way);
  expect(server.crew).toEqual(['hired']);
  expect(server.head('south')).toEqual({ id: 'south', name: 'south', strikeCrew: ['hired'] });
  expect(server.head('north')).toEqual({ id: 'north', name: 'North, later' });
  await undo();
  expect(server.crew).toEqual([]);
  expect([server.head('north'), server.head('south')]).toEqual(before);

  server.meanwhile = 'south';
  await expect(applyWay(files(), way)).rejects.toThrow('south was changed elsewhere');
  expect(server.crew).toEqual([]);
  expect([server.head('north'), server.head('south')]).toEqual(before);
});

test('a way out tried on a job that somebody has saved since overwrites nothing, and nobody stays hired', async () => {
  const read = files();
  const south = server.jobs.get('south');
  if (!south) throw new Error('no job');
  Object.assign(south, { revision: 2, data: { ...south.data, notes: 'Side door only' } });
  const way = {
    changes: ['north', 'south'].map((jobId) => ({
      jobId,
      changes: [{ path: '/job/arrival', value: 'late' }],
    })),
    hire: { id: 'hand', name: 'Hand', skills: [], shift: { from: '08:00', to: '18:00' } },
  };
  await expect(applyWay(read, way)).rejects.toThrow('south was changed elsewhere meanwhile');
  expect(server.head('south')).toEqual({ id: 'south', name: 'south', notes: 'Side door only' });
  expect(server.head('north').arrival).toBeUndefined();
  expect(server.crew).toEqual([]);
});
