import { containerSet, randomLoad } from '../test/cargo.ts';
import {
  boxesMeet,
  type Cargo,
  type CargoSpace,
  type Loaded,
  type PlacedBox,
  volumeOf,
  waysToLie,
} from './cargo.ts';
import { violationsOf } from './check.ts';
import { LoadSearch } from './pack.ts';

const open = (l: number, w: number, h: number, more: Partial<CargoSpace> = {}): CargoSpace => ({
  l,
  w,
  h,
  blocked: [],
  door: { w, h },
  payloadG: Infinity,
  ...more,
});
const thing = (id: string, l: number, w: number, h: number, more: Partial<Cargo> = {}): Cargo => ({
  id,
  size: { l, w, h },
  upright: ['h'],
  massG: 1000,
  bearsG: Infinity,
  stop: 1,
  ...more,
});
function loadOf(cargo: readonly Cargo[], space: CargoSpace, tries = 60, seed = 1) {
  const search = new LoadSearch(cargo, space, seed);
  search.run(tries);
  return search.answer();
}

test('500 random loads of vans with up to three stops break no rule, and leave nothing out unsaid', () => {
  for (let seed = 1; seed <= 500; seed++) {
    const { cargo, space } = randomLoad(seed);
    const { loaded, unplaced, usedShare } = loadOf(cargo, space, 4, seed);
    expect([seed, violationsOf(loaded, cargo, space)]).toEqual([seed, []]);
    expect([...loaded.map(({ id }) => id), ...unplaced].sort()).toEqual(cargo.map(({ id }) => id).sort());
    const volume = loaded.reduce((sum, box) => sum + volumeOf(box), 0);
    expect(usedShare).toBeCloseTo(volume / volumeOf(space), 9);
  }
});

/** Whether all boxes go in somehow: every order, every way to lie, every corner that touches others or the walls. */
function goesSomehow(cargo: readonly Cargo[], space: CargoSpace): boolean {
  const put = (left: readonly Cargo[], placed: readonly PlacedBox[]): boolean => {
    if (left.length === 0) return true;
    const at = (axis: 'x' | 'y' | 'z', long: 'l' | 'w' | 'h') => [
      ...new Set([0, ...placed.map((box) => box[axis] + box[long])]),
    ];
    const [xs, ys, zs] = [at('x', 'l'), at('y', 'w'), at('z', 'h')];
    return left.some((one, i) =>
      waysToLie(one).some((way) =>
        xs.some((x) =>
          ys.some((y) =>
            zs.some((z) => {
              const box = { x, y, z, ...way };
              if (x + way.l > space.l || y + way.w > space.w || z + way.h > space.h) return false;
              if (placed.some((other) => boxesMeet(other, box))) return false;
              // Carried on its whole base, as the search does it: by the floor or by one other thing.
              const stands =
                z === 0 ||
                placed.some(
                  (p) =>
                    p.z + p.h === z &&
                    p.x <= x &&
                    p.y <= y &&
                    p.x + p.l >= x + way.l &&
                    p.y + p.w >= y + way.w,
                );
              return (
                stands &&
                put(
                  left.filter((_, j) => j !== i),
                  [...placed, box],
                )
              );
            }),
          ),
        ),
      ),
    );
  };
  return put(cargo, []);
}

test('up to four boxes are all placed whenever looking at every way finds that they go', () => {
  let went = 0;
  for (let seed = 1; seed <= 80; seed++) {
    let state = seed * 7919;
    const from = (low: number, high: number) => {
      state = (state * 48271) % 2147483647;
      return low + (state % (high - low + 1));
    };
    const space = open(from(4, 7), from(4, 6), from(3, 5));
    const cargo = Array.from({ length: from(2, 4) }, (_, i) =>
      thing(`b${i}`, from(2, 5), from(2, 4), from(1, 4), { upright: ['h', 'w', 'l'] }),
    );
    const all = goesSomehow(cargo, space);
    if (all) went += 1;
    const { unplaced } = loadOf(cargo, space, 400, seed);
    expect([seed, unplaced.length === 0]).toEqual([seed, all]);
  }
  // Neither all nor none, or the test would say nothing.
  expect(went).toBeGreaterThan(12);
  expect(went).toBeLessThan(75);
});

describe('the checker names what is wrong', () => {
  const cargo = [
    thing('crate', 10, 10, 10, { bearsG: 1500 }),
    thing('box', 10, 10, 10),
    thing('late', 10, 10, 10, { stop: 2 }),
    thing('bag', 10, 10, 10, { bearsG: 0 }),
  ];
  const space = open(40, 20, 30, {
    blocked: [{ x: 30, y: 0, z: 0, l: 10, w: 5, h: 5 }],
    payloadG: 3500,
    door: { w: 10, h: 10 },
  });
  const at = (id: string, x: number, y: number, z: number, more: Partial<Loaded> = {}): Loaded => ({
    id,
    x,
    y,
    z,
    l: 10,
    w: 10,
    h: 10,
    ...more,
  });
  test.each<[string, Loaded[], { rule: string; id: string; with?: string }[]]>([
    ['nothing', [at('late', 0, 0, 0), at('crate', 10, 0, 0), at('box', 10, 0, 10)], []],
    ['out through the wall', [at('crate', 35, 10, 0)], [{ rule: 'inside', id: 'crate' }]],
    ['on a wheel arch', [at('crate', 25, 0, 0)], [{ rule: 'inside', id: 'crate' }]],
    [
      'in each other',
      [at('crate', 0, 0, 0), at('box', 5, 5, 0)],
      [{ rule: 'overlap', id: 'crate', with: 'box' }],
    ],
    [
      'two thirds of its base on air',
      [at('crate', 0, 0, 0), at('box', 6, 0, 10)],
      [{ rule: 'support', id: 'box' }],
    ],
    ['a fifth over the edge is carried', [at('crate', 0, 0, 0), at('box', 2, 0, 10)], []],
    ['lying as it must not', [at('crate', 0, 0, 0, { l: 5 })], [{ rule: 'way', id: 'crate' }]],
    ['on balloons', [at('bag', 0, 0, 0), at('box', 0, 0, 10)], [{ rule: 'bears', id: 'bag' }]],
    [
      'two on what bears one and a half',
      [at('crate', 0, 0, 0), at('box', 0, 0, 10), at('bag', 0, 0, 20)],
      [{ rule: 'bears', id: 'crate' }],
    ],
    [
      'the second stop before the first',
      [at('crate', 0, 0, 0), at('late', 10, 0, 0)],
      [{ rule: 'order', id: 'crate', with: 'late' }],
    ],
    [
      'the second stop on the first',
      [at('crate', 0, 0, 0), at('late', 0, 0, 10)],
      [{ rule: 'order', id: 'crate', with: 'late' }],
    ],
    [
      'too heavy in all',
      [at('crate', 0, 0, 0), at('box', 0, 10, 0), at('late', 10, 0, 0), at('bag', 10, 10, 0)],
      [
        { rule: 'order', id: 'crate', with: 'late' },
        { rule: 'payload', id: 'bag' },
      ],
    ],
    ['unknown or twice', [at('crate', 0, 0, 0), at('crate', 10, 0, 0)], [{ rule: 'known', id: 'crate' }]],
  ])('%s', (_, loaded, wrong) => expect(violationsOf(loaded, cargo, space)).toEqual(wrong));

  test('too large for the door', () => {
    const shut = open(40, 20, 30, { door: { w: 9, h: 30 } });
    expect(violationsOf([at('crate', 0, 0, 0)], cargo, shut)).toEqual([{ rule: 'door', id: 'crate' }]);
  });
});

test('what does not go through the door stays out; a long thing goes in end first', () => {
  const space = open(300, 150, 150, { door: { w: 100, h: 80 } });
  const { loaded, unplaced } = loadOf([thing('wide', 120, 110, 90), thing('pole', 290, 10, 10)], space);
  expect(loaded.map(({ id }) => id)).toEqual(['pole']);
  expect(unplaced).toEqual(['wide']);
});

test('a van takes no more than its payload, whatever room is left', () => {
  const crates = Array.from({ length: 10 }, (_, i) => thing(`c${i}`, 10, 10, 10, { massG: 20_000 }));
  const { loaded } = loadOf(crates, open(100, 100, 100, { payloadG: 90_000 }));
  expect(loaded).toHaveLength(4);
});

test('half and half of a full floor for two stops: the second lies deeper', () => {
  const cargo = [1, 2].flatMap((stop) =>
    Array.from({ length: 4 }, (_, i) => thing(`s${stop}-${i}`, 10, 10, 10, { stop })),
  );
  const { loaded, unplaced } = loadOf(cargo, open(40, 20, 10));
  expect(unplaced).toEqual([]);
  const deepest = (stop: number) =>
    Math.max(...loaded.filter(({ id }) => id.startsWith(`s${stop}`)).map(({ x }) => x));
  expect([deepest(2), deepest(1)]).toEqual([10, 30]);
});

test('a search goes on from where it was, never comes to less, and ends when everything is in', () => {
  const { cargo, space } = containerSet(8, 3);
  const search = new LoadSearch(cargo, space);
  let before = 0;
  for (let i = 0; i < 5; i++) {
    search.run(4);
    const { usedShare, loaded } = search.answer();
    expect(usedShare).toBeGreaterThanOrEqual(before);
    expect(violationsOf(loaded, cargo, space)).toEqual([]);
    before = usedShare;
  }
  expect(search.tried).toBe(20);
  expect(before).toBeGreaterThan(0.8);
  const easy = new LoadSearch(cargo.slice(0, 5), space);
  easy.run(100);
  expect([easy.isComplete, easy.tried]).toEqual([true, 1]);
});
