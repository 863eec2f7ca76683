import { readFileSync } from 'node:fs';
import { JobFile, type Piece } from '@early-lantern/contract';
import { newPiece } from '../piece/new-piece.ts';
import { draftPlan } from '../plan.ts';

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

test('furniture takes its time to load, carry in and out: 120 chairs are no two', () => {
  const [few, many] = [carrying([chairs(2)]), carrying([chairs(120)])];
  // By hand: 120 chairs of 5 kg are 30 trips of four; 180 kg, nine trips, are in the figure of a full van. Mean of
  // 50, 75 and 120 s is 78.3 s for 100 ft and back, of 20, 35 and 60 s 36.7 s to load; by two people.
  const feet = shed.site.loadIn.distanceM / 30.48;
  const share = Math.max(1 / 3, feet + (shed.site.loadIn.lift ? 15 : shed.site.loadIn.steps * 1.5) / 30.48);
  const more = (id: string) => (many[id] as number) - (few[id] as number);
  expect(more('load-vehicle')).toBeCloseTo((21 * 36.67) / 60 / 2, -0.5);
  expect(more('return-gear')).toBeCloseTo((21 * 36.67) / 60 / 2, -0.5);
  const byHand = (21 * 78.33 * share) / 60 / 2;
  const wagons = Math.min(2, shed.workshop.wagons ?? 0) / 2;
  const walks = shed.site.loadIn.lift || shed.site.loadIn.steps === 0 ? 1 - wagons / 2 : 1;
  expect(more('unload')).toBeCloseTo(byHand * walks, -0.5);
  expect(more('load-out')).toBe(0);
});

test('weights on bases take time from the first kilogram over a full van, and never less with more of them', () => {
  const stand = (ballastKg: number): Piece =>
    ({
      ...newPiece('backdrop', { id: 'wall', name: 'Wall', spot: spot as never, colours, seed: 1 }),
      hold: { ballastKg },
    }) as Piece;
  const times = [0, 20, 60, 120].map((kg) => carrying([stand(kg)]).unload as number);
  for (let i = 1; i < times.length; i++) expect(times[i]).toBeGreaterThanOrEqual(times[i - 1] as number);
  // 240 kg and more on two or more bases.
  expect((times[3] as number) - (times[0] as number)).toBeGreaterThanOrEqual(3);
});
