import type { DressLine } from './dress-line.ts';
import { dress } from './dressing.ts';
import { dressingPicture } from './dressing-picture.ts';
import { placeDressing } from './dressing-placement.ts';
import type { DrawnBalloon } from './picture.ts';
import type { Placement } from './placement.ts';

/** Where the balloons of lines that are dressed organically are. */
export function dressedPlacement(lines: readonly DressLine[]): Placement {
  const dressed = lines.map((line) => placeDressing(line, dress(line)));
  return { shapes: [], balloons: dressed.flat(), dressed, lines };
}

/** The same in their colours. @param placed as `dressedPlacement` has it for these lines */
export const dressedPicture = (lines: readonly DressLine[], placed: Placement | undefined): DrawnBalloon[] =>
  lines.flatMap((line, i) => {
    const counts = dress(line);
    return dressingPicture(line, counts, placed?.dressed?.[i] ?? placeDressing(line, counts));
  });
