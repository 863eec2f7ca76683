import type { JobFile, KeepClear, Piece, Spot } from '@early-lantern/contract';
import { crosses, overlapOf } from '../geometry/box.ts';
import { applyChanges } from '../lamps/fixes.ts';
import { draftPlan, planJob } from '../plan.ts';
import { METRES_PER_FOOT as FT } from '../quantity/length.ts';
import { seededRandom } from '../quantity/random.ts';
import { hall, jobOf, made } from '../test/carried.ts';

const fence: Spot = { ...hall, id: 'hall', kind: 'fence', surface: 'wood', floor: 'paving' };
const lawn: Spot = { ...hall, id: 'hall', kind: 'open-floor', floor: 'grass' };

const outside = (spot: Spot) => (file: JobFile) => {
  file.site.indoors = false;
  file.site.forbids = [];
  file.site.spots = [spot];
  file.job.gustMs = 4;
};
const heldOf = (pieces: readonly Piece[], edit?: (file: JobFile) => void) =>
  draftPlan(jobOf(pieces, edit)).holds.pieces;
const says = (pieces: readonly Piece[], edit?: (file: JobFile) => void) =>
  heldOf(pieces, edit)
    .flatMap(({ troubles, risks }) => [...troubles, ...risks])
    .join(' ');

const column = (id: string, xM: number, more: object = {}) =>
  made('packed-column', id, { at: { xM, yM: 0 }, ...more });
const archAt = (id: string, frontM: number, more: object = {}) =>
  made('packed-arch', id, { at: { xM: 6, yM: 0 }, spanM: 3, ...(frontM ? { frontM } : {}), ...more });

test('arches one behind the other stand free; two in one place are told, and a way apart is found', () => {
  const row = [archAt('first', 0), archAt('second', 1.5), archAt('third', 3)];
  expect(says(row)).not.toContain('stands in');
  const depths = heldOf(row).map(({ ground }) => Math.min(...ground.map(({ outM }) => outM)));
  expect(depths).toEqual([0, 1.5, 3]);
  const file = jobOf([archAt('first', 0), archAt('second', 0.1)]);
  const { lamps, holds } = planJob(file);
  expect(holds.pieces[1]?.risks.join()).toContain('second stands in first');
  expect(lamps.holds.state).not.toBe('lit');
  const fix = lamps.holds.fixes.find(({ label }) => label.includes('in front of '));
  expect(says(applyChanges(file, fix?.changes ?? []).job.pieces)).not.toContain('stands in');
  // Beside each other, under each other, and hung on each other they are not in each other.
  expect(says([column('left', 3), column('right', 4)])).not.toContain('stands in');
  expect(says([archAt('arch', 0), column('middle', 6, { heightM: 1 })])).not.toContain('stands in');
  expect(says([column('left', 3), column('right', 3.2)])).toContain('right stands in left');
});

test('a pavement drawn 5 ft wide stays clear by 5 ft: bodies, bases and lines, in depth as along', () => {
  const pavement: KeepClear = {
    id: 'pavement',
    kind: 'walkway',
    xM: 0,
    yM: 0,
    widthM: 12,
    heightM: 2.2,
    frontM: 1,
    depthM: 5 * FT,
  };
  const clear = outside({ ...lawn, keepClear: [pavement] });
  const deepM = Math.max(
    ...heldOf([column('any', 3)], clear).flatMap(({ ground }) => ground.map((one) => one.depthM)),
  );
  expect(says([column('shy', 3)], clear)).not.toContain('walkway');
  expect(says([column('near', 3, { frontM: 0.98 - deepM })], clear)).not.toContain('walkway');
  expect(says([column('in', 3, { frontM: 1.1 - deepM })], clear)).toContain('5 ft wide as drawn');
  expect(says([column('beyond', 3, { frontM: 1 + 5 * FT + 0.05 })], clear)).not.toContain('walkway');
  expect(says([column('still-in', 3, { frontM: 1 + 5 * FT - 0.3 })], clear)).toContain('in the walkway');
  const file = jobOf([column('in', 3, { frontM: 1.1 - deepM })], clear);
  const [fix] = planJob(file).lamps.holds.fixes;
  expect(fix?.label).toContain('from the back edge');
  expect(says(applyChanges(file, fix?.changes ?? []).job.pieces, clear)).not.toContain('walkway');
  // Stakes of an arch beyond it: its lines pass over people's way, however they run.
  const tied = archAt('tied', 3.2, { hold: { tieLines: 4 } });
  expect(says([tied], clear)).toMatch(/walkway|must stay clear/);
  expect(says([{ ...tied, frontM: 9 }], clear)).not.toMatch(/walkway|must stay clear/);
  // Too narrow whichever way it is drawn: 36 in. ADA 2010 Standards, 403.5.1.
  const narrow = outside({ ...lawn, keepClear: [{ ...pavement, depthM: 0.9 }] });
  expect(says([column('any', 3, { frontM: 6 })], narrow)).toContain('36 in. clear');
});

test('a door that opens into the place sweeps as far as its leaf is wide, of two leaves half as far', () => {
  const door: KeepClear = { id: 'door', kind: 'exit', xM: 2, yM: 0, widthM: 1.8, heightM: 2, depthM: 0.5 };
  const at = (swing?: KeepClear['swing']) =>
    outside({ ...lawn, keepClear: [{ ...door, ...(swing ? { swing } : {}) }] });
  const before = (frontM: number) => [column('column', 2.9, { frontM })];
  expect(says(before(0.6), at())).not.toContain('way out');
  expect(says(before(0.6), at('both'))).toContain('way out');
  expect(says(before(1), at('both'))).not.toContain('way out');
  expect(says(before(1), at('left'))).toContain('way out');
  expect(says(before(1.9), at('left'))).not.toContain('way out');
});

test('back lines need room before a wall: how much is told, and standing so far out mends it', () => {
  const arch = archAt('arch', 0, { hold: { tieLines: 4 } });
  const [held] = heldOf([arch], outside(fence));
  const behindM = -Math.min(...(held?.tieLines ?? []).map(({ toOutM }) => toOutM));
  // Stakes stand as far out as the line is tied high, 45°, from the middle of a base 2 ft deep.
  expect(behindM).toBeCloseTo((held?.tieLines[0]?.reachM ?? 0) - 0.3048, 2);
  expect(held?.troubles.join()).toContain('behind Hall');
  expect(says([{ ...arch, frontM: behindM + 0.01 }], outside(fence))).not.toContain('behind Hall');
  expect(says([arch], outside(lawn))).not.toContain('behind Hall');
  const file = jobOf([arch], outside(fence));
  const { fixes } = planJob(file).lamps.holds;
  const fix = fixes.find(({ label }) => label.includes('from the fence'));
  expect(fix).toBeDefined();
  const mended = applyChanges(file, fix?.changes ?? []);
  expect(draftPlan(mended).holds.pieces[0]?.troubles).toEqual([]);
});

test('what reaches beyond the floor that there is, stakes as well, is told by how much', () => {
  const deep = (depthM: number) => outside({ ...lawn, depthM });
  expect(says([column('column', 3, { frontM: 2.5 })], deep(3))).toContain('beyond the floor of Hall');
  expect(says([column('column', 3, { frontM: 2.3 })], deep(3))).not.toContain('beyond');
  expect(says([archAt('arch', 0, { hold: { tieLines: 2 } })], deep(1.5))).toContain('bases and lines');
});

test('a line crosses a box where one of ten thousand points of it lies inside, as often as not', () => {
  const random = seededRandom(7);
  const at = () => ({ x: random() * 4 - 2, y: random() * 4 - 2, z: random() * 4 - 2 });
  const box = { from: { x: -1, y: -0.5, z: -0.8 }, to: { x: 0.6, y: 0.9, z: 0.4 } };
  let seen = 0;
  for (let round = 0; round < 300; round++) {
    const [a, b] = [at(), at()];
    const isInside = Array.from({ length: 10_001 }, (_, i) => i / 10_000).some((t) =>
      (['x', 'y', 'z'] as const).every((axis) => {
        const value = a[axis] + t * (b[axis] - a[axis]);
        return value > box.from[axis] && value < box.to[axis];
      }),
    );
    if (isInside) seen += 1;
    expect(crosses(a, b, box)).toBe(isInside);
  }
  expect(seen).toBeGreaterThan(40);
  expect(overlapOf(box, { from: { x: 0.5, y: 0, z: 0 }, to: { x: 2, y: 2, z: 2 } })).toBeCloseTo(0.1, 12);
});
