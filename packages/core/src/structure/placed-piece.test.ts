import type { HoldPiece, JobFile, Piece, PieceOf } from '@early-lantern/contract';
import { holdsOfFile } from '../plan.ts';
import { heliumBouquet, jobOf, made } from '../test/carried.ts';

function held(file: JobFile, id: string): HoldPiece {
  const found = holdsOfFile(file).pieces.find((one) => one.id === id);
  if (!found) throw new Error(`no piece "${id}"`);
  return found;
}

const tower = (id: string, xM: number) => made('tower', id, { at: { xM, yM: 0 } });
const onTower = (id: string) => ({ pieceId: id, part: 'layer' as const });
const chain = (more: Partial<PieceOf<'chain'>> = {}) =>
  made('chain', 'chain', {
    from: { xM: 3, yM: 1.4 },
    to: { xM: 5, yM: 1.4 },
    sagM: 0.4,
    bases: 0,
    ...more,
  });
const ofTwo = (piece: Piece, ...others: Piece[]) =>
  held(jobOf([tower('left', 3), tower('right', 5), piece, ...others]), piece.id);

test('a chain pulls at each end by √((W/2)² + (W · span / 8 sag)²), pressed between two balloons of a tower', () => {
  const one = ofTwo(chain({ on: onTower('left'), alsoOn: onTower('right') }));
  const weightN = one.massKg * 9.81;
  const pullN = Math.hypot(weightN / 2, (weightN * 2) / (8 * 0.4));
  expect(one.points.map(({ id, at }) => [id, at])).toEqual([
    ['from', 0],
    ['to', 1],
  ]);
  for (const { loadN, ratingN, factor } of one.points) {
    expect(loadN).toBeCloseTo(pullN, 9);
    expect(factor).toBeCloseTo(Math.min(99, ratingN / pullN), 9);
  }
  expect(one.troubles).toEqual([]);
  expect(one.carrier).toContain('the layers of left');
  expect(one.carrier).toContain('the layers of right');
  // Half the sag, twice the pull along it; a line drawn flat is reckoned with a twentieth of its span.
  const flat = ofTwo(chain({ sagM: 0, on: onTower('left'), alsoOn: onTower('right') }));
  const flatN = flat.massKg * 9.81;
  expect(flat.points[0]?.loadN).toBeCloseTo(Math.hypot(flatN / 2, (flatN * 2) / (8 * 0.1)), 9);
});

test('an end on a weighted foot needs no point; one on nothing, or on a part that is gone, is told by its side', () => {
  const foot = ofTwo(chain({ on: onTower('left'), bases: 1, to: { xM: 5, yM: 0.1 } }));
  expect(foot.points.map(({ id }) => id)).toEqual(['from']);
  expect([foot.troubles, foot.carrier.includes('a weighted foot')]).toEqual([[], true]);
  const loose = ofTwo(chain({ on: onTower('left') }));
  expect(loose.troubles).toEqual([
    'chain: its right end has nothing to hang on; choose a tower, a fixing or a weighted foot.',
  ]);
  const gone = ofTwo(chain({ on: { pieceId: 'left', part: 'cloth' as never }, alsoOn: onTower('right') }));
  expect(gone.troubles).toEqual(['chain: what its left end should hang on has no such part.']);
  const far = ofTwo(chain({ to: { xM: 7, yM: 1.4 }, on: onTower('left'), alsoOn: onTower('right') }));
  expect(far.troubles.join()).toMatch(/its right end is .* away from the layers of right/);
});

test('an arch of duplets stands between towers with its string pulling 20 N besides; a wall’s hooks are not for it', () => {
  const arch = made('pair-arch', 'arch', { at: { xM: 4, yM: 1.5 }, spanM: 2 });
  const tied = ofTwo({ ...arch, on: onTower('left'), alsoOn: onTower('right') });
  const weightN = tied.massKg * 9.81;
  expect(tied.points[0]?.loadN).toBeCloseTo(Math.hypot(weightN / 2, (weightN * 2) / (8 * 0.3) + 20), 9);
  // In a figure of eight round four balloons: twice what a chain between two has.
  const ofChain = ofTwo(chain({ on: onTower('left'), alsoOn: onTower('right') }));
  expect(tied.points[0]?.ratingN).toBeCloseTo(2 * (ofChain.points[0]?.ratingN as number), 9);
  const onWall = jobOf([arch], (file) => {
    const [spot] = file.site.spots;
    if (spot) file.site.spots = [{ ...spot, kind: 'wall', surface: 'painted' }];
  });
  expect(held(onWall, 'arch').troubles).toHaveLength(2);
});

test('a banner hangs by both ends of its thread, half a metre beyond its first and last letter', () => {
  const banner = made('banner', 'banner', { text: 'ABCDE', pitchM: 0.3, at: { xM: 5, yM: 2 } });
  const onWall = jobOf([banner], (file) => {
    const [spot] = file.site.spots;
    if (spot) file.site.spots = [{ ...spot, kind: 'wall', surface: 'painted' }];
  });
  const one = held(onWall, 'banner');
  // Four gaps of 0.3 m, and half a metre at each end.
  expect(one.points.map(({ spotXYM }) => spotXYM.xM)).toEqual([
    expect.closeTo(3.9, 9),
    expect.closeTo(6.1, 9),
  ]);
  expect(one.required).toBe(3);
});

test('three rounds in the air take a fixing each and share their weight; on the floor they take none', () => {
  const rounds = (yM: number) => {
    const file = jobOf([made('accent', 'rounds', { count: 3, at: { xM: 4, yM } })], ({ site }) => {
      const [spot] = site.spots;
      if (spot) site.spots = [{ ...spot, kind: 'wall', surface: 'painted' }];
    });
    return held(file, 'rounds');
  };
  const high = rounds(2);
  expect(high.points.map(({ id, at }) => [id, at])).toEqual([
    ['at-1', 0],
    ['at-2', 0.5],
    ['at-3', 1],
  ]);
  for (const { loadN } of high.points) expect(loadN).toBeCloseTo((high.massKg / 3) * 9.81, 9);
  expect(rounds(0.1).points).toEqual([]);
  expect(held(jobOf([made('bunch', 'b', { at: { xM: 4, yM: 2 } })]), 'b').troubles.join()).toContain(
    'hangs on nothing there',
  );
});

test('a bouquet’s weight holds twice its lift or is told; statics by hand', () => {
  const bouquet = (weightG: number) => {
    const piece = heliumBouquet('h');
    return held(jobOf([{ ...piece, look: { ...piece.look, weightG } as typeof piece.look }]), 'h');
  };
  const [one] = bouquet(100).cases;
  expect(one?.resists).toBeCloseTo(0.1 * 9.81, 9);
  const liftN = one?.pushes as number;
  expect(liftN).toBeGreaterThan(0);
  expect(bouquet(100).safetyFactor).toBeCloseTo(Math.min(99, (0.1 * 9.81) / liftN), 9);
  expect(bouquet(50).safetyFactor).toBeCloseTo((0.05 * 9.81) / liftN, 9);
  expect(bouquet(50).required).toBe(2);
});
