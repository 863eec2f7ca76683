import type { KeepClear, PieceOf, Site, Spot } from '@early-lantern/contract';
import { hall, jobOf, made, paintedPlace } from '../test/carried.ts';
import { garlandLine, garlandLoads, nearestAlong } from './garland-line.ts';
import { bestMethod, hookFor, methodOf, ratingAt, refusal } from './methods.ts';
import { placeOnPart, placeOnParts } from './on-parts.ts';
import { intrusion, isTooNarrow, keptClear, leafOf, placeAt, walkwayM } from './place.ts';
import { floorUnder, handsM, standingHeightM } from './reach.ts';
import { sectionOrder } from './section-order.ts';

const wall: Spot = { ...hall, kind: 'wall', surface: 'brick', widthM: 8, heightM: 3 };
const site = (more: Partial<Site> = {}): Site => ({ ...jobOf([]).site, indoors: true, forbids: [], ...more });
const rod = { id: 'rod', kind: 'rod' as const, xM: 2, yM: 2.5, lengthM: 3 };
const nail = { id: 'nail', kind: 'nail' as const, xM: 6, yM: 2, lengthM: 0 };

describe('a place', () => {
  const at = (xM: number, yM: number, spot: Spot = { ...wall, fixings: [rod, nail] }) =>
    placeAt(spot, site(), { xM, yM });

  // A rod is reached by a line let down 2.5 m, or from 0.35 m above it; a nail within 0.35 m of it. From memory.
  test.each([
    [3, 2.5, 'rod'],
    [2, 0, 'rod'],
    [1.94, 1, undefined],
    [5.05, 1, 'rod'],
    [5.06, 1, undefined],
    [3, 2.84, 'rod'],
    [3, 2.86, undefined],
    [6, 2, 'nail'],
    [6.2, 2.2, 'nail'],
    [6.3, 2.3, undefined],
  ])('at %d, %d has %s', (xM, yM, fixing) => expect(at(xM, yM).fixingId).toBe(fixing));

  test('of several the one level with it; its surface by region; trees, stairs, fences and stands are tied to anywhere', () => {
    const two = { ...wall, fixings: [rod, { ...rod, id: 'low', yM: 1.2 }] };
    expect(at(3, 1, two).fixingId).toBe('low');
    expect(at(3, 2.2, two).fixingId).toBe('rod');
    const tiled = {
      ...wall,
      regions: [{ id: 't', name: 'Tiles', surface: 'tile' as const, xM: 1, yM: 0, widthM: 1, heightM: 1 }],
    };
    expect(
      [at(1, 1, tiled), at(2, 0, tiled), at(2.01, 0, tiled), at(1.5, 1.01, tiled)].map(
        ({ surface }) => surface,
      ),
    ).toEqual(['tile', 'tile', 'brick', 'brick']);
    const kinds = ['tree', 'stair', 'fence', 'backdrop-stand', 'wall'] as const;
    expect(kinds.map((kind) => at(7, 1, { ...wall, kind, fixings: [] }).fixing)).toEqual([
      'branch',
      'frame',
      'frame',
      'frame',
      undefined,
    ]);
  });

  test('air behind open floor and tables; overhead under a ceiling; outdoors as its spot says, else its site', () => {
    const kinds = ['open-floor', 'table', 'wall'] as const;
    expect(kinds.map((kind) => at(7, 1, { ...wall, kind, fixings: [] }).isAir)).toEqual([true, true, false]);
    const ceiling: Spot = { ...wall, kind: 'ceiling-run', fixings: [] };
    expect([at(1, 0.5, ceiling).isAir, at(1, 0.49, ceiling).isAir, at(1, 2, ceiling).isOverhead]).toEqual([
      false,
      true,
      true,
    ]);
    expect(at(1, 2.9).isOverhead).toBe(false);
    expect(placeAt(wall, site({ indoors: false }), { xM: 1, yM: 1 }).isOutdoors).toBe(true);
    expect(placeAt({ ...wall, indoors: true }, site({ indoors: false }), { xM: 1, yM: 1 }).isOutdoors).toBe(
      false,
    );
  });
});

describe('what is kept clear', () => {
  const zone = (kind: KeepClear['kind'], more: Partial<KeepClear> = {}): KeepClear => ({
    id: 'z',
    kind,
    xM: 2,
    yM: 1,
    widthM: 1,
    heightM: 0.5,
    ...more,
  });

  test('its margins: heat all round, a sprinkler as far as it covers and 18 in. below (NFPA 13), a line overhead 3 m', () => {
    const edges = (kind: KeepClear['kind']) => {
      const { from, to } = keptClear(zone(kind));
      return [from.x, from.y, to.x, to.y].map((value) => Number(value.toFixed(4)));
    };
    expect(edges('exit')).toEqual([2, 1, 3, 1.5]);
    expect(edges('heater')).toEqual([1.1, 0.1, 3.9, 2.4]);
    expect(edges('candle')).toEqual([1.1, 0.7, 3.9, 2.4]);
    expect(edges('sprinkler')).toEqual([-0.286, 0.5428, 5.286, 3.786]);
    expect(edges('power-line')).toEqual([-1, -2, 6, 4.5]);
    expect(edges('alarm')).toEqual([1.9, 0.9, 3.1, 1.6]);
  });

  test('how deep a ball reaches in; a zone of its own depth lets pass what is nearer to the wall or further out', () => {
    expect(intrusion(zone('exit'), { xM: 1.9, yM: 1.2 }, 0.3)).toBeCloseTo(0.2, 9);
    expect(intrusion(zone('exit'), { xM: 1.6, yM: 1.2 }, 0.3)).toBe(0);
    expect(intrusion(zone('exit'), { xM: 2.5, yM: 1.2 }, 0.3)).toBeCloseTo(0.3, 9);
    const walk = zone('walkway', { frontM: 1, depthM: 2 });
    const reach = (from: number, to: number) => intrusion(walk, { xM: 2.5, yM: 1.2 }, 0.3, { from, to });
    expect([reach(0, 0.5), reach(3.4, 4)]).toEqual([0, 0]);
    expect(reach(0, 0.9)).toBeCloseTo(0.2, 9);
    expect(reach(0, 1.4)).toBeCloseTo(0.3, 9);
    expect(reach(3.1, 4)).toBeCloseTo(0.2, 9);
    // A door sweeps as far as its leaf is wide: of two leaves half as far.
    const door = (swing: KeepClear['swing']) =>
      keptClear(zone('exit', { frontM: 0.2, depthM: 0.3, widthM: 1.6, swing })).to.z;
    expect([door('left'), door('both'), door(undefined)]).toEqual([1.6, 0.8, 0.5]);
    expect([leafOf(zone('exit', { swing: 'both' })), leafOf(zone('exit'))]).toEqual([0.5, 1]);
  });

  test('a walkway is as wide as its shorter side, and 36 in. at the least (ADA 2010, 403.5.1)', () => {
    expect([walkwayM(zone('walkway')), walkwayM(zone('walkway', { depthM: 0.7 }))]).toEqual([1, 0.7]);
    expect([0.9, 0.9144, 2].map((depthM) => isTooNarrow(zone('walkway', { depthM })))).toEqual([
      true,
      false,
      false,
    ]);
    expect(isTooNarrow(zone('exit', { depthM: 0.5 }))).toBe(false);
  });
});

describe('a garland’s line', () => {
  const garland = (line: [number, number][], more: Partial<PieceOf<'organic-garland'>> = {}) =>
    made('organic-garland', 'g', {
      line: line.map(([xM, yM]) => ({ xM, yM })),
      widthM: 0.6,
      taper: 0.5,
      ...more,
    });

  test('level, upright and overhead by its slope and height; thinner to its tip; resting where its underside is', () => {
    const level = garlandLine(
      garland([
        [1, 2.2],
        [5, 2.2],
      ]),
      wall,
    );
    expect(level.lengthM).toBeCloseTo(4, 3);
    expect(level.at(1)).toMatchObject({
      xM: expect.closeTo(2, 3),
      yM: expect.closeTo(2.2, 6),
      steep: expect.closeTo(0, 6),
    });
    expect([level.isOverhead(2), level.isUpright(2)]).toEqual([true, false]);
    expect([0, 2, 4].map((along) => Number(level.widthAt(along).toFixed(4)))).toEqual([0.6, 0.45, 0.3]);
    expect(
      garlandLine(
        garland([
          [1, 1.9],
          [5, 1.9],
        ]),
        wall,
      ).isOverhead(2),
    ).toBe(false);
    expect(
      garlandLine(
        garland([
          [1, 1.9],
          [5, 1.9],
        ]),
        { ...wall, kind: 'ceiling-run' },
      ).isOverhead(2),
    ).toBe(true);
    const up = garlandLine(
      garland([
        [1, 0.1],
        [1, 2.6],
      ]),
      wall,
    );
    expect([up.at(1).steep, up.isUpright(1), up.isOverhead(2.4)]).toEqual([
      expect.closeTo(1, 6),
      true,
      false,
    ]);
    // Its middle is 0.3 m up where its underside leaves the floor: a little over 0.2 m along, in steps of 0.05 m.
    expect(up.restsM).toBeCloseTo(0.2, 1);
    expect(level.restsM).toBe(0);
    // 45° is neither.
    const slope = garlandLine(
      garland([
        [1, 0.5],
        [3, 2.5],
      ]),
      wall,
    );
    expect([slope.isUpright(1), slope.isOverhead(2.7)]).toEqual([false, false]);
  });

  test('its weight lies along it as the square of its width, with what is put on it where that is', () => {
    const line = garlandLine(
      garland([
        [1, 2.2],
        [5, 2.2],
      ]),
      wall,
    );
    const loads = garlandLoads(line, 2, [{ at: 0.5, massKg: 0.3 }]);
    const sum = (of: typeof loads) => of.reduce((all, { loadN }) => all + loadN, 0);
    expect(sum(loads)).toBeCloseTo(2.3 * 9.81, 6);
    expect(loads.map(({ atM }) => atM)).toEqual([...loads.map(({ atM }) => atM)].sort((a, b) => a - b));
    const dressing = loads.filter(({ loadN }) => loadN < 2.9);
    expect(dressing).toHaveLength(40);
    // Twice as wide at the thick end: four times as heavy there, but for half a step.
    expect((dressing[0]?.loadN as number) / (dressing.at(-1)?.loadN as number)).toBeCloseTo(
      (0.59625 / 0.30375) ** 2,
      3,
    );
    expect(loads.find(({ loadN }) => loadN >= 2.9)).toEqual({
      atM: expect.closeTo(2, 3),
      loadN: expect.closeTo(2.943, 3),
    });
  });

  test('the place on it nearest to a point', () => {
    const piece = garland([
      [1, 2],
      [5, 2],
    ]);
    expect(nearestAlong(piece, wall, { xM: 2, yM: 0 })).toBeCloseTo(0.25, 2);
    expect(nearestAlong(piece, wall, { xM: 9, yM: 3 })).toBe(1);
    expect(nearestAlong(piece, wall, { xM: -9, yM: 3 })).toBe(0);
  });
});

test('the heaviest section goes up first; of sections alike the lower, then the first', () => {
  const point = (section: number, loadN: number, yM: number) => ({ section, loadN, spotXYM: { xM: 0, yM } });
  const { order, working } = sectionOrder([
    point(0, 2, 1),
    point(1, 3, 2),
    point(1, 3, 2),
    point(2, 2.04, 0.5),
    point(3, 2, 1),
  ]);
  expect(order).toEqual([1, 2, 0, 3]);
  expect(working).toMatchObject({ value: 2 });
  expect(working.inputs.map(({ name, value }) => [name, value])).toEqual([
    ['section 2', 6],
    ['section 3', 2.04],
    ['section 1', 2],
    ['section 4', 2],
  ]);
  expect(sectionOrder([]).working.value).toBe(1);
});

describe('ways of fixing', () => {
  const place = paintedPlace;
  const hooks = [
    { id: 's', name: 'Small', method: 'adhesive-hook' as const, ratingN: 5 },
    { id: 'l', name: 'Large', method: 'adhesive-hook' as const, ratingN: 20 },
  ];

  test('why not: each reason at its place', () => {
    expect(refusal('pole-twist', place({ part: 'pole' }))).toBe(
      'only a garland holds itself by its own balloons',
    );
    expect(refusal('pole-twist', place({ part: 'pole', isGarland: true }))).toBeUndefined();
    expect(refusal('pin', place({ part: 'board' }))).toBe('it does not go on a board');
    expect(refusal('foot-peg', place())).toBe('it goes into the ground at the foot');
    expect(refusal('bar-clamp', place())).toBe('it goes on a bar of another piece');
    expect(refusal('nail', place())).toBe('there is no nail at this point');
    expect(refusal('pin', place({ surface: 'fabric', isAir: true }))).toBe('there is nothing behind it');
    expect(refusal('pin', place({ surface: 'glass' }))).toBe('it does not hold on glass');
    expect(refusal('adhesive-hook', place({ conditions: ['hot'] }))).toBe('it is hot there');
    expect(() => methodOf('spell' as never)).toThrow(/spell/);
  });

  test('a rating is the workshop’s strongest class, else its own figure, else the usual; less where it peels or slips', () => {
    const usual = methodOf('adhesive-hook').ratingN;
    const { peel = 1, shear = 1 } = methodOf('adhesive-hook');
    expect(ratingAt('adhesive-hook', place(), {})).toBeCloseTo(usual * shear, 9);
    expect(ratingAt('adhesive-hook', place({ isOverhead: true }), {})).toBeCloseTo(usual * peel, 9);
    expect(peel).toBeLessThan(1);
    expect(ratingAt('adhesive-hook', place(), { ratingsN: { 'adhesive-hook': 9 } })).toBeCloseTo(
      9 * shear,
      9,
    );
    expect(ratingAt('adhesive-hook', place(), { ratingsN: { 'adhesive-hook': 9 }, hooks })).toBeCloseTo(
      20 * shear,
      9,
    );
    expect(ratingAt('brick-clip', place(), { hooks })).toBe(methodOf('brick-clip').ratingN);
  });

  test('the lightest class with 15 % to spare over what is asked, else the strongest; none where there are none', () => {
    const { shear = 1 } = methodOf('adhesive-hook');
    const just = (5 * shear) / (3 * 1.15);
    const of = (loadN: number) =>
      hookFor('adhesive-hook', place(), { hooks: [...hooks].reverse() }, 3, loadN)?.id;
    expect([of(just * 0.999), of(just * 1.001), of(99)]).toEqual(['s', 'l', 'l']);
    expect(hookFor('brick-clip', place(), { hooks }, 3, 1)).toBeUndefined();
  });

  test('the simplest that holds what is wanted, else the one that holds most', () => {
    const tile = place({ surface: 'tile' });
    const { shear = 1 } = methodOf('adhesive-hook');
    expect(bestMethod(tile, {}, 1)?.method).toBe('adhesive-hook');
    expect(bestMethod(tile, {}, 22.2 * shear + 1)?.method).toBe('suction-hook');
    expect(bestMethod(tile, {}, 999)?.method).toBe('suction-hook');
    expect(bestMethod(place({ isAir: true }), {}, 1)).toBeUndefined();
  });
});

test('on a part of its carrier: the chosen one where it bears anything, else what holds most within 0.35 m', () => {
  const stand = made('backdrop', 'stand', { what: 'curtain', at: { xM: 4, yM: 0 }, widthM: 3, heightM: 2.4 });
  const piece = made('organic-garland', 'g', { on: { pieceId: 'stand', part: 'face' } });
  const file = jobOf([stand, piece]);
  const spot = file.site.spots[0] as Spot;
  const on = (part: 'face' | 'top-bar', xM: number, yM: number) =>
    placeOnParts({ ...piece, on: { pieceId: 'stand', part } }, file, { x: xM, y: yM }, spot)?.on.part;
  // Cloth bears next to nothing: beside its bar the bar is taken, in its middle there is but the cloth.
  expect(on('face', 4, 2.3)).toBe('top-bar');
  expect(on('top-bar', 4, 2.3)).toBe('top-bar');
  expect(on('face', 4, 1.2)).toBe('face');
  expect(on('top-bar', 4, 3)).toBeUndefined();
  expect(placeOnParts(made('organic-garland', 'h'), file, { x: 4, y: 2 }, spot)).toBeUndefined();
  expect(placeOnPart('mesh', spot, file)).toMatchObject({
    surface: 'mesh',
    part: 'mesh',
    isOverhead: false,
    isOutdoors: false,
  });
});

test('hands go up to half a width below the top, unless a piece is made lower down; a stair lifts whoever stands on it', () => {
  expect(handsM({ topM: 3, visibleWidthM: 0.8 })).toBeCloseTo(2.6, 9);
  expect(handsM({ topM: 3, visibleWidthM: 0.8, handsUpToM: 1.2 })).toBe(1.2);
  const stair = (up: 'left' | 'right') => ({ ...wall, widthM: 4, stair: { up, riseM: 2 } });
  expect([-1, 0, 1, 4, 9].map((xM) => floorUnder(stair('right'), xM))).toEqual([0, 0, 0.5, 2, 2]);
  expect([-1, 0, 1, 4, 9].map((xM) => floorUnder(stair('left'), xM))).toEqual([2, 2, 1.5, 0, 0]);
  expect(floorUnder(wall, 1)).toBe(0);
  const file = jobOf([], ({ workshop }) => {
    workshop.ladders = [{ id: 'a', name: 'A', kind: 'step', standM: 1.1, dutyKg: 100 }];
  });
  expect(standingHeightM(file)).toBe(1.1);
});
