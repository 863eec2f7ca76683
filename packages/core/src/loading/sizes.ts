import type { CargoKind, RideSize } from '@early-lantern/contract';
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

/** Bags give up so much of their volume at most. Common practice, no source; the figure from memory. */
export const SQUEEZE = 0.12;

type Measured = Pick<Size, 'lengthM' | 'widthM' | 'heightM' | 'massKg'>;

/** A size as the house has measured its own; else as it is. */
export function asMeasured<T extends Measured>(item: string, size: T, own: readonly RideSize[] = []): T {
  const { item: _, ...measured } = own.find((one) => one.item === item) ?? { item };
  return { ...size, ...measured };
}

/** How an item of the catalogue of materials rides; undefined for what goes into a crate with others. */
export function sizeOfItem(item: string, own?: readonly RideSize[]): Size | undefined {
  const size = byItem.get(item);
  return size && asMeasured(item, size, own);
}

/** How the catalogue's large things are called on the load. */
export const itemLabel = (item: string): string => {
  const words = item.replace(/-/g, ' ').replace(/ 20$/, ', 20 in.');
  return (words[0]?.toUpperCase() ?? '') + words.slice(1);
};

/** Every item that rides by itself, by name. */
export const rideItems: readonly string[] = [...byItem.keys()];

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
