import { formatForce, formatMass, inTheirUnits } from './customary.ts';

/** Factors of NIST SP 811 (2008), appendix B.8, "to convert from … to …, multiply by", seven figures as printed there. */
test.each([
  [1, 'kg', 1 / 4.535924e-1, 'lb'],
  [1, 'N', 1 / 4.448222, 'lb'],
  [1, 'N·m', 1 / 1.355818, 'lb·ft'],
  [1, 'N/m', 1 / 14.5939, 'lb/ft'],
  [1, 'Pa', 1 / 47.88026, 'lb/sq ft'],
  [1, 'm/s', 1 / 4.4704e-1, 'mph'],
  [1, 'm²', 1 / 9.290304e-2, 'sq ft'],
  [1, 'm³', 1 / 2.831685e-2, 'cu ft'],
  [1, 'l', 1 / 28.31685, 'cu ft'],
  [25.4, 'mm', 1, 'in'],
  [30, '°C', 86, '°F'],
  [0, '°C', 32, '°F'],
  [12, 'balloons', 12, 'balloons'],
])('%p %s is so many in feet and pounds', (si, unit, value, theirs) => {
  const told = inTheirUnits(si, unit, 'imperial');
  expect(told.unit).toBe(theirs);
  expect(told.value / value).toBeCloseTo(1, 6);
  expect(inTheirUnits(si, unit, 'metric')).toEqual({ value: si, unit });
});

test('a mass and a force are said with two figures', () => {
  expect([formatMass(10, 'imperial'), formatMass(10, 'metric'), formatMass(2, 'metric')]).toEqual([
    '22 lb',
    '10 kg',
    '2.0 kg',
  ]);
  expect(formatForce(9.8, 'imperial')).toBe('2.2 lb');
});
