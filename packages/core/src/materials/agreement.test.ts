import type { JobFile, PieceOf, Plan, PlanPiece } from '@early-lantern/contract';
import methods from '../fixing/methods.json';
import { asDoneHere } from '../network/own-steps.ts';
import { stepsOf } from '../network/steps.ts';
import { newPiece } from '../piece/new-piece.ts';
import { recipeOf } from '../piece/recipe-of.ts';
import { draftPlan } from '../plan.ts';
import { numbers, randomPieces } from '../test/random-pieces.ts';
import { demoJob } from '../test/samples.ts';

/** What a fixing of each method takes, as its table has it. */
const takes = new Map(methods.map(({ id, takes: each }) => [id, (each ?? {}) as Record<string, number>]));

/** Items that only points take: nothing else in any piece's materials. */
const ONLY_POINTS = ['adhesive-hook', 'magnetic-hook', 'suction-hook', 'brick-clip', 'clamp'];

const randomJob = (seed: number): JobFile => {
  const file = structuredClone(demoJob('02-engine-shed'));
  file.job.pieces = randomPieces(numbers(seed)).map((piece) => ({
    ...piece,
    spotId: file.site.spots[0]?.id ?? '',
  }));
  return file;
};

const countOf = (rows: readonly { item: string; count: number }[], item: string) =>
  rows.filter((row) => row.item === item).reduce((sum, { count }) => sum + count, 0);

/** Every piece of a plan: its hooks are its points, and so are the minutes of its hanging. */
function agrees(file: JobFile, plan: Plan): number {
  let points = 0;
  file.job.pieces.forEach((piece, i) => {
    const held = plan.holds.pieces[i] as Plan['holds']['pieces'][number];
    const materials = plan.pieces[i]?.materials ?? [];
    for (const item of ONLY_POINTS) {
      // By hand: of each method and class so many points times what one takes, rounded up.
      const classes = new Map<string, number>();
      for (const { method, hook } of held.points) {
        if (takes.get(method)?.[item] === undefined) continue;
        const key = `${method}/${hook?.id ?? ''}`;
        classes.set(key, (classes.get(key) ?? 0) + 1);
      }
      const wanted = [...classes].reduce(
        (sum, [key, count]) =>
          sum + Math.ceil(count * (takes.get(key.split('/')[0] as string)?.[item] as number)),
        0,
      );
      expect([piece.name, item, countOf(materials, item)]).toEqual([piece.name, item, wanted]);
    }
    // Whatever else points take is there at least: a 260, a pin, a tie.
    for (const [method, items] of takes)
      for (const [item, each] of Object.entries(items)) {
        const points = held.points.filter((point) => point.method === method).length;
        expect([piece.name, item, countOf(materials, item) >= points * each - 1e-9]).toEqual([
          piece.name,
          item,
          true,
        ]);
      }
    // Nothing so vague as "a fixing" is left where its points are known.
    if (held.points.length > 0)
      expect([piece.name, countOf(materials, 'tie-point')]).toEqual([piece.name, 0]);
    const steps = asDoneHere(stepsOf(recipeOf(piece), held), piece, file);
    const are = (method: string) => held.points.filter((point) => point.method === method).length;
    for (const step of steps.filter(({ byPoints }) => byPoints)) {
      // A clamp's loop is a quarter of its point's work, done beforehand; pegs come last, by themselves.
      const wanted = held.points.length - are('foot-peg') - are('bar-clamp') / 4;
      if (wanted > 0) expect([piece.name, step.amount]).toEqual([piece.name, wanted]);
    }
    const hooks = steps.find(({ id }) => id === 'hooks');
    if (hooks) expect([piece.name, hooks.amount]).toEqual([piece.name, are('adhesive-hook')]);
    points += held.points.length;
    // Weights: so many on each base.
    const onBases = held.weights.reduce((sum, { count }) => sum + count * held.ballastKg.length, 0);
    if (held.weights.length > 0) expect(countOf(materials, 'weight')).toBeGreaterThanOrEqual(onBases);
    if (held.tieLines.length > 0) {
      const staked = held.tieLines.every(({ anchor }) => anchor === 'a stake');
      if (staked) expect(countOf(materials, 'stake')).toBe(held.tieLines.length);
    }
  });
  return points;
}

test('points in Holds, hooks in the materials and work in the clock are the same ones (random jobs)', () => {
  let points = 0;
  for (let seed = 1; seed <= 60; seed++) {
    const file = randomJob(seed);
    const plan = draftPlan(file);
    points += agrees(file, plan);
    // What joins the pipes is what is packed to join them.
    const { materials } = plan.totals;
    for (const item of ['coupling', 'tee', 'elbow'])
      expect([seed, item, countOf(materials, item)]).toEqual([seed, item, countOf(plan.joints, item)]);
  }
  expect(points).toBeGreaterThan(100);
});

test.each(['01-meadow-finish', '02-engine-shed', '03-glasshouse-night'])('and so they are in %s', (name) => {
  const file = demoJob(name);
  const plan = draftPlan(file);
  agrees(file, plan);
  // Pipes of the job are the lengths of its cut list.
  for (const stock of new Set(plan.cutList.map((bar) => bar.stock)))
    expect(countOf(plan.totals.materials, stock)).toBe(
      plan.cutList.filter((bar) => bar.stock === stock && !bar.isOwned).length,
    );
  // The job's list is its pieces' lists added up, but for pipe, which is cut together.
  for (const { item, label, count } of plan.totals.materials) {
    if (item.startsWith('pipe-')) continue;
    const pieces = plan.pieces.flatMap(({ materials }) => materials.filter((row) => row.label === label));
    expect([label, count]).toEqual([label, pieces.reduce((sum, row) => sum + row.count, 0)]);
  }
});

test.each([
  ['lamp-base', { 'lamp-base': 1, 'pole-section': 6, 'base-cover': 1 }],
  ['plate-2ft', { 'weighted-base': 1, 'rigid-pole': 1, 'base-cover': 1 }],
  ['drape-base', { 'weighted-base': 1, 'drape-upright': 1, 'base-cover': 1 }],
  ['tamper', { 'weighted-base': 1, 'rigid-pole': 1, 'base-cover': 1 }],
] as const)('on a %s a column has its base by name and the pole that it takes', (base, wanted) => {
  const file = structuredClone(demoJob('02-engine-shed'));
  const spotId = file.site.spots[0]?.id ?? '';
  const column = newPiece('packed-column', {
    id: 'c',
    name: 'Column',
    spot: { id: spotId, widthM: 5, heightM: 4 },
    colours: ['chalk'],
    seed: 1,
  }) as PieceOf<'packed-column'>;
  file.job.pieces = [{ ...column, heightM: 1.8, hold: { base } }];
  const { materials } = draftPlan(file).pieces[0] as PlanPiece;
  const items = [
    'lamp-base',
    'weighted-base',
    'pole-section',
    'rigid-pole',
    'drape-upright',
    'base-cover',
    'cardboard',
  ];
  const found = Object.fromEntries(
    items.map((item) => [item, countOf(materials, item)]).filter(([, count]) => count !== 0),
  );
  expect(found).toEqual(wanted);
  if (base === 'tamper') expect(materials.map(({ label }) => label).join()).toContain('hand tamper');
});

test('outdoors cardboard lies under the bases, no cover', () => {
  const file = demoJob('01-meadow-finish');
  for (const piece of draftPlan(file).pieces) expect(countOf(piece.materials, 'base-cover')).toBe(0);
  expect(countOf(draftPlan(file).totals.materials, 'cardboard')).toBeGreaterThan(0);
});

test('a frame is cut and joined of the pipe chosen, and each corner is checked with its pole', () => {
  const file = structuredClone(demoJob('02-engine-shed'));
  const spotId = file.site.spots[0]?.id ?? '';
  const context = { id: 'f', name: 'Frame', spot: { id: spotId, widthM: 5, heightM: 4 }, colours: ['chalk'] };
  const frame = newPiece('photo-frame', { ...context, seed: 1 }) as PieceOf<'photo-frame'>;
  const planOf = (more: Partial<PieceOf<'photo-frame'>>) => {
    file.job.pieces = [{ ...frame, ...more }];
    return draftPlan(file);
  };
  const verdicts = (plan: Plan) =>
    plan.joints.map(({ item, fits }) => [item, ...fits.map(({ verdict }) => verdict)]);
  const bars = { barPipe: 'pvc-half' as const, widthM: 1.5 };
  // Half an inch of PVC, socket 0.848 in. (ASTM D2466, from memory): its pipe of 0.840 in. (ASTM D1785) slides, a pole
  // of 0.6 in. has (0.848 − 0.6) / 2 of play.
  const thin = planOf({ ...bars, poleIn: 0.6 });
  expect(verdicts(thin)).toEqual([
    ['tee', 'slides', 'loose: tape or shim'],
    ['elbow', 'slides', 'loose: tape or shim'],
  ]);
  expect(thin.joints[0]?.fits[1]?.clearanceMm).toBeCloseTo(0.124 * 25.4, 6);
  expect(thin.lamps.holds.figure).not.toBe('needs a change');
  // A pole of 1.05 in. goes into no half-inch tee, but into one for three quarters, 1.058 in.
  const thick = planOf({ ...bars, poleIn: 1.05 });
  expect(verdicts(thick)[0]).toEqual(['tee', 'slides', 'does not go']);
  expect(thick.lamps.holds).toMatchObject({ state: 'out', figure: 'needs a change' });
  const wider = planOf({ barPipe: 'pvc-three-quarter', widthM: 1.5, poleIn: 1.05 });
  expect(verdicts(wider)[0]).toEqual(['tee', 'slides', 'slides']);
  expect(wider.cutList.map(({ stock }) => stock)).toEqual(['pipe-pvc-three-quarter']);
  // Bars of 12 ft: two lengths each, so one coupling in each; four corners and two couplings are taped.
  const long = planOf({ ...bars, widthM: 12 * 0.3048 });
  const { materials } = long.pieces[0] as PlanPiece;
  for (const { item, count } of long.joints) expect([item, countOf(materials, item)]).toEqual([item, count]);
  expect(countOf(materials, 'coupling')).toBe(2);
  expect(countOf(materials, 'tape')).toBeCloseTo(6 * 0.5, 6);
});
