import type { JobFile, Piece } from '@early-lantern/contract';
import { changedFile, changeOf } from './file-change.ts';

const piece = (id: string, name = id) => ({ id, name, line: [{ xM: 0, yM: 1 }] }) as unknown as Piece;
const file = (pieces: Piece[]) =>
  ({
    format: 'early-lantern/job',
    version: 2,
    workshop: { name: 'Shed' },
    site: { id: 'mill' },
    job: { id: 'fair', name: 'Fair', pieces },
  }) as unknown as JobFile;
/** As a worker gets it: a copy, in which nothing is the same object (of this realm, as structuredClone here is not). */
const arrives = <T>(sent: T): T => JSON.parse(JSON.stringify(sent)) as T;

const [arch, tower] = [piece('arch'), piece('tower')];
const first = file([arch, tower]);

test('one moved piece is all that is sent, and the rest stays the same object where it arrives', () => {
  const there = changedFile(undefined, arrives(changeOf(undefined, first)));
  expect(there).toEqual(first);
  const moved = { ...first, job: { ...first.job, pieces: [arch, piece('tower', 'Tall tower')] } };
  const change = changeOf(first, moved);
  expect(change).toEqual({ order: ['arch', 'tower'], pieces: [moved.job.pieces[1]] });
  const after = changedFile(there, arrives(change));
  expect(after).toEqual(moved);
  expect(after.workshop).toBe(there.workshop);
  expect(after.site).toBe(there.site);
  expect(after.job.pieces[0]).toBe(there.job.pieces[0]);
});

test('a new name, a new order, a piece gone or come and another site arrive', () => {
  const there = changedFile(undefined, arrives(changeOf(undefined, first)));
  const after = {
    ...first,
    site: { ...first.site, id: 'weir' } as JobFile['site'],
    job: { ...first.job, name: 'Late fair', pieces: [piece('chain'), tower] },
  };
  const change = changeOf(first, after);
  expect(Object.keys(change).sort()).toEqual(['head', 'order', 'pieces', 'site']);
  expect(changedFile(there, arrives(change))).toEqual(after);
});

test('a piece sent again as it was stays the same object; a change to what was never sent is refused', () => {
  const there = changedFile(undefined, arrives(changeOf(undefined, first)));
  const again = changedFile(there, arrives(changeOf(undefined, first)));
  expect(again.job.pieces[1]).toBe(there.job.pieces[1]);
  expect(() => changedFile(undefined, changeOf(first, first))).toThrow('was never sent');
});
