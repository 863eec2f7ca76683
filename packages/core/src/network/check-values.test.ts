import type { JobFile, Piece, Plan } from '@early-lantern/contract';
import { draftPlan } from '../plan.ts';
import { METRES_PER_FOOT } from '../quantity/length.ts';
import { curtainStand, hall, jobOf, made, towersWithArch } from '../test/carried.ts';

const FT = METRES_PER_FOOT;

/** Ids of a plan's tasks in the order of their start, of one run. */
function ordered({ tasks }: Plan, trip: 'set-up' | 'strike' = 'set-up'): string[] {
  return tasks
    .filter((task) => task.trip === trip)
    .sort((a, b) => Date.parse(a.start) - Date.parse(b.start))
    .map(({ id }) => id);
}

/** Each task ends before the next one named begins. */
function expectInTurn({ tasks }: Plan, ids: readonly string[]): void {
  const at = (id: string) => tasks.find((task) => task.id === id);
  for (const [i, id] of ids.entries()) {
    expect([id, at(id) !== undefined]).toEqual([id, true]);
    const next = ids[i + 1];
    if (next)
      expect([id, Date.parse(at(id)?.end ?? '') <= Date.parse(at(next)?.start ?? '')]).toEqual([id, true]);
  }
}

const materials = (plan: Plan) => new Map(plan.totals.materials.map(({ label, count }) => [label, count]));
const cardOf = (plan: Plan, id: string) => plan.pieces.find((piece) => piece.id === id)?.steps ?? [];

// All orders of this file: common practice, no source.
test('a 15 ft garland in two halves on a curtain stand: stand, cloth, pins, clamps with loops, halves, join, accent', () => {
  const plan = draftPlan(jobOf(curtainStand()));
  expectInTurn(plan, ['stand--frame', 'stand--cloth', 'stand--pins', 'overhead-half--loops']);
  expectInTurn(plan, ['stand--pins', 'upright-half--hang', 'overhead-half--hang', 'overhead-half--join']);
  expectInTurn(plan, ['overhead-half--join', 'big-round--place', 'overhead-half--fill']);
  const held = (id: string) => plan.holds.pieces.find((piece) => piece.id === id);
  // On the bar a clamp over a loop, on the upright two balloons twisted round; nothing sticks, nothing cures.
  const onBar = held('overhead-half')?.points ?? [];
  expect(onBar.length).toBeGreaterThanOrEqual(4);
  for (const point of onBar) expect([point.method, point.on?.pieceId]).toEqual(['bar-clamp', 'stand']);
  for (const { method } of held('upright-half')?.points ?? []) expect(method).toBe('pole-twist');
  expect(plan.tasks.some(({ id }) => /hooks|cure|photograph/.test(id))).toBe(false);
  expect(plan.lamps.holds.state).toBe('lit');
  expect(materials(plan).get('Clamp')).toBe(onBar.length);
  // The strike is the reverse, carried things first.
  expectInTurn(plan, ['big-round--down', 'overhead-half--down', 'upright-half--down', 'stand--apart']);
  // Card and clock are read from the same steps.
  expect(cardOf(plan, 'overhead-half').some((step) => step.startsWith('Join 1 pair of ends.'))).toBe(true);
});

test('two towers, an arch and two chains: bases, poles, layers, roofs, arch, chains; the arch is 15 duplets', () => {
  const plan = draftPlan(jobOf(towersWithArch()));
  for (const tower of ['left-tower', 'right-tower'])
    expectInTurn(plan, [
      `${tower}--frame`,
      `${tower}--pole`,
      `${tower}--layers`,
      `${tower}--roof`,
      'arch--hang',
    ]);
  expectInTurn(plan, ['arch--hang', 'left-chain--hang']);
  expectInTurn(plan, ['arch--hang', 'right-chain--hang']);
  // A chain has a weighted foot under the end that hangs on nothing else; feet are set with the other bases.
  const feet = draftPlan(
    jobOf(towersWithArch().map((piece) => (piece.kind === 'chain' ? { ...piece, bases: 2 } : piece))),
  );
  for (const id of ['left-chain', 'right-chain']) {
    expect(feet.pieces.find((piece) => piece.id === id)?.materials).toContainEqual(
      expect.objectContaining({ item: 'weighted-base', count: 1 }),
    );
    expectInTurn(feet, [`${id}--frame`, 'arch--hang']);
  }
  expectInTurn(plan, ['left-chain--down', 'arch--down', 'left-tower--down', 'left-tower--apart']);
  // Duplets of 8 and 7½ in. between towers 81 in. apart: 15.
  expect(plan.pieces.find(({ id }) => id === 'arch')?.clusters).toBe(15);
  const arch = plan.holds.pieces.find(({ id }) => id === 'arch');
  expect(arch?.troubles).toEqual([]);
  expect(arch?.points.map(({ on }) => on?.pieceId)).toEqual(['left-tower', 'right-tower']);
});

test('three garlands on a two-column panel wall: columns stand before the middle one goes over the crossbar', () => {
  const side = 20 * 0.0254;
  const wall = made('panel-wall', 'wall', { at: { xM: 4, yM: 0 }, columns: 2, rows: 4, sides: null });
  const garland = (id: string, xM: number, part: 'gap' | 'crossbar') =>
    made('organic-garland', id, {
      line: [
        { xM, yM: 0.4 },
        { xM, yM: 4 * side },
      ],
      sections: 1,
      on: { pieceId: 'wall', part },
    });
  const plan = draftPlan(
    jobOf([
      garland('middle', 4, 'gap'),
      garland('left', 4 - side, 'crossbar'),
      garland('right', 4 + side, 'crossbar'),
      wall,
    ]),
  );
  expectInTurn(plan, ['wall--frame', 'wall--lean', 'middle--hang']);
  expectInTurn(plan, ['wall--panels', 'wall--lean']);
  const middle = plan.holds.pieces.find(({ id }) => id === 'middle');
  expect(middle?.points.at(-1)).toMatchObject({ method: 'over-bar', on: { pieceId: 'wall', part: 'gap' } });
  expect(cardOf(plan, 'middle').join(' ')).toContain('over the bar between its first and second quad');
});

test('a stand says which weights go on it, as the list of things has them; one that stands without says nothing', () => {
  const stand = made('backdrop', 'stand');
  const garland = made('organic-garland', 'garland', {
    line: [stand.at.xM - 1.4, stand.at.xM + 1.4].map((xM) => ({ xM, yM: stand.heightM })),
    on: { pieceId: 'stand', part: 'top-bar' },
  });
  const outdoors = (file: JobFile) => {
    file.site.indoors = false;
    file.site.spots = [{ ...hall, floor: 'paving' }];
    file.job.gustMs = 4;
  };
  const frameOf = (pieces: Piece[]) => {
    const plan = draftPlan(jobOf(pieces, outdoors));
    const task = plan.tasks.find(({ id }) => id === 'stand--frame');
    const taken = plan.totals.materials.filter(({ item }) => item === 'weight');
    return { label: task?.label ?? '', taken };
  };
  const inside = draftPlan(jobOf([stand])).tasks.find(({ id }) => id === 'stand--frame');
  expect(inside?.label).toBe('stand: set the stand');
  const loaded = frameOf([stand, garland]);
  expect(loaded.taken.length).toBeGreaterThan(0);
  // As many in the list as on all its bases together.
  const [, each, name, bases] = loaded.label.match(/on \((\d+) × ([a-z ]+) on each of (\d) bases\)$/) ?? [];
  expect(loaded.taken).toMatchObject([{ count: Number(each) * Number(bases) }]);
  expect(loaded.taken[0]?.label).toContain(name);
});

test('two garlands on three boards on a lawn: furniture first, the foot pulled down by a nail and a 260', () => {
  const boards = made('backdrop', 'boards', {
    at: { xM: 4, yM: 0 },
    what: 'boards',
    widthM: 3,
    heightM: 2,
    unitWidthM: 1,
  });
  const chairs = made('furnishing', 'chairs', {
    at: { xM: 7, yM: 0 },
    items: [
      { name: 'Folding chair', count: 48, minutesEach: 0.5, massKg: 4, widthM: 0.45, heightM: 0.8 },
      { name: 'Table, 6 ft', count: 7, minutesEach: 4, massKg: 14, widthM: 1.83, heightM: 0.74 },
    ],
  });
  const garland = (id: string, xM: number) =>
    made('organic-garland', id, {
      line: [
        { xM, yM: 0.1 },
        { xM, yM: 1.9 },
      ],
      sections: 1,
      on: { pieceId: 'boards', part: 'edge' },
    });
  const lawn = (file: JobFile) => {
    file.site.indoors = false;
    file.site.spots = [{ ...hall, floor: 'grass' }];
    file.site.forbids = [];
  };
  const plan = draftPlan(jobOf([garland('left', 2.5), garland('right', 5.5), boards, chairs], lawn));
  expectInTurn(plan, ['chairs--frame', 'boards--frame', 'boards--boards', 'left--hang', 'left--foot']);
  expect(materials(plan).get('Stake or long nail')).toBe(2);
  // 48 chairs and 7 tables: counted in materials, told on the run sheet, and their minutes taken.
  expect(materials(plan).get('Furnishing: Folding chair')).toBe(48);
  expect(materials(plan).get('Furnishing: Table, 6 ft')).toBe(7);
  const place = plan.tasks.find(({ id }) => id === 'chairs--frame');
  expect(place?.label).toContain('48 × Folding chair, 7 × Table, 6 ft');
  expect((place?.usualS ?? 0) * (place?.crew.length ?? 0)).toBeGreaterThanOrEqual(
    (48 * 0.5 + 7 * 4) * 60 * 0.9,
  );
  expect(
    plan.holds.pieces.find(({ id }) => id === 'left')?.points.some(({ method }) => method === 'tie'),
  ).toBe(true);
});

test('a sign on the pole of a standing garland is fixed before the garland goes round it', () => {
  const sign = made('backdrop', 'sign', {
    what: 'sign',
    at: { xM: 4, yM: 0 },
    widthM: 0.5,
    heightM: 1.6,
    unitHeightM: 0.4,
    on: { pieceId: 'pole', part: 'pole' },
  });
  const pole = made('standing-garland', 'pole', { at: { xM: 4, yM: 0 } });
  const plan = draftPlan(jobOf([pole, sign]));
  expectInTurn(plan, ['pole--frame', 'sign--sign', 'pole--hang']);
  // It brings no pole of its own, and comes down only when the garland is off.
  expect([...materials(plan).keys()].some((label) => label.startsWith('Sign pole'))).toBe(false);
  expectInTurn(plan, ['pole--down', 'sign--apart', 'pole--apart']);
  // The other way round too: a sign on a pole of its own, a garland round it.
  const own = made('backdrop', 'sign', { what: 'sign', at: { xM: 4, yM: 0 }, widthM: 0.5, heightM: 1.8 });
  const round = made('organic-garland', 'round', {
    line: [
      { xM: 4, yM: 0.3 },
      { xM: 4, yM: 1.7 },
    ],
    sections: 1,
    on: { pieceId: 'sign', part: 'pole' },
  });
  expectInTurn(draftPlan(jobOf([round, own])), ['sign--frame', 'sign--sign', 'round--hang']);
});

test('tied into one garland: fluff, the big round, stems and foils, small fillers, the sign last', () => {
  const stand = made('backdrop', 'stand', { at: { xM: 4, yM: 0 } });
  const garland = made('organic-garland', 'garland', {
    line: [
      { xM: 3, yM: 2.4 },
      { xM: 5, yM: 2.4 },
    ],
    widthM: 0.9,
    sections: 1,
    on: { pieceId: 'stand', part: 'top-bar' },
    attachments: [
      { id: 'stems', name: 'Fern frond', what: 'floral', count: 3, massKg: 0.05, at: 0.3 },
      { id: 'board', name: 'Welcome board', what: 'sign', massKg: 0.2, at: 0.6 },
    ],
  });
  const on = { pieceId: 'garland', part: 'body' as const };
  const round = made('accent', 'round', { at: { xM: 3.4, yM: 2.4 }, on });
  const look = { what: 'foil' as const, shape: 'heron', text: '', sizeIn: 24, colour: 'chalk' };
  const foil = made('accent', 'foil', { at: { xM: 4.4, yM: 2.4 }, look, on });
  const plan = draftPlan(jobOf([foil, round, garland, stand]));
  expectInTurn(plan, [
    'garland--hang',
    'garland--dress',
    'round--place',
    'garland--attach-stems',
    'garland--fill',
  ]);
  expectInTurn(plan, ['garland--dress', 'foil--place', 'garland--fill', 'garland--attach-board']);
});

test('centrepieces after table and cloth; a plush toy on a topiary goes on before its small fillers', () => {
  const table = made('furnishing', 'tables', { at: { xM: 2, yM: 0 } });
  const posies = made('centrepiece', 'posies', {
    at: { xM: 3, yM: 0.74 },
    count: 2,
    on: { pieceId: 'tables', part: 'top' },
  });
  const ball = made('topiary', 'ball', { at: { xM: 8, yM: 0 } });
  const bear = made('furnishing', 'bear', {
    at: { xM: 8, yM: 1.9 },
    items: [{ name: 'Plush toy', count: 1, minutesEach: 3, massKg: 1.1, widthM: 0.4, heightM: 0.6 }],
    on: { pieceId: 'ball', part: 'top' },
  });
  const plan = draftPlan(jobOf([bear, posies, ball, table]));
  expectInTurn(plan, ['tables--frame', 'posies--frame', 'posies--layers']);
  expectInTurn(plan, ['ball--frame', 'ball--ball', 'bear--frame', 'ball--fill']);
  const held = plan.holds.pieces.find(({ id }) => id === 'ball');
  const bare = draftPlan(jobOf([ball])).holds.pieces[0];
  expect((held?.massKg ?? 0) - (bare?.massKg ?? 0)).toBeCloseTo(1.1, 2);
});

test('two people, house open 8:40, doors 11:00, pre-inflated: arrives 8:40, ready with 20 to 50 min to spare', () => {
  const outside = (file: JobFile) => {
    file.site.indoors = false;
    file.site.loadIn = { distanceM: 30, steps: 0 };
    file.site.spots = [
      { ...hall, id: 'tree', name: 'Old lime', kind: 'tree', surface: 'wood', floor: 'grass' },
      {
        ...hall,
        id: 'house',
        name: 'House front',
        kind: 'wall',
        surface: 'brick',
        floor: 'paving',
        fixings: [{ id: 'gutter', kind: 'gutter', xM: 0, yM: 2.6, lengthM: 12 }],
      },
    ];
    file.job.doors = '2027-06-19T11:00:00-05:00';
    file.job.access = { from: '2027-06-19T08:40:00-05:00', until: '2027-06-19T11:00:00-05:00' };
    file.job.strike = { from: '2027-06-19T16:00:00-05:00', until: '2027-06-19T19:00:00-05:00' };
  };
  const atTree = made('organic-garland', 'tree-garland', {
    spotId: 'tree',
    sections: 1,
    line: [
      { xM: 5, yM: 0.3 },
      { xM: 5.2, yM: 1.3 },
      { xM: 5, yM: 2.3 },
    ],
    on: null,
  });
  const atGutter = made('organic-garland', 'gutter-garland', {
    spotId: 'house',
    line: [
      { xM: 2, yM: 2.3 },
      { xM: 2 + 12 * FT, yM: 2.3 },
    ],
    on: null,
  });
  const pieces: Piece[] = [atTree, atGutter];
  const plan = draftPlan(jobOf(pieces, outside));
  expect(plan.holds.pieces[0]?.points.filter(({ method }) => method === 'tie')).toHaveLength(3);
  const first = ordered(plan).find((id) => id !== 'drive-out') as string;
  expect(plan.tasks.find(({ id }) => id === first)?.start.slice(11, 16)).toBe('08:40');
  expect(plan.onTime.minutesInHand).toBeGreaterThanOrEqual(20);
  expect(plan.onTime.minutesInHand).toBeLessThanOrEqual(50);
  // What is free lies after the work, and only inflation is late.
  const ready = Date.parse(plan.onTime.ready ?? '');
  const bench = plan.tasks.filter(({ place, trip }) => place === 'workshop' && !trip);
  expect(Math.max(...bench.map(({ end }) => Date.parse(end)))).toBeLessThan(ready);
});
