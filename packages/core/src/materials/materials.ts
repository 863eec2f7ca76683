import type { MaterialRow } from '@early-lantern/contract';
import type { Material } from '../piece/recipe.ts';
import { formatLength, type LengthUnits } from '../quantity/length.ts';
import { DERIVED, type Input, working } from '../working.ts';
import amountData from './amounts.json';
import itemData from './items.json';

interface MaterialItem {
  item: string;
  label: string;
  unit: string;
  isGear: boolean;
  tag: string;
}

/** Gear and consumables that the engine knows. */
export const materialItems: readonly MaterialItem[] = itemData;

/** How much of a consumable goes into one unit of work, each with its tag. */
export const amounts = amountData;

/** A length typed in feet and meant as a whole number of units may come out a hair over. */
const HAIR = 0.02;

/** Whole units that a length takes: `⌈length / unit⌉`. */
export const unitsFor = (lengthM: number, unitM: number): number =>
  Math.max(0, Math.ceil(lengthM / unitM - HAIR));

const byItem = new Map(materialItems.map((entry) => [entry.item, entry]));

function itemOf(item: string): MaterialItem {
  const entry = byItem.get(item);
  if (!entry) throw new RangeError(`no material "${item}" in the catalogue`);
  return entry;
}

/** So much of an item, with the formula it comes from. None of nothing: rows of 0 are left out by `materialRows`. */
export function material(
  item: string,
  exact: number,
  formula: string,
  inputs: Input[],
  source = DERIVED,
  {
    what = itemOf(item).label,
    detail,
    sizeM,
  }: { what?: string; detail?: string; sizeM?: readonly [number, number] } = {},
): Material {
  const { unit } = itemOf(item);
  const count = Number(exact.toFixed(3));
  const how = working(detail ? `${what}: ${detail}` : what, formula, inputs, { value: count, unit }, source);
  return { item, count, working: how, ...(detail ? { detail } : {}), ...(sizeM ? { sizeM } : {}) };
}

/** Rows of a piece or a day: alike items added up, each keeping every working it came from. */
export function materialRows(materials: readonly Material[], units: LengthUnits): MaterialRow[] {
  const rows = new Map<string, MaterialRow>();
  for (const { item, detail: which, sizeM, count, working: how } of materials) {
    if (count === 0) continue;
    const detail = sizeM?.map((one) => formatLength(one, units)).join(' × ') ?? which;
    const { label, unit, isGear } = itemOf(item);
    const key = detail ? `${item}: ${detail}` : item;
    const row = rows.get(key);
    rows.set(key, {
      item,
      label: detail ? `${label}: ${detail}` : label,
      unit,
      isGear,
      count: (row?.count ?? 0) + count,
      working: [...(row?.working ?? []), how],
    });
  }
  return inCatalogueOrder([...rows.values()]);
}

/** Rows of several pieces added up. */
export function totalMaterials(
  pieces: readonly { name: string; materials: readonly MaterialRow[] }[],
): MaterialRow[] {
  const rows = new Map<string, MaterialRow>();
  for (const { name, materials } of pieces) {
    for (const row of materials) {
      const known = rows.get(row.label);
      const how = row.working.map((one) => ({ ...one, label: `${name}: ${one.label}` }));
      rows.set(row.label, {
        ...row,
        count: (known?.count ?? 0) + row.count,
        working: [...(known?.working ?? []), ...how],
      });
    }
  }
  return inCatalogueOrder([...rows.values()]);
}

const order = new Map(materialItems.map((entry, i) => [entry.item, i]));
const inCatalogueOrder = (rows: MaterialRow[]) =>
  rows.sort((a, b) => (order.get(a.item) ?? 0) - (order.get(b.item) ?? 0));
