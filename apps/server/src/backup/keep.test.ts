import { DateTime } from 'luxon';
import { outdated } from './keep.ts';

const start = DateTime.fromISO('2026-01-01T03:00:00Z', { zone: 'utc' });
const at = (days: number, hours = 0) => ({ at: start.plus({ days, hours }).toISO() as string });
const days = (backups: readonly { at: string }[]) => backups.map((one) => one.at.slice(0, 10));

test('after two years of nights there are the last seven days, five weeks and twelve months', () => {
  // Night by night, as they are made.
  let kept: { at: string }[] = [];
  for (let day = 0; day < 730; day++) {
    kept.push(at(day));
    const gone = new Set(outdated(kept));
    kept = kept.filter((one) => !gone.has(one));
  }
  const last = start.plus({ days: 729 });
  const daily = Array.from({ length: 7 }, (_, i) => last.minus({ days: i }).toISODate() as string);
  expect(days(kept)).toEqual(expect.arrayContaining(daily));
  // The last night of each month, as far back as a year.
  for (let back = 1; back < 12; back++)
    expect(days(kept)).toContain(last.minus({ months: back }).endOf('month').toISODate());
  // Of the weeks their last night, a Sunday: 7 + 4 + 11 at the most, some of them the same.
  for (let back = 1; back < 5; back++)
    expect(days(kept)).toContain(last.minus({ weeks: back }).endOf('week').toISODate());
  expect(kept.length).toBeLessThanOrEqual(7 + 4 + 11);
  expect(kept.length).toBeGreaterThan(18);
});

test('of one day the newest stays; the newest of all always does, and a few old ones are not thrown away', () => {
  expect(outdated([at(0), at(0, 2), at(0, 5)])).toEqual([at(0, 2), at(0)]);
  expect(outdated([])).toEqual([]);
  expect(outdated([at(0), at(200), at(500)])).toEqual([]);
});
