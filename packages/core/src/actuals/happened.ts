import type { ColourId, PersonId, SiteEntry, SiteEvent } from '@early-lantern/contract';
import { toppedUpOf } from './day-tasks.ts';
import { holdingEntries } from './holding.ts';
import { type Spell, spellsOf } from './spells.ts';

/** What became of a task; one that nobody has touched has no record. */
export interface TaskRecord {
  state: 'going' | 'paused' | 'done';
  /** The earliest beginning; null where it was ticked without one. */
  fromMs: number | null;
  /** The last tick, or the latest end that was told; null where it is not done. */
  untilMs: number | null;
  spells: Spell[];
  /** Minutes that it will take longer than planned, as somebody said last; 0 where nobody did. */
  lateMin: number;
  /** Entries that say it is done: to take it back is to replace them all. */
  doneIds: string[];
  /** Who ticked it. */
  doneBy: PersonId[];
  /** Entries that told somebody's times afterwards: to tell others is to replace them. */
  told: { id: string; person: PersonId }[];
}

/** An entry of one kind. */
type EntryOf<K extends SiteEvent['kind']> = SiteEntry & { event: Extract<SiteEvent, { kind: K }> };

/** What was said of one thing: by several people at once without knowing of each other it may be more than one. */
export interface Said<K extends SiteEvent['kind']> {
  /** Every entry that holds, the newest last. */
  entries: EntryOf<K>[];
  /** The newest. */
  entry: EntryOf<K>;
  /** They do not say the same: somebody has to choose. */
  isContradicted: boolean;
}

/** All that is known of a day, from its log. */
export interface Happened {
  tasks: Map<string, TaskRecord>;
  /** Balloons that popped, by what they are. */
  pops: ProductCount[];
  /** The same, one after the other, as they were told. */
  popped: EntryOf<'popped'>[];
  /** Fresh ones blown on site in their place. */
  toppedUp: ProductCount[];
  /** Balloons that are blown, by task and lot. */
  blown: Map<string, number>;
  /** Words to everybody, each with those who have read it. */
  messages: { entry: EntryOf<'message'>; readBy: PersonId[] }[];
  /** What does not go on without help, and is not solved. */
  stuck: EntryOf<'stuck'>[];
  notes: EntryOf<'note'>[];
  nearMisses: EntryOf<'near-miss'>[];
  /** What was looked at, by piece and line; what became of gear, by line of the packing list. */
  looked: Map<string, Said<'looked'>>;
  gear: Map<string, Said<'gear'>>;
  /** Faults that are still to be mended, besides those of the lines looked at. */
  faults: EntryOf<'fault'>[];
  /** The wind as somebody told it last, and whenever it was told. */
  wind: EntryOf<'wind'> | undefined;
  winds: EntryOf<'wind'>[];
  /** Balloons kept for another job, by product. */
  kept: Map<string, Said<'kept'>>;
  /** Who has signed for what, one after the other. */
  signed: EntryOf<'signed'>[];
  /** Who and what is not here, and from when the house lets the crew in, as was said last. */
  absent: EntryOf<'absent'>[];
  goneGear: EntryOf<'gear-gone'>[];
  goneBags: EntryOf<'bag-gone'>[];
  lateAccess: EntryOf<'access-late'>[];
  rain: EntryOf<'rain'>[];
  /** The newest plan of the rest of the day; undefined where the first one holds. */
  replanned: EntryOf<'replanned'> | undefined;
  /** Who has read which caution: `person code`. */
  read: Set<string>;
  /** Ladders looked over, the newest last: whoever climbs another day looks again. */
  ladders: EntryOf<'ladder-checked'>[];
}

/** So many balloons of a size and colour. */
interface ProductCount {
  nominalIn: number;
  colour: ColourId;
  count: number;
}

const NOTHING: TaskRecord = {
  state: 'paused',
  fromMs: null,
  untilMs: null,
  spells: [],
  lateMin: 0,
  doneIds: [],
  doneBy: [],
  told: [],
};

/**
 * What happened, from the entries of any number of devices: a tick wins over none, counts add, notes stand beside each other, times
 * reach from the earliest beginning to the latest end. The order in which entries come and how often makes no difference.
 */
export function happenedOf(log: readonly SiteEntry[]): Happened {
  const entries = holdingEntries(log);
  const of = <K extends SiteEvent['kind']>(kind: K) =>
    entries.filter((entry): entry is EntryOf<K> => entry.event.kind === kind);
  const ofTask = new Map<string, SiteEntry[]>();
  for (const entry of entries) {
    const task = taskOf(entry.event);
    if (task !== undefined) ofTask.set(task, [...(ofTask.get(task) ?? []), entry]);
  }
  const tasks = new Map([...ofTask].map(([task, about]) => [task, recordOf(about)]));
  const pops = productsOf(of('popped'));
  const done = new Map(
    [...tasks].flatMap(([id, { state, untilMs }]) => (state === 'done' ? [[id, untilMs ?? 0] as const] : [])),
  );
  return {
    tasks,
    pops,
    popped: of('popped'),
    toppedUp: pops.map((product) => ({
      ...product,
      count: toppedUpOf(
        product,
        done,
        of('topped-up')
          .filter(({ event }) => productKey(event) === productKey(product))
          .map(({ at, event }) => ({ atMs: Date.parse(at), count: event.count })),
      ),
    })),
    blown: blownOf(of('blown')),
    messages: of('message').map((entry) => ({
      entry,
      readBy: of('message-read').flatMap(({ by, event }) => (event.message === entry.id ? [by] : [])),
    })),
    stuck: of('stuck'),
    notes: of('note'),
    nearMisses: of('near-miss'),
    looked: saidOf(
      of('looked'),
      ({ event }) => lookKey(event.piece, event.line),
      ({ event }) => event.isFault,
    ),
    gear: saidOf(
      of('gear'),
      ({ event }) => event.row,
      ({ event }) => event.fate,
    ),
    faults: of('fault'),
    wind: of('wind').at(-1),
    winds: of('wind'),
    kept: saidOf(
      of('kept'),
      ({ event }) => productKey(event),
      ({ event }) => event.count,
    ),
    signed: of('signed'),
    absent: of('absent'),
    goneGear: of('gear-gone'),
    goneBags: of('bag-gone'),
    lateAccess: of('access-late'),
    rain: of('rain'),
    replanned: of('replanned').at(-1),
    read: new Set(
      entries.flatMap(({ by, event }) => (event.kind === 'caution-read' ? [`${by} ${event.code}`] : [])),
    ),
    ladders: of('ladder-checked'),
  };
}

/** A lot that is blown in a task: of a large one each task has its part. */
export const blownKey = (task: string, lot: string): string => `${task} ${lot}`;

/** A size and colour as one word. */
export const productKey = ({ nominalIn, colour }: Pick<ProductCount, 'nominalIn' | 'colour'>): string =>
  `${nominalIn} ${colour}`;

/** A line to look at, of one piece. */
export const lookKey = (piece: string, line: string): string => `${piece} ${line}`;

function saidOf<K extends SiteEvent['kind']>(
  entries: readonly EntryOf<K>[],
  keyOf: (entry: EntryOf<K>) => string,
  saysOf: (entry: EntryOf<K>) => unknown,
): Map<string, Said<K>> {
  const told = new Map<string, EntryOf<K>[]>();
  for (const entry of entries) told.set(keyOf(entry), [...(told.get(keyOf(entry)) ?? []), entry]);
  return new Map(
    [...told].map(([key, all]) => [
      key,
      {
        entries: all,
        entry: all.at(-1) as EntryOf<K>,
        isContradicted: new Set(all.map(saysOf)).size > 1,
      },
    ]),
  );
}

/** The task whose record an event is part of. */
function taskOf(event: SiteEvent): string | undefined {
  switch (event.kind) {
    case 'start':
    case 'pause':
    case 'done':
    case 'times':
    case 'late':
      return event.task;
    default:
      return undefined;
  }
}

/** @param entries of one task, by their time */
function recordOf(entries: readonly SiteEntry[]): TaskRecord {
  const done = entries.filter(({ event }) => event.kind === 'done');
  const tickedMs = done.length > 0 ? Math.max(...done.map(({ at }) => Date.parse(at))) : null;
  const spells = spellsOf(entries, tickedMs);
  const ends = spells.flatMap(({ untilMs }) => untilMs ?? []);
  const late = entries.flatMap(({ event }) => (event.kind === 'late' ? [event.minutes] : []));
  return {
    ...NOTHING,
    state: done.length > 0 ? 'done' : spells.some(({ untilMs }) => untilMs === null) ? 'going' : 'paused',
    fromMs: spells.length > 0 ? Math.min(...spells.map(({ fromMs }) => fromMs)) : null,
    untilMs: tickedMs === null ? null : Math.max(tickedMs, ...ends),
    spells,
    lateMin: late.at(-1) ?? 0,
    doneIds: done.map(({ id }) => id),
    doneBy: [...new Set(done.map(({ by }) => by))],
    told: entries.flatMap(({ id, event }) => (event.kind === 'times' ? [{ id, person: event.person }] : [])),
  };
}

function productsOf(entries: readonly EntryOf<'popped'>[]): ProductCount[] {
  const products = new Map<string, ProductCount>();
  for (const { event } of entries) {
    const { nominalIn, colour, count } = event;
    const key = productKey(event);
    products.set(key, { nominalIn, colour, count: count + (products.get(key)?.count ?? 0) });
  }
  return [...products.values()].sort(
    (one, other) => one.nominalIn - other.nominalIn || (one.colour < other.colour ? -1 : 1),
  );
}

function blownOf(entries: readonly EntryOf<'blown'>[]): Map<string, number> {
  const lots = new Map<string, number>();
  for (const { event } of entries) {
    const key = blownKey(event.task, event.lot);
    lots.set(key, event.count + (lots.get(key) ?? 0));
  }
  return lots;
}

/** Whether a task is done. */
export const isDone = ({ tasks }: Happened, task: string): boolean => tasks.get(task)?.state === 'done';
