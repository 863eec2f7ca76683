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

// The clocks go from 00:00 to 01:00: that day has no midnight. The change lies before, within and after the axis's days.
test.each([
  ['America/Santiago', '2027-09-05'],
  ['Africa/Cairo', '2027-04-30'],
  ['America/Havana', '2027-03-14'],
  ['Asia/Beirut', '2027-03-28'],
])('%s: a night without midnight moves no shift', (zone, changes) => {
  for (const later of [0, 1, 2, 3]) {
    const day = new Date(Date.parse(`${changes}T16:00:00Z`) + later * 86_400_000).toISOString();
    const axis = new MinuteAxis(day, zone);
    for (const [from, to] of axis.shifts(member)) {
      expect(wall(axis.iso(from), zone)).toBe('07:00');
      expect(wall(axis.iso(to), zone)).toBe('19:00');
    }
    // Over midnight, and to one minute before the hour that is not there.
    for (const [from, to] of axis.daily({ from: '22:00', to: '05:30' }).slice(1)) {
      expect(wall(axis.iso(from), zone)).toBe('22:00');
      expect(wall(axis.iso(to), zone)).toBe('05:30');
    }
    for (let minute = 0; minute < 4 * 1440; minute += 97) expect(axis.minute(axis.iso(minute))).toBe(minute);
  }
});
