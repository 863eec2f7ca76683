import type { MaterialRow, WorkshopSettings } from '@early-lantern/contract';
import { countAway } from '../stock/away.ts';

/** A material of which there is less than is needed. */
export interface ShortMaterial {
  /** All rows of the item added up. */
  row: MaterialRow;
  onHand: number;
  /** Of that, held for other jobs. */
  held: number;
  /** Of that, not home whole from an earlier job. */
  away: number;
  lacks: number;
}

/** Materials that the workshop has counted and does not have enough of; what was never counted is not judged. */
export function shortMaterials(
  rows: readonly MaterialRow[],
  {
    materials = [],
    heldMaterials = [],
    awayGear,
  }: Pick<WorkshopSettings, 'materials' | 'heldMaterials' | 'awayGear'>,
): ShortMaterial[] {
  const counted = new Map(materials.map((row) => [row.item, row.onHand]));
  const heldOf = new Map(heldMaterials.map((row) => [row.item, row.count]));
  const wanted = new Map<string, MaterialRow>();
  for (const row of rows) {
    const known = wanted.get(row.item);
    wanted.set(row.item, known ? { ...known, count: known.count + row.count } : row);
  }
  return [...wanted.values()].flatMap((row) => {
    const onHand = counted.get(row.item);
    if (onHand === undefined) return [];
    const held = heldOf.get(row.item) ?? 0;
    const away = Math.min(onHand, countAway(awayGear, row.item));
    const lacks = Number((row.count - Math.max(0, onHand - held - away)).toFixed(3));
    return lacks > 0 ? [{ row, onHand, held, away, lacks }] : [];
  });
}
