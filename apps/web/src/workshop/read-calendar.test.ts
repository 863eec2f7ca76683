import { calendarOf, planJob } from '@early-lantern/core';
import { demoJob } from '../../../../packages/core/src/test/samples.ts';
import { busyTimes } from './read-calendar.ts';

const now = Date.parse('2027-06-01T00:00:00Z');
const zone = 'America/Chicago';
const calendar = (...lines: string[]) =>
  ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//x//y//EN', ...lines, 'END:VCALENDAR'].join('\r\n');
const event = (...lines: string[]) => ['BEGIN:VEVENT', 'DTSTAMP:20270101T000000Z', ...lines, 'END:VEVENT'];

test('entries in UTC, of whole days and without a zone; called off and free ones are left out', () => {
  const text = calendar(
    ...event('UID:1', 'DTSTART:20270610T140000Z', 'DTEND:20270610T150000Z', 'SUMMARY:Dentist'),
    ...event('UID:2', 'DTSTART;VALUE=DATE:20270611', 'DTEND;VALUE=DATE:20270612', 'SUMMARY:Away'),
    ...event('UID:3', 'DTSTART:20270612T090000', 'DTEND:20270612T100000', 'SUMMARY:Market'),
    ...event('UID:4', 'DTSTART:20270613T140000Z', 'DTEND:20270613T150000Z', 'STATUS:CANCELLED'),
    ...event('UID:5', 'DTSTART:20270613T140000Z', 'DTEND:20270613T150000Z', 'TRANSP:TRANSPARENT'),
    ...event('UID:6', 'DTSTART:20270510T140000Z', 'DTEND:20270510T150000Z', 'SUMMARY:Past'),
  );
  // Chicago is five hours behind UTC in June.
  expect(busyTimes(text, zone, now)).toEqual([
    { from: '2027-06-10T14:00:00+00:00', until: '2027-06-10T15:00:00+00:00', label: 'Dentist' },
    { from: '2027-06-11T05:00:00+00:00', until: '2027-06-12T05:00:00+00:00', label: 'Away' },
    { from: '2027-06-12T14:00:00+00:00', until: '2027-06-12T15:00:00+00:00', label: 'Market' },
  ]);
});

test('a repeated entry each time, less the one left out, for a year at most', () => {
  const weekly = calendar(
    ...event(
      'UID:7',
      'DTSTART:20270607T180000Z',
      'DTEND:20270607T193000Z',
      'RRULE:FREQ=WEEKLY;COUNT=4',
      'EXDATE:20270614T180000Z',
      'SUMMARY:Choir',
    ),
  );
  expect(busyTimes(weekly, zone, now).map(({ from }) => from.slice(0, 10))).toEqual([
    '2027-06-07',
    '2027-06-21',
    '2027-06-28',
  ]);
  const forever = weekly.replace(';COUNT=4', '').replace('FREQ=WEEKLY', 'FREQ=DAILY');
  expect(busyTimes(forever, zone, now).length).toBeLessThanOrEqual(370);
});

test('a calendar of ours read back blocks nothing; the same from elsewhere, every task that takes the person', () => {
  const file = demoJob('02-engine-shed');
  const plan = planJob(file);
  const mine = plan.tasks.filter(({ crew }) => crew.includes('wren'));
  const own = calendarOf(file, plan, { person: 'wren', made: new Date(now) });
  expect(busyTimes(own, zone, now)).toEqual([]);
  const read = busyTimes(own.replaceAll('@early-lantern', '@elsewhere'), zone, now);
  expect(read.map(({ from, until }) => [Date.parse(from), Date.parse(until)])).toEqual(
    mine.map(({ start, end }) => [Date.parse(start), Date.parse(end)]),
  );
});

test('a time in a named zone is read in that zone, though the file does not describe it', () => {
  const text = calendar(
    ...event(
      'UID:1',
      'DTSTART;TZID=Europe/Lisbon:20270610T090000',
      'DTEND;TZID=Europe/Lisbon:20270610T100000',
    ),
    ...event(
      'UID:2',
      'DTSTART;TZID=Nowhere/At-all:20270611T090000',
      'DTEND;TZID=Nowhere/At-all:20270611T100000',
    ),
  );
  // Lisbon is one hour ahead of UTC in June, Chicago five behind.
  expect(busyTimes(text, zone, now).map(({ from }) => from)).toEqual([
    '2027-06-10T08:00:00+00:00',
    '2027-06-11T14:00:00+00:00',
  ]);
});

test('what is no calendar is refused with a reason', () => {
  expect(() => busyTimes('hello', zone, now)).toThrow('not an iCalendar file');
});
