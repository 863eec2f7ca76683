import { FOV, standpointOf, standpoints } from './standpoints.ts';

const spot = { widthM: 6, heightM: 3 };

test('from the front the whole spot is in the picture, whichever way round it is held', () => {
  for (const aspect of [0.5, 1, 2.2]) {
    const { eye, at } = standpointOf('front', spot, aspect);
    const far = eye[2] - at[2];
    const half = Math.tan((FOV / 2) * (Math.PI / 180)) * far;
    expect(half).toBeGreaterThanOrEqual(spot.heightM / 2);
    expect(half * aspect).toBeGreaterThanOrEqual(spot.widthM / 2);
  }
});

test('nobody stands in the wall; the camera stands where the place says', () => {
  for (const { id } of standpoints) expect(standpointOf(id, spot, 1.5).eye[2]).toBeGreaterThan(0);
  const photoFrom = { xM: 1, outM: 4.5 };
  expect(standpointOf('photo', { ...spot, photoFrom }, 1.5).eye).toEqual([1, expect.any(Number), 4.5]);
  const [left, right] = [standpointOf('half-left', spot, 1.5).eye, standpointOf('half-right', spot, 1.5).eye];
  expect(left[0] + right[0]).toBeCloseTo(spot.widthM, 9);
  expect(left[0]).toBeLessThan(0);
});
