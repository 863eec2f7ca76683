import fc from 'fast-check';
import { distanceKm, simulatedDrive } from './simulated.ts';

// One degree along a meridian: 111.2 km on a sphere of 6371 km (π · 6371 / 180); a quarter of the equator 10 007.5 km.
test('great circles by hand', () => {
  expect(distanceKm({ lon: 5, lat: 10 }, { lon: 5, lat: 11 })).toBeCloseTo(111.19, 2);
  expect(distanceKm({ lon: 0, lat: 0 }, { lon: 90, lat: 0 })).toBeCloseTo(10007.54, 1);
  expect(distanceKm({ lon: 0, lat: 60 }, { lon: 1, lat: 60 })).toBeCloseTo(55.6, 1);
});

const point = fc.record({
  lon: fc.double({ min: -92.1, max: -91.9, noNaN: true }),
  lat: fc.double({ min: 43.9, max: 44.1, noNaN: true }),
});

test('a drive is the same for the same question, never shorter than the crow flies, slower when it is busy', () => {
  fc.assert(
    fc.property(point, point, (a, b) => {
      const night = simulatedDrive(a, b, { hour: 3, isWeekend: false });
      expect(simulatedDrive(a, b, { hour: 3, isWeekend: false })).toEqual(night);
      expect(night.km).toBeGreaterThanOrEqual(distanceKm(a, b) - 0.1);
      // Nobody is faster than an empty main road at its best.
      expect(night.minutes).toBeGreaterThanOrEqual(Math.floor((night.km / 65) * 60));
      expect(simulatedDrive(a, b, { hour: 8, isWeekend: false }).minutes).toBeGreaterThanOrEqual(
        night.minutes,
      );
      expect(simulatedDrive(a, b, { hour: 8, isWeekend: true }).minutes).toBeLessThanOrEqual(
        simulatedDrive(a, b, { hour: 8, isWeekend: false }).minutes,
      );
    }),
    { numRuns: 60 },
  );
});

test('far away one drives over land', () => {
  const far = simulatedDrive({ lon: -92, lat: 44 }, { lon: -92, lat: 45.5 }, { hour: 12, isWeekend: false });
  expect(far.km).toBeGreaterThan(160);
  expect(far.minutes).toBeGreaterThan(140);
});
