import type { JobFile, MaterialRow, PackingRow } from '@early-lantern/contract';
import { judgeJob } from '../plan.ts';
import { numbers, randomPieces } from '../test/random-pieces.ts';
import { demoJob } from '../test/samples.ts';

const randomJob = (seed: number): JobFile => {
  const file = structuredClone(demoJob('02-engine-shed'));
  file.job.pieces = randomPieces(numbers(seed)).map((piece) => ({
    ...piece,
    spotId: file.site.spots[0]?.id ?? '',
  }));
  // Nothing is packed where nobody has measured a vehicle: the list is the same, and made at once.
  for (const vehicle of file.workshop.vehicles) delete vehicle.cargo;
  return file;
};

/** Lines of things that ride by themselves, by the item of the materials that they are. */
const BY_ITSELF: Record<string, RegExp> = {
  'backing-board': /^\d+ backing board/,
  furnishing: /^\d+ furniture/,
};

/** Things in a line: packs say how many are together. */
const thingsIn = ({ label, qty }: PackingRow): number =>
  qty * Number(/, (\d+) together/.exec(label)?.[1] ?? 1);

const sum = (values: readonly number[]) => values.reduce((total, one) => total + one, 0);

/** How many of an item the list has, in crates or by itself; pipes ride as they are cut, which no number says. */
function listedOf(item: string, packing: readonly PackingRow[], rows: readonly MaterialRow[]): number {
  const labels = new Set(rows.map(({ label }) => `material ${label}`));
  const inCrates = packing.filter(({ id }) => labels.has(id));
  const own = BY_ITSELF[item] ?? new RegExp(`^\\d+ ${item}( |$)`);
  const stiff = packing.filter(({ bag, id }) => bag === null && own.test(id));
  return sum(inCrates.map(({ qty }) => qty)) + sum(stiff.map(thingsIn));
}

test('random jobs: the packing list has of every material what the counts have, no more and no less', () => {
  const seen = new Set<string>();
  for (let seed = 1; seed <= 30; seed++) {
    const { totals, packing } = judgeJob(randomJob(seed));
    for (const item of new Set(totals.materials.map((row) => row.item))) {
      const rows = totals.materials.filter((row) => row.item === item);
      const counted = sum(rows.map(({ count }) => count));
      seen.add(item);
      if (item === 'helium') expect(packing.some(({ id }) => id === 'helium')).toBe(true);
      else if (item.startsWith('pipe-')) expect(packing.some(({ id }) => /^\d+ pipes /.test(id))).toBe(true);
      else
        expect([seed, item, listedOf(item, packing, rows)]).toEqual([seed, item, expect.closeTo(counted, 1)]);
    }
    // Once each, and every crate that is named rides.
    const ids = packing.map(({ id }) => id);
    expect(new Set(ids).size).toBe(ids.length);
  }
  expect(seen.size).toBeGreaterThan(20);
}, 120_000);
