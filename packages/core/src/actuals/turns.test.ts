import type { SiteEntry, SiteEvent, Task } from '@early-lantern/contract';
import { planJob } from '../plan.ts';
import { demoJob } from '../test/samples.ts';
import { happenedOf } from './happened.ts';
import { outOfOrder } from './out-of-order.ts';
import { actualRows } from './record.ts';
import { tasksOf, turnOf } from './turns.ts';

// What must stand before what: the order of the work on site, common practice, no source.

const file = demoJob('01-meadow-finish');
const plan = planJob(file);
const task = (id: string) => plan.tasks.find((one) => one.id === id) as Task;
const MIN = 60_000;

let made = 0;
const entry = (event: SiteEvent, atMs: number, by = 'wren'): SiteEntry => {
  made += 1;
  return { id: made.toString(16).padStart(32, '0'), at: new Date(atMs).toISOString(), by, event };
};
const doneAt = (id: string, atMs: number) => entry({ kind: 'done', task: id }, atMs);
/** Everything that is planned to end before a task begins is done as planned. */
const doneBefore = (id: string) =>
  plan.tasks
    .filter(({ end }) => Date.parse(end) <= Date.parse(task(id).start))
    .map((one) => doneAt(one.id, Date.parse(one.end)));

test('one after the other in the order of the plan, each person their own; who is on something stays on it', () => {
  const nothing = happenedOf([]);
  for (const person of ['wren', 'ilo']) {
    const own = tasksOf(plan, person);
    expect(own.every(({ crew }) => crew.includes(person))).toBe(true);
    expect(turnOf(plan, nothing, person, 0).next).toHaveLength(own.length - 1);
  }
  const floor = turnOf(plan, nothing, task('clean-floor').crew[0] as string, 0);
  expect(floor).toMatchObject({ now: { id: 'clean-floor' }, isGoing: false, waitsFor: [] });
  const log = happenedOf([entry({ kind: 'start', task: 'sign-off' }, 0, task('sign-off').crew[0])]);
  expect(turnOf(plan, log, task('sign-off').crew[0] as string, 0)).toMatchObject({
    now: { id: 'sign-off' },
    isGoing: true,
  });
});

test('who waits for somebody is told for whom, and is not sent to the strike', () => {
  const other = plan.tasks.find(({ crew }) => !crew.includes(task('clean-floor').crew[0] as string));
  const person = other?.crew[0] as string;
  const turn = turnOf(plan, happenedOf([]), person, 0);
  expect(turn.now?.trip).not.toBe('strike');
  expect(turn.waitsFor.map(({ id }) => id)).toEqual(['clean-floor']);
});

test('a layer before its frame is refused with the frame; after it, it is nobody’s business', () => {
  const layers = task('finish-arch--layers');
  const before = happenedOf(doneBefore('finish-arch--frame'));
  const at = Date.parse(layers.start);
  expect(outOfOrder(plan, before, layers, at)).toMatchObject({
    kind: 'refused',
    first: [{ id: 'finish-arch--frame' }],
  });
  const after = happenedOf([...doneBefore('finish-arch--frame'), doneAt('finish-arch--frame', at)]);
  expect(outOfOrder(plan, after, layers, at)).toBeUndefined();
  // Fillers before the ends are joined: whoever does it knows why.
  expect(outOfOrder(plan, happenedOf([]), task('rope-garland--fill'), at)).toBeUndefined();
});

test('what is carried waits for all of its carrier, and hooks for their hour', () => {
  const night = planJob(demoJob('03-glasshouse-night'));
  const moon = night.tasks.find(({ pieceId, stage }) => pieceId === 'moon' && stage) as Task;
  const refused = outOfOrder(night, happenedOf([]), moon, 0);
  expect(refused?.kind).toBe('refused');
  // The accent hangs on the garland, and that on the screen: both must stand.
  const carriers = new Set(refused?.first.map(({ pieceId }) => pieceId as string));
  expect(carriers).toEqual(new Set(['moss-garland', 'moss-screen']));
  const waiting = plan.tasks.find(({ id, waits }) => waits && id === 'look-again') as Task;
  const [[after = '', minutes = 0] = []] = Object.entries(waiting.waits ?? {});
  const at = Date.parse(task(after).end);
  const log = happenedOf([...doneBefore(waiting.id), doneAt(after, at)]);
  expect(outOfOrder(plan, log, waiting, at + (minutes - 3) * MIN)).toMatchObject({
    kind: 'asked',
    why: 'Wait 3 more min after this.',
  });
  expect(outOfOrder(plan, log, waiting, at + minutes * MIN)).toBeUndefined();
});

test('signing off with work left open is asked about, never refused', () => {
  const found = outOfOrder(plan, happenedOf(doneBefore('step-back')), task('sign-off'), 0);
  expect(found).toMatchObject({ kind: 'asked' });
  expect(found?.first.map(({ id }) => id)).toEqual(['step-back', 'touch-up', 'look-again']);
});

test('the record has each task once for everybody on it, and adds up to what was planned', () => {
  const layers = task('finish-arch--layers');
  const at = Date.parse(layers.start);
  const log = happenedOf([
    entry({ kind: 'start', task: layers.id }, at, 'ode'),
    entry({ kind: 'done', task: layers.id }, at + 20 * MIN, 'ode'),
  ]);
  const rows = actualRows(file, plan, log, at);
  expect(rows).toHaveLength(
    plan.tasks.reduce((sum, { crew }) => sum + Math.max(1, crew.length), 0) +
      (layers.crew.includes('ode') ? 0 : 1),
  );
  const own = rows.filter((row) => row.task === layers.id);
  expect(own.find(({ workedMin }) => workedMin !== null)).toMatchObject({ workedMin: 20, isDone: true });
  const planned = (Date.parse(layers.end) - at) / MIN;
  expect(own.find(({ workedMin }) => workedMin === null)).toMatchObject({
    plannedMin: planned,
    isDone: true,
  });
});

test('how a piece was made stands beside its minutes: its own way before the workshop’s, nothing where there is no piece', () => {
  const [garland, ...others] = file.job.pieces;
  const other = { ...garland, joining: 'string-line', schools: { bloom: 'wipe' } } as typeof garland & object;
  const changed = {
    ...file,
    workshop: { ...file.workshop, schools: { fillerFixing: 'dash' as const } },
    job: { ...file.job, pieces: [other, ...others] },
  };
  const rows = actualRows(changed, plan, happenedOf([]), 0);
  expect(rows.find(({ pieceId }) => pieceId === other.id)).toMatchObject({
    joining: 'string-line',
    bloom: 'wipe',
    fillerFixing: 'dash',
  });
  expect(rows.find(({ task: id }) => id === 'sign-off')).toMatchObject({ joining: '', bloom: '' });
});

test('glue takes its hour by itself: nobody ticks it, and what hangs on it is asked about until then', () => {
  const shed = planJob(demoJob('02-engine-shed'));
  const cure = shed.tasks.find(({ crew }) => crew.length === 0) as Task;
  const hooks = shed.tasks.find(({ id }) => id === cure.after[0]) as Task;
  const hang = shed.tasks.find(({ after }) => after.includes(cure.id)) as Task;
  const at = Date.parse(hooks.end);
  const all = shed.tasks
    .filter(
      ({ crew, end, id }) => crew.length > 0 && Date.parse(end) <= Date.parse(hang.start) && id !== hooks.id,
    )
    .map(({ id, end }) => doneAt(id, Date.parse(end)));
  const log = happenedOf([...all, doneAt(hooks.id, at)]);
  const tookMs = Date.parse(cure.end) - Date.parse(cure.start);
  expect(tookMs).toBe(60 * MIN);
  expect(outOfOrder(shed, log, hang, at + tookMs - 20 * MIN)).toMatchObject({
    kind: 'asked',
    first: [{ id: cure.id }],
    why: '20 more min until it has taken.',
  });
  expect(outOfOrder(shed, log, hang, at + tookMs)).toBeUndefined();
  expect(turnOf(shed, log, hang.crew[0] as string, at + tookMs).waitsFor).toEqual([]);
  expect(tasksOf(shed, null)).not.toContain(cure);
});
