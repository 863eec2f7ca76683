import type { JobFile, Plan } from '@early-lantern/contract';
import { draftPlan } from '../plan.ts';
import { jobOf } from '../test/carried.ts';
import { numbers, randomPieces } from '../test/random-pieces.ts';
import { demoJob } from '../test/samples.ts';

/** "6–8¾ in." read back as numbers: written apart from what writes it. */
function readDiameters(label: string): number[] {
  const parts: Record<string, number> = { '¼': 0.25, '½': 0.5, '¾': 0.75 };
  const found = / to ([\d¼½¾]+)(?:–([\d¼½¾]+))? in\.$/.exec(label);
  return [found?.[1], found?.[2] ?? found?.[1]].map((text = '') => {
    const part = parts[text.slice(-1)] ?? 0;
    return Number(part ? text.slice(0, -1) : text) + part;
  });
}

const sum = (values: readonly number[]) => values.reduce((all, one) => all + one, 0);

/** Each way in which two papers of one job say something different about its balloons. */
function differences(plan: Plan): string[] {
  const found: string[] = [];
  const same = (what: string, a: unknown, b: unknown) => {
    if (JSON.stringify(a) !== JSON.stringify(b))
      found.push(`${what}: ${JSON.stringify(a)}, ${JSON.stringify(b)}`);
  };
  const { batches } = plan.bench;
  for (const piece of plan.pieces) {
    const own = batches.filter(({ pieceId }) => pieceId === piece.id);
    for (const lot of piece.lots) {
      const listed = own.flatMap(({ lots }) => lots.filter(({ id }) => id === lot.id));
      // What is blown while it is made, like links of a chain, has no batch of its own.
      if (listed.length > 0)
        same(`${piece.id} ${lot.id} on the board`, sum(listed.map(({ count }) => count)), lot.blown);
      same(`${lot.id}: its holes`, [...new Set(Object.values(lot.blowToIn))], lot.holesIn);
      const row = piece.balloons.filter(
        (one) =>
          one.colour === lot.colour &&
          one.nominalIn === lot.nominalIn &&
          JSON.stringify(one.blowToIn) === JSON.stringify(lot.blowToIn),
      );
      if (row.length === 0) found.push(`${lot.id} is not counted as it is blown`);
      const lasting = plan.lasts.lots.find(({ id, pieceId }) => id === lot.id && pieceId === piece.id);
      same(`${lot.id} as it lasts`, lasting?.blowToIn, lot.blowToIn.max);
    }
  }
  for (const batch of batches) {
    const task = plan.tasks.find(({ id }) => id === batch.id);
    const count = sum(batch.lots.map((lot) => lot.count));
    same(`${batch.id} timed`, task?.blows?.count, count);
    const said = /Inflate (\d+) of|Fillers: (\d+) trio/.exec(task?.label ?? '');
    // A task cut in two keeps the words of the whole.
    if (!task?.label.includes(' of 2)'))
      same(
        `${batch.id} in words`,
        said?.[1] ? Number(said[1]) : 3 * Number(said?.[2]),
        said?.[1] ? count : 3 * Math.ceil(count / 3),
      );
    same(`${batch.id} to what`, readDiameters(task?.label ?? ''), [batch.blowToIn.min, batch.blowToIn.max]);
    for (const { id } of batch.lots) {
      const lot = plan.pieces.flatMap(({ lots }) => lots).find((one) => one.id === id);
      if (!lot || lot.blowToIn.max > batch.blowToIn.max || lot.blowToIn.min < batch.blowToIn.min)
        found.push(`${id} through another hole`);
    }
  }
  const lots = plan.pieces.flatMap((piece) => piece.lots);
  same('counts', sum(plan.totals.balloons.map(({ need }) => need)), sum(lots.map(({ count }) => count)));
  same('spares', sum(plan.totals.balloons.map(({ spare }) => spare)), sum(lots.map(({ spare }) => spare)));
  return found;
}

const DEMOS = [
  '01-meadow-finish',
  '02-engine-shed',
  '03-glasshouse-night',
  '90-boat-hall',
  '91-reading-room',
  '92-shed-preview',
  '93-seed-fair',
  '94-raft-race',
];

const warm = (file: JobFile) => {
  for (const spot of file.site.spots) spot.tempC = 36;
};

test.each([false, true])(
  'lots, labels, board, run sheet, clock and counts agree in number and diameter; spares blown: %s',
  (blowsSpares) => {
    for (const name of DEMOS) {
      const file = structuredClone(demoJob(name));
      file.workshop.blowsSpares = blowsSpares;
      expect([name, differences(draftPlan(file))]).toEqual([name, []]);
    }
    for (let seed = 1; seed <= 100; seed++) {
      const file = jobOf(randomPieces(numbers(seed)), (one) => {
        one.workshop.blowsSpares = blowsSpares;
        one.job.access.from = '2027-06-19T06:30:00-05:00';
        if (seed % 2) warm(one);
      });
      expect([seed, differences(draftPlan(file))]).toEqual([seed, []]);
    }
  },
);

test('spares travel uninflated, and cost no minute, unless the house blows them', () => {
  const file = structuredClone(demoJob('02-engine-shed'));
  const minutes = ({ tasks }: Plan) =>
    sum(tasks.filter(({ blows }) => blows).map(({ usualS }) => usualS)) / 60;
  const without = draftPlan(file);
  file.workshop.blowsSpares = true;
  const blown = draftPlan(file);
  const onBoard = (plan: Plan) =>
    sum(plan.bench.batches.flatMap(({ lots }) => lots.map(({ count }) => count)));
  const spares = sum(without.totals.balloons.map(({ spare }) => spare));
  expect(onBoard(blown) - onBoard(without)).toBe(spares);
  expect(minutes(blown) / minutes(without)).toBeGreaterThan(1 + (0.7 * spares) / onBoard(without));
});
