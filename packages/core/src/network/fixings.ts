import type { HoldPiece, MethodId } from '@early-lantern/contract';
import { methodOf } from '../fixing/methods.ts';
import { material } from '../materials/materials.ts';
import type { Material } from '../piece/recipe.ts';

/** What is put on its bases: the workshop's own weights by name, or so many kilograms where none are counted. */
function ballast({ ballastKg, weights }: HoldPiece): Material[] {
  const bases = ballastKg.length;
  if (!ballastKg.some((kg) => kg > 0)) return [];
  const source = 'as *Holds* finds it, or as typed';
  if (weights.length > 0)
    return weights.map(({ name, count }) =>
      material(
        'weight',
        count * bases,
        'on each base · bases',
        [
          ['on each base', count],
          ['bases', bases],
        ],
        source,
        { detail: name },
      ),
    );
  const kg = ballastKg[0] as number;
  return [
    material('weight', bases, 'one load for each base', [['bases', bases]], source, { detail: `${kg} kg` }),
  ];
}

/**
 * Materials of a piece with the weights on its bases, and with what its points really take in place of "a fixing at each hang point", where its points are
 * known.
 */
export function withFixings(materials: readonly Material[], held: HoldPiece | undefined): Material[] {
  const points = held?.points ?? [];
  const weighted = [...materials, ...(held ? ballast(held) : [])];
  if (points.length === 0 || !materials.some(({ item }) => item === 'tie-point')) return weighted;
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
  return [...weighted.filter(({ item }) => item !== 'tie-point'), ...taken];
}
