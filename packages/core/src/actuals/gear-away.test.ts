import type { GearAway, JobFile, SiteEntry, SiteEvent } from '@early-lantern/contract';
import { awayName } from '../loading/away-name.ts';
import { draftPlan, planJob } from '../plan.ts';
import { demoJob } from '../test/samples.ts';
import { countedHomeAt, gearAway, gearEvent } from './gear-away.ts';

// That the newest word on a thing counts, at whichever job, is this product's own rule: common practice, no source.

const entry = (n: number, minute: number, event: SiteEvent, replaces?: number[]): SiteEntry => ({
  id: n.toString(16).padStart(32, '0'),
  at: new Date(Date.UTC(2027, 5, 19, 12, minute)).toISOString(),
  by: 'wren',
  event,
  ...(replaces ? { replaces: replaces.map((one) => one.toString(16).padStart(32, '0')) } : {}),
});
type Fate = Extract<SiteEvent, { kind: 'gear' }>['fate'];
const told = (n: number, minute: number, fate: Fate, replaces?: number[]) =>
  entry(n, minute, { kind: 'gear', row: 'kit tools scissors', fate }, replaces);

test.each<[string, SiteEntry[], SiteEntry[], object[]]>([
  ['nothing was told', [], [], []],
  ['it is back', [told(1, 0, 'back')], [], []],
  ['missing', [told(1, 0, 'missing')], [], [{ fate: 'missing', job: 'Ride' }]],
  ['missing, then found in the van', [told(1, 0, 'missing'), told(2, 5, 'back', [1])], [], []],
  ['missing, and that was a slip', [told(1, 0, 'missing'), entry(2, 5, { kind: 'taken-back' }, [1])], [], []],
  ['left at one, brought home from the next', [told(1, 0, 'kept on site')], [told(2, 60, 'back')], []],
  [
    'back from one, damaged at the next',
    [told(1, 0, 'back')],
    [told(2, 60, 'damaged')],
    [{ fate: 'damaged', job: 'Shed' }],
  ],
  [
    'told late of the earlier one: what was said last counts, whichever job it was of',
    [told(2, 60, 'missing')],
    [told(1, 0, 'back')],
    [{ fate: 'missing', job: 'Ride' }],
  ],
])('what is not home: %s', (_, ride, shed, expected) => {
  const found = gearAway([
    { job: 'Ride', log: ride },
    { job: 'Shed', log: shed },
  ]);
  expect(found).toMatchObject(expected);
  expect(found).toHaveLength(expected.length);
});

test('a line of a piece is another thing at another job: what is missing of one is not found at the next', () => {
  const base = (fate: Fate, n: number) =>
    entry(n, n, { kind: 'gear', row: '1 weighted-base', fate, item: 'weighted-base', qty: 2 });
  const found = gearAway([
    { job: 'Ride', log: [base('missing', 1)] },
    { job: 'Shed', log: [base('back', 2)] },
  ]);
  expect(found).toMatchObject([{ job: 'Ride', item: 'weighted-base', qty: 2, fate: 'missing' }]);
});

test('all is counted with the last line, whichever that is; what is taken back is to be counted again', () => {
  const { packing } = planJob(demoJob('06-cuttings-exchange'));
  const rows = packing.filter(({ after }) => after === 'comes back');
  expect(rows.length).toBeGreaterThan(10);
  const log = rows.map((row, i) => entry(i + 1, i % 60, gearEvent(row, 'back', rows.slice(i))));
  expect(log.flatMap(({ event }) => ('isAll' in event ? [event.row] : []))).toEqual([rows.at(-1)?.id]);
  const last = log.at(-1) as SiteEntry;
  expect(countedHomeAt(log.slice(0, -1))).toBeNull();
  expect(countedHomeAt(log)).toBe(last.at);
  expect(countedHomeAt([...log, entry(900, 59, { kind: 'taken-back' }, [rows.length])])).toBeNull();
});

test('what is not home is not planned with: not the ladder, not what is in the crate, not the weights', () => {
  const sample = demoJob('02-engine-shed');
  const materials = [{ item: 'tee', onHand: 3 }];
  const file: JobFile = { ...sample, workshop: { ...sample.workshop, materials } };
  const changed = (workshop: Partial<JobFile['workshop']>): JobFile => ({
    ...file,
    workshop: { ...file.workshop, ...workshop },
  });
  const { packing, lamps } = planJob(file);
  expect(lamps.enough.reason).not.toContain('Tee');
  const awayGear = ['gear step-8', 'material Tee', '3 weight sand bag 1'].map((row): GearAway => {
    const { item, count } = packing.find(({ id }) => id === row)?.gear ?? { item: '', count: 0 };
    return { row, fate: 'missing', job: 'Ride', at: '2027-06-01T12:00:00Z', item, qty: count };
  });
  expect(awayGear).toMatchObject([
    { item: 'step-8', qty: 1 },
    { item: 'tee', qty: 2 },
    { item: 'weight sand bag', qty: 2 },
  ]);
  expect(awayGear.map((one) => awayName(one, file))).toEqual([
    'Step ladder, 8 ft',
    '2 × Tee',
    '2 × sand bag',
  ]);
  const without = planJob(changed({ awayGear }));
  expect(without.packing.map(({ id }) => id)).not.toContain('gear step-8');
  expect(without.lamps.enough.reason).toContain('2 needed, 3 on the shelf, 2 not home from an earlier job');
  // As if there were two sand bags fewer.
  const weights = (file.workshop.weights ?? []).map((one) =>
    one.name === 'sand bag' ? { ...one, count: one.count - 2 } : one,
  );
  const onBases = (workshop: Partial<JobFile['workshop']>) =>
    draftPlan(changed(workshop)).holds.pieces.map((piece) => piece.weights);
  expect(onBases({ awayGear: awayGear.slice(2) })).toEqual(onBases({ weights }));
});
