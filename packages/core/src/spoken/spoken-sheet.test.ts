import { planJob } from '../plan.ts';
import { demoJob } from '../test/samples.ts';
import { spokenSheet } from './spoken-sheet.ts';

const file = demoJob('01-meadow-finish');
const plan = planJob(file);

test('every task is read, in order, at its hour and with who does it, in words alone', () => {
  const text = spokenSheet(file, plan);
  const lines = text.split('\n');
  expect(lines.filter((line) => /^\d{1,2}:\d\d\. /.test(line))).toHaveLength(plan.tasks.length);
  expect(lines[1]).toBe('At Upper Meadow, Saturday 19 June. Doors open at 11:00.');
  expect(text).toContain('18:22. Ilo: Finish arch: Inflate 196 of 11 inches to 8¾ inches.');
  expect(text).toMatch(
    /Wren and Ilo: Finish arch: set the arch frame, weight both bases, 6 sand bag on each of 2 bases\./,
  );
  // Nothing that one cannot say.
  expect(text.match(/[×–±()·→|]|\bin\.|\bft\b/g)).toBeNull();
});

test('for one person only what is theirs is read, with whom', () => {
  const text = spokenSheet(file, plan, 'ilo');
  const own = plan.tasks.filter(({ crew }) => crew.includes('ilo'));
  expect(text.split('\n').filter((line) => /^\d{1,2}:\d\d\. /.test(line))).toHaveLength(own.length);
  expect(text).toContain('With Wren: Finish arch: set the arch frame');
  expect(text.startsWith('Finish line, charity ride, for Ilo.')).toBe(true);
});
