import type { Spot } from '@early-lantern/contract';

const backs: Partial<Record<Spot['kind'], string>> = {
  wall: 'wall',
  window: 'window',
  fence: 'fence',
  stair: 'stair',
};

/** What distances from back to front are measured from, in words: a wall, where there is one. */
export const backOf = (kind: Spot['kind'] | undefined): string => (kind && backs[kind]) ?? 'back edge';

/** Whether there is something behind a piece that nothing goes through. */
export const isSolidBehind = (kind: Spot['kind']): boolean => kind in backs;
