import { type Cargo, type CargoSpace, type Extent, type PlacedBox, waysToLie } from './cargo.ts';

/** Things that are alike in everything that loading asks about. */
export interface Kind {
  ids: string[];
  ways: Extent[];
  massG: number;
  bearsG: number;
  isSoft: boolean;
  /** Of much of the room's length: it goes nowhere later. */
  isLong: boolean;
  stop: number;
}

/** So many things of a kind put together, one beside, behind and above the other. */
export interface Block extends PlacedBox {
  kind: number;
  way: Extent;
  /** Along, across, up. */
  count: [number, number, number];
  /** The block below; -1 for the floor. */
  on: number;
}

/** Of the room's length this is long: of what is stiff, and of bags, which find a place later too. */
const LONG = 0.5;
const LONG_SOFT = 0.7;

/** Things that are alike, together. */
export function kindsOf(cargo: readonly Cargo[], space: CargoSpace): Kind[] {
  const kinds = new Map<string, Kind>();
  for (const one of cargo) {
    const { massG, bearsG, isSoft = false, stop } = one;
    const ways = waysToLie(one);
    const key = JSON.stringify([ways, massG, bearsG === Infinity ? 'any' : bearsG, isSoft, stop]);
    const kind = kinds.get(key);
    if (kind) kind.ids.push(one.id);
    else
      kinds.set(key, {
        ids: [one.id],
        ways,
        massG,
        bearsG,
        isSoft,
        stop,
        isLong: longestOf(ways) > (isSoft ? LONG_SOFT : LONG) * space.l,
      });
  }
  return [...kinds.values()];
}

/** Kinds by number in groups that are alike in their rank, the highest first. */
export function inTurns(kinds: readonly Kind[], rankOf: (kind: Kind) => readonly number[]): number[][] {
  const ranks = kinds.map(rankOf);
  const isBefore = (a: readonly number[], b: readonly number[]) => {
    const at = a.findIndex((value, i) => value !== b[i]);
    return at < 0 ? 0 : (b[at] ?? -Infinity) > (a[at] as number) ? 1 : -1;
  };
  const numbers = kinds.map((_, k) => k).sort((a, b) => isBefore(ranks[a] ?? [], ranks[b] ?? []));
  const groups: number[][] = [];
  for (const k of numbers) {
    const last = groups.at(-1);
    if (last && isBefore(ranks[last[0] as number] ?? [], ranks[k] ?? []) === 0) last.push(k);
    else groups.push([k]);
  }
  return groups;
}

/** So many things a block is made of. */
export const numberIn = ({ count: [along, across, up] }: Block): number => along * across * up;

export const longestOf = (ways: readonly Extent[]): number =>
  Math.max(...ways.flatMap(({ l, w, h }) => [l, w, h]));

/** The columns of a block seen from above. */
export function columnsOf({ x, y, z, h, way, count: [along, across] }: Block): PlacedBox[] {
  const columns: PlacedBox[] = [];
  for (let a = 0; a < along; a++)
    for (let c = 0; c < across; c++)
      columns.push({ x: x + a * way.l, y: y + c * way.w, z, l: way.l, w: way.w, h });
  return columns;
}
