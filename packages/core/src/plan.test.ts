import { type JobFile, JobFile as JobFileSchema, type PieceKind, Plan, read } from '@early-lantern/contract';
import fc from 'fast-check';
import { benchBatches, benchMinutes } from './bench/bench.ts';
import { applyChanges } from './lamps/fixes.ts';
import { kinds } from './piece/kinds.ts';
import { newPiece } from './piece/new-piece.ts';
import { recipeOf, schoolsOf } from './piece/recipe-of.ts';
import { draftPlan, planJob } from './plan.ts';
import { demoJob, garland } from './test/samples.ts';

const demos = [
  '01-meadow-finish',
  '02-engine-shed',
  '03-glasshouse-night',
  '90-boat-hall',
  '91-reading-room',
];

test('one person takes between one hour and two and a half over a 10 ft garland with fillers (common practice, no source)', () => {
  const { workshop } = demoJob('02-engine-shed');
  const piece = garland(10, { clusterSize: 6, widthM: 0.6 });
  const recipe = recipeOf(piece);
  const fixing = 35 * recipe.fillerClusters; // the trade's figure includes putting the fillers on
  const minutes = benchMinutes(benchBatches(recipe, schoolsOf(piece), workshop)) + fixing / 60;
  expect(minutes).toBeGreaterThan(60);
  expect(minutes).toBeLessThan(150);
});

/** Rules of the day, checked on the finished plan's own times. */
function breaches(file: JobFile, plan: Plan): string[] {
  const found: string[] = [];
  const ms = (iso: string) => Date.parse(iso);
  const byId = new Map(plan.tasks.map((task) => [task.id, task]));
  const ready = plan.onTime.ready;
  for (const task of plan.tasks) {
    for (const before of task.after) {
      const other = byId.get(before);
      if (!other || ms(other.end) > ms(task.start)) found.push(`${task.id} before ${before}`);
    }
    // Tools out as soon as the house has signed, and home with them.
    if (task.id === 'load-out' && task.start !== ready) found.push('tools are left standing');
    if (task.id === 'drive-home' && task.start !== byId.get('load-out')?.end)
      found.push('somebody waits on site');
    if (task.place === 'site' && ms(task.start) < ms(file.job.access.from))
      found.push(`${task.id} before access`);
    if (task.crew.some((id) => !file.job.crew.includes(id))) found.push(`${task.id} by somebody else`);
    if (
      ready &&
      task.id !== 'load-out' &&
      task.place === 'site' &&
      ms(task.start) < ms(file.job.doors) &&
      ms(task.end) > ms(ready)
    )
      found.push(`${task.id} after sign-off`);
    for (const other of plan.tasks) {
      const overlap = ms(other.start) < ms(task.end) && ms(task.start) < ms(other.end);
      if (other.id > task.id && overlap && other.crew.some((id) => task.crew.includes(id))) {
        found.push(`somebody at ${task.id} and ${other.id}`);
      }
    }
  }
  return found;
}

test.each(demos)('%s: a valid plan that breaks no rule, counted back from doors', (name) => {
  const file = demoJob(name);
  const plan = planJob(file);
  expect(Plan.parse(plan)).toEqual(plan);
  expect(breaches(file, plan)).toEqual([]);
  // To the tighter of doors and the close of access, by which everything is carried out too.
  const minutes = (from: string | undefined, until: string) =>
    (Date.parse(until) - Date.parse(from ?? '')) / 60_000;
  const out = plan.tasks.find(({ id }) => id === 'load-out')?.end;
  expect(plan.onTime.minutesInHand).toBe(
    Math.min(minutes(plan.onTime.ready ?? '', plan.onTime.doors), minutes(out, file.job.access.until)),
  );
});

test('totals are the sum of the pieces, to the balloon', () => {
  const { pieces, totals } = planJob(demoJob('02-engine-shed'));
  const sum = (rows: { need: number; spare: number }[]) =>
    rows.reduce((all, row) => all + row.need + row.spare, 0);
  expect(sum(totals.balloons)).toBe(pieces.reduce((all, piece) => all + sum(piece.balloons), 0));
  for (const row of totals.balloons) {
    const parts = pieces
      .flatMap((piece) => piece.balloons)
      .filter(
        (one) =>
          one.nominalIn === row.nominalIn &&
          one.colour === row.colour &&
          one.inflatedIn.min === row.inflatedIn.min &&
          one.inflatedIn.max === row.inflatedIn.max,
      );
    expect(row.need).toBe(parts.reduce((all, one) => all + one.need, 0));
  }
});

const edited = (change: (file: JobFile) => void): JobFile => {
  const file = structuredClone(demoJob('01-meadow-finish'));
  // Its garland alone: what is short of a product is then short in one place.
  file.job.pieces = file.job.pieces.slice(0, 1);
  change(file);
  return file;
};

test('Enough: lit with stock, low without the spares, out without the need, unlit without a count', () => {
  const withStock = (share: number) =>
    edited((file) => {
      const wanted = planJob(file).totals.balloons;
      file.workshop.stock = wanted.map((row) => ({
        nominalIn: row.nominalIn,
        colour: row.colour,
        onHand: Math.floor(row.need + row.spare * share),
      }));
    });
  expect(planJob(withStock(1)).lamps.enough).toMatchObject({ state: 'lit', figure: 'just enough' });
  expect(planJob(withStock(0.5)).lamps.enough.state).toBe('low');
  expect(planJob(withStock(-1)).lamps.enough.state).toBe('out');
  expect(
    planJob(
      edited((file) => {
        file.workshop.stock = [];
      }),
    ).lamps.enough.state,
  ).toBe('unlit');
});

test('On time: too little access puts it out, and each fix offered does what it says', () => {
  const late = edited((file) => {
    file.job.access.from = '2027-06-19T09:45:00-05:00';
    file.job.crew = ['wren'];
  });
  const plan = planJob(late);
  expect(plan.lamps.onTime.state).toBe('out');
  expect(plan.onTime.minutesInHand).toBeLessThan(0);
  expect(breaches(late, planJob(late))).toEqual([]);
  expect(plan.lamps.onTime.fixes.length).toBeGreaterThan(0);
  for (const fix of plan.lamps.onTime.fixes) {
    const after = planJob(applyChanges(late, fix.changes));
    expect(after.onTime.minutesInHand as number).toBeGreaterThan(plan.onTime.minutesInHand as number);
    expect(fix.gain).toContain(String(Math.abs(after.onTime.minutesInHand as number)));
  }
});

test('a fix for Enough lights the lamp when it is applied', () => {
  const short = edited((file) => {
    for (const row of file.workshop.stock)
      if (row.colour === 'chalk' && row.nominalIn === 11) row.onHand = 30;
  });
  const plan = planJob(short);
  expect(plan.lamps.enough.state).toBe('out');
  expect(plan.lamps.enough.fixes.length).toBeGreaterThan(0);
  for (const fix of plan.lamps.enough.fixes.filter(({ opens }) => !opens)) {
    expect(planJob(applyChanges(short, fix.changes)).lamps.enough).toMatchObject({
      state: 'lit',
      figure: fix.gain,
    });
  }
});

test('doors later by an hour moves the whole set-up by an hour; the same file gives the same plan', () => {
  const file = demoJob('01-meadow-finish');
  file.job.arrival = 'late';
  const later = structuredClone(file);
  later.job.doors = '2027-06-19T12:00:00-05:00';
  later.job.access.until = '2027-06-19T11:45:00-05:00';
  expect(
    Date.parse(draftPlan(later).onTime.ready as string) - Date.parse(draftPlan(file).onTime.ready as string),
  ).toBe(3_600_000);
  const small = demoJob('90-boat-hall');
  expect(planJob(structuredClone(small))).toEqual(planJob(small));
});

test('a job without pieces has nothing to answer', () => {
  const empty = edited((file) => {
    file.job.pieces = [];
  });
  const plan = planJob(empty);
  expect(plan.tasks).toEqual([]);
  expect(Object.values(plan.lamps).map((lamp) => lamp.state)).toEqual(Array(6).fill('unlit'));
});

const kindNamesOf = Object.keys(kinds) as PieceKind[];
const randomJob = fc
  .array(
    fc.record({
      kind: fc.constantFrom(...kindNamesOf),
      width: fc.integer({ min: 3, max: 9 }),
      seed: fc.nat(999),
    }),
    {
      minLength: 1,
      maxLength: 7,
    },
  )
  .map((wanted): JobFile => {
    const file = structuredClone(demoJob('02-engine-shed'));
    const colours = file.workshop.colours.map((colour) => colour.id);
    file.job.pieces = wanted.map(({ kind, width, seed }, i) =>
      newPiece(kind, {
        id: `piece-${i}`,
        name: `Piece ${i}`,
        spot: { id: file.site.spots[0]?.id as string, widthM: width, heightM: 3 },
        colours: [...colours.slice(seed % colours.length), ...colours],
        seed,
      }),
    );
    return file;
  });

test('any job: balloons, lots and materials of the pieces add up to the totals, each with its working', () => {
  fc.assert(
    fc.property(randomJob, (file) => {
      expect(read(JobFileSchema, file).ok).toBe(true);
      const plan = draftPlan(file);
      const sum = (rows: readonly { need: number; spare: number }[]) =>
        rows.reduce((all, row) => all + row.need + row.spare, 0);
      const ofPieces = plan.pieces.map((piece) => sum(piece.balloons));
      expect(sum(plan.totals.balloons)).toBe(ofPieces.reduce((a, b) => a + b, 0));
      plan.pieces.forEach((piece, i) => {
        const lots = piece.lots.map((lot) => ({ need: lot.count, spare: lot.spare }));
        expect(sum(lots)).toBe(ofPieces[i]);
        for (const lot of piece.lots) expect(lot.perSection.reduce((a, b) => a + b, 0)).toBe(lot.count);
      });
      for (const row of plan.totals.materials) {
        const parts = plan.pieces.flatMap((piece) =>
          piece.materials.filter((one) => one.label === row.label),
        );
        const inParts = parts.reduce((all, one) => all + one.count, 0);
        // Pipe is cut together: as many lengths as the pieces alone take, or fewer.
        if (row.item.startsWith('pipe-')) expect(row.count).toBeLessThanOrEqual(inParts);
        else expect(row.count).toBeCloseTo(inParts, 6);
        expect(row.working.length).toBeGreaterThanOrEqual(
          parts.reduce((all, one) => all + one.working.length, 0),
        );
        for (const how of row.working) expect(how.formula && how.source).toBeTruthy();
      }
      expect(new Set(plan.tasks.map((task) => task.id)).size).toBe(plan.tasks.length);
    }),
    { numRuns: 60 },
  );
});

test('outdoors a garland whose fillers hang on bands is told of streaks; indoors, or on 260s, it is not', () => {
  const notes = (name: string, fillerFixing: 'band' | 'half-260') => {
    const file = structuredClone(demoJob(name));
    file.workshop.schools = { fillerFixing };
    return draftPlan(file).pieces[0]?.notes.join() ?? '';
  };
  expect(notes('01-meadow-finish', 'band')).toContain('streak');
  expect(notes('01-meadow-finish', 'half-260')).not.toContain('streak');
  expect(notes('02-engine-shed', 'band')).not.toContain('streak');
});
