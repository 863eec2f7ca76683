import type { JobFile, Piece } from '@early-lantern/contract';
import { clearancesOf, goesThrough } from '../loading/clearances.ts';
import type { Recipe } from '../piece/recipe.ts';
import { jobOf, made } from '../test/carried.ts';
import type { Carrier } from './carrier.ts';
import { carrierOf } from './carriers.ts';
import { massOf } from './mass.ts';
import { cutListOf, misfitsOf, pipePartsOf } from './pipe-parts.ts';

/** Drag 1.2 on a dressed outline of which 85 % is balloon: from memory, as the engine has it. */
const DRESSED = 1.2 * 0.85;
const mass = { dressingKg: 2, gearKg: 3, working: [] };
const recipe = (more: Partial<Recipe> = {}) => ({ visibleWidthM: 0.5, topM: 2, ...more }) as Recipe;
const of = (piece: Piece, others: Piece[] = [], more: Partial<Recipe> = {}) =>
  carrierOf(piece, recipe(more), mass, jobOf([piece, ...others])) as Carrier;

test.each([
  ['organic-garland'],
  ['pair-arch'],
  ['chain'],
  ['bunch'],
  ['banner'],
  ['accent'],
  ['furnishing'],
] as const)('%s hangs or is set down: nothing of its own carries it', (kind) =>
  expect(carrierOf(made(kind, 'p') as Piece, recipe(), mass, jobOf([]))).toBeUndefined(),
);

test('a column is the same from all sides: its outline, half its height, lines at nine tenths', () => {
  const column = of(made('packed-column', 'c', { topper: null }));
  expect(column).toMatchObject({
    base: 'small-plate',
    feetXM: [0],
    massKg: 5,
    windHeightM: 1,
    topM: 2,
    pullAtTopN: 0,
  });
  expect(column.dragFrontM2).toBeCloseTo(DRESSED * 0.5 * 2, 9);
  expect(column.dragSideM2).toBe(column.dragFrontM2);
  expect(column.tieEnds).toEqual([{ xM: 0, yM: 1.8 }]);
  expect(of(made('tower', 't')).base).toBe('plate-2ft');
});

test('a topper meets the wind as a smooth ball above the column', () => {
  const column = made('packed-column', 'c', {
    heightM: 1.5,
    topper: { nominalIn: 36, inflatedIn: 30, colour: 'chalk' },
  });
  const { dragFrontM2, windHeightM } = of(column);
  const [shaft, ball] = [DRESSED * 0.5 * 1.5, 0.5 * (Math.PI / 4) * 0.762 ** 2];
  expect(dragFrontM2).toBeCloseTo(shaft + ball, 9);
  expect(windHeightM).toBeCloseTo((shaft * 0.75 + ball * (1.5 + 0.381)) / (shaft + ball), 9);
});

test('what ends at a tower pulls it: a chain by its weight, span and sag; from both sides it cancels', () => {
  const tower = made('tower', 't');
  const chain = (id: string, side: 'on' | 'alsoOn') =>
    made('chain', id, {
      from: { xM: 0, yM: 2 },
      to: { xM: 3, yM: 2 },
      sagM: 0.3,
      linkIn: 5,
      balloonsPerLink: 2,
      [side]: { pieceId: 't', part: 'top' },
    });
  // 3 m of 5 in. links, two balloons of 1.7 g each: 0.788 N; on a sag of 0.3 m it pulls with w · 3 / (8 · 0.3).
  const weightN = (3 / 0.127) * 2 * 0.0017 * 9.81;
  expect(of(tower, [chain('a', 'on')]).pullAtTopN).toBeCloseTo((weightN * 3) / 2.4, 6);
  expect(of(tower, [chain('a', 'on'), chain('b', 'alsoOn')]).pullAtTopN).toBeCloseTo(0, 9);
  expect(of(tower, [{ ...chain('a', 'on'), on: { pieceId: 'other', part: 'top' } }]).pullAtTopN).toBe(0);
  // Drawn flatter than a twentieth of its span it pulls no more than so.
  const flat = { ...chain('a', 'on'), sagM: 0.01 };
  expect(of(tower, [flat]).pullAtTopN).toBeCloseTo((weightN * 3) / (8 * 0.15), 6);
  const arch = made('pair-arch', 'arch', { on: { pieceId: 't', part: 'top' } });
  const { pullAtTopN, working } = of(tower, [arch]);
  // A string drawn tight by hand pulls with 20 N before its weight does.
  expect(pullAtTopN).toBeGreaterThan(20);
  expect(pullAtTopN).toBeLessThan(24);
  expect(working[0]?.inputs).toEqual([{ name: 'ends', value: 1, unit: '' }]);
});

test('a pole beyond a lamp stand’s reach goes on a plate, and leans by M h² / (2 E I)', () => {
  const garland = made('standing-garland', 'g', {
    poleM: 2.2,
    gapM: 0.1,
    widthM: 0.5,
    taper: 0.6,
    curve: { lengthM: 0.9, side: 'left' },
  });
  const light = of(garland);
  expect(light).toMatchObject({ label: 'lamp-type pole', base: 'lamp-base', topM: 2.2, troubles: [] });
  expect(of({ ...garland, poleM: 2.31 }).base).toBe('plate-2ft');
  expect(of(garland, [], { visibleWidthM: 0.66 }).base).toBe('plate-2ft');
  expect(light.dragFrontM2).toBeCloseTo(DRESSED * 0.8 * 0.5 * (2.1 + 0.45), 9);
  expect(light.windHeightM).toBeCloseTo(0.1 + 1.05, 9);
  // Of 3 m dressed, 0.9 m hang beyond the top, on average 0.7 radii of their arc of 135° to the left.
  const reach = 0.7 * (0.9 / (0.75 * Math.PI));
  expect(light.xM).toBeCloseTo(-(0.9 / 3) * reach * (2 / 5), 9);
  const lever = 2 * 0.3 * reach * 9.81;
  expect(light.working[0]?.value).toBeCloseTo(((lever * 2.2 ** 2) / (2 * 1140)) * 1000, 3);
  // Half a kilogram at its very tip: the arc reaches (1 − cos 135°) radii out.
  const heavy = of({ ...garland, attachments: [{ id: 'x', name: 'Fern', massKg: 0.5, at: 1 }] });
  const tipM = (0.9 / (0.75 * Math.PI)) * (1 - Math.cos(0.75 * Math.PI));
  expect(heavy.pickX?.(1)).toBeCloseTo(-tipM, 9);
  expect(heavy.pickX?.(0.5)).toBeCloseTo(0, 9);
  const more = (lever + 0.5 * tipM * 9.81) * 2.2 ** 2;
  expect(heavy.working[0]?.value).toBeCloseTo((more / 2280) * 1000, 3);
  // A pole that leans by over 3 % of its height is in trouble; a rigid one is not.
  const bent = { ...garland, attachments: [{ id: 'x', name: 'Tub', massKg: 20, at: 1 }] };
  expect(of(bent).troubles).toHaveLength(1);
  expect(of({ ...bent, hold: { base: 'plate-2ft' } }).troubles).toEqual([]);
});

test('a frame is strips: two bars, two legs, less where they cross; bare legs let the wind through', () => {
  const frame = made('photo-frame', 'f', {
    widthM: 1.5,
    heightM: 2.1,
    legM: 0.3,
    legs: 'dressed',
    dress: { style: 'organic', widthM: 0.4, mix: made('standing-garland', 'm').mix },
  });
  const dressed = of(frame);
  expect(dressed.feetXM).toEqual([-0.75, 0.75]);
  expect(dressed.dragFrontM2).toBeCloseTo(DRESSED * 0.4 * (2 * 1.5 + 2 * 1.7), 9);
  expect(dressed.dragSideM2).toBeCloseTo(DRESSED * 0.4 * 2.1, 9);
  expect(dressed.windHeightM).toBeCloseTo((1.5 * 2.1 + 1.5 * 0.3 + 3.4 * 1.05) / 6.4, 9);
  const bare = of({ ...frame, legs: 'bare' });
  expect(bare.dragFrontM2).toBeCloseTo(DRESSED * 0.4 * (3 + 2 * 1.4), 9);
  expect(bare.windHeightSideM).toBeCloseTo(1.2, 9);
});

test('cloth, panels and signs: solid as they are, a foot more than stands of 3 m; a sign on its pole', () => {
  const cloth = of(made('backdrop', 'b', { what: 'curtain', widthM: 3.5, heightM: 2.4 }));
  expect(cloth.feetXM).toEqual([-1.75, 0, 1.75]);
  expect(cloth.dragFrontM2).toBeCloseTo(1.2 * 0.95 * 3.5 * 2.4, 9);
  expect(of(made('backdrop', 'b', { what: 'greenery', widthM: 3, heightM: 2 })).dragFrontM2).toBeCloseTo(
    1.2 * 0.8 * 6,
    9,
  );
  expect(of(made('backdrop', 'b', { what: 'boards', widthM: 3, heightM: 2 })).feetXM).toEqual([-1.5, 1.5]);
  const sign = of(made('backdrop', 's', { what: 'sign', widthM: 0.8, heightM: 1.6, at: { xM: 1, yM: 0.4 } }));
  expect(sign).toMatchObject({
    base: 'small-plate',
    feetXM: [0],
    floorBelowM: 0.4,
    windHeightM: expect.closeTo(1.2, 9),
    topM: 2,
  });
  expect(
    carrierOf(
      made('backdrop', 's', { what: 'sign', on: { pieceId: 'c', part: 'pole' } }),
      recipe(),
      mass,
      jobOf([]),
    ),
  ).toBeUndefined();
  const wall = of(made('panel-wall', 'w', { panelIn: 20, columns: 4, rows: 4 }));
  expect(wall.dragFrontM2).toBeCloseTo(1.2 * (4 * 0.508) ** 2, 9);
});

test('a topiary is a ball on its stand with a skirt; of centrepieces one is looked at', () => {
  const ball = of(made('topiary', 't', { standM: 1.2, ballM: 0.8, skirtM: 0.6 }));
  expect(ball.dragFrontM2).toBeCloseTo(DRESSED * (Math.PI / 4) * 0.64 + 1.2 * 0.3, 9);
  expect(ball).toMatchObject({ windHeightM: 1.2, topM: 1.6 });
  const post = of(made('centrepiece', 'c', { count: 4, postM: 0.6 }));
  expect(post.massKg).toBeCloseTo(0.5 + 0.1, 9);
  expect(post.dragFrontM2).toBeCloseTo(DRESSED * 0.5 * 0.6, 9);
  expect(post).toMatchObject({ base: 'wood-block', windHeightM: 0.3, topM: 0.6 });
});

test('an arch stands on both its ends; long ones ask for four lines; too tight a bend kinks', () => {
  const arch = made('packed-arch', 'a', { pipe: 'pvc-half', pipeLengthM: 9.144, spanM: 3.6 });
  const long = of(arch);
  expect(long.feetXM).toEqual([-1.8, 1.8]);
  expect(long.tiesByPractice).toBe(4);
  expect(of({ ...arch, pipeLengthM: 5.9, spanM: 2.5 }).tiesByPractice).toBe(0);
  // ½ in. PVC: π/4 · (0.840² − 0.622²) sq in. of 1400 kg/m³ is 0.226 kg a metre.
  expect(long.massKg).toBeCloseTo(2 + 9.144 * 0.2264, 2);
  expect(long.dragFrontM2).toBeCloseTo(DRESSED * 0.5 * 9.144, 9);
  const tied = long.tieEnds.map(({ yM }) => yM);
  expect(Math.min(...tied)).toBeGreaterThanOrEqual(0.7 * (long.bent?.riseM ?? 0) - 1e-9);
  const shoulders = of({ ...arch, hold: { tiedAt: 'shoulders' } }).tieEnds;
  expect(shoulders.length).toBeLessThan(tied.length);
  expect(shoulders.every(({ xM }) => xM >= 0)).toBe(true);
  // Mean height along a half circle is 2/π of its rise; a taller arch is steep for longer, and has a little less.
  expect(long.windHeightM / (long.bent?.riseM as number)).toBeGreaterThan(0.56);
  expect(long.windHeightM / (long.bent?.riseM as number)).toBeLessThan(2 / Math.PI);
  const tight = made('packed-arch', 'a', { pipe: 'pvc-one', pipeLengthM: 3.048, spanM: 0.8 });
  expect(of(tight).troubles[0]).toContain('kinks');
  expect(of({ ...tight, pipe: 'emt-half' }).troubles[0]).toContain('yields');
  expect(of({ ...tight, isFormed: true, pipe: 'emt-half' }).troubles).toEqual([]);
});

test('mass is latex by the square of its size, a fiftieth of the air in it, strings, and what carries it apart', () => {
  const made = massOf({
    needs: [{ nominalIn: 11, inflatedIn: { min: 10, max: 10 }, count: 100 }],
    materials: [
      { item: 'modelling-260', count: 10 },
      { item: 'tee', count: 2 },
      { item: 'tape', count: 9 },
    ],
  } as unknown as Recipe);
  // 100 · 3 g; 100 balls of 8.58 l, 2 % of 1.225 g/l; ten 260s of 1.7 g. Two tees of 40 g.
  expect(made.dressingKg).toBeCloseTo(0.3 + 100 * 8.58 * 1.225 * 0.02 * 1e-3 + 0.017, 4);
  expect(made.gearKg).toBeCloseTo(0.08, 9);
  expect(made.working[0]?.inputs.map(({ value }) => Number(value))).toEqual([
    expect.closeTo(0.3, 6),
    expect.closeTo(0.021, 4),
    expect.closeTo(0.017, 6),
  ]);
});

test('long and stiff things go where they were measured to go; what was not is told, not judged', () => {
  const edit = (file: JobFile) => {
    file.workshop.vehicles = [
      { id: 'a', name: 'A', seats: 2, loadM: 2 },
      { id: 'b', name: 'B', seats: 2, loadM: 2.3 },
    ];
    file.site.loadIn = { ...file.site.loadIn, doorM: 0.9 };
    delete file.site.loadIn.longestM;
  };
  const clearances = (piece: Piece) =>
    clearancesOf(piece, [], 0, jobOf([piece], edit)).map((one) => [
      one.thing,
      one.through,
      one.needsM,
      one.hasM,
      goesThrough(one),
    ]);
  expect(clearances(made('backdrop', 'b', { what: 'boards', unitWidthM: 1.2, heightM: 2.4 }))).toEqual([
    ['board', 'the longest vehicle', 2.4, 2.3, false],
    ['board', 'the way in', 2.4, null, true],
    ['board', 'the narrowest door', 1.2, 0.9, false],
  ]);
  const measured = jobOf([], edit);
  measured.workshop.doorM = 0.8;
  const boards = made('backdrop', 'b', { what: 'boards', unitWidthM: 1.2, heightM: 2.4 });
  expect(clearancesOf(boards, [], 0, measured).at(-1)).toMatchObject({
    through: 'the workshop’s door',
    needsM: 1.2,
    hasM: 0.8,
  });
  expect(clearances(made('tower', 't', { heightM: 3 }))[0]).toEqual([
    'pole',
    'the longest vehicle',
    2.4,
    2.3,
    false,
  ]);
  expect(clearances(made('packed-column', 'c', { heightM: 1.5 }))[0]).toEqual([
    'pole',
    'the longest vehicle',
    1.5,
    2.3,
    true,
  ]);
  expect(clearances(made('backdrop', 'b', { what: 'curtain', widthM: 3 }))[0]?.slice(0, 3)).toEqual([
    'crossbar',
    'the longest vehicle',
    1.2,
  ]);
  expect(clearances(made('organic-garland', 'g'))).toEqual([]);
  // A run of 7 m: two whole lengths and the rest; a post for each centrepiece.
  expect(
    pipePartsOf(made('packed-arch', 'a', { pipeLengthM: 7 })).map(({ label, lengthM }) => [
      label,
      Number(lengthM.toFixed(3)),
    ]),
  ).toEqual([
    ['a: arch, 1 of 3', 3.048],
    ['a: arch, 2 of 3', 3.048],
    ['a: arch, 3 of 3', 0.904],
  ]);
  expect(pipePartsOf(made('centrepiece', 'c', { count: 3, postM: 0.5 })).map(({ label }) => label)).toEqual([
    'c: post 1',
    'c: post 2',
    'c: post 3',
  ]);
  const frame = made('photo-frame', 'f', { poleIn: 0.2 });
  expect(misfitsOf(frame, 'imperial')[0]).toContain('has no hold');
  expect(misfitsOf({ ...frame, poleIn: 0.9 }, 'metric')[0]).toBe(
    'An upright of 22.9 mm does not go into a ½ in. PVC pipe tee: choose wider bars or thinner uprights.',
  );
});

test('a kit on a table: its outline on its poles, clamps that hold 20 N·m against turning, a table on its legs', () => {
  const kit = made('table-arch', 'k', {
    poleLengthM: 2.4,
    spanM: 1.2,
    at: { xM: 3, yM: 0.76 },
    tableKg: 12,
    tableDepthM: 0.6,
  });
  const table = of(kit);
  expect(table.ownFeet).toMatchObject({ massKg: 6, depthM: 0.6, mostBallastKg: 40 });
  expect(table.feetXM).toEqual([-0.6, 0.6]);
  expect(table.dragFrontM2).toBeCloseTo(DRESSED * 0.5 * 2.4, 9);
  const riseM = table.topM - 0.76;
  expect(table.dragSideM2).toBeCloseTo(DRESSED * 0.5 * riseM, 9);
  expect((table.windHeightM - 0.76) / riseM).toBeGreaterThan(0.56);
  expect((table.windHeightM - 0.76) / riseM).toBeLessThan(2 / Math.PI);
  const [turns, slips] = table.moreCases?.(undefined, 1.5) ?? [];
  // Two screws of 400 N over pads of 50 mm, at half their width; pads hold 0.3 of the screws' force above and below.
  expect(turns).toMatchObject({ one: { resists: 2 * 400 * 0.025, pushes: 0, required: 1.5 }, tieArmM: 0 });
  expect(turns?.one.perPa).toBeCloseTo(table.dragFrontM2 * (table.windHeightM - 0.76), 9);
  expect(slips?.one.resists).toBeCloseTo(2 * 0.3 * 400, 9);
  expect(slips?.one.perPa).toBeCloseTo((DRESSED * 0.5 * riseM) / 2, 9);
  expect(slips?.one.pushes as number).toBeGreaterThan(0);
  expect(slips?.one.pushes as number).toBeLessThan(40);
  const usual = of(made('table-arch', 'k', {})).ownFeet;
  expect(usual).toMatchObject({ depthM: 0.76 });
});

test('joints of a job: a coupling between lengths of one run, tees and elbows counted over pieces alike', () => {
  const file = (...pieces: Piece[]) =>
    cutListOf(jobOf(pieces)).joints.map(({ item, pipe, count }) => [item, pipe, count]);
  // 9.144 m of pipe from lengths of 3.048 m: two joints.
  const arch = made('packed-arch', 'a', { pipe: 'pvc-half', pipeLengthM: 9.144, spanM: 3.6 });
  expect(file(arch)).toEqual([['coupling', 'pvc-half', 2]]);
  expect(file(arch, { ...arch, id: 'b' })).toEqual([['coupling', 'pvc-half', 4]]);
  expect(file({ ...arch, pipeLengthM: 3, spanM: 1.5 })).toEqual([]);
  const frame = made('photo-frame', 'f', {});
  const one = file(frame).filter(([item]) => item !== 'coupling');
  const two = file(frame, { ...frame, id: 'g' }).filter(([item]) => item !== 'coupling');
  expect(one.length).toBeGreaterThan(0);
  expect(two).toEqual(one.map(([item, pipe, count]) => [item, pipe, 2 * (count as number)]));
});
