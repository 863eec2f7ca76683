import type { BaseId, HoldPiece, HoldPoint } from '@early-lantern/contract';
import { methodOf } from '../fixing/methods.ts';
import { material, unitsFor } from '../materials/materials.ts';
import type { Material } from '../piece/recipe.ts';
import { formatMass } from '../quantity/customary.ts';
import type { LengthUnits } from '../quantity/length.ts';
import { HEAVY_KG, isHeavyWeight, STAKE } from '../structure/anchors.ts';
import { baseOf } from '../structure/bases.ts';
import { COMMON_PRACTICE, type Input } from '../working.ts';

/** What is put on its bases: the workshop's own weights by name, or so many kilograms where none are counted. */
function ballast({ ballastKg, weights }: HoldPiece, units: LengthUnits): Material[] {
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
    material('weight', bases, 'one load for each base', [['bases', bases]], source, {
      detail: formatMass(kg, units),
    }),
  ];
}

/** Poles that stand on lamp-type bases are screwed together from sections; other bases take a pole of one piece. */
const poleFor = (base: BaseId): string | undefined =>
  base === 'lamp-base' ? undefined : base === 'drape-base' ? 'drape-upright' : 'rigid-pole';

/**
 * What stands under a piece as it was chosen or found: the base by its name, the pole that it takes, and what protects
 * the floor: a cover indoors, cardboard outdoors.
 */
function onItsBase(
  materials: readonly Material[],
  { base, isOutdoors }: Pick<HoldPiece, 'base' | 'isOutdoors'>,
): Material[] {
  if (!base) return [...materials];
  const chosen = 'the base as *Holds* has it';
  return materials.map((row): Material => {
    const { item, count } = row;
    if (item === 'lamp-base' || item === 'weighted-base')
      return base === 'lamp-base'
        ? material('lamp-base', count, 'as counted', [['bases', count]], chosen)
        : material('weighted-base', count, 'as counted', [['bases', count]], chosen, {
            detail: baseOf(base).label,
          });
    if (item === 'base-cover' && isOutdoors)
      return material(
        'cardboard',
        count,
        'one under each base outdoors',
        [['bases', count]],
        COMMON_PRACTICE,
      );
    const pole = item === 'pole-section' ? poleFor(base) : undefined;
    if (!pole) return row;
    // So many sections make up a height: one pole in their place.
    const { inputs } = row.working;
    const of = (name: string) => Number(inputs.find((one) => one.name === name)?.value ?? 0);
    const heightM = of('height');
    const sections = Math.max(1, unitsFor(heightM, of('section') || heightM || 1));
    const poles = Math.round(count / sections);
    return material(
      pole,
      poles,
      'one on each base',
      [
        ['poles', poles],
        ['height', heightM, 'm'],
      ],
      chosen,
    );
  });
}

/** Cord left over at each end of a line for its knots, m. From memory. */
const KNOTS_M = 1;

/** Cord for its tie lines, and what each is tied down to. */
function lines({ tieLines }: HoldPiece, units: LengthUnits): Material[] {
  if (tieLines.length === 0) return [];
  const lengthM = tieLines.reduce(
    (sum, { fromXYM, toXM, reachM }) => sum + Math.hypot(fromXYM.yM, toXM - fromXYM.xM, reachM) + KNOTS_M,
    0,
  );
  const count = tieLines.length;
  const inputs: Input[] = [['lines', count]];
  const anchor = tieLines[0]?.anchor;
  return [
    material('tie-cord', Math.ceil(lengthM), '⌈Σ line and a metre for its knots⌉', [
      ...inputs,
      ['metres', lengthM, 'm'],
    ]),
    ...(anchor === STAKE
      ? [material('stake', count, 'one for each line', inputs), material('mallet', 1, 'for the stakes', [])]
      : []),
    ...(anchor && isHeavyWeight(anchor)
      ? [
          material('weight', count, 'one for each line', inputs, undefined, {
            detail: `${formatMass(HEAVY_KG, units)}, for a tie line`,
          }),
        ]
      : []),
  ];
}

/** Points of one method and class of hook counted together, in the order in which they come first. */
export function alike(points: readonly HoldPoint[]): { point: HoldPoint; count: number }[] {
  const found = new Map<string, { point: HoldPoint; count: number }>();
  for (const point of points) {
    const key = `${point.method}/${point.hook?.id ?? ''}`;
    found.set(key, { point, count: (found.get(key)?.count ?? 0) + 1 });
  }
  return [...found.values()];
}

/** How a point is fixed, as it is spoken of. */
export const fixedBy = ({ method, hook }: HoldPoint): string => hook?.name ?? methodOf(method).label;

/** What goes with a hook of whatever class. */
const WITHOUT_CLASS = new Set(['modelling-260', 'cleaning-wipe']);

/**
 * Materials of a piece with the weights on its bases, and with what its points really take in place of "a fixing at
 * each hang point", where its points are known. A piece that counts no such fixing brings its own ties: its points take
 * only what those do not cover.
 */
export function withFixings(
  materials: readonly Material[],
  held: HoldPiece | undefined,
  units: LengthUnits,
): Material[] {
  const points = held?.points ?? [];
  const based = held ? onItsBase(materials, held) : materials;
  const weighted = [...based, ...(held ? [...ballast(held, units), ...lines(held, units)] : [])];
  if (points.length === 0) return weighted;
  const bringsOwn = !materials.some(({ item }) => item === 'tie-point');
  // What it brings serves its points once, whatever else they are fixed by.
  const ownLeft = new Map<string, number>();
  if (bringsOwn) for (const { item, count } of materials) ownLeft.set(item, (ownLeft.get(item) ?? 0) + count);
  const taken = alike(points).flatMap(({ point: { method, hook }, count }) => {
    const { takes = {}, label, source } = methodOf(method);
    return Object.entries(takes).flatMap(([item, each]) => {
      const needed = Math.ceil(count * each);
      const own = Math.min(needed, ownLeft.get(item) ?? 0);
      ownLeft.set(item, (ownLeft.get(item) ?? 0) - own);
      if (own === needed) return [];
      const detail = hook && !WITHOUT_CLASS.has(item) ? { detail: hook.name } : {};
      return material(
        item,
        needed - own,
        own > 0 ? '⌈points · each⌉ − own' : '⌈points · each⌉',
        [['points', count], ['each', each], ...(own > 0 ? [['own', own] satisfies Input] : [])],
        source,
        { what: `For ${label}`, ...detail },
      );
    });
  });
  return [...weighted.filter(({ item }) => item !== 'tie-point'), ...taken];
}
