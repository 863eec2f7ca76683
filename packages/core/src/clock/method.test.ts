import { type PieceKind, type PieceOf, StepId } from '@early-lantern/contract';
import { benchBatches } from '../bench/bench.ts';
import { sectionOrder } from '../fixing/section-order.ts';
import { kindNames } from '../piece/kind-names.ts';
import { recipeOf, schoolsOf } from '../piece/recipe-of.ts';
import { draftPlan } from '../plan.ts';
import { demoJob } from '../test/samples.ts';
import { setUpWork } from './method.ts';
import { withOwnMethods } from './own-methods.ts';
import { usualSteps, withPieceSteps } from './piece-steps.ts';
import { strikeWork } from './strike-work.ts';
import { visitSteps } from './visit-steps.ts';
import type { Work } from './work.ts';

function workOf(name: string, crew?: string[], wider = 1) {
  const file = structuredClone(demoJob(name));
  // Wider than clusters on one string fill: some go on at the sides.
  for (const piece of file.job.pieces) if (piece.kind === 'organic-garland') piece.widthM *= wider;
  if (crew) file.job.crew = crew;
  const pieces = file.job.pieces.map((piece) => {
    const recipe = recipeOf(piece);
    return { piece, recipe, batches: benchBatches(recipe, schoolsOf(piece), file.workshop) };
  });
  const work = setUpWork(file, pieces);
  return { file, pieces, work, strike: strikeWork(file, pieces, work) };
}

/** Everything that must be over before a task, near and far. */
function before(work: Work[], id: string): Set<string> {
  const found = new Set<string>();
  const visit = (one: string) => {
    for (const earlier of work.find((task) => task.id === one)?.after ?? []) {
      if (found.has(earlier)) continue;
      found.add(earlier);
      visit(earlier);
    }
  };
  visit(id);
  return found;
}

// The order of the work: common practice, no source.
test.each([
  ['a clean floor before the first balloon', 'clean-floor', 'beam-garland--inflate-17'],
  ['balloons before clusters', 'beam-garland--inflate-11', 'beam-garland--cluster'],
  ['bags before loading', 'podium-garland--bag', 'load-vehicle'],
  ['loading before driving', 'load-vehicle', 'drive-out'],
  ['unloading before hanging', 'unload', 'beam-garland--hang'],
  ['the floor protected before hanging', 'protect-floor', 'podium-garland--hang'],
  ['base before fluff', 'beam-garland--hang', 'beam-garland--dress'],
  ['fluff before fillers', 'beam-garland--dress', 'beam-garland--fill'],
  ['all pieces before the step-back', 'podium-garland--fill', 'step-back'],
  ['mending before sign-off', 'touch-up', 'sign-off'],
  ['a second look, some minutes away from it', 'touch-up', 'look-again'],
])('%s', (_, first, then) => {
  const { work } = workOf('02-engine-shed', undefined, 1.6);
  expect(work.some((task) => task.id === first)).toBe(true);
  expect(before(work, then)).toContain(first);
});

test('sign-off comes after everything but the way out and home, and nothing waits for what does not exist', () => {
  const { work } = workOf('02-engine-shed');
  expect(before(work, 'sign-off').size).toBe(work.length - 3);
  expect(work.at(-2)).toMatchObject({ id: 'load-out', lags: { 'sign-off': { max: 0 } } });
  expect(work.at(-1)).toMatchObject({ id: 'drive-home', lags: { 'load-out': { max: 0 } } });
  const ids = new Set(work.map((task) => task.id));
  for (const task of work) for (const earlier of task.after) expect(ids.has(earlier)).toBe(true);
});

test('above reach it is ladder work: two pairs of hands, somebody trusted with ladders, the caution and who decides', () => {
  const { work } = workOf('02-engine-shed');
  const hang = work.find((task) => task.id === 'beam-garland--hang');
  expect(hang).toMatchObject({ hands: 2, skills: ['ladder'] });
  expect(hang?.cautions).toContain('ladder');
  const low = work.find((task) => task.id === 'podium-garland--hang');
  expect(low).toMatchObject({ hands: 1, skills: [], cautions: [] });
});

test('of several sections the heaviest goes up first, of alike ones the lowest (common practice, no source)', () => {
  const file = demoJob('02-engine-shed');
  const garland = file.job.pieces.find(({ id }) => id === 'beam-garland') as PieceOf<'organic-garland'>;
  const planWith = (at: number) => {
    const attachments = [{ id: 'star', name: 'star', at, massKg: 0.4 }];
    return draftPlan({ ...file, job: { ...file.job, pieces: [{ ...garland, attachments }] } });
  };
  for (const [at, section] of [
    [0.5, 2],
    [0.9, 3],
  ] as const) {
    const hang = planWith(at).tasks.find(({ id }) => id === 'beam-garland--hang');
    expect(hang?.label).toContain(`, section ${section} first`);
    const order = hang?.working.find(({ label }) => label === 'Heaviest section first')?.inputs ?? [];
    expect(order.map(({ value }) => Number(value))).toEqual(
      order.map(({ value }) => Number(value)).toSorted((a, b) => b - a),
    );
  }
  const points = [
    { section: 0, loadN: 2, spotXYM: { xM: 0, yM: 2 } },
    { section: 1, loadN: 2.02, spotXYM: { xM: 0, yM: 1 } },
  ];
  expect(sectionOrder(points).order).toEqual([1, 0]);
});

test('one person alone does everything alone; the drive takes the whole crew and a driver', () => {
  const alone = workOf('02-engine-shed', ['wren']);
  expect(Math.max(...alone.work.map((task) => task.hands))).toBe(1);
  const three = workOf('02-engine-shed');
  expect(three.work.find((task) => task.id === 'drive-out')).toMatchObject({
    hands: 3,
    skills: ['driver'],
    minutes: 15,
  });
});

test('a longer way and more steps take longer to carry, and hands shorten it', () => {
  const minutes = (distanceM: number, steps: number, crew: string[]) => {
    const file = structuredClone(demoJob('01-meadow-finish'));
    file.site.loadIn = { distanceM, steps };
    file.job.crew = crew;
    const work = setUpWork(file, []);
    const of = (id: string) => work.find((task) => task.id === id)?.minutes ?? 0;
    return of('unload-first') + of('unload');
  };
  // Without a piece only kits and two crates ride: of armfuls of 20 kg or four cases the tools .45, first aid .25, cloths
  // .3 and the crate of fixings .5 first, then the broom .25 and the crate of spares .5. 14.4 armfuls are a full van of
  // (600 + 4·1080 + 1800)/6 s = 18.7 min over 100 ft: 1.9 and 1.0 min, each a started minute. A third of it is picking
  // up and setting down. From memory, editable defaults.
  expect(minutes(30.48, 0, ['wren'])).toBe(3);
  expect(minutes(30.48, 0, ['wren', 'ilo'])).toBe(2);
  expect(minutes(10 * 30.48, 0, ['wren'])).toBe(14 + 7);
  expect(minutes(10 * 30.48, 20, ['wren'])).toBeGreaterThan(minutes(10 * 30.48, 0, ['wren']));
  const file = structuredClone(demoJob('01-meadow-finish'));
  file.site.loadIn = { distanceM: 304.8, steps: 0 };
  file.job.crew = ['wren'];
  // The same goes out again, and after the strike: 2.25 armfuls · 7.
  expect(setUpWork(file, []).find(({ id }) => id === 'load-out')?.minutes).toBe(21);
  expect(strikeWork(file, [], []).find(({ id }) => id === 'carry-out')?.minutes).toBe(21);
});

test('strike: there, each piece down and its frame apart, scraps, out, home, counted; nothing where it is kept', () => {
  const { strike, file, pieces, work } = workOf('02-engine-shed');
  const last = ['strike', 'carry-out', 'drive-back', 'return-gear'];
  expect(strike[0]?.id).toBe('drive-strike');
  expect(strike.slice(-4).map((task) => task.id)).toEqual(last);
  const downs = strike.slice(1, -4).map(({ id }) => id);
  expect(downs).toEqual(expect.arrayContaining(['beam-garland--down', 'photo-frame--apart']));
  expect(before(strike, 'photo-frame--apart')).toContain('photo-frame--down');
  for (const id of downs) expect(before(strike, 'strike')).toContain(id);
  expect(strike.find(({ id }) => id === 'strike')?.cautions).toContain('children');
  file.job.isKept = true;
  expect(strikeWork(file, pieces, work)).toEqual([]);
});

test('each step of a visit that a house may have its way with is said to be safe to leave out, or not', () => {
  expect(visitSteps.map(({ step }) => step)).toEqual(StepId.options);
  const spared = visitSteps.filter(({ mayBeLeftOut }) => mayBeLeftOut).map(({ step }) => step);
  // Common practice, no source: a record and the look; never floors, people, or what lies about.
  expect(spared).toEqual(['photograph-before', 'step-back', 'look-again']);
});

test('a house’s own order: steps left out, renamed, waited before; steps of its own at every stage; and back', () => {
  const { work, strike } = workOf('02-engine-shed');
  const all = [...work, ...strike];
  expect(withOwnMethods(all, undefined, 2)).toEqual(all);
  const own = withOwnMethods(
    all,
    {
      changes: [
        { step: 'step-back', isLeftOut: true },
        { step: 'photograph-before', isLeftOut: true },
        { step: 'protect-floor', isLeftOut: true, label: 'Lay out the cloths' },
        { step: 'look-again', waitMin: 25, label: 'Second look' },
      ],
      own: [
        { id: 'sweep', label: 'Sweep', stage: 'bench', minutes: 5, hands: 1 },
        { id: 'tape', label: 'Tape the edges', stage: 'on-arrival', minutes: 10, hands: 1 },
        { id: 'snap', label: 'Photograph it', stage: 'each-piece', minutes: 2, hands: 1 },
        { id: 'brief', label: 'Brief the house', stage: 'before-sign-off', minutes: 5, hands: 9 },
        { id: 'bin', label: 'Bin the scraps', stage: 'strike', minutes: 15, hands: 2 },
      ],
    },
    2,
  );
  const find = (id: string) => own.find((one) => one.id === id) as Work;
  expect(own.some(({ id }) => id === 'step-back')).toBe(false);
  expect(own.some(({ id }) => id === 'photograph-before')).toBe(false);
  // What keeps people and floors whole is done whatever was said; its name and wait are still the house's.
  expect(find('protect-floor')).toMatchObject({ label: 'Lay out the cloths' });
  expect(before(own, 'unload')).toContain('protect-floor');
  expect(find('touch-up').after.length).toBeGreaterThan(1);
  expect(find('look-again')).toMatchObject({ label: 'Second look', lags: { 'touch-up': { min: 25 } } });
  expect(find('load-vehicle').after).toContain('sweep');
  expect(before(own, 'beam-garland--hang')).toContain('tape');
  expect(own.filter(({ id }) => id.endsWith('--snap'))).toHaveLength(5);
  expect(before(own, 'touch-up')).toContain('beam-garland--snap');
  expect(before(own, 'sign-off')).toContain('brief');
  // Nobody can be more than there are.
  expect(find('brief').hands).toBe(2);
  expect(before(own, 'drive-back')).toContain('bin');
  const ids = new Set(own.map(({ id }) => id));
  for (const one of own) for (const id of one.after) expect(ids.has(id)).toBe(true);
});

test('steps of a kind of piece as the house does them: renamed, waited before, other hands, another time, left out', () => {
  const file = structuredClone(demoJob('02-engine-shed'));
  const usual = usualSteps('organic-garland', file.workshop).map(({ id }) => id);
  expect(usual).toEqual(expect.arrayContaining(['hang', 'dress', 'fill']));
  const { work } = workOf('02-engine-shed', undefined, 1.6);
  const at = (all: Work[], id: string) => all.find((one) => one.id === `podium-garland--${id}`);
  const kind = 'organic-garland';
  const changed = withPieceSteps(
    work,
    [
      { kind, step: 'hang', label: 'Tie it on', hands: 2, timePct: 150 },
      { kind, step: 'fill', waitMin: 20 },
      { kind, step: 'dress', isLeftOut: true },
      { kind: 'packed-arch', step: 'fill', isLeftOut: true },
      { kind, step: 'no-such-step', isLeftOut: true },
    ],
    file,
    2,
  );
  const [usualHang, after] = [at(work, 'hang'), at(changed, 'hang')];
  expect(after).toMatchObject({ label: 'Podium edge: Tie it on', hands: 2 });
  // Half as much work again, by two where one did it.
  expect((after?.spread.usualS ?? 0) / (usualHang?.spread.usualS ?? 1)).toBeCloseTo(0.75, 9);
  expect(at(changed, 'dress')).toBeUndefined();
  expect(before(changed, 'podium-garland--fill')).toContain('podium-garland--hang');
  expect(Object.values(at(changed, 'fill')?.lags ?? {})).toContainEqual({ min: 20 });
  expect(changed.length).toBe(work.length - file.job.pieces.filter((piece) => piece.kind === kind).length);
  for (const piece of Object.keys(kindNames) as PieceKind[])
    for (const step of usualSteps(piece, file.workshop)) expect(step.label).not.toBe('');
});
