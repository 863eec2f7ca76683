import type { JobFile } from '@early-lantern/contract';
import { draftPlan, planJob } from '../plan.ts';
import { demoJob } from '../test/samples.ts';
import { applyChanges } from './fixes.ts';

type Power = JobFile['site']['spots'][number]['power'];

/** Everything blown on site, with so much power there. */
function onSite(power: Power, edit: (file: JobFile) => void = () => {}): JobFile {
  const file = structuredClone(demoJob('90-boat-hall'));
  for (const piece of file.job.pieces)
    if (piece.kind === 'organic-garland') piece.schools = { ...piece.schools, inflatedAt: 'site' };
  for (const spot of file.site.spots) spot.power = power;
  file.job.access.from = file.job.access.from.replace(/T\d\d:/, 'T10:');
  edit(file);
  return file;
}

const near = [{ id: 'socket', xM: 2, yM: 0.3 }];

test('what is blown on site needs power within reach; without it the workshop blows, or a battery does', () => {
  expect(draftPlan(onSite(near)).lamps.onTime.state).toBe('lit');
  const none = planJob(onSite([]));
  expect(none.lamps.onTime).toMatchObject({ state: 'low', figure: 'no power' });
  expect(none.lamps.onTime.reason).toContain('battery inflator or a hand pump');
  const fix = none.lamps.onTime.fixes.find(({ label }) => label === 'Blow everything in the workshop');
  if (!fix) throw new Error('not offered');
  expect(draftPlan(applyChanges(onSite([]), fix.changes)).lamps.onTime.figure).not.toBe('no power');
  const battery = onSite([], ({ workshop }) => {
    for (const inflator of workshop.inflators) inflator.power = 'battery';
  });
  expect(draftPlan(battery).lamps.onTime.state).toBe('lit');
  // Nobody has asked: nothing is known of it, and the survey asks.
  expect(draftPlan(onSite(undefined)).lamps.onTime.state).toBe('lit');
});

test('cables have a length, a circuit so many watts', () => {
  const far = [{ id: 'socket', xM: 40, yM: 0.3 }];
  expect(draftPlan(onSite(far)).lamps.onTime.figure).toBe('power too far');
  expect(
    draftPlan(
      onSite(far, ({ workshop }) => {
        workshop.cablesM = 60;
      }),
    ).lamps.onTime.state,
  ).toBe('lit');
  const weak = (powerW: number) =>
    draftPlan(
      onSite(near, ({ site, workshop }) => {
        site.powerW = powerW;
        for (const inflator of workshop.inflators) inflator.watts = 700;
      }),
    ).lamps.onTime;
  expect(weak(600)).toMatchObject({ state: 'low', figure: 'too little power' });
  expect(weak(5000).state).toBe('lit');
});
