import type { Plan, SiteEntry, SiteEvent } from '@early-lantern/contract';
import { happenedOf } from './happened.ts';
import { pieceRows } from './piece-record.ts';

// By hand: an arch of two tasks on site and one of the strike.
const plan = {
  pieces: [{ id: 'arch', name: 'Arch', kind: 'quad-arch' }],
  tasks: [
    { id: 'arch--inflate', pieceId: 'arch', place: 'workshop' },
    { id: 'arch--frame', pieceId: 'arch', place: 'site', trip: 'set-up' },
    { id: 'arch--layers', pieceId: 'arch', place: 'site', trip: 'set-up' },
    { id: 'arch--down', pieceId: 'arch', place: 'site', trip: 'strike' },
  ],
} as unknown as Plan;

const log = (...said: [clock: string, event: SiteEvent][]): SiteEntry[] =>
  said.map(([clock, event], i) => ({
    id: i.toString(16).padStart(32, '0'),
    at: `2027-06-19T${clock}:00.000Z`,
    by: 'wren',
    event,
  }));
const done = (task: string): SiteEvent => ({ kind: 'done', task });
const wind = (gustMs: number): SiteEvent => ({ kind: 'wind', gustMs });
const rowOf = (entries: SiteEntry[]) => pieceRows(plan, happenedOf(entries), entries)[0];

test('it stood from its last task to the first of its strike, in the strongest gust of that time; pops and faults are its own', () => {
  const entries = log(
    ['08:00', wind(9)],
    ['09:00', done('arch--layers')],
    ['09:30', done('arch--frame')],
    ['10:00', wind(4)],
    ['11:00', wind(6.5)],
    ['11:05', { kind: 'fault', piece: 'arch', text: 'A gap' }],
    ['12:00', { kind: 'popped', nominalIn: 11, colour: 'oat', count: 2, task: 'arch--layers' }],
    ['12:01', { kind: 'popped', nominalIn: 11, colour: 'oat', count: 1, task: 'column--layers' }],
    ['15:45', { kind: 'start', task: 'arch--down' }],
    ['16:00', done('arch--down')],
    ['17:00', wind(12)],
  );
  const mended: SiteEntry = {
    id: 'f'.repeat(32),
    at: '2027-06-19T11:20:00.000Z',
    by: 'ilo',
    event: { kind: 'taken-back', why: 'mended' },
    replaces: [entries[5]?.id as string],
  };
  expect(rowOf([...entries, mended])).toMatchObject({
    stoodFrom: '2027-06-19T09:30:00.000Z',
    downAt: '2027-06-19T15:45:00.000Z',
    heldHours: 6.25,
    popped: 2,
    faults: 'A gap',
    strongestGustMs: 6.5,
  });
});

test('what nobody ticked is left empty', () => {
  expect(rowOf(log(['09:00', done('arch--layers')], ['10:00', wind(4)]))).toMatchObject({
    stoodFrom: '',
    downAt: '',
    heldHours: null,
    strongestGustMs: null,
  });
});
