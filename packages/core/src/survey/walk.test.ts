import { demoJob } from '../test/samples.ts';
import { surveyWalk } from './walk.ts';

const { site } = demoJob('02-engine-shed');

test('a fresh place is asked everything in the order of the walk: the van first, then each spot', () => {
  const [spot] = site.spots;
  if (!spot) throw new Error('the demo shed has spots');
  const { id, name, kind, widthM, heightM, surface } = spot;
  const { distanceM, steps } = site.loadIn;
  const fresh = {
    id: site.id,
    name: site.name,
    indoors: true,
    driveMin: 15,
    loadIn: { distanceM, steps },
    spots: [{ id, name, kind, widthM, heightM, surface }],
    rules: '',
    contact: '',
  };
  const walk = surveyWalk(fresh);
  expect(walk.some((question) => question.isAnswered)).toBe(false);
  expect(walk[0]?.id).toBe('parking');
  expect(walk.findIndex((question) => question.spotId)).toBeGreaterThan(
    walk.findIndex((question) => question.id === 'forbids'),
  );
  for (const question of walk) expect(question.lamps.length).toBeGreaterThan(0);
  // Inside a brick wall has no sun; the same wall outdoors, or a window, has.
  expect(walk.some((question) => question.id === 'sun')).toBe(false);
  expect(surveyWalk({ ...fresh, indoors: false }).some((question) => question.id === 'sun')).toBe(true);
  // A lawn has no parts of another surface, a wall may have.
  const lawn = { ...fresh, spots: fresh.spots.map((one) => ({ ...one, kind: 'open-floor' as const })) };
  expect([fresh, lawn].map((one) => surveyWalk(one).some(({ id }) => id === 'regions'))).toEqual([
    true,
    false,
  ]);
  const window = { ...fresh, spots: fresh.spots.map((one) => ({ ...one, kind: 'window' as const })) };
  expect(surveyWalk(window).some((question) => question.id === 'sun')).toBe(true);
});

test('an empty list is an answer: nothing is there; a list left out is not', () => {
  const [first, ...others] = site.spots;
  if (!first) throw new Error('the demo shed has spots');
  const { fixings: _, ...unasked } = first;
  const asked = (spot: typeof unasked) =>
    surveyWalk({ ...site, spots: [spot, ...others] }).find(
      (question) => question.id === 'fixings' && question.spotId === first.id,
    )?.isAnswered;
  expect(asked(unasked)).toBe(false);
  expect(asked({ ...unasked, fixings: [] } as typeof first)).toBe(true);
});
