import type { Piece, Site, Template } from '@early-lantern/contract';
import { DateTime } from 'luxon';
import { hoursAbout, piecesOf, spotsFor, templateOfJob, templateOfPieces } from './taken.ts';

const piece = (id: string, spotId: string, more = {}) =>
  ({ id, name: id, spotId, ...more }) as unknown as Piece;
const site = (...ids: string[]) => ({ spots: ids.map((id) => ({ id })) }) as unknown as Site;
const template = (...pieces: Piece[]) => ({ id: 't', name: 'T', what: 'job', pieces }) as Template;

test('a piece alone hangs on nothing any more; with what it carries both get new ids, and hang together', () => {
  const pole = piece('pole', 'gate', { on: { pieceId: 'beam', part: 'bar' } });
  const sign = piece('sign', 'gate', { on: { pieceId: 'pole', part: 'top' }, alsoOn: { pieceId: 'beam' } });
  const kept = templateOfPieces([pole, sign]);
  expect(kept).toMatchObject({ name: 'pole', what: 'piece' });
  const [one, other] = piecesOf(kept, () => 'stage') as [Piece, Piece];
  expect([one.spotId, other.spotId, one.on, other.alsoOn]).toEqual(['stage', 'stage', undefined, undefined]);
  expect(other.on).toEqual({ pieceId: one.id, part: 'top' });
  expect(['pole', 'sign']).not.toContain(one.id);
  expect(piecesOf(kept, () => 'stage')[0]?.id).not.toBe(one.id);
  const there = [piece('pole', 'stage'), piece('pole 2', 'stage')];
  expect(piecesOf(kept, () => 'stage', there).map(({ name }) => name)).toEqual(['pole 3', 'sign']);
});

test.each([
  [
    ['gate', 'wall'],
    ['wall', 'gate'],
    ['gate', 'wall'],
  ],
  [
    ['gate', 'wall'],
    ['stage', 'wall'],
    ['stage', 'wall'],
  ],
  [['gate', 'wall', 'stair'], ['hall'], ['hall', 'hall', 'hall']],
  [
    ['gate', 'wall', 'stair'],
    ['one', 'two', 'stair', 'three'],
    ['one', 'two', 'stair'],
  ],
])('pieces made for %j go to %j: %j', (made, there, expected) => {
  const spotIdOf = spotsFor(template(...made.map((id) => piece(id, id))), site(...there));
  expect(made.map(spotIdOf)).toEqual(expected);
});

test('hours of a job lie about new doors as they lay about the old ones', () => {
  const head = {
    name: 'Fair',
    doors: '2027-06-19T18:00:00-05:00',
    access: { from: '2027-06-19T13:30:00-05:00', until: '2027-06-19T17:30:00-05:00' },
    strike: { from: '2027-06-19T23:00:00-05:00', until: '2027-06-20T01:00:00-05:00' },
    event: '',
    notes: '',
  } as Parameters<typeof templateOfJob>[0];
  const kept = templateOfJob(head, [piece('a', 'gate')]);
  const doors = DateTime.fromISO('2027-11-20T10:00:00', { zone: 'Europe/Lisbon' });
  expect(hoursAbout(kept, doors)).toEqual({
    access: { from: '2027-11-20T05:30:00+00:00', until: '2027-11-20T09:30:00+00:00' },
    strike: { from: '2027-11-20T15:00:00+00:00', until: '2027-11-20T17:00:00+00:00' },
  });
});
