import type { HoldPiece } from '@early-lantern/contract';
import { windAlarms } from './wind-alarm.ts';

// Watch, lower, take down, in that order as the wind rises: common practice, no source.
const piece = (id: string, limits: [number, number, number] | null, isOutdoors = true) =>
  ({
    id,
    name: id,
    isOutdoors,
    watchGustMs: limits?.[0] ?? null,
    lowerGustMs: limits?.[1] ?? null,
    takeDownGustMs: limits?.[2] ?? null,
  }) as HoldPiece;
const pieces = [
  piece('arch', [5, 7, 9]),
  piece('column', [3, 4, 6]),
  piece('hall', [1, 2, 3], false),
  piece('sign', null),
];

test.each([
  [2.9, []],
  [3, ['column watch']],
  [5, ['column lower', 'arch watch']],
  [6, ['column take down', 'arch watch']],
  [9, ['arch take down', 'column take down']],
])('at %d m/s', (gustMs, wanted) => {
  expect(windAlarms({ pieces }, gustMs).map(({ name, step }) => `${name} ${step}`)).toEqual(wanted);
});
