import type { HoldPiece, MethodId } from '@early-lantern/contract';
import { methodOf } from '../fixing/methods.ts';
import { material } from '../materials/materials.ts';
import type { Material } from '../piece/recipe.ts';

/**
 * Materials of a piece with what its points really take in place of "a fixing at each hang point", where its points are
 * known.
 */
export function withFixings(materials: readonly Material[], held: HoldPiece | undefined): Material[] {
  const points = held?.points ?? [];
  if (points.length === 0 || !materials.some(({ item }) => item === 'tie-point')) return [...materials];
  const counts = new Map<MethodId, number>();
  for (const { method } of points) counts.set(method, (counts.get(method) ?? 0) + 1);
  const taken = [...counts].flatMap(([method, count]) => {
    const { takes = {}, label, source } = methodOf(method);
    return Object.entries(takes).map(([item, each]) =>
      material(
        item,
        Math.ceil(count * each),
        '⌈points · each⌉',
        [
          ['points', count],
          ['each', each],
        ],
        source,
        { what: `For ${label}` },
      ),
    );
  });
  return [...materials.filter(({ item }) => item !== 'tie-point'), ...taken];
}
