import { Fixing, KeepClear, type Region, type Spot, Surface } from '@early-lantern/contract';
import { newId } from '../parts/ids.ts';

/** The lists of a survey that are drawn on a spot. */
export type MarkList = 'fixings' | 'keepClear' | 'regions' | 'power';

/** One thing surveyed, whatever list it stands in. */
export interface Mark {
  list: MarkList;
  id: string;
  xM: number;
  yM: number;
  /** What it is: a kind, or a surface. */
  what: string;
  /** Of an area. */
  widthM?: number;
  heightM?: number;
  /** Of a rod, gutter or beam. */
  lengthM?: number;
  /** Of what has to stay clear: from the wall to its near side, how far out it reaches, how a door opens. */
  frontM?: number | undefined;
  depthM?: number | undefined;
  swing?: KeepClear['swing'] | undefined;
}

export const marksOf = (spot: Spot): Mark[] => [
  ...(spot.regions ?? []).map(({ surface, ...one }) => ({ list: 'regions' as const, what: surface, ...one })),
  ...(spot.keepClear ?? []).map(({ kind, ...one }) => ({ list: 'keepClear' as const, what: kind, ...one })),
  ...(spot.fixings ?? []).map(({ kind, ...one }) => ({ list: 'fixings' as const, what: kind, ...one })),
  ...(spot.power ?? []).map((one) => ({ list: 'power' as const, what: 'power', ...one })),
];

/** What a mark of each list may be, in words. */
export const markChoices: Record<MarkList, readonly string[]> = {
  fixings: Fixing.shape.kind.options,
  keepClear: KeepClear.shape.kind.options,
  regions: Surface.options,
  power: ['power'],
};

export const listWords: Record<MarkList, { one: string; add: string }> = {
  fixings: { one: 'To fix to', add: 'Something to fix to' },
  keepClear: { one: 'To keep clear', add: 'Something to keep clear' },
  regions: { one: 'Another surface', add: 'Area with another surface' },
  power: { one: 'Power point', add: 'A power point' },
};

const area = (mark: Mark) => ({ widthM: mark.widthM ?? 0.5, heightM: mark.heightM ?? 0.5 });

/** The spot with a mark put into its list, in place of the one of its id. */
export function withMark(spot: Spot, mark: Mark): Spot {
  const at = { id: mark.id, xM: mark.xM, yM: mark.yM };
  const put = <T extends { id: string }>(list: readonly T[] | undefined, one: T): T[] => {
    const before = list ?? [];
    return before.some((other) => other.id === one.id)
      ? before.map((other) => (other.id === one.id ? one : other))
      : [...before, one];
  };
  switch (mark.list) {
    case 'fixings':
      return {
        ...spot,
        fixings: put<Fixing>(spot.fixings, {
          ...at,
          kind: mark.what as Fixing['kind'],
          lengthM: mark.lengthM ?? 0,
        }),
      };
    case 'keepClear':
      return {
        ...spot,
        keepClear: put<KeepClear>(spot.keepClear, {
          ...at,
          ...area(mark),
          kind: mark.what as KeepClear['kind'],
          ...(mark.frontM ? { frontM: mark.frontM } : {}),
          ...(mark.depthM === undefined ? {} : { depthM: mark.depthM }),
          ...(mark.swing && mark.what === 'exit' ? { swing: mark.swing } : {}),
        }),
      };
    case 'regions':
      return {
        ...spot,
        regions: put<Region>(spot.regions, { ...at, ...area(mark), surface: mark.what as Surface }),
      };
    case 'power':
      return { ...spot, power: put(spot.power, at) };
  }
}

export function withoutMark(spot: Spot, { list, id }: Pick<Mark, 'list' | 'id'>): Spot {
  return { ...spot, [list]: ((spot[list] ?? []) as { id: string }[]).filter((one) => one.id !== id) };
}

/** A first mark of a list, in the middle of the spot. */
export function newMark(list: MarkList, spot: Spot): Mark {
  const tidy = (value: number) => Number(value.toFixed(3));
  const at = { list, id: newId(list.toLowerCase()), xM: tidy(spot.widthM / 2), yM: tidy(spot.heightM / 2) };
  switch (list) {
    case 'fixings':
      return { ...at, yM: tidy(spot.heightM * 0.9), what: 'nail', lengthM: 0 };
    case 'keepClear':
      return { ...at, yM: 0, what: 'exit', widthM: 0.9144, heightM: 2.032 };
    case 'regions':
      return { ...at, what: 'glass', widthM: 1, heightM: 1 };
    case 'power':
      return { ...at, yM: 0.3, what: 'power' };
  }
}
