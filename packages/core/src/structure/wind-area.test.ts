import type { JobFile, Piece } from '@early-lantern/contract';
import { draftPlan } from '../plan.ts';
import { hall, jobOf, made } from '../test/carried.ts';

// Worked out apart from the engine at 18 mph, q = 39.66 Pa: drag 1.2, solid share 0.85, a base's plate 2 ft wide, factor 2.
const Q = 39.66;
const FT = 0.3048;

const outside = (file: JobFile) => {
  file.site.indoors = false;
  file.site.spots = [{ ...hall, floor: 'paving' }];
  file.job.gustMs = 8.047;
};

function windOn(piece: Piece) {
  const held = draftPlan(jobOf([piece], outside)).holds.pieces[0];
  const front = held?.cases.find(({ label }) => label === 'tips over to the front');
  const slides = held?.cases.find(({ label }) => label === 'slides away');
  if (!held || !front || !slides) throw new Error('nothing stands');
  return { held, forceN: slides.perPa * Q, momentNm: front.perPa * Q };
}

test('a photo frame in quads of 4 in. meets the wind with strips of 0.245 m: 67.6 N, 73.7 N·m', () => {
  const { held, forceN, momentNm } = windOn(
    made('photo-frame', 'frame', {
      widthM: 5 * FT,
      heightM: 7 * FT,
      legM: 0.1,
      legs: 'dressed',
      dress: { style: 'quads', balloon: { nominalIn: 5, inflatedIn: 4 }, repeat: ['lagoon'] },
    }),
  );
  expect(Math.abs(forceN / 67.6 - 1)).toBeLessThan(0.02);
  expect(Math.abs(momentNm / 73.7 - 1)).toBeLessThan(0.02);
  // With its own 6 kg of frame and dressing it wants 21.7 kg a base in all, plate and weights.
  const plateKg = 16;
  expect((held.ballastKg[0] as number) + plateKg).toBeGreaterThan(0.9 * 21.7);
  expect((held.ballastKg[0] as number) + plateKg).toBeLessThan(1.45 * 21.7);
});

test('a wider strip of organic work meets more wind, and bare legs less', () => {
  const frame = (more: object) => windOn(made('photo-frame', 'frame', { legM: 0.6, ...more })).forceN;
  const dress = (widthM: number) => ({
    dress: { ...(made('photo-frame', 'f').dress as object), style: 'organic', widthM },
  });
  const organic = made('photo-frame', 'f').dress.style === 'organic';
  if (organic) expect(frame(dress(0.5))).toBeGreaterThan(frame(dress(0.3)));
  expect(frame({ legs: 'bare' })).toBeLessThan(frame({ legs: 'dressed' }));
});

test('a column of quads with a round topper: 42.9 N at half its height and 9.0 N at the ball, 64.5 N·m', () => {
  // Ten quads 0.53 m wide on 2 m; a ball of 0.76 m (29.92 in.) whose middle is at 2.4 m.
  const inflatedIn = 0.53 / 2.4142 / 0.0254;
  const { forceN, momentNm } = windOn(
    made('packed-column', 'column', {
      heightM: 2,
      layerSize: 4,
      balloon: { nominalIn: 11, inflatedIn },
      topper: { nominalIn: 36, inflatedIn: 29.92, colour: 'lagoon' },
    }),
  );
  expect(Math.abs(forceN / (42.9 + 9) - 1)).toBeLessThan(0.02);
  expect(Math.abs(momentNm / 64.5 - 1)).toBeLessThan(0.02);
});
