import type { JobFile } from '@early-lantern/contract';
import { countPieces, draftPlan } from './plan.ts';
import {
  balloonsTogether,
  filesAskedFor,
  type JobNeeds,
  leftFor,
  leftForEach,
  needsOfJob,
} from './several-jobs.ts';
import { productNeeds } from './stock/needs.ts';
import { demoJob } from './test/samples.ts';

const [first, second] = [demoJob('01-meadow-finish'), demoJob('02-engine-shed')];

const wanted = (file: JobFile) =>
  draftPlan(file).totals.balloons.reduce((sum, row) => sum + row.need + row.spare, 0);
const stocked = (file: JobFile, onHand: number): JobFile => {
  const stock = file.workshop.colours.flatMap(({ id }) =>
    [5, 9, 11, 17, 24, 36].map((nominalIn) => ({ nominalIn, colour: id, onHand })),
  );
  return { ...file, workshop: { ...file.workshop, stock, reserved: [], onOrder: [] } };
};
const held = (rows: readonly { count: number }[] = []) => rows.reduce((sum, { count }) => sum + count, 0);

test('a job finds held what those with earlier doors need', () => {
  const [one, two] = [stocked(first, 1000), stocked(second, 1000)];
  const before = leftForEach([two, one]);
  expect(before[one.job.id]?.reserved).toEqual([]);
  expect(held(before[two.job.id]?.reserved)).toBe(wanted(one));
});

test('what an earlier job lacks is not bought again by a later one: six alike jobs buy what six need, less the shelf', () => {
  const jobs = Array.from({ length: 6 }, (_, i) => {
    const file = structuredClone(stocked(first, 40));
    file.job.id = `job-${i}`;
    file.job.doors = `2027-06-${20 + i}T18:00:00-05:00`;
    return file;
  });
  const left = leftForEach(jobs);
  const bought = jobs.map((file) => {
    const { reserved = [] } = left[file.job.id] ?? {};
    return productNeeds(countPieces(file).balloons, { ...file.workshop, reserved }, '2027-06-30').reduce(
      (sum, { over }) => sum + Math.max(0, -over),
      0,
    );
  });
  // By hand: of each product six times its need and spares, less the 40 that are there once.
  const each = productNeeds(countPieces(first).balloons, { stock: [] }, '2027-06-30');
  const missing = each.reduce((sum, { need, spare }) => sum + Math.max(0, 6 * (need + spare) - 40), 0);
  expect(held(bought.map((count) => ({ count })))).toBe(missing);
  // Nobody holds more than there is.
  for (const { count } of left['job-5']?.reserved ?? []) expect(count).toBeLessThanOrEqual(40);
});

test('made on one day, jobs share their spares', () => {
  const sum = (rows: readonly { need: number; spare: number }[], what: 'need' | 'spare') =>
    rows.reduce((all, row) => all + row[what], 0);
  const alone = [first, second].map((file) => countPieces(file).balloons);
  const together = balloonsTogether([first, second]);
  expect(sum(together, 'need')).toBe(sum(alone.flat(), 'need'));
  expect(sum(together, 'spare')).toBeLessThan(sum(alone.flat(), 'spare'));
});

test('pipes of one day are cut from one list, whichever job looks at it', () => {
  const left = leftForEach([first, second]);
  const lists = [first, second].map((file) => {
    const { cutList } = draftPlan({ ...file, workshop: { ...file.workshop, ...left[file.job.id] } });
    return cutList.flatMap(({ cuts }) => cuts.map(({ label, lengthM }) => `${label} ${lengthM}`)).sort();
  });
  expect(lists[0]).toEqual(lists[1]);
  expect(lists[0]?.length).toBeGreaterThan(draftPlan(second).cutList.flatMap(({ cuts }) => cuts).length);
  // On another day nothing is shared.
  const later = structuredClone(second);
  const aWeekOn = (at: string) => at.replace('2027-06-', '2027-07-');
  later.job.doors = aWeekOn(later.job.doors);
  for (const span of [later.job.access, later.job.strike]) {
    span.from = aWeekOn(span.from);
    span.until = aWeekOn(span.until);
  }
  expect(leftForEach([first, later])[later.job.id]?.overlapping).toEqual([]);
});

test('a weight lies on one base only: pieces of a job, and jobs of a day, share what there is', () => {
  const used = (file: typeof first) => {
    const counts = new Map<string, number>();
    for (const { weights, ballastKg } of draftPlan(file).holds.pieces)
      for (const { id, count } of weights) counts.set(id, (counts.get(id) ?? 0) + count * ballastKg.length);
    return counts;
  };
  const left = leftForEach([first, second]);
  const later = used({ ...second, workshop: { ...second.workshop, ...left[second.job.id] } });
  const earlier = used(first);
  expect(earlier.size).toBeGreaterThan(0);
  for (const { id, count } of first.workshop.weights ?? [])
    expect((earlier.get(id) ?? 0) + (later.get(id) ?? 0)).toBeLessThanOrEqual(count);
  // A job earlier that day that takes all leaves none, and says so.
  const all = (first.workshop.weights ?? []).map(({ id, count }) => ({ id, count }));
  const claim = { job: 'Other', isFirst: true, pipes: [], weights: all };
  const robbed = draftPlan({ ...first, workshop: { ...first.workshop, overlapping: [claim] } });
  expect(robbed.lamps.holds.state).toBe('out');
  expect(robbed.holds.pieces.flatMap(({ troubles }) => troubles).join()).toContain(
    'the weights left over from the other pieces and jobs are not enough',
  );
});

test('asked about one job only the files it shares days with are looked at, and the answer is that of all together', () => {
  // Days with one, two and three jobs; some of them stretch into the next.
  const spans = [
    [20, 20],
    [20, 21],
    [21, 22],
    [24, 24],
    [26, 28],
    [27, 27],
    [28, 29],
  ] as const;
  const jobs = spans.map(([from, until], i) => {
    const file = structuredClone(stocked(i % 2 === 0 ? first : second, 400));
    const at = (day: number, hour: number) => `2027-06-${day}T${hour}:00:00-05:00`;
    file.job = {
      ...file.job,
      id: `job-${i}`,
      doors: at(from, 18),
      access: { from: at(from, 10), until: at(from, 18) },
      strike: { from: at(until, 21), until: at(until, 23) },
    };
    return file;
  });
  const all = leftForEach(jobs);
  const needs = jobs.map((file) => needsOfJob(file));
  for (const { job } of jobs) {
    const isWanted = (id: string) => id === job.id;
    const asked = filesAskedFor(needs, isWanted);
    const open = jobs.map((file, i) => ({
      needs: needs[i] as JobNeeds,
      file: () => {
        if (!asked.includes(file.job.id)) throw new Error(`${file.job.id} was not to be looked at`);
        return file;
      },
    }));
    expect(leftFor(open, (jobs[0] as JobFile).workshop, isWanted)).toEqual({
      [job.id]: all[job.id],
    });
  }
  // By itself on its day nobody else's file is looked at.
  expect(filesAskedFor(needs, (id) => id === 'job-3')).toEqual([]);
  // What a later one takes of the weights depends on those before it that share a day with that one.
  expect(filesAskedFor(needs, (id) => id === 'job-1').sort()).toEqual(['job-0', 'job-1', 'job-2']);
  expect(filesAskedFor(needs, (id) => id === 'job-6')).toEqual(['job-4']);
});
