import type { JobFile } from '@early-lantern/contract';
import { nameIn } from '../clock/gear-names.ts';
import { applyChanges } from '../lamps/fixes.ts';
import { fluffDropped } from '../piece/fluff.ts';
import { recipeOf } from '../piece/recipe-of.ts';
import { draftPlan, planJob, workedJob } from '../plan.ts';
import { demoJob } from '../test/samples.ts';
import { choiceCost } from './choice-cost.ts';
import { clashesOf } from './clashes.ts';
import { agreedTasks, planningDay } from './plan-day.ts';
import { type WayOut, waysOut } from './ways-out.ts';
import { culpritsOf } from './why-not.ts';

const saturday = () => [demoJob('01-meadow-finish'), demoJob('02-engine-shed')];
const clashes = (files: readonly JobFile[]) =>
  clashesOf(files.map((file) => ({ file, plan: draftPlan(file) })));

function together(files: readonly JobFile[], orders = 300) {
  const planning = planningDay(files.map(workedJob), orders);
  planning.run(orders);
  return planning.result();
}

function allWays(files: readonly JobFile[]): WayOut[] {
  return [...waysOut(files, culpritsOf(files.map(workedJob)), workedJob)].flatMap(({ way }) => way ?? []);
}

function withWay(files: readonly JobFile[], { changes, hire }: WayOut): JobFile[] {
  return files.map((file) => {
    const staffed = hire
      ? { ...file, workshop: { ...file.workshop, crew: [...file.workshop.crew, hire] } }
      : file;
    return applyChanges(staffed, changes.find(({ jobId }) => jobId === file.job.id)?.changes ?? []);
  });
}

test('the demo’s Saturday: who is double-booked, what stands in the way, and no plan keeps every window', () => {
  const files = saturday();
  const found = clashes(files);
  expect(found.map(({ ref }) => ref)).toEqual(expect.arrayContaining(['wren', 'ilo']));
  for (const { jobs, from, until } of found) {
    expect(jobs).toHaveLength(2);
    expect(Date.parse(from)).toBeLessThan(Date.parse(until));
  }
  expect(culpritsOf(files.map(workedJob))).toEqual([
    { jobId: 'meadow-finish', part: 'strike' },
    { jobId: 'engine-shed-unveiled', part: 'set-up' },
  ]);
  const { jobs } = together(files);
  expect(jobs.some(({ broken }) => broken.length > 0)).toBe(true);
  for (const { onTime } of jobs) expect(onTime.minutesInHand).toBeLessThanOrEqual(onTime.bound ?? Infinity);
});

test('every way out that is offered keeps every window when it is taken, and nobody is double-booked once agreed', () => {
  const files = saturday();
  const ways = allWays(files);
  expect(ways.length).toBeGreaterThanOrEqual(4);
  expect(ways.some(({ hire }) => hire)).toBe(true);
  for (const way of ways) {
    const changed = withWay(files, way);
    const { jobs } = together(changed, 1500);
    expect(jobs.map(({ broken }) => broken)).toEqual([[], []]);
    const agreed = changed.map((file, i): JobFile => {
      const tasks = agreedTasks(jobs[i]?.tasks ?? []);
      return { ...file, job: { ...file.job, clock: { agreed: { at: file.job.doors, tasks } } } };
    });
    expect(clashes(agreed)).toEqual([]);
    for (const file of agreed) expect(draftPlan(file).onTime.broken).toBeNull();
  }
});

test('a plan that was told early is bettered all the same', () => {
  const [meadow, shed] = saturday() as [JobFile, JobFile];
  const from = shed.job.access.from.replace('T13:40', 'T14:00');
  const tight: JobFile[] = [
    { ...meadow, job: { ...meadow.job, strikeCrew: ['ilo'] } },
    { ...shed, job: { ...shed.job, crew: ['sefa', 'wren', 'bram'], access: { ...shed.job.access, from } } },
  ];
  const inHand = (told: boolean) => {
    const planning = planningDay(tight.map(workedJob), 1500);
    planning.run(2);
    const first = told ? planning.result() : undefined;
    while (!planning.isOver) planning.run(100);
    const last = planning.result().jobs[1]?.onTime.minutesInHand;
    return { first: first?.jobs[1]?.onTime.minutesInHand, last };
  };
  const told = inHand(true);
  expect(told.last).toBe(inHand(false).last);
  expect(told.last).toBeGreaterThan(told.first as number);
});

test('jobs that do not meet need no way out; what is chosen by hand says what it costs', () => {
  const files = [demoJob('01-meadow-finish'), demoJob('03-glasshouse-night')];
  expect(clashes(files)).toEqual([]);
  expect(culpritsOf(files.map(workedJob))).toEqual([]);
  const shed = demoJob('02-engine-shed');
  const pinned = (start: string): JobFile => ({
    ...shed,
    job: { ...shed.job, clock: { pins: [{ task: 'drive-out', start }] } },
  });
  const day = shed.job.doors.slice(0, 10);
  // Half an hour later out of the yard is up to half an hour less in hand: some of it hands that help make up.
  const cost = (time: string) => choiceCost(pinned(`${day}T${time}:00-05:00`), 'drive-out');
  expect(cost('13:55')).toBeGreaterThanOrEqual(8);
  expect(cost('13:55')).toBeLessThanOrEqual(35);
  expect(cost('13:25')).toBe(0);
});

test('two jobs at the same hour from one ladder: one more is hired, and each then has its own', () => {
  const shed = demoJob('02-engine-shed');
  const pieces = shed.job.pieces.filter(({ id }) => id === 'beam-garland');
  const [ladder] = draftPlan({ ...shed, job: { ...shed.job, pieces } }).holds.pieces.flatMap(({ points }) =>
    points.flatMap((point) => point.ladder?.id ?? []),
  );
  const at = (hhmm: string) => `${shed.job.doors.slice(0, 11)}${hhmm}${shed.job.doors.slice(16)}`;
  const one = (id: string, crew: string[]): JobFile => ({
    ...shed,
    workshop: {
      ...shed.workshop,
      crew: shed.workshop.crew
        .map((member) => ({ ...member, skills: ['driver', 'ladder', 'tying'] as const }))
        .map((member) => ({ ...member, skills: [...member.skills] })),
      vehicles: [
        { id: 'one', name: 'One', seats: 3 },
        { id: 'two', name: 'Two', seats: 3 },
      ],
      ladders: (shed.workshop.ladders ?? []).filter(({ id: own }) => own === ladder),
    },
    job: {
      ...shed.job,
      id,
      name: id,
      pieces,
      crew,
      access: { from: at('15:00'), until: at('17:30') },
    },
  });
  const files = [one('north', ['wren', 'ilo']), one('south', ['sefa', 'bram'])];
  let way: WayOut | undefined;
  for (const step of waysOut(files, culpritsOf(files.map(workedJob)), workedJob)) {
    way = step.way;
    if (way) break;
  }
  expect(way?.label).toMatch(/^Hire one more ladder like .* for south$/);
  const changed = withWay(files, way as WayOut);
  expect(changed[1]?.job.hiredLadders).toEqual([ladder]);
  const { jobs } = together(changed);
  expect(jobs.map(({ broken }) => broken)).toEqual([[], []]);
  // Both crews are out with a ladder at the same time, which one ladder does not allow.
  const away = jobs.map(({ tasks }) => {
    const at = (id: string) => tasks.find((task) => task.id === id);
    return [Date.parse(at('drive-out')?.start ?? ''), Date.parse(at('drive-home')?.end ?? '')] as const;
  });
  const [north, south] = away;
  expect(north?.[0]).toBeLessThan(south?.[1] ?? 0);
  expect(south?.[0]).toBeLessThan(north?.[1] ?? 0);
  expect(together(files).jobs.flatMap(({ broken }) => broken)).not.toEqual([]);
  // Each task says from which of the two it is done.
  const used = jobs.map(({ tasks }) => [
    ...new Set(tasks.flatMap(({ gear }) => gear.filter((id) => id.includes(ladder as string)))),
  ]);
  expect(used).toEqual([[ladder], [`hired-1-${ladder}`]]);
  const { workshop } = changed[1] as JobFile;
  expect(nameIn(used[1]?.[0] as string, workshop)).toBe(`${workshop.ladders?.[0]?.name}, hired`);
});

test('dropping the fluffing leaves a garland as wide as its base, and takes less time', () => {
  const file = structuredClone(demoJob('02-engine-shed'));
  const piece = file.job.pieces.find(({ id }) => id === 'beam-garland');
  if (piece?.kind !== 'organic-garland') throw new Error('no garland');
  piece.widthM *= 1.6;
  const recipe = recipeOf(piece);
  expect(recipe.sideClusters).toBeGreaterThan(0);
  const widthM = fluffDropped(piece, recipe) as number;
  const without = recipeOf({ ...piece, widthM });
  expect(without.sideClusters).toBeLessThanOrEqual(1);
  expect(fluffDropped({ ...piece, widthM }, { ...recipe, sideClusters: 0 })).toBeUndefined();
  // Two hours of access are too few for one: among what is offered is leaving the fluffing out.
  file.job.crew = ['wren'];
  file.job.pieces = [piece];
  file.job.access.from = new Date(Date.parse(file.job.doors) - 2 * 3_600_000).toISOString();
  const fixes = planJob(file).lamps.onTime.fixes;
  expect(fixes.some(({ label }) => label.startsWith('Drop the fluffing'))).toBe(true);
});
