import { arrivesOn, isOpen, lastOrderDay } from './open-days.ts';

// June 2027 by the calendar: the 1st is a Tuesday, the 5th and 6th are a weekend.
const WEEK = [1, 2, 3, 4, 5];
const post = (leadDays: number, more = {}) => ({ leadDays, workdays: WEEK, ...more });

test.each([
  ['Mon to Wed, three working days', '2027-06-07', post(3), undefined, '2027-06-10'],
  ['over a weekend', '2027-06-03', post(3), undefined, '2027-06-08'],
  ['ordered on a Saturday, taken on Monday', '2027-06-05', post(1), undefined, '2027-06-08'],
  [
    'over a holiday',
    '2027-06-03',
    post(1, { closed: [{ from: '2027-06-04', until: '2027-06-07' }] }),
    undefined,
    '2027-06-08',
  ],
  ['the shop takes nothing in on Tuesdays', '2027-06-07', post(1), { workdays: [1, 3, 4, 5] }, '2027-06-09'],
  ['a supplier that says nothing is open every day', '2027-06-04', { leadDays: 3 }, undefined, '2027-06-07'],
])('an order arrives: %s', (_, ordered, supplier, shop, arrives) => {
  expect(arrivesOn(ordered, supplier, shop)).toBe(arrives);
});

test('ordered on the last day it is in time, a day later it is not (every day of a year)', () => {
  const holidays = {
    closed: [
      { from: '2027-07-01', until: '2027-07-05' },
      { from: '2027-12-24', until: '2028-01-02' },
    ],
  };
  const shop = { workdays: [2, 3, 4, 5, 6], closed: [{ from: '2027-08-02', until: '2027-08-16' }] };
  const next = (day: string, by = 1) =>
    new Date(Date.parse(day) + by * 86_400_000).toISOString().slice(0, 10);
  for (let wanted = '2027-06-01'; wanted < '2028-06-01'; wanted = next(wanted)) {
    for (const lead of [0, 1, 4]) {
      const last = lastOrderDay(wanted, post(lead, holidays), shop) as string;
      expect(isOpen(last, shop)).toBe(true);
      expect((arrivesOn(last, post(lead, holidays), shop) as string) <= wanted).toBe(true);
      let later = next(last);
      while (!isOpen(later, shop)) later = next(later);
      expect((arrivesOn(later, post(lead, holidays), shop) as string) > wanted).toBe(true);
    }
  }
});

test('a supplier that never opens is said to', () => {
  expect(
    arrivesOn('2027-06-01', post(1, { closed: [{ from: '2027-01-01', until: '2029-12-31' }] }), undefined),
  ).toBeUndefined();
});
