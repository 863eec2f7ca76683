import type { JobFile, Piece } from '@early-lantern/contract';
import { workedJob } from '../plan.ts';
import { curtainStand, jobOf, made } from '../test/carried.ts';
import { clockFor } from './clock.ts';
import { dayProblem } from './day-problem.ts';

// Base sections go up heaviest first: common practice, no source.

/** A garland on the wall, as long as said: the longer the heavier. */
const garland = (id: string, fromM: number, lengthM: number, more = {}) =>
  made('organic-garland', id, {
    line: [
      { xM: fromM, yM: 1.8 },
      { xM: fromM + lengthM, yM: 1.8 },
    ],
    sections: 1,
    ...more,
  });

/** An hour's work on the light one once it hangs: by the longest chain of work alone it would be the first. */
const long = { attachments: [{ id: 'stars', name: 'Paper stars', massKg: 0, at: 0.5, minutesEach: 60 }] };
const [light, heavy] = [garland('light', 1, 1.5, long), garland('heavy', 4, 4)];

function hung(pieces: readonly Piece[], edit: (file: JobFile) => void = () => {}) {
  const file = jobOf(pieces, (one) => {
    // Something to hang from all along the wall.
    for (const spot of one.site.spots)
      spot.fixings = Array.from({ length: 40 }, (_, i) => ({
        id: `hook-${i}`,
        kind: 'hook' as const,
        at: { xM: 0.3 * i, yM: 2 },
      })) as never;
    edit(one);
  });
  const worked = workedJob(file).pieces;
  const { tasks } = clockFor(file, worked);
  const at = (id: string) => tasks.find((task) => task.id === id);
  return { file, worked, at, start: (id: string) => Date.parse(at(`${id}--hang`)?.start as string) };
}

test.each([
  ['thought of last', [light, heavy]],
  ['thought of first', [heavy, light]],
])('one person hangs the heavy garland before the light one: %s', (_, pieces) => {
  const { start } = hung(pieces, ({ job }) => {
    job.crew = ['wren'];
  });
  expect(start('heavy')).toBeLessThan(start('light'));
});

test('so it is when the crew comes late, and nobody loses a minute by it', () => {
  for (const pieces of [
    [light, heavy],
    [heavy, light],
  ]) {
    const { start } = hung(pieces, ({ job }) => {
      job.crew = ['wren'];
      job.arrival = 'late';
    });
    expect(start('heavy')).toBeLessThan(start('light'));
  }
});

test('two people hang both at the same time: a turn is no wait', () => {
  const { start, at } = hung([light, heavy]);
  expect(start('light')).toBeLessThan(Date.parse(at('heavy--hang')?.end as string));
});

test('nobody waits with the light one for a heavy one whose stand is not up', () => {
  const stand = made('backdrop', 'stand', { at: { xM: 6, yM: 0 }, widthM: 4.5, heightM: 2.4 });
  const onStand = garland('heavy', 4, 4, { on: { pieceId: 'stand', part: 'top-bar' } });
  const { start, at } = hung([light, onStand, stand]);
  expect(at('heavy--hang')?.after).toContain('stand--pins');
  expect(start('light')).toBeLessThan(Date.parse(at('stand--pins')?.end as string));
});

test('what is said of two that wait for each other anyway is nothing; of three that do not, three things', () => {
  const turns = (pieces: readonly Piece[]) => {
    const { file, worked } = hung(pieces);
    return dayProblem([{ file, pieces: worked }]).jobs[0]?.turns ?? [];
  };
  // The upright half goes first by rule, though the overhead one with its accent may be the heavier.
  const ids = turns(curtainStand()).flatMap(({ heavier, lighter }) => [heavier, lighter]);
  expect(ids.filter((id) => /half/.test(id))).toEqual([]);
  const middle = garland('middle', 8.5, 2.5);
  expect(turns([light, middle, heavy])).toEqual([
    { heavier: 'heavy--hang', lighter: 'middle--hang' },
    { heavier: 'heavy--hang', lighter: 'light--hang' },
    { heavier: 'middle--hang', lighter: 'light--hang' },
  ]);
});
