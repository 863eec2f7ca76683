import type { JobFile, Task } from '@early-lantern/contract';
import { bagHolds } from '../bench/batch.ts';
import { benchBatches } from '../bench/bench.ts';
import { inflateEffort } from '../bench/inflate.ts';
import { agreedTasks } from '../day/plan-day.ts';
import { recipeOf, schoolsOf } from '../piece/recipe-of.ts';
import { draftPlan, workedJob } from '../plan.ts';
import { demoJob, garland } from '../test/samples.ts';
import { breaches } from '../test/schedule-rules.ts';
import { MinuteAxis } from './calendar.ts';
import { clockPlans } from './clock.ts';
import { dayProblem } from './day-problem.ts';
import { DaySearch } from './day-search.ts';

const ms = (iso: string) => Date.parse(iso);
const whole = (task: Task | undefined) => (task ? (ms(task.end) - ms(task.start)) / 60_000 : Number.NaN);
const shed = () => structuredClone(demoJob('02-engine-shed'));
const meadow = () => structuredClone(demoJob('01-meadow-finish'));
const workOf = (file: JobFile) => dayProblem([workedJob(file)]).jobs[0]?.work ?? [];
const minutesOf = (file: JobFile, id: string) => workOf(file).find((one) => one.id === id)?.minutes;
const find = (file: JobFile, id: string) => draftPlan(file).tasks.find((one) => one.id === id);

const hour = (at: string, more: { tempC?: number; rainMm?: number }) => ({
  at,
  tempC: 20,
  humidityPct: 50,
  cloudPct: 50,
  windMs: 2,
  gustMs: 4,
  rainMm: 0,
  ...more,
});

test('the way in: a wagon halves the trips (common practice, no source), a lift spares the steps, rain slows', () => {
  const unload = (loadIn: Partial<JobFile['site']['loadIn']>, wagons = 0, rainMm = 0) => {
    const file = meadow();
    file.site.loadIn = { distanceM: 60.96, steps: 0, ...loadIn };
    file.job.crew = ['wren'];
    file.workshop.wagons = wagons;
    file.job.weather = {
      source: 'simulated',
      madeAt: file.job.doors,
      hours: [hour(file.job.access.from, { rainMm })],
    };
    return minutesOf(file, 'unload') as number;
  };
  // Each is rounded up to whole minutes.
  const near = (minutes: number, wanted: number) => expect(Math.abs(minutes - wanted)).toBeLessThanOrEqual(1);
  const onFoot = unload({});
  near(unload({}, 1), onFoot / 2);
  expect(unload({ steps: 40 })).toBeGreaterThan(unload({ steps: 40, lift: true }));
  // On steps nobody pulls a wagon.
  expect(unload({ steps: 40 }, 1)).toBe(unload({ steps: 40 }));
  near(unload({}, 0, 2), onFoot * 1.25);
});

test('drives: as typed for the hour, with stops, set-down and parking; the van leaves so much earlier', () => {
  const plain = shed();
  const typed = shed();
  typed.job.drives = { out: 25, strike: 10 };
  typed.job.stops = [{ id: 'florist', label: 'Florist', trip: 'set-up', driveMin: 6, minutes: 9 }];
  typed.site.loadIn.setDownMin = 5;
  expect(minutesOf(plain, 'drive-out')).toBe(15);
  expect(minutesOf(typed, 'drive-out')).toBe(25 + 6 + 9);
  // Parking and signing in come on site, before anything is unloaded.
  expect(minutesOf(typed, 'sign-in')).toBe(5);
  expect(find(typed, 'unload-first')?.after).toEqual(['sign-in']);
  expect(minutesOf(typed, 'drive-home')).toBe(15);
  expect(minutesOf(typed, 'drive-strike')).toBe(10);
  expect(minutesOf(typed, 'strike-sign-in')).toBe(5);
  const out = find(typed, 'drive-out');
  expect(out?.label).toContain('by way of Florist');
  expect(ms(out?.end ?? '')).toBeGreaterThanOrEqual(ms(typed.job.access.from));
});

test('a second load: one drives back, what it brings waits for it, the rest goes on meanwhile', () => {
  const file = shed();
  const [first] = file.job.pieces;
  const second = file.job.pieces.find(({ kind }) => kind === 'standing-garland');
  file.job.pieces = file.job.pieces.filter((piece) => piece === first || piece === second);
  file.job.secondLoad = [second?.id ?? ''];
  const { tasks, onTime } = draftPlan(file);
  const at = (id: string) => tasks.find((one) => one.id === id) as Task;
  expect(at('second-run').crew).toHaveLength(1);
  expect(whole(at('second-run'))).toBeGreaterThan(2 * file.site.driveMin);
  const starts = (piece: string | undefined) =>
    tasks
      // Hooks ride in somebody's pocket.
      .filter(({ id, pieceId, place }) => pieceId === piece && place === 'site' && !/hooks|cure/.test(id))
      .map(({ start }) => ms(start));
  expect(Math.min(...starts(second?.id))).toBeGreaterThanOrEqual(ms(at('second-unload').end));
  expect(tasks.filter(({ pieceId }) => pieceId === first?.id).flatMap(({ after }) => after)).not.toContain(
    'second-unload',
  );
  const { secondLoad: _, ...once } = file.job;
  expect(onTime.minutesInHand).toBeLessThanOrEqual(
    draftPlan({ ...file, job: once }).onTime.minutesInHand as number,
  );
});

test('work from a ladder, in the heat, by quick and slow hands takes longer or less long, each with its working', () => {
  const low = shed();
  const high = shed();
  const garlands = (file: JobFile, yM: number) => {
    file.job.pieces = [{ ...garland(10), id: 'g', spotId: 'north-wall' }].map((piece) => ({
      ...piece,
      line: piece.line.map((point) => ({ ...point, yM })),
    }));
    return file;
  };
  const fill = (file: JobFile) => workOf(file).find(({ id }) => id === 'g--fill');
  const [near, far] = [fill(garlands(low, 1)), fill(garlands(high, 3))];
  expect((far?.spread.usualS ?? 0) / (near?.spread.usualS ?? 1)).toBeCloseTo(1.25, 9);
  expect(far?.working.map(({ label }) => label)).toContain('From a ladder');
  const hot = garlands(shed(), 1);
  for (const spot of hot.site.spots) spot.tempC = 38;
  expect((fill(hot)?.spread.usualS ?? 0) / (near?.spread.usualS ?? 1)).toBeCloseTo(1.15, 9);
  // Whoever does it sets the pace: alone their own, together the mean; a drive takes what it takes.
  const quick = garlands(shed(), 1);
  for (const member of quick.workshop.crew) member.pace = member.id === 'ilo' ? 0.5 : 1.5;
  quick.job.crew = ['wren', 'ilo'];
  const hands = (crew: string[]) => {
    quick.job.clock = { pins: [{ task: 'step-back', crew }] };
    return find(quick, 'step-back') as Task;
  };
  const usual = find(shed(), 'step-back') as Task;
  expect(hands(['wren']).usualS / usual.usualS).toBeCloseTo(2 / 3, 1);
  expect(hands(['ilo']).usualS / usual.usualS).toBeCloseTo(2, 1);
  expect(whole(hands(['ilo']))).toBe(2 * (whole(usual) as number));
  expect(hands(['ilo']).working.map(({ label }) => label)).toContain('Pace of those who do it');
  quick.job.clock = undefined;
  const load = find(quick, 'load-vehicle') as Task;
  expect(load.crew).toHaveLength(2);
  expect(whole(load)).toBe(minutesOf(quick, 'load-vehicle'));
  expect(whole(find(quick, 'drive-out'))).toBe(15);
});

test('wagons are counted: who is out at the same hour has those it took, and carries the longer with fewer', () => {
  const out = (id: string, crew: string[]): JobFile => {
    const file = meadow();
    file.job = { ...file.job, id, name: id, crew, pieces: file.job.pieces.slice(0, 1) };
    // Neither can be home before the other has to leave.
    file.job.access.from = file.job.access.from.replace('T07:00', 'T08:15');
    file.workshop.wagons = 2;
    file.workshop.vehicles = ['one', 'two'].map((van) => ({ id: van, name: van, seats: 3 }));
    for (const member of file.workshop.crew)
      Object.assign(member, { skills: ['driver', 'ladder', 'tying'], shift: { from: '06:00', to: '20:00' } });
    return file;
  };
  const files = [out('north', ['wren', 'ilo']), out('south', ['sefa', 'bram'])];
  const day = dayProblem(files.map(workedJob));
  const search = new DaySearch(day, 400);
  search.run(400);
  const plans = clockPlans(day, search);
  const taken = plans.map(({ tasks }) => {
    const at = (id: string) => tasks.find((task) => task.id === id) as Task;
    const wagons = (id: string) => at(id).gear.filter((one) => one.startsWith('wagon-'));
    for (const id of ['load-vehicle', 'drive-out', 'load-out', 'drive-home'])
      expect(wagons(id)).toEqual(wagons('unload'));
    for (const id of ['drive-strike', 'return-gear']) expect(wagons(id)).toEqual(wagons('carry-out'));
    return { wagons: wagons('unload'), minutes: whole(at('unload')), label: at('unload').working };
  });
  expect(new Set(taken.flatMap(({ wagons }) => wagons)).size).toBe(
    taken.flatMap(({ wagons }) => wagons).length,
  );
  const alone = find(files[0] as JobFile, 'unload');
  expect(alone?.gear).toHaveLength(2);
  for (const { wagons, minutes, label } of taken) {
    // Each of two hands with a wagon walks half the trips.
    expect(minutes).toBeCloseTo((whole(alone) / 0.5) * (1 - wagons.length / 4), -1);
    expect(label.some((one) => one.label === 'Wagons')).toBe(wagons.length > 0);
  }
  expect(taken.some(({ wagons }) => wagons.length < 2)).toBe(true);
  // What was agreed for the day stays so for each job by itself.
  for (const [i, file] of files.entries()) {
    const tasks = agreedTasks(plans[i]?.tasks ?? []);
    const inHandMin = plans[i]?.onTime.minutesInHand ?? 0;
    file.job.clock = { agreed: { at: file.job.doors, tasks, inHandMin } };
    const kept = draftPlan(file);
    expect(kept.onTime.broken).toBeNull();
    expect(kept.tasks.find(({ id }) => id === 'unload')?.gear).toHaveLength(taken[i]?.wagons.length ?? 0);
  }
});

test('stock that fails more often is blown again so often; professional stock is what the rates are of', () => {
  const { workshop } = shed();
  const recipe = recipeOf(garland(10));
  const seconds = (grade: 'professional' | 'budget', loss?: number) => {
    const colours = workshop.colours.map((colour) => {
      const { grade: _, lossPct: __, ...plain } = colour;
      return loss === undefined ? plain : { ...plain, lossPct: loss };
    });
    const own = { ...workshop, colours };
    return benchBatches(recipe, schoolsOf(garland(10)), own, grade).find(({ id }) => id === 'inflate-11')
      ?.effort.seconds as number;
  };
  const count = recipe.needs.reduce((sum, need) => sum + (need.nominalIn === 11 ? need.count : 0), 0);
  expect(seconds('professional')).toBeCloseTo(inflateEffort(11, count, workshop).seconds, 6);
  expect(seconds('budget')).toBeGreaterThan(seconds('professional'));
  // A bad colour can lose one in four (common practice, no source); professional stock 2.5 %.
  expect(seconds('professional', 25) / seconds('professional')).toBeCloseTo(0.975 / 0.75, 2);
});

test('a bag of loose fillers is filled by so many; batches fill whole bags and lose none', () => {
  // 0.6 of 0.35 m³ over the volume of a 4.5 in. ball, whole trios: worked by hand.
  const ball = (Math.PI / 6) * (4.5 * 0.0254) ** 3;
  expect(bagHolds(4.5, 0.35)).toBe(Math.floor((0.6 * 0.35) / ball / 3) * 3);
  const { workshop } = shed();
  const recipe = recipeOf(garland(60));
  const own = { ...workshop, bagM3: 0.08 };
  const fillers = benchBatches(recipe, schoolsOf(garland(60)), own).filter(({ blows }) => blows?.isFiller);
  const counts = fillers.map(({ blows }) => blows?.count ?? 0);
  expect(counts.reduce((a, b) => a + b, 0)).toBe(recipe.fillerClusters * 3);
  expect(counts.length).toBeGreaterThan(1);
  for (const count of counts.slice(0, -1)) expect(count % bagHolds(4.5, 0.08)).toBe(0);
});

test('nothing is done in the workshop outside its hours, no inflator runs in a house that is quiet', () => {
  const file = shed();
  file.workshop.hours = { from: '09:00', to: '12:00' };
  const { tasks } = draftPlan(file);
  const wall = (iso: string) => iso.slice(11, 16);
  const bench = tasks.filter(({ place, start }) => place === 'workshop' && ms(start) < ms(file.job.doors));
  expect(bench.length).toBeGreaterThan(5);
  for (const { start, end } of bench) {
    expect(wall(start) >= '09:00').toBe(true);
    expect(wall(end) <= '12:00').toBe(true);
  }
  const quiet = meadow();
  quiet.job.pieces = quiet.job.pieces.flatMap((piece) =>
    piece.kind === 'organic-garland' ? [{ ...piece, schools: { inflatedAt: 'site' as const } }] : [],
  );
  const loud = draftPlan(quiet).tasks.filter((task) => task.blows && task.place === 'site');
  expect(loud.length).toBeGreaterThan(0);
  const first = loud[0] as Task;
  quiet.site.quiet = { from: '22:00', to: wall(first.end) };
  const after = draftPlan(quiet).tasks.filter((task) => task.blows && task.place === 'site');
  for (const { start } of after) expect(wall(start) >= wall(first.end)).toBe(true);
});

test('hours over midnight on the nights the clocks change', () => {
  const axis = new MinuteAxis('2027-03-14T17:00:00-05:00', 'America/Chicago');
  const nights = axis.daily({ from: '22:00', to: '07:00' });
  const wall = (minute: number) => axis.iso(minute).slice(11, 16);
  for (const [from, to] of nights.slice(1)) {
    expect(wall(from)).toBe('22:00');
    expect(wall(to)).toBe('07:00');
  }
  // The night in which the clocks go forward is an hour shorter.
  expect(nights.map(([from, to]) => to - from)).toContain(8 * 60);
  const open = axis.outside({ from: '22:00', to: '07:00' });
  for (const [from, to] of open) expect([wall(from), wall(to)]).toEqual(['07:00', '22:00']);
});

test('sections of two jobs lie on the floor one after the other where it holds only one job’s', () => {
  const files = [meadow(), shed()];
  const floorOf = (file: JobFile) => draftPlan(file).bench.floorM2;
  const most = Math.max(...files.map(floorOf));
  for (const file of files) file.workshop.floorM2 = most + 0.5;
  // With hours of its own besides: the checker knows of places only what counted gear and absences say.
  for (const { workshop } of files) {
    workshop.hours = { from: '06:00', to: '20:00' };
    workshop.wagons = 1;
    for (const [i, member] of workshop.crew.entries()) member.pace = [1.4, 0.7, 1, 0.9][i % 4];
  }
  const day = dayProblem(files.map(workedJob));
  const { problem } = day;
  const search = new DaySearch(day, 200);
  search.run(200);
  const found = search.answer();
  if (!found) throw new Error('no plan');
  const placings = new Map(
    problem.activities.map(({ id }, i) => [
      id,
      {
        start: found.start[i] as number,
        end: found.end[i] as number,
        crew: problem.workers.filter((_, p) => (found.crew[i] as number) & (1 << p)).map((one) => one.id),
        way: found.modes[i] as number,
      },
    ]),
  );
  expect(breaches(problem, placings)).toEqual([]);
  expect(problem.gear.floor).toBe(Math.floor((most + 0.5) / 0.25));
  expect(problem.holds?.filter(({ gear }) => gear.floor).length).toBeGreaterThan(1);
  // A job that needs more than there is still has a plan: the bench says it.
  const tight = shed();
  tight.workshop.floorM2 = 1;
  expect(draftPlan(tight).onTime.ready).not.toBeNull();
});

test('put after another by hand it waits; an order in a circle is passed over; what is locked stays to the minute', () => {
  const file = shed();
  const { tasks } = draftPlan(file);
  const withClock = (clock: NonNullable<JobFile['job']['clock']>) => ({
    ...file,
    job: { ...file.job, clock },
  });
  const [one, other] = ['podium-garland--hang', 'beam-garland--hang'];
  const ordered = draftPlan(withClock({ orders: [{ first: one as string, next: other as string }] })).tasks;
  const at = (all: Task[], id: string) => all.find((task) => task.id === id) as Task;
  expect(ms(at(ordered, other as string).start)).toBeGreaterThanOrEqual(ms(at(ordered, one as string).end));
  expect(at(ordered, other as string).after).toContain(one);
  const circle = draftPlan(withClock({ orders: [{ first: 'sign-off', next: 'unload' }] })).tasks;
  expect(at(circle, 'unload').after).not.toContain('sign-off');
  const past = tasks.filter(({ start }) => ms(start) <= ms(at(tasks, 'load-vehicle').start));
  const pins = past.map(({ id, start, crew }) => ({ task: id, start, ...(crew.length ? { crew } : {}) }));
  const longer = { ...withClock({ pins }), site: { ...file.site, driveMin: file.site.driveMin + 5 } };
  const locked = draftPlan(longer).tasks;
  for (const { id, start, crew } of past) {
    expect(at(locked, id).start).toBe(start);
    expect([...at(locked, id).crew].sort()).toEqual([...crew].sort());
  }
});

test('a shine spray dries before anybody steps back: longer in damp air outdoors, the same indoors', () => {
  const dry = (file: JobFile, humidityPct: number) => {
    file.job.pieces = file.job.pieces.flatMap((piece) =>
      piece.kind === 'organic-garland'
        ? [{ ...piece, schools: { ...piece.schools, bloom: 'spray' as const } }]
        : [],
    );
    file.job.weather = {
      source: 'simulated',
      madeAt: file.job.doors,
      hours: [{ ...hour(file.job.access.from, {}), humidityPct }],
    };
    const work = workOf(file);
    const found = work.find(({ id }) => id.endsWith('--dry'));
    expect(found?.hands).toBe(0);
    expect(work.find(({ id }) => id === 'step-back')?.after).toContain(found?.id);
    return found?.minutes;
  };
  expect(dry(meadow(), 50)).toBe(10);
  expect(dry(meadow(), 90)).toBe(20);
  expect(dry(shed(), 90)).toBe(10);
});

test('who is trusted with tying blows and twists, with helium fills; where nobody is, anybody does', () => {
  const file = shed();
  for (const member of file.workshop.crew)
    member.skills = member.id === 'ilo' ? ['driver', 'tying'] : ['ladder', 'lead'];
  const bench = (one: JobFile) => draftPlan(one).tasks.filter(({ blows }) => blows);
  expect(bench(file).length).toBeGreaterThan(3);
  for (const { crew } of bench(file)) expect(crew).toContain('ilo');
  for (const member of file.workshop.crew) member.skills = ['driver', 'ladder'];
  expect(new Set(bench(file).flatMap(({ crew }) => crew)).size).toBeGreaterThan(0);
});

test('an inflator with one nozzle, or little flow, blows as long as its air takes; it rests after its minutes', () => {
  const blow = (inflator: Partial<JobFile['workshop']['inflators'][number]>) => {
    const file = shed();
    file.job.pieces = [{ ...garland(10), id: 'g', spotId: 'north-wall' }];
    file.workshop.inflators = [{ id: 'i', name: 'Inflator', nozzles: 2, ...inflator }];
    return workOf(file).find(({ id }) => id === 'g--inflate-11');
  };
  const usual = blow({});
  const count = usual?.blows?.count ?? 0;
  // Blown to 10 in.: 8.58 L each; through two nozzles of 10 L/s the air takes 0.43 s a balloon, through one 0.86 s.
  const litres = count * (Math.PI / 6) * 2.54 ** 3;
  const one = blow({ nozzles: 1 });
  expect((one?.spread.usualS ?? 0) - (usual?.spread.usualS ?? 0)).toBeCloseTo(litres / 20, 6);
  const slow = blow({ flowLps: 2 });
  expect((slow?.spread.usualS ?? 0) - (usual?.spread.usualS ?? 0)).toBeCloseTo(litres / 4 - litres / 20, 6);
  expect(slow?.working.map(({ label }) => label)).toContain('Air of Inflator');
  const rests = blow({ onMin: 5, offMin: 10 });
  expect(rests?.minutes).toBe((usual?.minutes ?? 0) + Math.floor(((usual?.minutes ?? 0) - 1) / 5) * 10);
  expect(usual?.working.map(({ label }) => label)).not.toContain('Air of Inflator');
});
