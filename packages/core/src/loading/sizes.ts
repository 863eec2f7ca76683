import type { CargoKind } from '@early-lantern/contract';
import type { Cargo, Upright } from './cargo.ts';
import data from './sizes.json';

/** How large a thing is when it rides, and how it may lie. */
export interface Size {
  kind: CargoKind;
  lengthM: number;
  widthM: number;
  heightM: number;
  massKg: number;
  upright: readonly Upright[];
  /** What may lie on it. */
  bearsKg: number;
  /** So many lie together as one: their heights add up. */
  perPack: number;
}

const byItem = new Map((data as (Size & { item: string; tag: string })[]).map((row) => [row.item, row]));

/** How an item of the catalogue of materials rides; undefined for what goes into a crate with others. */
export const sizeOfItem = (item: string): Size | undefined => byItem.get(item);

const mm = (metres: number) => Math.max(1, Math.round(metres * 1000));

/** A thing of a size as the search takes it. */
export const asCargo = (
  id: string,
  { lengthM, widthM, heightM, massKg, upright, bearsKg }: Omit<Size, 'kind' | 'perPack'>,
  stop: number,
): Cargo => ({
  id,
  size: { l: mm(lengthM), w: mm(widthM), h: mm(heightM) },
  upright,
  massG: Math.round(massKg * 1000),
  bearsG: Math.round(bearsKg * 1000),
  stop,
});
