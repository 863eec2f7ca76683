import { isNearDay } from './near-day.ts';

test('work may fall on the two days before access and the two after the strike, by the clock there', () => {
  const job = {
    access: { from: '2027-06-18T22:00:00-05:00', until: '2027-06-19T17:00:00-05:00' },
    strike: { from: '2027-06-19T23:00:00-05:00', until: '2027-06-20T01:00:00-05:00' },
  };
  const zone = 'America/Chicago';
  const touched = [15, 16, 19, 22, 23].filter((day) => isNearDay(job, `2027-06-${day}`, zone));
  expect(touched).toEqual([16, 19, 22]);
});
