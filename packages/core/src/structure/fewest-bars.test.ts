import { seededRandom } from '../quantity/random.ts';
import { packInto } from './fewest-bars.ts';

/** Whether sizes go into rooms at all: every size in every room. */
function goes(sizes: readonly number[], rooms: readonly number[]): boolean {
  const [first, ...others] = sizes;
  if (first === undefined) return true;
  return rooms.some(
    (room, r) =>
      room >= first &&
      goes(
        others,
        rooms.map((one, i) => (i === r ? one - first : one)),
      ),
  );
}

test('bins of rooms of their own are filled whenever looking at every way finds that they can be', () => {
  const random = seededRandom(3);
  const from = (low: number, high: number) => low + Math.floor(random() * (high - low + 1));
  let went = 0;
  for (let round = 0; round < 1500; round++) {
    const rooms = Array.from({ length: from(1, 4) }, () => from(6, 14));
    // Tight: so many pieces that what is left over is little.
    const sizes: number[] = [];
    let left = rooms.reduce((sum, room) => sum + room, 0) - from(0, 1);
    while (left > 0 && sizes.length < 8) {
      const size = Math.min(left, from(3, 8));
      sizes.push(size);
      left -= size;
    }
    const all = goes(sizes, rooms);
    if (all) went += 1;
    const { bins, isProven } = packInto(sizes, rooms, { left: 100_000 });
    expect({ round, sizes, rooms, isIn: bins !== undefined, isProven }).toEqual({
      round,
      sizes,
      rooms,
      isIn: all,
      isProven: true,
    });
    if (!bins) continue;
    expect(bins.flat().sort((a, b) => a - b)).toEqual(sizes.map((_, i) => i));
    bins.forEach((bin, b) => {
      expect(bin.reduce((sum, i) => sum + (sizes[i] as number), 0)).toBeLessThanOrEqual(rooms[b] as number);
    });
  }
  expect(went).toBeGreaterThan(300);
  expect(went).toBeLessThan(1300);
});

test('a search that is broken off proves nothing, and takes from what it may look at', () => {
  const sizes = [31, 29, 27, 26, 23, 21, 19, 17, 14, 13, 11, 10, 9, 8, 7, 5];
  const effort = { left: 1 };
  const { bins, isProven } = packInto(sizes, [90, 90, 90], effort);
  expect(effort.left).toBeLessThan(1);
  expect([bins, isProven]).toEqual([undefined, false]);
  expect(packInto([5], [4], { left: 1 })).toEqual({ bins: undefined, isProven: true });
  expect(packInto([3, 3], [4, 1], { left: 1 })).toEqual({ bins: undefined, isProven: true });
  expect(packInto([4, 1], [1, 4], { left: 1 }).bins).toEqual([[1], [0]]);
});
