import type { OrganicGarland } from '@early-lantern/contract';
import { draftPlan } from '../plan.ts';
import { demoJob, garland } from '../test/samples.ts';
import { cutsOnLine, nearestShare, withCut } from './cuts-on-line.ts';
import { recipeOf } from './recipe-of.ts';

const point = (at: number) => ({ id: `point-${at}`, at });
const accent = (at: number) => ({ id: `accent-${at}`, name: 'Big round', massKg: 0.1, at });
const shares = (piece: OrganicGarland) => cutsOnLine(piece).map(({ share }) => Number(share.toFixed(3)));

// An armful is 6.5 ft: 12 ft are two sections, each of 5.5 to 6.5 ft.
test.each<[string, Partial<OrganicGarland>, number[]]>([
  ['nothing hides the join: in the middle', {}, [0.5]],
  ['a point of its own by hand hides it', { hold: { points: [point(0.47)] } }, [0.47]],
  ['a point too near an end does not serve', { hold: { points: [point(0.3)] } }, [0.5]],
  ['something tied on hides it', { attachments: [accent(0.53)] }, [0.53]],
  ['a point hides it better', { attachments: [accent(0.5)], hold: { points: [point(0.46)] } }, [0.46]],
  ['as many equal lengths as are typed', { sections: 3, hold: { points: [point(0.47)] } }, [0.333, 0.667]],
  ['by hand, whatever else there is', { cuts: [0.8, 0.25], sections: 5 }, [0.25, 0.8]],
])('12 ft, %s', (_, more, expected) => {
  expect(shares(garland(12, more))).toEqual(expected);
});

test('a cut is pulled along the garland and stays between its neighbours; from then on all are as drawn', () => {
  const three = garland(18, { sections: 3 });
  const moved = withCut(three, 0, nearestShare(three, { xM: 18 * 0.3048 * 0.25, yM: 0.4 }));
  expect(moved.sections).toBeUndefined();
  expect(shares(moved)).toEqual([0.25, 0.667]);
  expect(shares(withCut(moved, 0, 0.9))).toEqual([0.647, 0.667]);
  expect(shares(withCut(moved, 1, 0))).toEqual([0.25, 0.27]);
});

test('balloons, bags, points and joins go by the cuts: the sections tied together are the whole garland again', () => {
  const file = demoJob('90-boat-hall');
  const [piece] = file.job.pieces as [OrganicGarland];
  const { sections: _, ...whole } = piece;
  const cut: OrganicGarland = { ...whole, taper: 1, cuts: [0.2, 0.6] };
  const recipe = recipeOf(cut, file.workshop.schools);
  expect(recipe.sections.map((share) => Number(share.toFixed(3)))).toEqual([0.2, 0.4, 0.4]);
  const plan = draftPlan({ ...file, job: { ...file.job, pieces: [cut] } });
  const made = plan.pieces[0];
  expect(
    plan.fits.sections.map(({ fromM, toM }) => Number(((toM - fromM) / recipe.lengthM).toFixed(3))),
  ).toEqual([0.2, 0.4, 0.4]);
  expect(plan.fits.sections.at(-1)?.toM).toBeCloseTo(recipe.lengthM, 9);
  // Each section is as wide as the others: the same balloons for each foot of it.
  const [first, second] = plan.fits.sections;
  expect(first?.diameterM).toBeCloseTo(second?.diameterM ?? 0, 6);
  expect(made?.sections).toBe(3);
  expect(plan.tasks.find(({ step }) => step === 'join')?.label).toContain('join 2 pairs of ends');
  const hung = plan.holds.pieces[0]?.points ?? [];
  expect([...new Set(hung.map(({ section }) => section))].sort()).toEqual([0, 1, 2]);
  const ends = [0, 0.2, 0.6, 1];
  for (const { at, section } of hung) {
    expect(at).toBeGreaterThan((ends[section] ?? 1) - 0.01);
    expect(at).toBeLessThan((ends[section + 1] ?? 0) + 0.01);
  }
});
