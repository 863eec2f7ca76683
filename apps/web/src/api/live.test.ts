import { touches } from './live.ts';
import { keys } from './queries.ts';

test('a change has read again what it touches, and nothing of the job that was changed itself', () => {
  const read = [
    keys.workshop,
    keys.crew,
    keys.sites,
    keys.jobs,
    keys.left('a'),
    keys.left('b'),
    keys.packing('a'),
    keys.photos('a'),
    keys.lampsBetween('x', 'y'),
    keys.movements,
    keys.lacks,
    keys.job('a'),
  ];
  const after = (what: Parameters<typeof touches>[0]['what'], id: string) =>
    read.filter((key) => touches({ what, id }, key)).map((key) => key.join(' '));
  expect(after('piece', 'a')).toEqual(['jobs', 'jobs b left', 'jobs lamps x y', 'jobs lacks']);
  expect(after('packing', 'a')).toEqual(['jobs a packing']);
  expect(after('photo', 'b')).toEqual([]);
  expect(after('lamps', 'a')).toEqual(['jobs lamps x y']);
  expect(after('stock', '')).toEqual(['movements', 'jobs lacks']);
  expect(after('crew', 'ilo')).toContain('crew');
  expect(after('anything', '')).toHaveLength(read.length - 1);
});
