import { placeOf, stretchesOf } from './stretches.ts';

const hour = 3_600_000;

test('idle hours are left out, what lies close together stays together, and places follow the clock', () => {
  const stretches = stretchesOf([
    [14 * hour, 15 * hour],
    [8 * hour, 9 * hour],
    [9.5 * hour, 10 * hour],
  ]);
  expect(stretches).toHaveLength(2);
  const last = stretches[1] as (typeof stretches)[0];
  expect(last.left + last.width).toBeCloseTo(1, 9);
  const places = [8, 9.25, 10, 12, 14, 14.5, 15].map((at) => placeOf(stretches, at * hour));
  expect(places).toEqual([...places].sort((a, b) => a - b));
  expect(placeOf(stretches, 12 * hour)).toBe(
    (stretches[0] as typeof last).left + (stretches[0] as typeof last).width,
  );
});
