import { draftPlan } from './plan.ts';
import { leftForEach } from './several-jobs.ts';
import { demoJob } from './test/samples.ts';

const [first, second] = [demoJob('01-meadow-finish'), demoJob('02-engine-shed')];
const JUNE = Date.parse('2027-06-01T00:00:00Z');

test('a coming job finds held what those with earlier doors need; past ones hold nothing', () => {
  const before = leftForEach([second, first], JUNE);
  expect(before[first.job.id]?.reserved).toEqual([]);
  const needed = draftPlan(first).totals.balloons.reduce((sum, row) => sum + row.need + row.spare, 0);
  expect(before[second.job.id]?.reserved.reduce((sum, row) => sum + row.count, 0)).toBe(needed);
  const after = leftForEach([second, first], Date.parse('2027-06-19T12:00:00-05:00'));
  expect(after).toEqual({ [second.job.id]: { reserved: [], sameDay: [] } });
});

test('pipes of one day are cut from one list, whichever job looks at it', () => {
  const left = leftForEach([first, second], JUNE);
  const lists = [first, second].map((file) => {
    const { cutList } = draftPlan({ ...file, workshop: { ...file.workshop, ...left[file.job.id] } });
    return cutList.flatMap(({ cuts }) => cuts.map(({ label, lengthM }) => `${label} ${lengthM}`)).sort();
  });
  expect(lists[0]).toEqual(lists[1]);
  expect(lists[0]?.length).toBeGreaterThan(draftPlan(second).cutList.flatMap(({ cuts }) => cuts).length);
  // On another day nothing is shared.
  const later = structuredClone(second);
  later.job.doors = '2027-06-20T18:00:00-05:00';
  expect(leftForEach([first, later], JUNE)[later.job.id]?.sameDay).toEqual([]);
});

test('a weight lies on one base only: pieces of a job, and jobs of a day, share what there is', () => {
  const used = (file: typeof first) => {
    const counts = new Map<string, number>();
    for (const { weights, ballastKg } of draftPlan(file).holds.pieces)
      for (const { id, count } of weights) counts.set(id, (counts.get(id) ?? 0) + count * ballastKg.length);
    return counts;
  };
  const left = leftForEach([first, second], JUNE);
  const later = used({ ...second, workshop: { ...second.workshop, ...left[second.job.id] } });
  const earlier = used(first);
  expect(earlier.size).toBeGreaterThan(0);
  for (const { id, count } of first.workshop.weights ?? [])
    expect((earlier.get(id) ?? 0) + (later.get(id) ?? 0)).toBeLessThanOrEqual(count);
  // A job earlier that day that takes all leaves none, and says so.
  const all = (first.workshop.weights ?? []).map(({ id, count }) => ({ id, count }));
  const claim = { job: 'Other', isFirst: true, pipes: [], weights: all };
  const robbed = draftPlan({ ...first, workshop: { ...first.workshop, sameDay: [claim] } });
  expect(robbed.lamps.holds.state).toBe('out');
  expect(robbed.holds.pieces.flatMap(({ troubles }) => troubles).join()).toContain('leave of the weights');
});
