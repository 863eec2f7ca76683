import type { JobFile, PieceOf, Spot } from '@early-lantern/contract';
import { rulesOf } from '../structure/gust-at.ts';
import { hall, jobOf, made } from '../test/carried.ts';
import { garlandLine } from './garland-line.ts';
import { hangGarland } from './hanging.ts';

const wall: Spot = {
  ...hall,
  kind: 'wall',
  surface: 'painted',
  floor: 'carpet',
  widthM: 10,
  heightM: 4,
  fixings: [],
};
type Garland = PieceOf<'organic-garland'>;
const along = (line: [number, number][], more: Partial<Garland> = {}): Garland =>
  made('organic-garland', 'Swag', {
    line: line.map(([xM, yM]) => ({ xM, yM })),
    widthM: 0.4,
    taper: 1,
    backing: 'wall',
    ...more,
  });
const low = (more: Partial<Garland> = {}) =>
  along(
    [
      [1, 1.6],
      [5, 1.6],
    ],
    more,
  );
const high = (more: Partial<Garland> = {}) =>
  along(
    [
      [1, 2.4],
      [5, 2.4],
    ],
    more,
  );
const upright = along([
  [2, 0.6],
  [2, 2.6],
]);

/** Parted into so many equal lengths. */
const even = (sections: number) => Array.from({ length: sections - 1 }, (_, i) => (i + 1) / sections);

function hung(
  piece: Garland,
  {
    spot = wall,
    kg = 0.4,
    sections = 1,
    edit = () => {},
  }: { spot?: Spot; kg?: number; sections?: number; edit?: (file: JobFile) => void } = {},
) {
  const file = jobOf([piece], (one) => {
    one.site.spots = [spot];
    one.site.forbids = [];
    edit(one);
  });
  const found = hangGarland(piece, spot, file, rulesOf(file), even(sections), kg, []);
  const atM = found.points.map(({ at }) => at * garlandLine(piece, spot).lengthM);
  const gaps = atM.slice(1).map((at, i) => at - (atM[i] as number));
  return { ...found, atM, gaps, widest: Math.max(0, ...gaps) };
}
const sum = (numbers: readonly number[]) => numbers.reduce((all, one) => all + one, 0);

test('on a wall: points no further apart than 0.8 m, ends free by 0.3 m at most, each with three times what it bears', () => {
  const { points, atM, widest, isProven, troubles } = hung(low());
  expect(troubles).toEqual([]);
  expect(isProven).toBe(true);
  expect(widest).toBeLessThanOrEqual(0.8 + 1e-9);
  expect(atM[0]).toBeLessThanOrEqual(0.3 + 1e-9);
  expect(atM.at(-1)).toBeGreaterThanOrEqual(4 - 0.3 - 1e-9);
  // 3.4 m between the ends' freedom in steps of 0.8: six points at the least.
  expect(points).toHaveLength(6);
  for (const { factor, method, section, surface, windNPerPa, isLocked } of points) {
    expect([method, section, surface, windNPerPa, isLocked]).toEqual([
      'adhesive-hook',
      0,
      'painted',
      0,
      false,
    ]);
    expect(factor).toBeGreaterThanOrEqual(3);
  }
  // They bear all of it, as the worse of a stiff beam and a limp string.
  expect(sum(points.map(({ loadN }) => loadN))).toBeGreaterThanOrEqual(0.4 * 9.81 - 1e-6);
});

test('overhead every 2 ft, so that one that lets go leaves the others holding; upright three at the least', () => {
  const over = hung(high());
  expect(over.widest).toBeLessThanOrEqual(0.67 + 1e-9);
  expect(over.points.length).toBeGreaterThan(hung(low()).points.length);
  for (const { id } of over.points) expect(over.ifGone.get(id)?.()).toBeGreaterThanOrEqual(1);
  const up = hung(upright, { kg: 0.1 });
  expect(up.points.length).toBe(3);
  expect(up.widest).toBeLessThanOrEqual(1 + 1e-9);
  // One that is reached from a ladder says which: 2.6 m is above the 2.15 m that hands reach.
  expect(up.points.at(-1)?.ladder ?? up.points.at(-1)?.trouble).toBeDefined();
  expect(up.points[0]?.ladder).toBeUndefined();
});

test('each section has points of its own; heavier ones get more, and too heavy ones say so', () => {
  const two = hung(low(), { sections: 2 });
  expect(new Set(two.points.map(({ section }) => section))).toEqual(new Set([0, 1]));
  for (const section of [0, 1]) {
    const own = two.points.filter((point) => point.section === section).map(({ at }) => at * 4);
    expect(own[0]).toBeLessThanOrEqual(2 * section + 0.3 + 1e-9);
    expect(own.at(-1)).toBeGreaterThanOrEqual(2 * section + 2 - 0.3 - 1e-9);
  }
  expect(hung(low(), { kg: 9 }).points.length).toBeGreaterThan(hung(low()).points.length);
  const heavy = hung(low(), { kg: 60 });
  expect(heavy.troubles).toEqual(['Swag: its weight is more than the points can bear 3 times over.']);
  // All that could be had is shown, so that one sees where it fails.
  expect(heavy.points.length).toBeGreaterThan(5);
  expect(heavy.ifGone.size).toBe(0);
});

test('nothing to fix with says why; places too far apart are told; one place alone is not enough', () => {
  const brick = hung(low(), {
    spot: { ...wall, surface: 'brick' },
    edit: (file) => {
      file.site.forbids = ['adhesive'];
    },
  });
  expect(brick.points.length).toBeGreaterThan(0);
  const glass = hung(low(), {
    spot: { ...wall, surface: 'wallpaper' },
  });
  expect(glass.points).toEqual([]);
  expect(glass.troubles[0]).toMatch(/^Swag: nothing is allowed here to fix it with/);
  const unseen = hung(low(), { spot: { ...wall, surface: 'wallpaper', fixings: undefined } });
  expect(unseen.troubles[0]).toContain('What there is to tie to has not been surveyed.');
  const nails = [1.1, 4.9].map((xM, i) => ({ id: `n${i}`, kind: 'nail' as const, xM, yM: 1.6, lengthM: 0 }));
  const far = hung(low(), { spot: { ...wall, surface: 'wallpaper', fixings: nails } });
  expect(far.troubles[0]).toContain('lie too far apart');
});

test('points set by hand stay where they are, with the method chosen; one that may not be holds nothing and says so', () => {
  const locked = hung(
    low({
      hold: {
        points: [
          { id: 'mine', at: 0.37 },
          { id: 'pin', at: 0.6, method: 'pin' },
        ],
      },
    }),
  );
  const mine = locked.points.find(({ id }) => id === 'mine');
  expect(mine).toMatchObject({ at: 0.37, isLocked: true, method: 'adhesive-hook' });
  const pin = locked.points.find(({ id }) => id === 'pin');
  expect(pin).toMatchObject({ method: 'pin', ratingN: 0, factor: 0, trouble: 'it does not hold on painted' });
  expect(locked.troubles.join()).toContain('it does not hold on painted');
  // Whoever sets points by hand may hang a light upright one from two.
  const two = hung(
    {
      ...upright,
      hold: {
        points: [
          { id: 'a', at: 0.1 },
          { id: 'b', at: 0.55 },
        ],
      },
    },
    { kg: 0.05 },
  );
  expect(two.points.length).toBeLessThanOrEqual(3);
});

test('points set by hand at one place are one: found by a file that had them twice', () => {
  const points = [
    { id: 'a', at: 0.05 },
    { id: 'b', at: 0.5 },
    { id: 'twin', at: 0.5 },
    { id: 'c', at: 0.95 },
  ];
  const ids = hung(low({ hold: { points } })).points.map(({ id }) => id);
  expect(ids).toEqual(expect.arrayContaining(['a', 'b', 'c']));
  expect(ids).not.toContain('twin');
});

test('nothing is fixed within what must stay clear', () => {
  const sign = { id: 'z', kind: 'exit' as const, xM: 2.5, yM: 1.2, widthM: 0.5, heightM: 0.8 };
  const { points } = hung(low(), { spot: { ...wall, keepClear: [sign] } });
  expect(points.length).toBeGreaterThan(0);
  expect(points.every(({ spotXYM }) => spotXYM.xM < 2.45 || spotXYM.xM > 3.05)).toBe(true);
});

test('what lies on the floor needs no point; on grass its foot is pegged, unless stakes are forbidden', () => {
  const drop = along([
    [2, 0.15],
    [2, 2.4],
  ]);
  const inside = hung(drop, { kg: 0.1 });
  expect(inside.points.every(({ at }) => at * 2.25 > 0.05)).toBe(true);
  expect(inside.points.some(({ method }) => method === 'foot-peg')).toBe(false);
  const grass: Spot = { ...wall, floor: 'grass' };
  const [peg, ...others] = hung(drop, { spot: grass, kg: 0.1 }).points;
  expect(peg).toMatchObject({
    id: 'foot',
    method: 'foot-peg',
    at: 0,
    loadN: 0,
    factor: 99,
    spotXYM: { xM: 2, yM: 0.15 },
  });
  expect(others.every(({ method }) => method !== 'foot-peg')).toBe(true);
  const forbidden = hung(drop, {
    spot: grass,
    kg: 0.1,
    edit: (file) => {
      file.site.forbids = ['stakes'];
    },
  });
  expect(forbidden.points.some(({ method }) => method === 'foot-peg')).toBe(false);
  expect(hung(low(), { spot: grass }).points.some(({ method }) => method === 'foot-peg')).toBe(false);
  // A point set where it lies bears nothing and is kept.
  const lying = hung({ ...drop, hold: { points: [{ id: 'mine', at: 0.01 }] } }, { kg: 0.1 });
  expect(lying.points.find(({ id }) => id === 'mine')).toMatchObject({
    loadN: 0,
    factor: 99,
    isLocked: true,
  });
});

test('outdoors wind pulls on each point by the width and length that is its own, and asks for more of them', () => {
  const outside = (gustMs: number) =>
    hung(low(), {
      spot: { ...wall, indoors: false, surface: 'brick' },
      kg: 1,
      edit: (file) => {
        file.job.gustMs = gustMs;
      },
    });
  const calm = outside(1);
  // Drag 1.2 on 85 % of an outline of 0.4 by 4 m in all, per pascal.
  expect(sum(calm.points.map(({ windNPerPa }) => windNPerPa))).toBeCloseTo(1.2 * 0.85 * 0.4 * 4, 6);
  expect(outside(16).points.length).toBeGreaterThan(calm.points.length);
});

test('of classes of hooks each point takes the lightest that keeps its factor; overhead no lighter than is sure', () => {
  const hooks = [
    { id: 's', name: 'Small', method: 'adhesive-hook' as const, ratingN: 9 },
    { id: 'l', name: 'Large', method: 'adhesive-hook' as const, ratingN: 40 },
  ];
  const withHooks = (piece: Garland, kg: number) =>
    hung(piece, {
      kg,
      edit: (file) => {
        file.workshop.hooks = hooks;
      },
    });
  expect(new Set(withHooks(low(), 0.3).points.map(({ hook }) => hook?.name))).toEqual(new Set(['Small']));
  expect(withHooks(low(), 3).points.some(({ hook }) => hook?.name === 'Large')).toBe(true);
  const over = withHooks(high(), 1.2);
  for (const { id, factor } of over.points) {
    expect(factor).toBeGreaterThanOrEqual(3 - 1e-9);
    expect(over.ifGone.get(id)?.()).toBeGreaterThanOrEqual(1);
  }
});

test('on a stand it is tied to the stand; where it does not reach that, it says so', () => {
  const stand = made('backdrop', 'Stand', { what: 'curtain', at: { xM: 3, yM: 0 }, widthM: 4, heightM: 2 });
  const on = (piece: Garland) => {
    const garland = { ...piece, on: { pieceId: 'Stand', part: 'top-bar' as const } };
    const file = jobOf([stand, garland]);
    return hangGarland(garland, file.site.spots[0] as Spot, file, rulesOf(file), [], 0.4, []);
  };
  const tied = on(
    along([
      [1.1, 1.95],
      [4.9, 1.95],
    ]),
  );
  expect(tied.points.every(({ on: part }) => part?.pieceId === 'Stand' && part.part === 'top-bar')).toBe(
    true,
  );
  expect(tied.points.length).toBeGreaterThan(3);
  expect(
    on(
      along([
        [8, 3],
        [11, 3],
      ]),
    ).troubles,
  ).toEqual(['Swag: it does not reach what it hangs on; move it there, or choose what carries it.']);
});
