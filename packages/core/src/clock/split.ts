import type { Work } from './work.ts';

/** Work with some tasks cut into goes, one after the other; what waited for a task waits for its last go. */
export function splitWork(work: readonly Work[], splits: readonly { task: string; parts: number }[]): Work[] {
  const partsOf = new Map(splits.map(({ task, parts }) => [task, parts]));
  const lastOf = (id: string) => {
    const parts = partsOf.get(id);
    return parts && work.some((one) => one.id === id) ? goId(id, parts) : id;
  };
  return work.flatMap((one): Work[] => {
    const after = one.after.map(lastOf);
    const lags = Object.fromEntries(Object.entries(one.lags ?? {}).map(([id, lag]) => [lastOf(id), lag]));
    const whole = { ...one, after, ...(one.lags ? { lags } : {}) };
    const parts = partsOf.get(one.id);
    // What is done by waiting, or takes people away, is one thing.
    if (!parts || one.hands === 0 || one.place === 'road' || one.minutes < parts)
      return [{ ...whole, ...(parts ? { id: goId(one.id, parts) } : {}) }];
    const { ways: _, ...rest } = whole;
    return Array.from({ length: parts }, (_, i): Work => {
      const from = Math.floor((i * one.minutes) / parts);
      const minutes = Math.floor(((i + 1) * one.minutes) / parts) - from;
      const share = minutes / one.minutes;
      return {
        ...rest,
        id: goId(one.id, i + 1),
        label: `${one.label} (${i + 1} of ${parts})`,
        minutes,
        spread: {
          quickS: one.spread.quickS * share,
          usualS: one.spread.usualS * share,
          slowS: one.spread.slowS * share,
        },
        after: i === 0 ? after : [goId(one.id, i)],
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

const goId = (id: string, go: number) => `${id}~${go}`;
