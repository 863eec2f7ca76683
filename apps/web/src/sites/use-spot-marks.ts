import type { Site, Spot } from '@early-lantern/contract';
import { useState } from 'react';
import { newId } from '../parts/ids.ts';
import { type Mark, type MarkList, marksOf, newMark, withMark, withoutMark } from './marks.ts';
import type { useSiteEdit } from './useSiteEdit.ts';

const freshSpot = (): Spot => ({
  id: newId('spot'),
  name: 'New wall',
  kind: 'wall',
  widthM: 3.6576,
  heightM: 3.048,
  surface: 'painted',
});

/**
 * The spot of a place that is looked at and the mark chosen on it, with what can be done to them.
 * @param first the spot to begin with; the place's first one where there is none such
 */
export function useSpotMarks(site: Site, change: ReturnType<typeof useSiteEdit>['change'], first?: string) {
  const [spotId, setSpotId] = useState(first);
  const [chosen, setChosen] = useState<string>();
  const spot = site.spots.find((one) => one.id === spotId) ?? (site.spots[0] as Spot);
  const mark = marksOf(spot).find((one) => one.id === chosen);
  const changeSpot = (id: string, edit: (spot: Spot) => Spot) =>
    change(({ spots }) => ({ spots: spots.map((one) => (one.id === id ? edit(one) : one)) }));
  const editMark = (id: string, edit: (mark: Mark) => Mark) =>
    changeSpot(spot.id, (before) => {
      const now = marksOf(before).find((one) => one.id === id);
      return now ? withMark(before, edit(now)) : before;
    });
  const addMark = (id: string, list: MarkList) => {
    const target = site.spots.find((one) => one.id === id) ?? spot;
    const fresh = newMark(list, target);
    setSpotId(id);
    setChosen(fresh.id);
    changeSpot(id, (before) => withMark(before, fresh));
  };
  return {
    spot,
    mark,
    chosen,
    setChosen,
    setSpotId,
    editMark,
    addMark,
    changeSpot: (edit: (spot: Spot) => Spot) => changeSpot(spot.id, edit),
    removeMark: (gone: Mark) => changeSpot(spot.id, (before) => withoutMark(before, gone)),
    addSpot: () => {
      const fresh = freshSpot();
      setSpotId(fresh.id);
      change(({ spots }) => ({ spots: [...spots, fresh] }));
    },
    removeSpot: () => change(({ spots }) => ({ spots: spots.filter((one) => one.id !== spot.id) })),
  };
}
