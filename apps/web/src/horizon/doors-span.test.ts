import { doorsSpan, soonSpan } from './doors-span.ts';

const job = (day: string) => ({
  data: {
    doors: `2027-06-${day}T18:00:00-05:00`,
    strike: { from: `2027-06-${day}T22:00:00-05:00`, until: `2027-06-${day}T23:00:00-05:00` },
  },
});
const rows = ['18', '19', '20', '21', '22'].map(job);

test('the lamps of the first three jobs that are not over are asked for first, of doors just after the last included', () => {
  // In the hour in which the first is taken down it is not over; an hour later it is.
  expect(soonSpan(rows, Date.parse('2027-06-18T22:30:00-05:00'))).toEqual([
    '2027-06-18T18:00:00-05:00',
    '2027-06-20T23:00:01.000Z',
  ]);
  expect(soonSpan(rows, Date.parse('2027-06-18T23:30:00-05:00'))).toEqual([
    '2027-06-19T18:00:00-05:00',
    '2027-06-21T23:00:01.000Z',
  ]);
  expect(doorsSpan(rows)).toEqual(['2027-06-18T18:00:00-05:00', '2027-06-22T23:00:01.000Z']);
});

test('of jobs that are all over, or not known yet, none is asked for first', () => {
  expect(soonSpan(rows, Date.parse('2027-07-01T00:00:00Z'))).toEqual([undefined, undefined]);
  expect(soonSpan(undefined, 0)).toEqual([undefined, undefined]);
});
