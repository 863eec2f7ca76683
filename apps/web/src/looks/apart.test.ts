import type { LookFiller } from '@early-lantern/contract';
import { apart } from './apart.ts';
import { mapLines, mapNotes, runs } from './map-words.ts';

test('numbers that would lie on each other are moved apart, and no farther than they must', () => {
  const marks = [
    { x: 0, y: 0 },
    { x: 0.01, y: 0 },
    { x: 0.01, y: 0 },
    { x: 2, y: 1 },
  ];
  const placed = apart(marks, 0.1);
  placed.forEach((one, i) => {
    for (const other of placed.slice(i + 1))
      expect(Math.hypot(one.x - other.x, one.y - other.y)).toBeGreaterThan(0.098);
    expect(Math.hypot(one.x - (marks[i]?.x ?? 9), one.y - (marks[i]?.y ?? 9))).toBeLessThan(0.16);
  });
  expect(placed[3]).toEqual(marks[3]);
});

test('a dressing map in words: one make in a line, two by their numbers; sides, what is not counted, what is left over', () => {
  const filler = (number: number, more: Partial<LookFiller> = {}): LookFiller => ({
    pieceId: 'edge' as LookFiller['pieceId'],
    number,
    name: 'a trio of 5 in.',
    xM: 0,
    yM: 0,
    zM: 0,
    view: 'front',
    isCounted: true,
    ...more,
  });
  expect(runs([1, 2, 3, 7, 9, 10])).toBe('1–3, 7, 9–10');
  expect(mapLines([filler(1), filler(2)])).toEqual(['Each number stands for a trio of 5 in.']);
  const mixed = [
    filler(1, { name: 'a duplet of 9 in.' }),
    filler(2),
    filler(3, { view: 'left', isCounted: false }),
  ];
  expect(mapLines(mixed)).toEqual(['1: a duplet of 9 in.', '2–3: a trio of 5 in.']);
  expect(mapNotes(mixed, 2)).toEqual([
    '‹ and › go in from the left and from the right: 1 of them.',
    'Ringed in red and not counted yet: 1.',
  ]);
  expect(mapNotes([filler(1), filler(2)], 5)).toEqual([
    '3 fillers more than it takes: where it looks thin to you.',
  ]);
});
