import { MinuteAxis } from './calendar.ts';

const member = { id: 'wren', name: 'Wren', skills: [], shift: { from: '07:00', to: '19:00' } };

/** The wall clock by Intl, independent of the axis. */
const wall = (iso: string, timeZone: string) =>
  new Intl.DateTimeFormat('en-GB', { timeZone, hour: '2-digit', minute: '2-digit', hourCycle: 'h23' }).format(
    new Date(iso),
  );

// Doors on the Sunday after each clock change, so that the change lies inside the axis.
test.each([
  ['spring forward', '2027-03-14T17:00:00-05:00', 'America/Chicago'],
  ['fall back', '2027-11-07T17:00:00-06:00', 'America/Chicago'],
  ['a half-hour change', '2027-10-03T17:00:00+11:00', 'Australia/Lord_Howe'],
  ['no change', '2027-06-19T17:00:00+05:30', 'Asia/Kolkata'],
])('%s: shifts keep to the wall clock and minutes to real time', (_, doors, zone) => {
  const axis = new MinuteAxis(doors, zone);
  const shifts = axis.shifts(member);
  expect(shifts).toHaveLength(4);
  for (const [from, to] of shifts) {
    expect(wall(axis.iso(from), zone)).toBe('07:00');
    expect(wall(axis.iso(to), zone)).toBe('19:00');
  }
  for (let minute = 0; minute < 4 * 1440; minute += 97) {
    expect(axis.minute(axis.iso(minute))).toBe(minute);
    expect(wall(axis.iso(minute), zone)).toBe(axis.iso(minute).slice(11, 16));
  }
  expect(Date.parse(axis.iso(axis.minute(doors)))).toBe(Date.parse(doors));
});
