import { GO, type Work } from './work.ts';

/** Work with some tasks cut into goes, one after the other; the last go keeps the task's id, so that what waited for it still does. */
export function splitWork(work: readonly Work[], splits: readonly { task: string; parts: number }[]): Work[] {
  const partsOf = new Map(splits.map(({ task, parts }) => [task, parts]));
  return work.flatMap((one): Work[] => {
    const parts = partsOf.get(one.id);
    // What is done by waiting, or takes people away, is one thing.
    if (!parts || one.hands === 0 || one.place === 'road' || one.minutes < parts) return [one];
    const { ways: _, ...rest } = one;
    const goId = (go: number) => (go === parts ? one.id : `${one.id}${GO}${go}`);
    return Array.from({ length: parts }, (_, i): Work => {
      const partOf = (all: number) =>
        Math.max(1, Math.floor(((i + 1) * all) / parts) - Math.floor((i * all) / parts));
      const minutes = partOf(one.minutes);
      const share = minutes / one.minutes;
      return {
        ...rest,
        id: goId(i + 1),
        label: `${one.label} (${i + 1} of ${parts})`,
        minutes,
        spread: {
          quickS: one.spread.quickS * share,
          usualS: one.spread.usualS * share,
          slowS: one.spread.slowS * share,
        },
        after: i === 0 ? one.after : [goId(i)],
        ...(one.withWagons
          ? { withWagons: one.withWagons.map((way) => ({ ...way, minutes: partOf(way.minutes) })) }
          : {}),
        ...(i === 0 ? {} : { lags: {} }),
        ...(one.blows
          ? {
              blows: {
                ...one.blows,
                count:
                  Math.floor(((i + 1) * one.blows.count) / parts) - Math.floor((i * one.blows.count) / parts),
              },
            }
          : {}),
      };
    });
  });
}
