import { withDoors } from './times.ts';

const times = {
  doors: '2027-06-19T17:30:00-05:00',
  access: { from: '2027-06-19T13:30:00-05:00', until: '2027-06-19T17:15:00-05:00' },
  strike: { from: '2027-06-19T23:00:00-05:00', until: '2027-06-20T01:00:00-05:00' },
};

test('doors an hour later leave access and strike where they are', () => {
  expect(withDoors(times, '2027-06-19T18:30:00-05:00')).toEqual({
    ...times,
    doors: '2027-06-19T18:30:00-05:00',
  });
});

test('doors on another day take access and strike along', () => {
  expect(withDoors(times, '2027-06-26T18:00:00-05:00')).toEqual({
    doors: '2027-06-26T18:00:00-05:00',
    access: { from: '2027-06-26T14:00:00-05:00', until: '2027-06-26T17:45:00-05:00' },
    strike: { from: '2027-06-26T23:30:00-05:00', until: '2027-06-27T01:30:00-05:00' },
  });
});

test('across a change of the clocks the hours on the wall stay', () => {
  const moved = withDoors(times, '2027-11-13T17:30:00-06:00');
  expect(moved.access.from).toBe('2027-11-13T13:30:00-06:00');
  expect(moved.strike.from).toBe('2027-11-13T23:00:00-06:00');
});
