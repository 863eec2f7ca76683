import type { OrganicGarland, Piece, RateKey, WorkshopSettings } from '@early-lantern/contract';
import type { Need, Recipe } from '../piece/recipe.ts';
import { plural } from '../quantity/plural.ts';
import { type Effort, effort, together } from './rates.ts';

/** One person's work at the bench, before it has a time. */
export interface Batch {
  id: string;
  label: string;
  effort: Effort;
  needsInflator: boolean;
  /** Batches of the same piece that must be done before, by id. */
  after: string[];
}

/** Nobody inflates longer than this at a stretch, and two people can share what is longer. */
const LONGEST_BATCH_S = 45 * 60;

/**
 * The pre-inflation plan of a piece: balloons by size, clusters twisted and strung, fillers, bags.
 * Balloons are blown in duplets; long runs are cut into even batches.
 */
export function benchBatches(piece: Piece, recipe: Recipe, settings: WorkshopSettings): Batch[] {
  const base = recipe.needs.filter((need) => need.role === 'base');
  const fillers = recipe.needs.filter((need) => need.role === 'filler');
  const blow = bySize(base).flatMap((size) => inflateBatches('inflate', size, settings));
  const clusters = clusterBatches(piece, recipe, blow, settings);
  const fill = bySize(fillers).flatMap((size) => inflateBatches('fillers', size, settings));
  const bag: Batch = {
    id: 'bag',
    label: `Bag and label ${plural(recipe.sections, 'section')}`,
    effort: effort('bag-section', recipe.sections, settings),
    needsInflator: false,
    after: [...clusters, ...fill].map((batch) => batch.id),
  };
  return [...blow, ...clusters, ...fill, bag];
}

/** Person-minutes at the bench. */
export function benchMinutes(batches: readonly Batch[]): number {
  return together(batches.map((batch) => batch.effort)).seconds / 60;
}

interface SizeLot {
  nominalIn: number;
  blowIn: string;
  balloons: number;
}

function bySize(needs: readonly Need[]): SizeLot[] {
  const lots = new Map<number, SizeLot>();
  for (const need of needs) {
    const lot = lots.get(need.nominalIn);
    const { min, max } = need.inflatedIn;
    const blowIn = min === max ? `${min}` : `${min}–${max}`;
    lots.set(need.nominalIn, {
      nominalIn: need.nominalIn,
      blowIn,
      balloons: (lot?.balloons ?? 0) + need.count,
    });
  }
  return [...lots.values()].sort((a, b) => b.nominalIn - a.nominalIn);
}

/** Rate by nominal size, and how many balloons one unit of it covers. */
function inflateRate(nominalIn: number): { key: RateKey; balloons: number } {
  if (nominalIn >= 30) return { key: 'single-36', balloons: 1 };
  if (nominalIn >= 20) return { key: 'single-24', balloons: 1 };
  if (nominalIn >= 15) return { key: 'duplet-17', balloons: 2 };
  return { key: nominalIn >= 8 ? 'duplet-11' : 'duplet-5', balloons: 2 };
}

function inflateBatches(kind: 'inflate' | 'fillers', lot: SizeLot, settings: WorkshopSettings): Batch[] {
  const { key, balloons } = inflateRate(lot.nominalIn);
  const workFor = (count: number): Effort => {
    const blown = effort(key, Math.ceil(count / balloons), settings);
    return kind === 'fillers'
      ? together([blown, effort('twist-quad', Math.ceil(count / 3), settings)])
      : blown;
  };
  return inParts(lot.balloons, workFor).map(({ amount, part, parts }) => ({
    id: `${kind}-${lot.nominalIn}${parts > 1 ? `-${part}` : ''}`,
    label:
      kind === 'fillers'
        ? `Fillers: ${plural(Math.ceil(amount / 3), 'trio')} of ${lot.nominalIn} in. at ${lot.blowIn} in.`
        : `Inflate ${amount} of ${lot.nominalIn} in. to ${lot.blowIn} in.`,
    effort: workFor(amount),
    needsInflator: true,
    after: [],
  }));
}

function twistRate(clusterSize: number): RateKey {
  if (clusterSize <= 5) return 'twist-quad';
  return clusterSize <= 7 ? 'twist-six' : 'twist-eight';
}

function clusterBatches(
  piece: OrganicGarland,
  recipe: Recipe,
  blown: Batch[],
  settings: WorkshopSettings,
): Batch[] {
  const workFor = (clusters: number) =>
    together([
      effort(twistRate(recipe.clusterSize), clusters, settings),
      effort(piece.joining, clusters, settings),
    ]);
  const clusters = recipe.spineClusters + recipe.sideClusters;
  return inParts(clusters, workFor).map(({ amount, part, parts }) => ({
    id: `cluster${parts > 1 ? `-${part}` : ''}`,
    label: `Twist and string ${plural(amount, 'cluster')} of ${recipe.clusterSize}`,
    effort: workFor(amount),
    needsInflator: false,
    after: blown.map((batch) => batch.id),
  }));
}

/** An amount cut into as few even parts as keep each within the longest batch. */
function inParts(
  amount: number,
  workFor: (amount: number) => Effort,
): { amount: number; part: number; parts: number }[] {
  if (amount === 0) return [];
  const parts = Math.min(amount, Math.ceil(workFor(amount).seconds / LONGEST_BATCH_S));
  return Array.from({ length: parts }, (_, i) => ({
    amount: Math.floor(((i + 1) * amount) / parts) - Math.floor((i * amount) / parts),
    part: i + 1,
    parts,
  }));
}
