import type { SiteEntry, SiteEvent, Task } from '@early-lantern/contract';
import fc from 'fast-check';
import { planJob } from '../plan.ts';
import { demoJob } from '../test/samples.ts';
import { dayFacts } from './day-facts.ts';
import { happenedOf } from './happened.ts';
import { laddersToCheck } from './ladder-check.ts';
import { leaveOuts } from './leave-out.ts';
import { faultsOpen, withMending } from './mending.ts';
import { projected } from './projected.ts';
import { actualRows } from './record.ts';
import { deliveryOf } from './sign-off.ts';

// That what came up on the day is a task like the others is this product's own rule; minutes are from memory, in mending.json.

const MIN = 60_000;
const file = demoJob('02-engine-shed');
const plan = planJob(file);
const taskOf = (id: string) => plan.tasks.find((one) => one.id === id) as Task;
const onSite = Date.parse(taskOf('beam-garland--fill').start);
let made = 0;
const entry = (event: SiteEvent, atMs = onSite, by = 'wren', replaces?: string[]): SiteEntry => {
  made += 1;
  const id = made.toString(16).padStart(32, '0');
  return { id, at: new Date(atMs).toISOString(), by, event, ...(replaces ? { replaces } : {}) };
};
const popped = (nominalIn: number, colour: string, count: number, atMs = onSite) =>
  entry({ kind: 'popped', nominalIn, colour, count }, atMs);
const done = (task: string, atMs = onSite) => entry({ kind: 'done', task }, atMs);
/** Somebody has begun to put things up. */
const begun = entry({ kind: 'start', task: 'beam-garland--hang' }, onSite - MIN);

/** What came up on the day, from a log. */
function cameUp(log: SiteEntry[]): Task[] {
  const planned = new Set(plan.tasks.map(({ id }) => id));
  return withMending(plan, happenedOf(log), file).tasks.filter(({ id }) => !planned.has(id));
}

test('a fault is a task of whoever saw it, and sign-off waits for it, until it is mended, on whichever page', () => {
  const fault = entry({ kind: 'fault', piece: 'beam-garland', text: 'A gap' }, onSite, 'ilo');
  const line = entry(
    { kind: 'looked', piece: 'beam-garland', line: 'No string shows', isFault: true },
    onSite + MIN,
  );
  const [mend, other, ...more] = cameUp([fault, line]);
  expect(more).toEqual([]);
  expect(mend).toMatchObject({ label: 'Mend: A gap', crew: ['ilo'], pieceId: 'beam-garland', place: 'site' });
  const grown = withMending(plan, happenedOf([fault, line]), file);
  const signOff = grown.tasks.find(({ id }) => id === 'sign-off') as Task;
  expect(signOff.after).toEqual([...taskOf('sign-off').after, mend?.id, other?.id]);
  // Whoever put that piece up stood on a ladder.
  const ladder = grown.cautions.find(({ code }) => code === 'ladder');
  expect(ladder?.where).toContain(mend?.id);

  const mended = [fault, line, done(mend?.id as string)];
  expect(faultsOpen(happenedOf(mended)).map(({ text }) => text)).toEqual(['No string shows']);
  expect(deliveryOf(file, grown, happenedOf(mended)).open).toContain('Garland to the beam: No string shows');
  expect(deliveryOf(file, grown, happenedOf(mended)).open.join()).not.toContain('A gap');
  // It stays among what was done, with nothing planned.
  const rows = actualRows(file, withMending(plan, happenedOf(mended), file), happenedOf(mended), onSite);
  expect(rows.find(({ task }) => task === mend?.id)).toMatchObject({ isDone: true, plannedMin: null });
  const undone = [...mended, entry({ kind: 'taken-back' }, onSite, 'wren', [mended[2]?.id as string])];
  expect(faultsOpen(happenedOf(undone))).toHaveLength(2);
  // Not here any more, somebody else mends it.
  expect(cameUp([fault, entry({ kind: 'absent', person: 'ilo' })])[0]?.crew).toEqual([file.job.crew[0]]);
});

test.each<[string, SiteEntry[], string[]]>([
  ['three popped', [begun, popped(11, 'lagoon', 3)], ['Blow and put in 3 × 11 in. Lagoon']],
  [
    'two products',
    [begun, popped(11, 'lagoon', 1), popped(17, 'oat', 2)],
    ['Blow and put in 1 × 11 in. Lagoon', 'Blow and put in 2 × 17 in. Oat'],
  ],
  [
    'one of three told to be in its place',
    [begun, popped(11, 'lagoon', 3), entry({ kind: 'topped-up', nominalIn: 11, colour: 'lagoon', count: 1 })],
    ['Blow and put in 2 × 11 in. Lagoon'],
  ],
  [
    'three put in, then a fourth',
    [begun, popped(11, 'lagoon', 3), done('top-up 11 lagoon 3'), popped(11, 'lagoon', 1, onSite + MIN)],
    ['Blow and put in 3 × 11 in. Lagoon', 'Blow and put in 1 × 11 in. Lagoon'],
  ],
  [
    'somebody is at three, and a fourth pops',
    [
      begun,
      popped(11, 'lagoon', 3),
      entry({ kind: 'start', task: 'top-up 11 lagoon 3' }),
      popped(11, 'lagoon', 1),
    ],
    ['Blow and put in 3 × 11 in. Lagoon', 'Blow and put in 1 × 11 in. Lagoon'],
  ],
  ['after the sign-off', [begun, done('sign-off', onSite - MIN), popped(11, 'lagoon', 1)], []],
])('what popped is put in anew: %s', (_, log, labels) => {
  expect(cameUp(log).map(({ label }) => label)).toEqual(labels);
});

test('what popped at the bench is put in when everybody steps back, on site at once', () => {
  const atBench = Date.parse(plan.tasks[0]?.start as string);
  const [later] = cameUp([popped(11, 'lagoon', 1, atBench)]);
  expect(Date.parse(later?.start as string)).toBe(Date.parse(taskOf('step-back').start) - 1);
  const pushed = new Date(Date.parse(taskOf('step-back').start) + 90 * MIN).toISOString();
  const anew = { task: 'step-back', start: pushed, end: pushed, crew: ['wren'] };
  const [pushedToo] = cameUp([
    popped(11, 'lagoon', 1, atBench),
    entry({ kind: 'replanned', tasks: [anew], leftOut: [] }),
  ]);
  expect(Date.parse(pushedToo?.start as string)).toBe(Date.parse(pushed) - 1);
  const [now] = cameUp([begun, popped(11, 'lagoon', 1)]);
  expect(Date.parse(now?.start as string)).toBe(onSite);
});

test('however the entries of several phones come, as many are left to put in', () => {
  const events = fc.array(
    fc.oneof(
      fc.record({ kind: fc.constant('popped' as const), count: fc.integer({ min: 1, max: 5 }) }),
      fc.record({ kind: fc.constant('topped-up' as const), count: fc.integer({ min: 1, max: 2 }) }),
      fc.record({ kind: fc.constant('done' as const), count: fc.integer({ min: 1, max: 12 }) }),
    ),
    { minLength: 1, maxLength: 10 },
  );
  fc.assert(
    fc.property(events, fc.infiniteStream(fc.nat()), (said, order) => {
      const log = said.map(({ kind, count }, i) =>
        kind === 'done'
          ? done(`top-up 11 lagoon ${count}`, onSite + i * MIN)
          : entry({ kind, nominalIn: 11, colour: 'lagoon', count }, onSite + i * MIN),
      );
      const mixed = log
        .map((one) => ({ one, at: order.next().value as number }))
        .sort((one, other) => one.at - other.at)
        .map(({ one }) => one);
      expect(happenedOf([...mixed, ...log]).toppedUp).toEqual(happenedOf(log).toppedUp);
      // By hand, in the order of time: all up to the largest that is ticked, and what is told after that tick.
      const ticked = said.map(({ kind, count }, i) => ({ upTo: kind === 'done' ? count : 0, i }));
      const last = ticked.reduce((best, one) => (one.upTo > best.upTo ? one : best));
      // Ticked on two phones the later tick counts.
      const since = last.upTo > 0 ? ticked.findLastIndex(({ upTo }) => upTo === last.upTo) : -1;
      const told = said.filter(({ kind }, i) => kind === 'topped-up' && i > since);
      const expected = last.upTo + told.reduce((sum, { count }) => sum + count, 0);
      expect(happenedOf(log).toppedUp.map(({ count }) => count)).toEqual(
        said.some(({ kind }) => kind === 'popped') ? [expected] : [],
      );
    }),
  );
});

test('a large one that popped pushes sign-off by what it takes, and may be left out', () => {
  const at = Date.parse(taskOf('sign-off').start) - MIN;
  const before = plan.tasks
    .filter(({ start, crew, trip }) => Date.parse(start) < at && crew.length > 0 && trip !== 'strike')
    .map(({ id }) => done(id, at));
  const happened = happenedOf([...before, popped(36, 'lagoon', 1, at)]);
  const facts = dayFacts(file, happened);
  const day = { file, plan: withMending(plan, happened, file), happened, facts, nowMs: at };
  const without = projected({ ...day, plan });
  expect((projected(day).readyMs ?? 0) - (without.readyMs ?? 0)).toBe(10 * MIN);
  // With the crate of the spares lost there is nothing to blow.
  const lost = { ...facts, goneBags: new Set(['Spares crate']) };
  const [first] = plan.packing.filter(({ bag }) => bag === 'Spares crate');
  const [, nominalIn, colour = ''] = /^balloon (\d+) (\w+)$/.exec(first?.id ?? '') ?? [];
  const another = happenedOf([...before, popped(Number(nominalIn), colour, 1, at)]);
  const crateLost = { ...day, plan: withMending(plan, another, file), happened: another, facts: lost };
  expect(projected(crateLost).impossible.map(({ why }) => why)).toContain(
    'What it takes is in the Spares crate, which is lost.',
  );
  expect(leaveOuts(day).find(({ task }) => task.id.startsWith('top-up'))).toMatchObject({
    gainMin: 10,
    effect: 'the gaps stay open',
  });
});

// OSHA 29 CFR 1910.23(b)(9): looked over before the first use in a shift; 1926.1053(b)(16): out of use where it is not sound (from memory).
test.each<[string, SiteEntry[], number, object[]]>([
  ['never checked', [], 0, [{ id: 'step-8', isRefused: false }]],
  ['checked', [entry({ kind: 'ladder-checked', gear: 'step-8', isSound: true })], 60, []],
  [
    'another one checked',
    [entry({ kind: 'ladder-checked', gear: 'step-4', isSound: true })],
    0,
    [{ id: 'step-8' }],
  ],
  [
    'a day ago',
    [entry({ kind: 'ladder-checked', gear: 'step-8', isSound: true })],
    24 * 60,
    [{ id: 'step-8' }],
  ],
  [
    'unsafe, whatever was said before',
    [
      entry({ kind: 'ladder-checked', gear: 'step-8', isSound: true }),
      entry({ kind: 'ladder-checked', gear: 'step-8', isSound: false }, onSite + MIN),
    ],
    60,
    [{ id: 'step-8', isRefused: true }],
  ],
])('a ladder is checked before it is climbed: %s', (_, log, laterMin, expected) => {
  const found = laddersToCheck(taskOf('beam-garland--fill'), file, happenedOf(log), onSite + laterMin * MIN);
  expect(found).toMatchObject(expected);
  expect(found).toHaveLength(expected.length);
});
