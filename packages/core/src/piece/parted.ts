/** A place where a garland may be parted: the join is hidden there the better the lower its cost. */
export interface CutPlace {
  atM: number;
  /** 0 where a join lies behind a fixing point; up to 1 where everybody sees it. */
  cost: number;
}

/** What a section may be at most, whatever asks for it: who carries it, the bag, the vehicle, the tightest corner. */
export interface SectionLimits {
  longestM: number;
  heaviestKg: number;
}

interface Uncut {
  lengthM: number;
  /** Mass from the first end up to a place, kg; never less further on. */
  massTo: (atM: number) => number;
  places: readonly CutPlace[];
  limits: SectionLimits;
  /** Places parted by hand: they stay. */
  byHand?: readonly number[];
}

/** A hair that two measures may differ by, m or kg. */
const HAIR = 1e-9;

/**
 * The fewest sections that a garland can be parted into so that each is short and light enough; of those the ones whose
 * joins hide best, and then the most even.
 *
 * Shortest path from end to end over the places, each step a section.
 * @returns each section's two ends along the garland, m; undefined where the places lie too far apart
 */
export function partedInto(garland: Uncut): { fromM: number; toM: number }[] | undefined {
  const { lengthM, massTo, limits, byHand = [] } = garland;
  const places = garland.places.filter(({ atM }) => atM > HAIR && atM < lengthM - HAIR);
  const forced = byHand.filter((atM) => atM > HAIR && atM < lengthM - HAIR).map((atM) => ({ atM, cost: 0 }));
  const inOrder = [{ atM: 0, cost: 0 }, ...places, ...forced, { atM: lengthM, cost: 0 }].sort(
    (a, b) => a.atM - b.atM,
  );
  const isForced = new Set(forced.map(({ atM }) => atM));
  // For each place the best way to it: sections, what shows, unevenness, and the place before.
  const best: ({ sections: number; shows: number; uneven: number; before: number } | undefined)[] = [
    { sections: 0, shows: 0, uneven: 0, before: -1 },
  ];
  for (let to = 1; to < inOrder.length; to++) {
    const { atM: toM, cost } = inOrder[to] as CutPlace;
    for (let from = to - 1; from >= 0; from--) {
      const { atM: fromM } = inOrder[from] as CutPlace;
      if (toM - fromM > limits.longestM + HAIR || massTo(toM) - massTo(fromM) > limits.heaviestKg + HAIR)
        break;
      const before = best[from];
      if (before && toM - fromM > HAIR) {
        const way = {
          sections: before.sections + 1,
          shows: before.shows + cost,
          uneven: before.uneven + (toM - fromM) ** 2,
          before: from,
        };
        if (!best[to] || isBetter(way, best[to] as typeof way)) best[to] = way;
      }
      // Nothing goes past a place that somebody has chosen.
      if (isForced.has(fromM)) break;
    }
  }
  if (!best[inOrder.length - 1]) return undefined;
  const parts: { fromM: number; toM: number }[] = [];
  for (let to = inOrder.length - 1; to > 0; ) {
    const { before } = best[to] as { before: number };
    parts.unshift({ fromM: (inOrder[before] as CutPlace).atM, toM: (inOrder[to] as CutPlace).atM });
    to = before;
  }
  return parts;
}

interface Way {
  sections: number;
  shows: number;
  uneven: number;
}

const isBetter = (a: Way, b: Way): boolean =>
  a.sections !== b.sections
    ? a.sections < b.sections
    : Math.abs(a.shows - b.shows) > HAIR
      ? a.shows < b.shows
      : a.uneven < b.uneven - HAIR;
