import { newId } from './ids.ts';
import { beforeDoors, clockTime, dayKey, dayName, minutesBetween, spanText } from './time.ts';

test.each([
  [0, '0 min'],
  [59.4, '59 min'],
  [-25, '25 min'],
  [60, '1 h 00'],
  [285, '4 h 45'],
  [2879, '47 h 59'],
  [2880, '2 days'],
  [11_500, '8 days'],
])('%d minutes are said "%s"', (minutes, text) => {
  expect(spanText(minutes)).toBe(text);
});

test('hours are those of the zone asked for, whatever offset the moment is written with', () => {
  const doors = '2027-06-19T22:30:00Z';
  expect(clockTime(doors, 'America/Chicago')).toBe('17:30');
  expect(dayName('2031-06-20T04:30:00Z', 'America/Chicago')).toBe('Thursday 19 June 2031');
  expect(dayKey('2027-06-20T04:30:00Z', 'America/Chicago')).toBe('2027-06-19');
  expect(beforeDoors('2027-06-19T15:20:00-05:00', doors)).toBe('2 h 10 before');
  expect(beforeDoors('2027-06-19T17:55:00-05:00', doors)).toBe('25 min after');
  expect(beforeDoors('2027-06-19T17:30:00-05:00', doors)).toBe('doors');
  expect(minutesBetween(Date.parse(doors), '2027-06-19T18:00:00-05:00')).toBe(30);
});

test.each(['Lock-keepers’ evening', 'Été à l’écluse', '!!!', 'x'.repeat(200), 'Übung 2'])(
  'an id from "%s" is one the contract takes, and not twice the same',
  (name) => {
    const ids = Array.from({ length: 20 }, () => newId(name));
    for (const id of ids) expect(id).toMatch(/^[a-z0-9][a-z0-9-]{0,63}$/);
    expect(new Set(ids).size).toBe(20);
  },
);
