import fc from 'fast-check';
import { placeLabels } from './place-labels.ts';

test('a lone label stands to the right of its mark, near the right edge to the left', () => {
  expect(placeLabels([{ x: 100, text: 'Finish line, 11:00' }], 1200)).toEqual([{ left: 108, level: 0 }]);
  const [late] = placeLabels([{ x: 1150, text: 'Glasshouse, 19:30' }], 1200);
  expect((late?.left ?? 0) + 'Glasshouse, 19:30'.length * 7.3).toBeCloseTo(1142, 6);
});

test('however many doors a day has, no label lies on another', () => {
  const marks = fc.array(
    fc.record({ x: fc.integer({ min: 0, max: 1200 }), text: fc.string({ minLength: 4, maxLength: 60 }) }),
    { maxLength: 8 },
  );
  fc.assert(
    fc.property(marks, fc.constantFrom(366, 1230), (all, width) => {
      const inside = all.map((mark) => ({ ...mark, x: Math.min(mark.x, width) }));
      const labels = placeLabels(inside, width).map((label, i) => ({
        ...label,
        right: label.left + Math.min(width, (inside[i]?.text.length ?? 0) * 7.3),
      }));
      labels.forEach((label, i) => {
        expect(label.left).toBeGreaterThanOrEqual(0);
        expect(label.right).toBeLessThanOrEqual(width + 1e-6);
        for (const other of labels.slice(i + 1)) {
          const apart = other.level !== label.level || other.left >= label.right || label.left >= other.right;
          expect(apart).toBe(true);
        }
      });
    }),
  );
});
