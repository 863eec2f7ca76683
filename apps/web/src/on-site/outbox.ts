import type {
  KeptEntry,
  PersonId,
  SentEntries,
  SiteEntry,
  SiteEvent,
  SiteLog,
} from '@early-lantern/contract';
import { randomHex } from './random-hex.ts';

/** An entry as this device keeps it: with its number once the server has it, for ever in the place of what was written here. */
export type OwnEntry = SiteEntry & Partial<Pick<KeptEntry, 'seq' | 'device'>>;

/** Where entries of one job are kept on this device, whatever becomes of the page. */
export interface EntryStore {
  read(): Promise<OwnEntry[]>;
  /** Writes them one after the other, or some of the first of them where it is cut short. */
  write(entries: readonly OwnEntry[]): Promise<void>;
}

/** The way to the server: sends what it does not have, answers what the device does not. Fails where nothing came back, whatever was done. */
export type Exchange = (sent: SentEntries) => Promise<SiteLog>;

/** Entries sent at once. */
const A_LOAD = 100;

/**
 * What this device knows of a job's log: what was written here, sent when the server can be reached, and what it has heard of others.
 *
 * An entry is kept before it is shown, and stays kept; that it was sent is known by the number that the server gave it, so that one whose
 * answer was lost is sent again, and found there. Nothing is kept besides: what the server is to be asked after is the highest number.
 */
export class Outbox {
  readonly #store: EntryStore;
  readonly #exchange: Exchange;
  readonly #device: string;
  readonly #clock: () => number;
  #entries = new Map<string, OwnEntry>();
  readonly #listeners = new Set<() => void>();
  #snapshot: readonly OwnEntry[] = [];
  /** The server's clock less ours, ms, by the exchange that took the least time; undefined until there was one. */
  #clockOff: { ms: number; tookMs: number } | undefined;
  /** Entries that found no room on this device, own and heard. */
  readonly #unkept = new Set<string>();
  #syncing: Promise<void> | undefined;

  constructor(store: EntryStore, exchange: Exchange, device: string, clock: () => number = Date.now) {
    this.#store = store;
    this.#exchange = exchange;
    this.#device = device;
    this.#clock = clock;
  }

  /** What is kept on this device. */
  async open(): Promise<void> {
    for (const entry of await this.#store.read()) this.#take(entry);
    this.#tell();
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  };

  /** All entries, by the server's clock as far as it is known. The same list until something is added. */
  readonly getSnapshot = (): readonly OwnEntry[] => this.#snapshot;

  /** The server's time as this device reckons it, ms since 1970. */
  nowMs(): number {
    return this.#clock() + (this.#clockOff?.ms ?? 0);
  }

  /** What the clock of this device is off by, ms; undefined where it was never compared. */
  get clockOffMs(): number | undefined {
    return this.#clockOff?.ms;
  }

  /** So many wait to be sent. */
  get waiting(): number {
    return this.#unsent().length;
  }

  /** So many could not be kept on this device, for want of room: they are lost with the page. */
  get unkept(): number {
    return this.#unsent().filter(({ id }) => this.#unkept.has(id)).length;
  }

  /** Writes down what happened. It is shown at once, and true once this is done: then it outlives the page. */
  async add(by: PersonId, event: SiteEvent, replaces: readonly string[] = []): Promise<SiteEntry> {
    const entry: SiteEntry = {
      id: randomHex(16),
      at: new Date(this.#clock()).toISOString(),
      by,
      event,
      ...(replaces.length > 0 ? { replaces: [...replaces] } : {}),
    };
    this.#take(entry);
    this.#tell();
    await this.#keep([entry]);
    return entry;
  }

  /** Sends and hears until both sides know the same. One exchange at a time; who asks meanwhile waits for a next round. @throws where the server is not reached */
  async sync(): Promise<void> {
    const before = this.#syncing?.catch(() => undefined);
    const round = (before ?? Promise.resolve()).then(() => this.#syncAll());
    this.#syncing = round;
    try {
      await round;
    } finally {
      if (this.#syncing === round) this.#syncing = undefined;
    }
  }

  async #syncAll(): Promise<void> {
    // Another page of this device may have written meanwhile; and what found no room may find some now.
    // Of what found no room the store has an older state, or none.
    for (const entry of await this.#store.read().catch(() => []))
      if (!this.#unkept.has(entry.id)) this.#take(entry);
    await this.#keep([]);
    for (;;) {
      // What the clock is off by is found out before the first times are told.
      const load = this.#clockOff ? this.#unsent().slice(0, A_LOAD) : [];
      const log = await this.#heard(load);
      if (log.isAnew) await this.#beginAnew();
      for (const entry of log.entries) this.#take(entry);
      this.#tell();
      await this.#keep(log.entries);
      if (this.#unsent().length === 0 && this.#last().seq >= log.last) return;
    }
  }

  async #heard(load: readonly SiteEntry[]): Promise<SiteLog> {
    const { seq, id } = this.#last();
    const sentMs = this.#clock();
    const log = await this.#exchange({
      device: this.#device,
      clockOffMs: Math.round(this.#clockOff?.ms ?? 0),
      entries: load.map(({ id, at, by, event, replaces }) => ({
        id,
        at,
        by,
        event,
        ...(replaces ? { replaces } : {}),
      })),
      after: seq,
      ...(id ? { afterId: id } : {}),
    });
    const tookMs = this.#clock() - sentMs;
    // The server looked at its clock half-way (RFC 5905, 8: the offset is known to half of what the exchange took).
    if (tookMs >= 0 && tookMs <= (this.#clockOff?.tookMs ?? Infinity))
      this.#clockOff = { ms: Date.parse(log.now) - (sentMs + tookMs / 2), tookMs };
    return log;
  }

  /**
   * The server does not know what it knew: every entry is as if it had never been sent, at its time by the clock of this device, whoever
   * wrote it.
   */
  async #beginAnew(): Promise<void> {
    const offMs = this.#clockOff?.ms ?? 0;
    const all = [...this.#entries.values()].map(({ seq, device: _, ...entry }) => ({
      ...entry,
      at: seq === undefined ? entry.at : new Date(Date.parse(entry.at) - offMs).toISOString(),
    }));
    this.#entries = new Map(all.map((entry) => [entry.id, entry]));
    await this.#keep(all);
  }

  /** The entry of the highest number: whatever has a lower one was kept before it. */
  #last(): { seq: number; id: string | undefined } {
    let last: { seq: number; id: string | undefined } = { seq: 0, id: undefined };
    for (const { seq = 0, id } of this.#entries.values()) if (seq > last.seq) last = { seq, id };
    return last;
  }

  #unsent(): OwnEntry[] {
    return [...this.#entries.values()].filter(({ seq }) => seq === undefined);
  }

  #take(entry: OwnEntry): void {
    // What the server has said of an entry stands; what was written here is the same without a number.
    if (entry.seq !== undefined || !this.#entries.has(entry.id)) this.#entries.set(entry.id, entry);
  }

  /**
   * Keeps entries, and before them whatever found no room so far: one that is kept while another with a lower number is not would hide that
   * one for good, as the server is only asked after the highest.
   */
  async #keep(entries: readonly OwnEntry[]): Promise<void> {
    const ids = new Set([...this.#unkept, ...entries.map(({ id }) => id)]);
    const due = [...ids]
      .flatMap((id) => this.#entries.get(id) ?? [])
      .sort((one, other) => (one.seq ?? 0) - (other.seq ?? 0));
    if (due.length === 0) return;
    try {
      await this.#store.write(due);
      this.#unkept.clear();
    } catch (error) {
      for (const { id } of due) this.#unkept.add(id);
      this.#tell();
      if (!isFull(error)) throw error;
    }
  }

  #tell(): void {
    const offMs = this.#clockOff?.ms ?? 0;
    this.#snapshot = [...this.#entries.values()].map((entry) =>
      entry.seq === undefined && offMs !== 0
        ? { ...entry, at: new Date(Date.parse(entry.at) + offMs).toISOString() }
        : entry,
    );
    for (const listener of this.#listeners) listener();
  }
}

/** No room, or no store at all, as in some private windows. */
const isFull = (error: unknown): boolean =>
  error instanceof DOMException &&
  ['QuotaExceededError', 'InvalidStateError', 'UnknownError'].includes(error.name);
