import { Spot } from '@early-lantern/contract';
import { type MarkList, marksOf, newMark, withMark, withoutMark } from './marks.ts';
import { outlineOf, shapeOf } from './outlines.ts';

const spot: Spot = { id: 'wall', name: 'Wall', kind: 'wall', widthM: 4, heightM: 3, surface: 'tile' };
const lists: MarkList[] = ['fixings', 'keepClear', 'regions', 'power'];

test.each(lists)(
  '%s: a mark is put in, changed in its place, taken out; the list stays looked at',
  (list) => {
    const fresh = newMark(list, spot);
    const put = withMark(spot, fresh);
    expect(Spot.safeParse(put).error).toBeUndefined();
    expect(marksOf(put)).toMatchObject([{ list, id: fresh.id, xM: 2 }]);
    const other = newMark(list, spot);
    const both = withMark(put, other);
    const changed = withMark(both, { ...fresh, xM: 1, yM: 0.5 });
    expect(marksOf(changed).map((mark) => [mark.id, mark.xM])).toEqual([
      [fresh.id, 1],
      [other.id, 2],
    ]);
    const left = withoutMark(withoutMark(changed, fresh), other);
    expect(left[list]).toEqual([]);
    expect(marksOf(left)).toEqual([]);
  },
);

test.each(['gable', 'stair-up', 'stair-down', 'crown'] as const)(
  'the outline %s is as large as its spot, and known again',
  (shape) => {
    const outline = outlineOf(shape, spot);
    const shaped = { ...spot, outline };
    expect(Spot.safeParse(shaped).error).toBeUndefined();
    expect(Math.max(...outline.map((point) => point.xM))).toBe(4);
    expect(Math.max(...outline.map((point) => point.yM))).toBe(3);
    expect(shapeOf(shaped)).toBe(shape);
    expect(shapeOf({ ...shaped, outline: outline.slice(1) })).toBe('own');
    expect(shapeOf(spot)).toBe('rectangle');
  },
);
