import type { JobFile, Plan } from '@early-lantern/contract';
import { applyChanges } from '../lamps/fixes.ts';
import { draftPlan, planJob } from '../plan.ts';
import { curtainStand, hall, jobOf, made } from '../test/carried.ts';
import { whyNotFollow } from './own-orders.ts';

const at = ({ tasks }: Plan, id: string) => tasks.find((task) => task.id === id);
const time = (iso: string | undefined) => iso?.slice(11, 16);
const ms = (iso: string | undefined) => Date.parse(iso ?? '');
const card = (plan: Plan, id: string) => plan.pieces.find((piece) => piece.id === id)?.steps.join(' ') ?? '';

test('the crew comes as the house opens, at a time that was typed, or as late as the work allows', () => {
  const plan = (edit: (file: JobFile) => void) => draftPlan(jobOf(curtainStand(), edit));
  const opening = plan(() => {});
  expect(time(at(opening, 'drive-out')?.end)).toBe('13:00');
  const typed = plan(({ job }) => {
    job.arrival = '2027-06-19T13:30:00-05:00';
  });
  expect(time(at(typed, 'drive-out')?.end)).toBe('13:30');
  const late = plan(({ job }) => {
    job.arrival = 'late';
  });
  expect(late.onTime.minutesInHand).toBe(30);
  expect(ms(at(late, 'drive-out')?.end)).toBeGreaterThan(ms(at(opening, 'drive-out')?.end));
  // What is free lies after the work, and inflation is no earlier for it than the drive asks.
  expect(opening.onTime.minutesInHand).toBeGreaterThan(90);
  expect(ms(at(opening, 'drive-out')?.start) - ms(opening.onTime.benchFrom ?? '')).toBeLessThan(
    3 * 3_600_000,
  );
});

test('loaded the evening before where it lasts; on the day, and said so, where it would not', () => {
  const evening = (file: JobFile) => {
    file.job.loadsEvening = true;
  };
  const plan = draftPlan(jobOf(curtainStand(), evening));
  expect(at(plan, 'load-vehicle')?.end.slice(0, 10)).toBe('2027-06-18');
  expect(time(at(plan, 'drive-out')?.end)).toBe('13:00');
  expect(plan.onTime.broken).toBeNull();
  const short = draftPlan(
    jobOf(curtainStand(), (file) => {
      evening(file);
      file.workshop.holdTimes = [{ fromIn: 1, gas: 'air', hours: 16 }];
    }),
  );
  expect(at(short, 'load-vehicle')?.end.slice(0, 10)).toBe('2027-06-19');
  expect(short.onTime.broken).toContain('would not last');
});

test('in the workshop itself nobody loads or drives; what the client keeps is not taken down', () => {
  const home = draftPlan(
    jobOf(curtainStand(), (file) => {
      file.site.isWorkshop = true;
    }),
  );
  expect(home.tasks.filter(({ id, place }) => place === 'road' || /load|bag|sign-in/.test(id))).toEqual([]);
  expect(home.onTime.leaveAt).toBeNull();
  expect(home.onTime.minutesInHand).toBeGreaterThanOrEqual(30);
  // A garland is hung when its own balloons are made.
  expect(ms(at(home, 'upright-half--hang')?.start)).toBeGreaterThanOrEqual(
    ms(at(home, 'upright-half--cluster')?.end),
  );
  expect(at(home, 'return-gear')).toBeDefined();
  const kept = draftPlan(
    jobOf(curtainStand(), (file) => {
      file.job.isKept = true;
    }),
  );
  expect(kept.tasks.filter(({ trip }) => trip === 'strike')).toEqual([]);
  expect(kept.lamps.onTime.state).toBe('lit');
});

test('pairs tied in the workshop: blown there, twisted and strung where they go up', () => {
  const pieces = curtainStand().map((piece) =>
    'schools' in piece || 'grade' in piece
      ? { ...piece, schools: { inflatedAt: 'pairs-in-workshop' as const } }
      : piece,
  );
  const plan = draftPlan(jobOf(pieces));
  expect(at(plan, 'upright-half--inflate-11')?.place).toBe('workshop');
  expect(at(plan, 'upright-half--cluster')?.place).toBe('site');
  expect(ms(at(plan, 'upright-half--cluster')?.end)).toBeLessThanOrEqual(
    ms(at(plan, 'upright-half--hang')?.start),
  );
});

test('a step may be left out of a job, on clock and card alike; one that something stands by may not', () => {
  const leftOut = (...ids: string[]) =>
    draftPlan(
      jobOf(curtainStand(), ({ job }) => {
        job.clock = { leftOut: ids };
      }),
    );
  const usual = leftOut();
  const less = leftOut('overhead-half--fill', 'look-again');
  expect(card(usual, 'overhead-half')).toContain('Close gaps');
  expect(at(less, 'overhead-half--fill')).toBeUndefined();
  expect(card(less, 'overhead-half')).not.toContain('Close gaps');
  expect(less.onTime.minutesInHand).toBeGreaterThan(usual.onTime.minutesInHand as number);
  // Without the second look nobody waits the ten minutes for it.
  expect(at(less, 'sign-off')?.after).toEqual(['touch-up']);
  const safe = leftOut('stand--frame', 'overhead-half--hang', 'protect-floor', 'sign-off');
  expect(safe.tasks.map(({ id }) => id).sort()).toEqual(usual.tasks.map(({ id }) => id).sort());
});

test('where time is short leaving a step out is among what is tried, and does what it says', () => {
  const tight = jobOf(curtainStand(), ({ job }) => {
    job.access.from = '2027-06-19T15:40:00-05:00';
  });
  const plan = planJob(tight);
  expect(['low', 'out']).toContain(plan.lamps.onTime.state);
  const fix = plan.lamps.onTime.fixes.find(({ label }) => label.startsWith('Leave out'));
  const after = draftPlan(applyChanges(tight, fix?.changes ?? []));
  expect(after.onTime.minutesInHand).toBeGreaterThan(plan.onTime.minutesInHand as number);
});

test('an order that cannot be is refused with the tasks that forbid it', () => {
  const { tasks } = draftPlan(jobOf(curtainStand()));
  const why = whyNotFollow(tasks, 'overhead-half--hang', 'stand--frame').map(({ id }) => id);
  expect(why[0]).toBe('overhead-half--hang');
  expect(why.at(-1)).toBe('stand--frame');
  for (const [i, id] of why.entries())
    if (why[i + 1]) expect(tasks.find((task) => task.id === id)?.after).toContain(why[i + 1]);
  expect(whyNotFollow(tasks, 'stand--frame', 'overhead-half--hang')).toEqual([]);
});

test('attachments are work: material, minutes, mass and fixing, in their stage', () => {
  const garland = made('organic-garland', 'garland', {
    line: [
      { xM: 2, yM: 1.5 },
      { xM: 4, yM: 1.5 },
    ],
    sections: 1,
    attachments: [
      { id: 'stems', name: 'Fern frond', what: 'floral', count: 6, massKg: 0.05, at: 0.4 },
      {
        id: 'heron',
        name: 'Foil heron',
        what: 'foil',
        massKg: 0.03,
        at: 0.7,
        minutesEach: 4,
        fixing: 'half-260',
      },
      { id: 'board', name: 'Welcome board', what: 'sign', massKg: 0.4, at: 0.5 },
    ],
  });
  const wall = (file: JobFile) => {
    file.site.spots = [
      { ...hall, kind: 'wall', fixings: [{ id: 'rail', kind: 'rod', xM: 0, yM: 1.6, lengthM: 12 }] },
    ];
  };
  const plan = draftPlan(jobOf([garland], wall));
  const usualMin = (id: string) => ((at(plan, `garland--attach-${id}`)?.usualS ?? 0) * 1) / 60;
  // Six stems at a minute, one heron at four as typed: Beta-PERT mean of 45, 60 and 90 s is 62.5 s a minute.
  expect(usualMin('stems')).toBeCloseTo(6, 1);
  expect(usualMin('heron')).toBeCloseTo(4, 1);
  const rows = new Map(plan.totals.materials.map(({ label, count }) => [label, count]));
  expect([rows.get('To put on: Fern frond'), rows.get('To put on: Foil heron')]).toEqual([6, 1]);
  expect(rows.get('Zip tie')).toBe(4);
  for (const [first, next] of [
    ['hang', 'attach-stems'],
    ['attach-stems', 'fill'],
    ['attach-heron', 'fill'],
    ['fill', 'attach-board'],
  ])
    expect(ms(at(plan, `garland--${first}`)?.end)).toBeLessThanOrEqual(
      ms(at(plan, `garland--${next}`)?.start),
    );
  const bare = draftPlan(jobOf([{ ...garland, attachments: [] }], wall)).holds.pieces[0];
  expect((plan.holds.pieces[0]?.massKg ?? 0) - (bare?.massKg ?? 0)).toBeCloseTo(6 * 0.05 + 0.03 + 0.4, 2);
});
