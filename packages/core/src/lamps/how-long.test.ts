import type { JobFile, OrganicGarland } from '@early-lantern/contract';
import { lineOfLength } from '../piece/line-of-length.ts';
import { countPieces } from '../plan.ts';
import { wantedDay } from '../stock/buy.ts';
import { productNeeds } from '../stock/needs.ts';
import { demoJob, garland } from '../test/samples.ts';
import { howLong, longestFor } from './how-long.ts';

const count = (file: JobFile) => countPieces(file).balloons;

/** A job of one garland in two colours, with so many of each of its products on the shelf. */
function jobWith(onHand: Record<string, number>, more: Partial<OrganicGarland> = {}): JobFile {
  const file = structuredClone(demoJob('02-engine-shed'));
  const colours = [
    { colour: 'lagoon', sharePct: 60 },
    { colour: 'chalk', sharePct: 40 },
  ];
  file.job.pieces = [garland(20, { spotId: file.site.spots[0]?.id ?? '', colours, ...more })];
  file.workshop = { ...file.workshop, onOrder: [], reserved: [], familiesApart: true };
  file.workshop.stock = Object.entries(onHand).map(([key, onShelf]) => {
    const [nominalIn, colour] = key.split(' ');
    return { nominalIn: Number(nominalIn), colour: colour as string, onHand: onShelf };
  });
  return file;
}

/** Half foot by half foot, each length counted and held against the shelf: slow and plain. */
function byTrying(file: JobFile): number {
  const [piece] = file.job.pieces as [OrganicGarland];
  let longest = 0;
  for (let halves = 1; halves <= 80; halves++) {
    const lengthM = (halves * 0.3048) / 2;
    const pieces = [{ ...piece, line: lineOfLength(piece, lengthM) }];
    const changed = { ...file, job: { ...file.job, pieces } };
    const isEnough = productNeeds(count(changed), file.workshop, wantedDay(file)).every(
      ({ over }) => over >= 0,
    );
    if (isEnough) longest = lengthM;
  }
  return longest;
}

test.each([
  [{ '11 lagoon': 90, '11 chalk': 60, '5 lagoon': 60, '5 chalk': 60 }, {}],
  [{ '11 lagoon': 200, '11 chalk': 25, '5 lagoon': 90, '5 chalk': 90 }, {}],
  [{ '11 lagoon': 120, '11 chalk': 90, '5 lagoon': 9, '5 chalk': 90 }, { fullness: 'rich' as const }],
  [{ '11 lagoon': 0, '11 chalk': 90, '5 lagoon': 90, '5 chalk': 90 }, {}],
])('%j on the shelf make the longest garland that trying every length finds', (onHand, more) => {
  const file = jobWith(onHand, more);
  expect(longestFor(file, 0, count)).toBeCloseTo(byTrying(file), 9);
});

test('packs to buy make it at least as long as it is drawn; what is there is told beside it', () => {
  const file = jobWith({ '11 lagoon': 60, '11 chalk': 60, '5 lagoon': 60, '5 chalk': 60 });
  const found = howLong(file, 0, count);
  expect(found?.drawnM).toBeCloseTo(20 * 0.3048, 6);
  expect(found?.thereM).toBeLessThan(20 * 0.3048);
  expect(found?.withPacksM).toBeGreaterThanOrEqual(20 * 0.3048 - 1e-9);
  // What another piece lacks of what this one does not take makes it no shorter.
  const other = structuredClone(file);
  other.job.pieces.push(
    garland(9, { id: 'other', name: 'Other', colours: [{ colour: 'brick', sharePct: 100 }] }),
  );
  expect(howLong(other, 0, count)?.thereM).toBe(found?.thereM);
});
