import type { OrganicGarland, Point } from '@early-lantern/contract';
import { scaleToLength } from '../geometry/line.ts';
import { tidy } from './moved.ts';

/** The line of a garland drawn out or in to a length, m, its first point and its shape kept. */
export const lineOfLength = ({ line }: OrganicGarland, lengthM: number): Point[] =>
  scaleToLength(
    line.map(({ xM, yM }) => ({ x: xM, y: yM })),
    lengthM,
  ).map(({ x, y }) => ({ xM: tidy(x), yM: tidy(y) }));
