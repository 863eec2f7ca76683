import type { ClockChoices, JobHead, Task } from '@early-lantern/contract';
import { chosenOf, keptOff, letGo, lockedUpTo, ordered, pinned, split, withChoices } from './pins.ts';

const agreed = { at: '2027-06-17T12:00:00Z', tasks: [] };
const start = '2027-06-19T14:00:00-05:00';
const task = (id: string, hhmm: string, crew: string[] = ['wren']) =>
  ({ id, start: `2027-06-19T${hhmm}:00-05:00`, crew }) as Task;

test('a pin keeps what was pinned of the task before, and leaves other tasks alone', () => {
  const other = pinned({}, 'hang', { start });
  const both = pinned(pinned(other, 'fill', { start }), 'fill', { crew: ['ilo'] });
  expect(both.pins).toEqual([
    { task: 'hang', start },
    { task: 'fill', start, crew: ['ilo'] },
  ]);
  expect(letGo(both, 'fill').pins).toEqual(other.pins);
});

test.each<[string, (choices: ClockChoices) => ClockChoices]>([
  ['a pin', (all) => pinned(all, 'fill', { start })],
  ['somebody kept off', (all) => keptOff(all, 'fill', 'ilo')],
  ['a task in goes', (all) => split(all, 'fill', 2)],
  ['an order', (all) => ordered(all, 'hang', 'fill')],
])('%s ends what was agreed for the day, and is let go of with the task', (_, choose) => {
  const chosen = choose({ agreed });
  expect(chosen.agreed).toBeUndefined();
  expect(choose(chosen)).toEqual(chosen);
  const head = { id: 'job' } as JobHead;
  expect(withChoices(head, () => chosen).clock).toEqual(chosen);
  // Nothing of it is left in the job, so that the file is as it was.
  expect(withChoices({ ...head, clock: chosen }, (all) => letGo(all, 'fill'))).toEqual(head);
});

test('all that has begun by then is locked with its people; what waits by itself has none', () => {
  const tasks = [task('unload', '14:00'), task('cure', '14:30', []), task('hang', '15:00')];
  expect(lockedUpTo({}, tasks, '2027-06-19T14:30:00-05:00').pins).toEqual([
    { task: 'unload', start: tasks[0]?.start, crew: ['wren'] },
    { task: 'cure', start: tasks[1]?.start },
  ]);
  // The same moment told from another zone.
  expect(lockedUpTo({}, tasks, '2027-06-19T20:00:00Z').pins).toHaveLength(3);
});

test('of a part of a split task, the goes are those of the whole', () => {
  const choices = split(pinned({}, 'fill~1', { start }), 'fill', 3);
  expect(chosenOf(choices, 'fill~1')).toMatchObject({ pin: { start }, parts: 3, keptOff: [], after: [] });
  expect(chosenOf(choices, 'fill')).toMatchObject({ pin: undefined, parts: 3 });
  expect(chosenOf(undefined, 'fill')).toEqual({ keptOff: [], after: [] });
});
