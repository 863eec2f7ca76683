import type { Attachment, ByHand, JobFile, OrganicGarland, PanelWall, Piece } from '@early-lantern/contract';
import { chainLength, nearestOnChain } from '../geometry/line.ts';
import { applyChanges } from '../lamps/fixes.ts';
import { lookFaults } from '../lamps/look-faults.ts';
import { designOf } from '../piece/design.ts';
import { clustersOf } from '../piece/dressing-picture.ts';
import { newPiece } from '../piece/new-piece.ts';
import { recipeOf, schoolsOf } from '../piece/recipe-of.ts';
import { planJob } from '../plan.ts';
import { demoJob, garland } from '../test/samples.ts';
import { longestFree } from './accents.ts';
import { alone } from './around.ts';
import { aroundOf } from './around-of.ts';
import { fullOf } from './full.ts';
import { limitsOf } from './limits.ts';
import { lookOf } from './look-of.ts';
import { settledBalls } from './settled-picture.ts';

const shed = demoJob('02-engine-shed');
const withPieces = (pieces: readonly Piece[], looks: object = {}): JobFile => ({
  ...shed,
  workshop: { ...shed.workshop, looks },
  job: { ...shed.job, pieces: [...pieces] },
});
const closed = { nominalIn: 5, inflatedIn: { min: 3, max: 4.5 }, triosPerM: 14 };
const onWall = (more: Partial<OrganicGarland>): OrganicGarland => ({
  ...garland(13),
  spotId: 'north-wall',
  fillers: closed,
  ...more,
});
const kindsOf = (file: JobFile) =>
  fullOf(file, false).pieces.flatMap((look) => lookFaults(look, file.workshop).map(({ kind }) => kind));
const [colourA = '', colourB = ''] = garland(13).colours.map(({ colour }) => colour);

/** The base of a garland cluster by cluster as it hangs, and the share of its line where each is tied. */
function clusters(piece: OrganicGarland) {
  const design = designOf(piece, schoolsOf(piece, shed.workshop.schools));
  const look = lookOf(design.key, design.placement(), limitsOf(piece, shed.workshop), false, alone);
  if (!look) throw new Error('it does not settle');
  const [balls = []] = settledBalls(design.placement(), look);
  const chain = design.placement().lines?.[0]?.chain ?? [];
  return clustersOf(balls.filter(({ role }) => role === 'base')).map((own) => ({
    balls: own,
    at: nearestOnChain(chain, { x: own[0]?.tieX ?? 0, y: own[0]?.tieY ?? 0 }).along / chainLength(chain),
  }));
}
const tally = (balls: readonly { colour: string; nominalIn: number }[]) =>
  balls.map(({ colour, nominalIn }) => `${nominalIn} ${colour}`).sort();

describe('changed by hand', () => {
  const plain = onWall({ seed: 4 });
  const before = clusters(plain);
  const shareOf = (k: number) => before[k]?.at ?? 0;

  const other = before.findIndex(({ balls }, k) => k > 7 && balls.length === before[3]?.balls.length);

  test('two clusters change their colours size for size: the counts stay, nothing moves, and all others keep theirs', () => {
    const after = clusters({ ...plain, byHand: [{ what: 'swap', at: shareOf(3), with: shareOf(other) }] });
    const colours = (k: number, from: typeof before) => from[k]?.balls.map(({ colour }) => colour);
    // Of one size, and as many in each: they change all.
    expect(colours(3, after)).toEqual(colours(other, before));
    expect(colours(other, after)).toEqual(colours(3, before));
    expect(colours(5, after)).toEqual(colours(5, before));
    expect(tally(after.flatMap(({ balls }) => balls))).toEqual(tally(before.flatMap(({ balls }) => balls)));
    const placeOf = (from: typeof before) =>
      from.flatMap(({ balls }) => balls.map(({ xM, yM, zM }) => [xM, yM, zM]));
    expect(placeOf(after)).toEqual(placeOf(before));
  });

  test('a cluster turned by 90° and by 270° more is where it was; by 90° alone it moves and those far away hardly do', () => {
    const turned = (degrees: readonly number[]) =>
      clusters({
        ...plain,
        byHand: degrees.map((byDeg): ByHand => ({ what: 'turn', at: shareOf(3), byDeg })),
      });
    const moved = (k: number, after: typeof before) =>
      Math.max(
        ...(after[k]?.balls ?? []).map(({ xM, yM, zM }, i) => {
          const was = before[k]?.balls[i];
          return Math.hypot(xM - (was?.xM ?? 0), yM - (was?.yM ?? 0), zM - (was?.zM ?? 0));
        }),
      );
    expect(moved(3, turned([90, 90, 180]))).toBeLessThan(0.02);
    const quarter = turned([90]);
    expect(moved(3, quarter)).toBeGreaterThan(0.1);
    expect(moved(before.length - 2, quarter)).toBeLessThan(0.05);
  });

  test('clusters tied in and singles on an edge are counted, made of the mix, and told to those who build it', () => {
    const byHand: ByHand[] = [
      { what: 'widen', at: 0.5, clusters: 2 },
      { what: 'edge', at: 0.25, asideM: 0.3, singles: 7 },
    ];
    const [was, is] = [recipeOf(plain), recipeOf({ ...plain, byHand })];
    const count = (recipe: typeof was, role: string) =>
      recipe.needs.filter((need) => need.role === role).reduce((sum, need) => sum + need.count, 0);
    expect(is.spineClusters + is.sideClusters).toBe(was.spineClusters + was.sideClusters + 2);
    expect(count(is, 'base')).toBe(count(was, 'base') + 2 * was.clusterSize);
    expect([count(was, 'accent'), count(is, 'accent')]).toEqual([0, 7]);
    const dashes = (recipe: typeof was) =>
      recipe.materials.find(({ item }) => item === 'adhesive-dash')?.count;
    expect([dashes(was), dashes(is)]).toEqual([undefined, 7]);
    expect(is.siteWork.find(({ id }) => id === 'edge-singles')).toMatchObject({
      amount: 7,
      rate: 'fix-single',
    });
    const list = fullOf(withPieces([{ ...plain, byHand }]), false).pieces[0]?.lookOver;
    expect(list?.slice(0, 2)).toEqual([
      '2 clusters more go in about 6 ft 6 in from its thick end.',
      '7 single balloons on dashes side by side along the bare edge, its middle about 3 ft 3 in from its thick end.',
    ]);
  });
});

describe('fixes by hand, tried', () => {
  const fixed = (file: JobFile, label: RegExp) => {
    const fix = planJob(file).lamps.full.fixes.find((one) => label.test(one.label));
    if (!fix) throw new Error(`no fix ${label}`);
    return applyChanges(file, fix.changes);
  };

  test('a clump is broken up by clusters that change their colours', () => {
    // Put together by hand: what has most of a colour goes to one place.
    let piece = onWall({ seed: 3 });
    const ofColour = (balls: readonly { colour: string }[]) =>
      balls.filter(({ colour }) => colour === colourA).length;
    for (const k of [5, 6, 7, 8, 9, 10, 11]) {
      const now = clusters(piece);
      const best = [...now.entries()]
        .filter(([i]) => i < 4 || i > 12)
        .sort(([, a], [, b]) => ofColour(b.balls) - ofColour(a.balls))[0]?.[1];
      const swap: ByHand = { what: 'swap', at: now[k]?.at ?? 0, with: best?.at ?? 0 };
      piece = { ...piece, byHand: [...(piece.byHand ?? []), swap] };
    }
    const file = withPieces([piece], { clumpPct: 50 });
    expect(kindsOf(file)).toEqual(['clump']);
    expect(kindsOf(fixed(file, /^Swap the colours of \d pairs? of clusters$/))).toEqual([]);
  });

  test('one gap is closed by a cluster turned into it, a thin place by clusters tied in', () => {
    for (let seed = 1, found = 0; found < 2; seed++) {
      const file = withPieces([onWall({ seed, fullness: 'thin' })], { narrowPct: 88 });
      const kinds = kindsOf(file);
      if (kinds.length !== 1) continue;
      const fixes = planJob(file).lamps.full.fixes.map(({ label }) => label);
      const label = kinds[0] === 'gap' ? /^Turn 1 cluster$/ : /^Tie in \d clusters? where it is thin$/;
      if (!fixes.some((one) => label.test(one))) continue;
      expect(kindsOf(fixed(file, label))).toEqual([]);
      found += 1;
    }
  });

  test('bare edges of a panel wall are covered with single balloons, and those are counted', () => {
    const made = newPiece('panel-wall', {
      id: 'wall',
      name: 'Wall',
      spot: shed.site.spots[0],
      colours: [colourA, colourB],
      seed: 3,
    } as never) as PanelWall;
    const sides = { ...made.sides, mix: { ...made.sides?.mix, fullness: 'thin' } } as PanelWall['sides'];
    const piece: PanelWall = { ...made, sides: sides && { ...sides, widthM: 0.24 } };
    const file = withPieces([piece], { narrowPct: 10, offM: 1, wideM: 0.08 });
    expect(kindsOf(file)).toContain('edge');
    const after = fixed(file, /^Cover bare edges with \d+ single balloons?$/);
    expect(kindsOf(after)).not.toContain('edge');
    const [changed] = after.job.pieces as [PanelWall];
    const singles = (changed.sides?.mix.byHand ?? []).reduce(
      (sum, one) => sum + (one.what === 'edge' ? one.singles : 0),
      0,
    );
    const edge = (one: Piece) =>
      recipeOf(one)
        .needs.filter(({ cluster }) => cluster === 'edge singles')
        .reduce((sum, { count }) => sum + count, 0);
    expect([edge(piece), edge(changed)]).toEqual([0, singles]);
    expect(singles).toBeGreaterThan(0);
  });
});

describe('accents', () => {
  test('the longest stretch without one: half a distance at either end is as good as a whole one between', () => {
    // Evenly spread each is in the middle of its quarter.
    expect(longestFree([0.125, 0.375, 0.625, 0.875], 1).free).toBeCloseTo(0.25, 12);
    expect(longestFree([0.1, 0.2, 0.9], 1)).toEqual({
      free: expect.closeTo(0.7, 12),
      middle: expect.closeTo(0.55, 12),
    });
    expect(longestFree([0.4, 0.5], 2)).toEqual({ free: 3, middle: 1.5 });
  });

  const star = (i: number, at: number): Attachment => ({
    id: `star-${i}`,
    name: 'Star',
    what: 'foil',
    massKg: 0.02,
    at,
  });
  test('foils that crowd at one end: told, and one is moved to where there is none; flowers may make a spot of their own', () => {
    const crowded = onWall({ seed: 6, attachments: [0.05, 0.1, 0.15, 0.2].map((at, i) => star(i, at)) });
    const file = withPieces([crowded]);
    expect(fullOf(file, false).pieces[0]?.accents).toMatchObject([{ name: 'foils', of: 4 }]);
    expect(kindsOf(file)).toEqual(['accents']);
    const fix = planJob(file).lamps.full.fixes.find(({ label }) => /^Move an accent of Garland/.test(label));
    const after = applyChanges(file, fix?.changes ?? []);
    expect(after.job.pieces[0]?.attachments?.map(({ at }) => at).sort()).toEqual([0.05, 0.15, 0.2, 0.73]);
    expect(kindsOf(after)).toEqual([]);
    const flowers = crowded.attachments?.map((one): Attachment => ({ ...one, what: 'floral' })) ?? [];
    expect(kindsOf(withPieces([{ ...crowded, attachments: flowers }]))).toEqual([]);
  });
});

test('tied into another garland it lies on its balloons, none of them pushed far into one; the other does not move', () => {
  const carrier = onWall({ id: 'carrier', seed: 2 });
  const line = [
    { xM: 1.5, yM: 0.7 },
    { xM: 1.5, yM: 2.3 },
  ];
  const piece = onWall({ seed: 3, line, on: { pieceId: 'carrier', part: 'body' } });
  const pieces = [carrier, piece];
  const around = aroundOf(piece, pieces, shed.workshop);
  const design = designOf(piece, schoolsOf(piece, shed.workshop.schools));
  const own = (among: typeof around) => {
    const look = lookOf(design.key, design.placement(), limitsOf(piece, shed.workshop), false, among);
    return look?.hung.balls ?? { x: [], y: [], z: [], r: [] };
  };
  /** How far, of their radii together, the worst pair of its balloons and the carrier's go into each other. */
  const worst = (among: typeof around) => {
    const { x, y, z, r } = own(among);
    let least = Infinity;
    for (const other of around.balls)
      for (let i = 0; i < x.length; i++)
        for (let k = 0; k < other.x.length; k++) {
          const far = Math.hypot(
            (x[i] as number) - (other.x[k] as number),
            (y[i] as number) - (other.y[k] as number),
            (z[i] as number) - (other.z[k] as number),
          );
          least = Math.min(least, far / ((r[i] as number) + (other.r[k] as number)));
        }
    return least;
  };
  expect(around.balls[0]?.x.length).toBeGreaterThan(100);
  expect(worst(alone)).toBeLessThan(0.4);
  expect(worst(around)).toBeGreaterThan(0.7);
  // What is tied to a bar of it, or to nothing, has nothing in its way.
  expect(aroundOf({ ...piece, on: null }, pieces, shed.workshop).balls).toEqual([]);
});
