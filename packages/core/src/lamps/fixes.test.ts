import type { Piece } from '@early-lantern/contract';
import { planJob } from '../plan.ts';
import { demoJob } from '../test/samples.ts';
import { applyChanges } from './fixes.ts';

const coloursOf = (piece: Piece | undefined) => (piece?.kind === 'organic-garland' ? piece.colours : []);

test('a change sets what its path names, leaves the file as it was, and copies nothing it does not touch', () => {
  const file = demoJob('02-engine-shed');
  const before = structuredClone(file);
  const changed = applyChanges(file, [
    { path: '/job/pieces/0/colours/1/sharePct', value: 40 },
    { path: '/job/crew', value: ['wren'] },
  ]);
  expect(file).toEqual(before);
  expect(coloursOf(changed.job.pieces[0])[1]?.sharePct).toBe(40);
  expect(changed.job.crew).toEqual(['wren']);
  expect(changed.job.pieces[1]).toBe(file.job.pieces[1]);
  expect(changed.workshop).toBe(file.workshop);
});

test('a path that leads nowhere is refused', () => {
  expect(() =>
    applyChanges(demoJob('02-engine-shed'), [{ path: '/job/name/first/letter', value: 1 }]),
  ).toThrow(RangeError);
});

test('what is lit needs no fix; what lacks more than any change saves gets none', () => {
  const { lamps } = planJob(demoJob('01-meadow-finish'));
  expect(lamps.enough.fixes).toEqual([]);
  expect(lamps.onTime.fixes).toEqual([]);
  const bare = structuredClone(demoJob('01-meadow-finish'));
  for (const row of bare.workshop.stock) row.onHand = 1;
  expect(planJob(bare).lamps.enough).toMatchObject({ state: 'out', fixes: [] });
});

test('shares stay a whole after a recolouring, and fixes come the most gain first', () => {
  const file = demoJob('02-engine-shed');
  const { enough, onTime } = planJob(file).lamps;
  expect(enough.fixes.length).toBeGreaterThan(0);
  for (const fix of enough.fixes) {
    for (const piece of applyChanges(file, fix.changes).job.pieces) {
      const shares = coloursOf(piece);
      if (shares.length) expect(shares.reduce((sum, share) => sum + share.sharePct, 0)).toBeCloseTo(100, 6);
    }
  }
  const gains = onTime.fixes.map(
    ({ gain }) => Number(/\d+/.exec(gain)?.[0]) * (gain.includes('late') ? -1 : 1),
  );
  expect(gains).toEqual([...gains].sort((a, b) => b - a));
});
