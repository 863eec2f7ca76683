import { PhotoOutbox, PhotoRefused, type WaitingPhoto } from './photo-outbox.ts';

const photo = (id: string): WaitingPhoto => ({
  id,
  pieceId: 'arch' as WaitingPhoto['pieceId'],
  takenAt: '2026-11-30T10:00:00Z',
  marks: [],
  moment: 'standing',
  content: new Blob([id]),
});

/** Numbers from 0 to 1, the same for the same seed. Park and Miller 1988, the minimal standard. */
function numbers(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state * 48_271) % 2_147_483_647;
    return state / 2_147_483_647;
  };
}

test('however often the signal goes and the browser is killed between any two steps, each photo is there once in the end', async () => {
  let resent = 0;
  for (let seed = 1; seed <= 2_000; seed++) {
    const random = numbers(seed);
    const server = new Map<string, number>();
    const kept = new Map<string, WaitingPhoto>();
    let alive = true;
    const step = async () => {
      await undefined;
      if (!alive) throw new Error('killed');
      if (random() < 0.1) alive = false;
      if (!alive) throw new Error('killed');
    };
    const store = {
      read: async () => [...kept.values()],
      keep: async (one: WaitingPhoto) => {
        await step();
        kept.set(one.id, one);
      },
      drop: async (id: string) => {
        await step();
        kept.delete(id);
      },
    };
    const send = async ({ id }: WaitingPhoto) => {
      await step();
      if (random() < 0.3) throw new Error('no signal');
      if (server.has(id)) resent += 1;
      else server.set(id, 1);
      if (random() < 0.3) throw new Error('the answer was lost');
      await step();
    };
    const taken: string[] = [];
    let outbox = new PhotoOutbox(store, send);
    for (let i = 0; i < 12 || !alive || kept.size > 0; i++) {
      if (!alive) {
        alive = true;
        outbox = new PhotoOutbox(store, send);
        await outbox.open();
      }
      const id = `${seed}-${i}`;
      if (i < 12 && random() < 0.5)
        await outbox.add(photo(id)).then(
          () => taken.push(id),
          () => undefined,
        );
      await outbox.sync().catch(() => undefined);
    }
    expect(taken.filter((id) => !server.has(id))).toEqual([]);
  }
  // What it is about did happen.
  expect(resent).toBeGreaterThan(500);
});

test('one that is refused says why, stays, and keeps nothing from the others', async () => {
  const kept = new Map<string, WaitingPhoto>();
  const sent: string[] = [];
  const outbox = new PhotoOutbox(
    {
      read: async () => [...kept.values()],
      keep: async (one) => void kept.set(one.id, one),
      drop: async (id) => void kept.delete(id),
    },
    async ({ id }) => {
      if (id === 'bad') throw new PhotoRefused('Its piece is gone.');
      sent.push(id);
    },
  );
  for (const id of ['bad', 'good']) await outbox.add(photo(id));
  expect(await outbox.sync()).toBe(1);
  expect(sent).toEqual(['good']);
  expect(outbox.getSnapshot()).toMatchObject([{ id: 'bad', refused: 'Its piece is gone.' }]);
  expect(await outbox.sync()).toBe(0);
  expect([...kept.keys()]).toEqual(['bad']);
  await outbox.remove('bad');
  expect(kept.size).toBe(0);
});

test('taken while what is kept is still being read, without room on the phone, it is not lost', async () => {
  let readDone: (photos: WaitingPhoto[]) => void = () => undefined;
  const outbox = new PhotoOutbox(
    {
      read: () =>
        new Promise((done) => {
          readDone = done;
        }),
      keep: () => Promise.reject(new Error('no room')),
      drop: async () => undefined,
    },
    async () => undefined,
  );
  const opening = outbox.open();
  await outbox.add(photo('new')).catch(() => undefined);
  readDone([photo('old')]);
  await opening;
  expect(outbox.getSnapshot().map(({ id }) => id)).toEqual(['old', 'new']);
});
