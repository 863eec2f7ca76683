import { nestedPitch, ringOuterDiameter, ringRadius, ringSolidShare } from './rings.ts';

// Closed forms for unit spheres, printed to four digits; n = 3 and 4 are the tetrahedron's and the
// square antiprism's heights (√(2/3) and 2^(-1/4)), geometry of spheres in contact.
test.each([
  [2, Math.SQRT1_2, 2.0, 0.471],
  [3, 0.8165, 2.1547, 0.528],
  [4, 0.8409, 2.4142, 0.544],
  [5, 0.8507, 2.7013, 0.537],
  [6, 0.8556, 3.0, 0.519],
])('%d balloons: pitch %d, outer %d, solid share %d', (n, pitch, outer, share) => {
  expect(nestedPitch(n, 1, 1)).toBeCloseTo(pitch, 4);
  expect(ringOuterDiameter(n, 1)).toBeCloseTo(outer, 4);
  expect(ringSolidShare(n)).toBeCloseTo(share, 3);
});

/** Lowers a ring onto another, turned half a step, until the first pair touches: bisection on real positions. */
function lowerUntilContact(n: number, da: number, db: number): number {
  const ball = (ring: number, d: number, half: number, i: number, z: number) => {
    const angle = ((i + half) / n) * 2 * Math.PI;
    return [Math.cos(angle) * ring, Math.sin(angle) * ring, z, d] as const;
  };
  const clear = (z: number) => {
    for (let i = 0; i < n; i++) {
      for (let j = 0; j < n; j++) {
        const a = ball(ringRadius(n, da), da, 0, i, 0);
        const b = ball(ringRadius(n, db), db, 0.5, j, z);
        if (Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]) < (a[3] + b[3]) / 2) return false;
      }
    }
    return true;
  };
  let low = 0;
  let high = da + db;
  for (let step = 0; step < 60; step++) {
    const z = (low + high) / 2;
    if (clear(z)) high = z;
    else low = z;
  }
  return high;
}

test.each([
  [3, 11, 11],
  [4, 11, 11],
  [4, 11, 5],
  [5, 11, 9],
  [6, 12, 10],
  [8, 9, 9],
])('pitch of %d balloons of %d and %d agrees with numerical contact', (n, da, db) => {
  expect(nestedPitch(n, da, db)).toBeCloseTo(lowerUntilContact(n, da, db), 6);
});

test('a ring that slips through is refused', () => {
  expect(() => nestedPitch(6, 20, 2)).toThrow(RangeError);
});
