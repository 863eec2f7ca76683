import type { KeptEntry, SentEntries, SiteLog } from '@early-lantern/contract';
import { happenedOf } from '@early-lantern/core';
import fc from 'fast-check';
import { type EntryStore, Outbox, type OwnEntry } from './outbox.ts';

/** The page is gone between two steps: nothing that it had in mind is there any more. */
class Killed extends Error {}
/** Nothing came back. */
class Lost extends Error {}

const START = Date.parse('2027-06-19T08:00:00Z');

/** What the server does, by its contract: an entry is there once, as it first came, numbered in its turn. */
class Server {
  log: KeptEntry[] = [];
  nowMs = START;
  #numbers = 0;

  exchange({ device, clockOffMs, entries, after, afterId }: SentEntries): SiteLog {
    for (const entry of entries) {
      if (this.log.some(({ id }) => id === entry.id)) continue;
      this.#numbers += 1;
      const at = new Date(Math.min(this.nowMs, Date.parse(entry.at) + clockOffMs)).toISOString();
      this.log.push({ ...entry, at, device, seq: this.#numbers });
    }
    const isAnew = afterId !== undefined && !this.log.some(({ seq, id }) => seq === after && id === afterId);
    return {
      // A long log comes in parts.
      entries: this.log.filter(({ seq }) => seq > (isAnew ? 0 : after)).slice(0, 3),
      last: this.log.at(-1)?.seq ?? 0,
      now: new Date(this.nowMs).toISOString(),
      isAnew,
    };
  }
}

/** What a device does to be troubled, counted down: the write or exchange at which it happens. */
type Trouble = { kind: 'kill' | 'request lost' | 'answer lost' | 'full'; at: number };

/** A phone: what it keeps outlives its page. */
class Phone {
  readonly kept = new Map<string, OwnEntry>();
  trouble: Trouble | undefined;
  outbox!: Outbox;
  /** Entries that were true: kept, so the person was told. */
  readonly told: string[] = [];
  readonly #clockOffMs: number;
  readonly #name: string;
  readonly #server: Server;

  constructor(name: string, clockOffMs: number, server: Server) {
    this.#name = name;
    this.#clockOffMs = clockOffMs;
    this.#server = server;
  }

  #comes(...kinds: Trouble['kind'][]): Trouble['kind'] | undefined {
    if (!this.trouble || !kinds.includes(this.trouble.kind)) return undefined;
    this.trouble.at -= 1;
    if (this.trouble.at > 0) return undefined;
    const { kind } = this.trouble;
    this.trouble = undefined;
    return kind;
  }

  async open(): Promise<void> {
    const store: EntryStore = {
      read: async () => [...this.kept.values()],
      write: async (entries) => {
        for (const entry of entries) {
          const trouble = this.#comes('kill', 'full');
          if (trouble === 'kill') throw new Killed();
          if (trouble === 'full') throw new DOMException('', 'QuotaExceededError');
          this.kept.set(entry.id, entry);
        }
      },
    };
    const exchange = async (sent: SentEntries) => {
      const trouble = this.#comes('kill', 'request lost', 'answer lost');
      if (trouble === 'request lost') throw new Lost();
      const log = structuredClone(this.#server.exchange(structuredClone(sent)));
      if (trouble === 'kill') throw new Killed();
      if (trouble === 'answer lost') throw new Lost();
      return log;
    };
    this.outbox = new Outbox(store, exchange, this.#name, () => this.#server.nowMs + this.#clockOffMs);
    await this.outbox.open();
  }

  /** Does something; where the page is killed by it a new one is opened, by and by. */
  async does(what: () => Promise<unknown>): Promise<void> {
    try {
      await what();
    } catch (error) {
      if (error instanceof Killed) await this.open();
      else if (!(error instanceof Lost)) throw error;
    }
  }
}

const step = fc.record({
  phone: fc.nat(4),
  does: fc.constantFrom('pop', 'pop', 'done', 'take back', 'sync', 'sync', 'kill', 'restore', 'wait'),
  trouble: fc.option(
    fc.record({
      kind: fc.constantFrom<Trouble['kind'][]>('kill', 'request lost', 'answer lost', 'full'),
      at: fc.integer({ min: 1, max: 5 }),
    }),
    { freq: 2 },
  ),
});

async function play(
  phones: Phone[],
  server: Server,
  { phone: which, does, trouble }: { phone: number; does: string; trouble: Trouble | null },
): Promise<void> {
  const phone = phones[which % phones.length] as Phone;
  phone.trouble = trouble ? { ...trouble } : undefined;
  const by = `person-${which % phones.length}`;
  const write = (event: Parameters<Outbox['add']>[1], replaces?: string[]) =>
    phone.does(async () => {
      const { id } = await phone.outbox.add(by, event, replaces);
      if (phone.outbox.unkept === 0) phone.told.push(id);
    });
  switch (does) {
    case 'pop':
      return write({ kind: 'popped', nominalIn: 11, colour: 'oat', count: 1 });
    case 'done':
      return write({ kind: 'done', task: 'hang' });
    case 'take back': {
      const { doneIds = [] } = happenedOf(phone.outbox.getSnapshot()).tasks.get('hang') ?? {};
      return doneIds.length > 0 ? write({ kind: 'taken-back' }, doneIds.slice(0, 50)) : undefined;
    }
    case 'kill':
      return phone.open();
    case 'restore':
      // Last night's backup: what was written since is on the phones alone.
      server.log = server.log.slice(0, Math.floor(server.log.length / 2));
      return undefined;
    case 'wait':
      server.nowMs += 60_000;
      return undefined;
    default:
      return phone.does(() => phone.outbox.sync());
  }
}

test('whatever is lost, killed, sent twice or restored between any two steps: in the end all know the same, nothing is lost, nothing counts twice', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.integer({ min: 2, max: 5 }),
      fc.array(step, { maxLength: 18 }),
      async (count, steps) => {
        const server = new Server();
        const phones = Array.from(
          { length: count },
          (_, i) => new Phone(`phone-${i}`, (i - 1) * 3_600_000, server),
        );
        for (const phone of phones) await phone.open();
        for (const one of steps) await play(phones, server, one);
        for (const phone of phones) phone.trouble = undefined;
        // Twice: who was first has not heard of the last yet.
        for (const phone of [...phones, ...phones]) await phone.outbox.sync();

        const ids = server.log.map(({ id }) => id);
        expect(new Set(ids).size).toBe(ids.length);
        for (const phone of phones) {
          expect(phone.told.filter((id) => !ids.includes(id))).toEqual([]);
          expect(phone.outbox.waiting + phone.outbox.unkept).toBe(0);
          expect(happenedOf(phone.outbox.getSnapshot())).toEqual(happenedOf(server.log));
        }
        const pops = server.log.filter(({ event }) => event.kind === 'popped').length;
        expect(happenedOf(server.log).pops[0]?.count ?? 0).toBe(pops);
      },
    ),
    { numRuns: 10_000 },
  );
}, 300_000);

test('what found no room is kept before what comes later: the highest number kept hides nothing below it', async () => {
  const server = new Server();
  const [other, phone] = [new Phone('other', 0, server), new Phone('phone', 0, server)];
  for (const one of [other, phone]) await one.open();
  await other.outbox.add('ilo', { kind: 'note', text: 'first' });
  await other.outbox.sync();
  server.nowMs += 1_000;
  await phone.outbox.add('wren', { kind: 'note', text: 'second' });
  // What is heard finds no room; what comes after it would.
  phone.trouble = { kind: 'full', at: 1 };
  await phone.outbox.sync();
  await phone.open();
  await phone.outbox.sync();
  expect(happenedOf(phone.outbox.getSnapshot()).notes.map(({ event }) => event.text)).toEqual([
    'first',
    'second',
  ]);
});

test('times of a phone whose clock is an hour off are the server’s once it was reached, also of what was written before', async () => {
  const server = new Server();
  const phone = new Phone('slow', -3_600_000, server);
  await phone.open();
  await phone.outbox.add('wren', { kind: 'done', task: 'hang' });
  expect(phone.outbox.getSnapshot()[0]?.at).toBe('2027-06-19T07:00:00.000Z');
  server.nowMs += 60_000;
  await phone.outbox.sync();
  expect(phone.outbox.clockOffMs).toBe(3_600_000);
  expect(server.log[0]?.at).toBe('2027-06-19T08:00:00.000Z');
  expect(phone.outbox.nowMs()).toBe(server.nowMs);
});

test('sent again after a backup was restored it has the time that it had, whoever sends it', async () => {
  const server = new Server();
  const [slow, fast] = [new Phone('slow', -3_600_000, server), new Phone('fast', 7_200_000, server)];
  for (const one of [slow, fast]) await one.open();
  await slow.outbox.add('wren', { kind: 'done', task: 'hang' });
  for (const one of [slow, fast]) await one.outbox.sync();
  server.log = [];
  server.nowMs += 60_000;
  // Not by the phone that wrote it.
  await fast.outbox.sync();
  expect(server.log).toMatchObject([{ at: new Date(START).toISOString(), by: 'wren' }]);
  await slow.outbox.sync();
  expect(happenedOf(slow.outbox.getSnapshot())).toEqual(happenedOf(server.log));
});
