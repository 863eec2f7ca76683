import type { SiteEntry, SiteEvent } from '@early-lantern/contract';
import fc from 'fast-check';
import { happenedOf } from './happened.ts';
import { workedMin } from './spells.ts';

// How entries of several devices come together is this product's own rule (decision 36): common practice, no source.

const at = (clock: string) => `2027-06-19T${clock}:00.000Z`;
const ms = (clock: string) => Date.parse(at(clock));
let made = 0;

function entry(clock: string, by: string, event: SiteEvent, replaces?: string[]): SiteEntry {
  made += 1;
  const id = made.toString(16).padStart(32, '0');
  return { id, at: at(clock), by, event, ...(replaces ? { replaces } : {}) };
}
const start = (clock: string, by: string) => entry(clock, by, { kind: 'start', task: 'hang' });
const pause = (clock: string, by: string) => entry(clock, by, { kind: 'pause', task: 'hang' });
const done = (clock: string, by: string) => entry(clock, by, { kind: 'done', task: 'hang' });

test.each<[string, SiteEntry[], object]>([
  ['nobody touched it', [], {}],
  [
    'two on it: from the earliest beginning to the last tick, whoever did not tick left it then',
    [start('08:00', 'wren'), start('08:10', 'ilo'), done('08:30', 'ilo')],
    { state: 'done', fromMs: ms('08:00'), untilMs: ms('08:30'), minutes: 30 + 20 },
  ],
  [
    'ticked on two phones: the later end',
    [start('08:00', 'wren'), done('08:20', 'wren'), start('08:00', 'ilo'), done('08:40', 'ilo')],
    { state: 'done', untilMs: ms('08:40'), minutes: 20 + 40 },
  ],
  [
    'left for a while',
    [start('08:00', 'wren'), pause('08:10', 'wren'), start('09:00', 'wren'), done('09:05', 'wren')],
    { state: 'done', fromMs: ms('08:00'), minutes: 15 },
  ],
  [
    'begun twice counts once',
    [start('08:00', 'wren'), start('08:10', 'wren')],
    { state: 'going', minutes: 120 },
  ],
  ['left, not done', [start('08:00', 'wren'), pause('08:10', 'wren')], { state: 'paused', minutes: 10 }],
  ['ticked only', [done('08:30', 'wren')], { state: 'done', fromMs: null, untilMs: ms('08:30'), minutes: 0 }],
  [
    'begun after it was done elsewhere: a tick wins, and nobody worked',
    [start('08:00', 'wren'), done('08:30', 'wren'), start('08:45', 'ilo')],
    { state: 'done', untilMs: ms('08:30'), minutes: 30 },
  ],
  [
    'times told afterwards take the place of the ticks of that person alone',
    [
      start('08:00', 'wren'),
      start('08:00', 'ilo'),
      done('08:30', 'wren'),
      entry('12:00', 'wren', {
        kind: 'times',
        task: 'hang',
        person: 'wren',
        from: at('07:30'),
        until: at('08:40'),
      }),
    ],
    { state: 'done', fromMs: ms('07:30'), untilMs: ms('08:40'), minutes: 70 + 30 },
  ],
])('%s', (_, log, wanted) => {
  const record = happenedOf(log).tasks.get('hang');
  if (log.length === 0) return expect(record).toBeUndefined();
  expect({ ...record, minutes: workedMin(record?.spells ?? [], ms('10:00')) }).toMatchObject(wanted);
});

test('a tick that is taken back is gone; one that whoever took it back did not know of still holds', () => {
  const mine = done('08:30', 'wren');
  const theirs = done('08:31', 'ilo');
  const back = entry('08:32', 'wren', { kind: 'taken-back' }, [mine.id]);
  expect(happenedOf([start('08:00', 'wren'), mine, back]).tasks.get('hang')?.state).toBe('going');
  expect(happenedOf([start('08:00', 'wren'), mine, theirs, back]).tasks.get('hang')?.state).toBe('done');
});

test('pops of alike balloons add up, and what is stuck is gone once somebody says so', () => {
  const popped = (count: number, colour = 'oat') =>
    entry('09:00', 'wren', { kind: 'popped', nominalIn: 11, colour, count });
  const stuck = entry('09:05', 'ilo', { kind: 'stuck', task: 'hang', text: 'The gate is locked.' });
  const solved = entry('09:20', 'wren', { kind: 'taken-back' }, [stuck.id]);
  const log = [popped(1), popped(2), popped(1, 'brick'), stuck];
  expect(happenedOf(log).pops).toEqual([
    { nominalIn: 11, colour: 'brick', count: 1 },
    { nominalIn: 11, colour: 'oat', count: 3 },
  ]);
  expect(happenedOf(log).stuck).toHaveLength(1);
  expect(happenedOf([...log, solved]).stuck).toEqual([]);
});

test('what was signed for stands, whoever takes it back', () => {
  const signed = entry('10:00', 'wren', {
    kind: 'signed',
    name: 'Pia Holt',
    remarks: '',
    strokes: [],
    delivered: ['Finish arch'],
    open: [],
    handedOver: [],
    strikeFrom: null,
  });
  const back = entry('10:05', 'wren', { kind: 'taken-back' }, [signed.id]);
  expect(happenedOf([signed, back]).signed).toEqual([signed]);
});

test('two people who do not say the same of a thing are both heard, until somebody chooses; who knew of the other is believed', () => {
  const gear = (by: string, fate: 'back' | 'missing', replaces?: string[]) =>
    entry('18:00', by, { kind: 'gear', row: 'ladder', fate }, replaces);
  const mine = gear('wren', 'back');
  const theirs = gear('ilo', 'missing');
  const of = (log: SiteEntry[]) => happenedOf(log).gear.get('ladder');
  expect(of([mine, gear('ilo', 'back')])).toMatchObject({ isContradicted: false });
  expect(of([mine, theirs])).toMatchObject({
    isContradicted: true,
    entries: [{ by: 'wren' }, { by: 'ilo' }],
  });
  const chosen = gear('wren', 'back', [mine.id, theirs.id]);
  expect(of([mine, theirs, chosen])).toMatchObject({ isContradicted: false, entry: { id: chosen.id } });
  expect(of([mine, gear('ilo', 'missing', [mine.id])])).toMatchObject({
    isContradicted: false,
    entry: { event: { fate: 'missing' } },
  });
});

/** Any entry that may be written, of few tasks and people, so that they meet; it may replace others, known or not. */
const anyEntry = fc
  .record({
    id: fc.integer({ min: 1, max: 40 }),
    minute: fc.integer({ min: 0, max: 59 }),
    by: fc.constantFrom('wren', 'ilo', 'ode'),
    kind: fc.constantFrom('start', 'pause', 'done', 'popped', 'late', 'note'),
    task: fc.constantFrom('hang', 'fill'),
    replaces: fc.array(fc.integer({ min: 1, max: 40 }), { maxLength: 2 }),
  })
  .map(({ id, minute, by, kind, task, replaces }): SiteEntry => {
    const asId = (number: number) => number.toString(16).padStart(32, '0');
    const event =
      kind === 'popped'
        ? { kind, nominalIn: 11, colour: 'oat', count: 1 }
        : kind === 'late'
          ? { kind, task, minutes: minute + 1 }
          : kind === 'note'
            ? { kind, task, text: 'x' }
            : { kind, task };
    return {
      id: asId(id),
      at: at(`08:${String(minute).padStart(2, '0')}`),
      by,
      event: event as SiteEvent,
      ...(replaces.length > 0 ? { replaces: replaces.map(asId) } : {}),
    };
  });
/** A log names each entry once: an id is made anew for each. */
const anyLog = fc.uniqueArray(anyEntry, { selector: ({ id }) => id, maxLength: 25 });

test('in whatever order entries come, and however often, the same has happened', () => {
  fc.assert(
    fc.property(
      anyLog.chain((log) =>
        fc.tuple(
          fc.constant(log),
          fc.shuffledSubarray([...log, ...log], { minLength: 0 }),
          fc.shuffledSubarray(log, { minLength: log.length }),
        ),
      ),
      ([log, again, shuffled]) => {
        expect(happenedOf([...again, ...shuffled])).toEqual(happenedOf(log));
      },
    ),
    { numRuns: 2000 },
  );
});

test('no pop is lost, and none counts twice: what is not replaced is counted once', () => {
  fc.assert(
    fc.property(anyLog, (log) => {
      const replaced = new Set(log.flatMap(({ replaces = [] }) => replaces));
      const pops = log.filter(({ id, event }) => event.kind === 'popped' && !replaced.has(id)).length;
      expect(happenedOf([...log, ...log]).pops[0]?.count ?? 0).toBe(pops);
    }),
    { numRuns: 1000 },
  );
});
