import { readFileSync } from 'node:fs';
import { JobFile, type Piece } from '@early-lantern/contract';
import { newPiece } from '../piece/new-piece.ts';
import { draftPlan, judgeJob } from '../plan.ts';
import { demoJob } from '../test/samples.ts';

const shed = JobFile.parse(JSON.parse(readFileSync('demo/jobs/02-engine-shed.json', 'utf8')));

/** Minutes of the tasks that carry things, by id. */
function carrying(pieces: Piece[]): Record<string, number> {
  const plan = draftPlan({ ...shed, job: { ...shed.job, pieces } });
  const ids = ['load-vehicle', 'unload', 'load-out', 'carry-out', 'return-gear'];
  return Object.fromEntries(
    plan.tasks
      .filter(({ id }) => ids.includes(id))
      .map(({ id, start, end }) => [id, (Date.parse(end) - Date.parse(start)) / 60_000]),
  );
}

const [spot] = shed.site.spots;
if (!spot) throw new Error('no spot');
const colours = shed.workshop.colours.map(({ id }) => id);

function chairs(count: number): Piece {
  const made = newPiece('furnishing', {
    id: 'chairs',
    name: 'Chairs',
    spot: spot as never,
    colours,
    seed: 1,
  });
  if (made.kind !== 'furnishing') throw new Error('no furnishing');
  const [item] = made.items;
  if (!item) throw new Error('nothing listed');
  return { ...made, items: [{ ...item, name: 'Chair', count, massKg: 5, minutesEach: 0 }] };
}

/** Metres on foot as the shed's way in is surveyed: a step is as a metre and a half. */
const metres = shed.site.loadIn.distanceM + shed.site.loadIn.steps * 1.5;
/** A third of carrying 100 ft is picking up and setting down, and the walk is as long as it is. */
const way = 1 / 3 + ((2 / 3) * metres) / 30.48;

test('furniture takes its time to load, carry in and out: 120 chairs are no two', () => {
  expect(shed.site.loadIn.lift).toBeFalsy();
  const [few, many] = [carrying([chairs(2)]), carrying([chairs(120)])];
  // By hand: 120 chairs of 5 kg are 30 trips of 20 kg, two chairs half a one. Mean of 50, 75 and 120 s is 78.3 s for
  // 100 ft and back, of 20, 35 and 60 s 36.7 s to load; by two people.
  const more = (id: string) => (many[id] as number) - (few[id] as number);
  expect(more('load-vehicle')).toBeCloseTo((29.5 * 36.67) / 60 / 2, -0.5);
  expect(more('return-gear')).toBeCloseTo((29.5 * 36.67) / 60 / 2, -0.5);
  expect(more('unload')).toBeCloseTo((29.5 * 78.33 * way) / 60 / 2, -0.5);
  expect(more('carry-out')).toBeCloseTo((29.5 * 78.33 * way) / 60 / 2, -0.5);
  expect(more('load-out')).toBe(0);
});

test('weights on bases take time from the first kilogram, and never less with more of them', () => {
  const stand = (ballastKg: number): Piece =>
    ({
      ...newPiece('backdrop', { id: 'wall', name: 'Wall', spot: spot as never, colours, seed: 1 }),
      hold: { ballastKg },
    }) as Piece;
  const times = [0, 20, 60, 120].map((kg) => carrying([stand(kg)]).unload as number);
  for (let i = 1; i < times.length; i++) expect(times[i]).toBeGreaterThanOrEqual(times[i - 1] as number);
  // 240 kg and more on two or more bases are 12 armfuls more at least.
  expect((times[3] as number) - (times[0] as number)).toBeGreaterThanOrEqual((12 * 78.33 * way) / 60 / 2 - 1);
});

/** How many of a kind one person carries at a time, as the guide says. */
const AT_ONCE: Record<string, number> = {
  section: 2,
  bag: 4,
  bouquet: 2,
  board: 2,
  pole: 2,
  base: 2,
  weight: 4,
  stand: 2,
  furniture: 4,
  ladder: 2,
  cylinder: 1,
  crate: 2,
  kit: 4,
};
const LIGHT = ['section', 'bag', 'bouquet', 'crate', 'kit'];

test.each(['01-meadow-finish', '03-glasshouse-night', '94-raft-race'])(
  '%s: what is carried in is what rides, each thing once, at the rates of the trade',
  (name) => {
    const file = demoJob(name);
    // Nobody has a wagon, and it does not rain.
    delete file.workshop.wagons;
    const plan = judgeJob(file);
    expect(plan.fits.unplaced).toEqual([]);
    const items = plan.fits.vehicles.flatMap((vehicle) => vehicle.items);
    const armfuls = (isLight: boolean) =>
      items
        .filter(({ kind }) => LIGHT.includes(kind) === isLight)
        .reduce((sum, { kind, massKg, l, w, h }) => {
          const isLarge = kind === 'board' && [l, w, h].filter((mm) => mm > 1100).length > 1;
          return sum + Math.max(massKg / 20, isLarge ? 2 : 1 / (AT_ONCE[kind] as number));
        }, 0);
    const { distanceM, steps } = file.site.loadIn;
    const there = 1 / 3 + ((2 / 3) * (distanceM + steps * 1.5)) / 30.48;
    // Mean of 10, 18 and 30 minutes for a full van over 100 ft, which is 14.4 armfuls; of 50, 75 and 120 s for each
    // heavy one. Common practice, no source.
    const byOne = there * ((armfuls(true) / 14.4) * (112 / 6) + (armfuls(false) * 78.33) / 60);
    const two = plan.tasks.find(({ id }) => id === 'unload')?.crew.length ?? 0;
    const took = plan.tasks
      .filter(({ id }) => id === 'unload-first' || id === 'unload')
      .reduce((sum, { start, end }) => sum + (Date.parse(end) - Date.parse(start)) / 60_000, 0);
    const slow = plan.tasks
      .find(({ id }) => id === 'unload')
      ?.working.some(({ label }) => /rain/i.test(label));
    expect(slow).toBe(false);
    // Each of the two is rounded up to whole minutes.
    expect(took).toBeGreaterThanOrEqual(byOne / two - 0.01);
    expect(took).toBeLessThan(byOne / two + 2);
  },
);

test('the longer the way the longer it takes, but never in proportion: picking up takes what it takes', () => {
  const at = (distanceM: number) => {
    const file = demoJob('94-raft-race');
    file.site.loadIn = { ...file.site.loadIn, distanceM, steps: 0, lift: false };
    return draftPlan(file)
      .tasks.find(({ id }) => id === 'unload')
      ?.working.at(-1)?.value as number;
  };
  // At the door a third of what 100 ft take; at 200 ft five thirds.
  expect(at(0) / at(30.48)).toBeCloseTo(1 / 3, 2);
  expect(at(60.96) / at(30.48)).toBeCloseTo(5 / 3, 2);
});
