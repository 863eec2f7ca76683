import { seededRandom } from '../quantity/random.ts';
import {
  boxesMeet,
  type Cargo,
  type CargoSpace,
  type Extent,
  goesThroughDoor,
  type Loaded,
  type PlacedBox,
  planOverlap,
  volumeOf,
  waysToLie,
} from './cargo.ts';
import { type EmptySpace, without } from './empty-spaces.ts';

/** Things that are alike in everything that loading asks about. */
interface Kind {
  ids: string[];
  ways: Extent[];
  massG: number;
  bearsG: number;
  stop: number;
}

/** So many things of a kind put together, one beside, behind and above the other. */
interface Block extends PlacedBox {
  kind: number;
  way: Extent;
  /** Along, across, up. */
  count: [number, number, number];
  /** The block below; -1 for the floor. */
  on: number;
}

/** A load that was found, and what did not go. */
export interface Load {
  loaded: Loaded[];
  unplaced: string[];
  /** Of the room of the vehicle. */
  usedShare: number;
}

/** A choice may be worth so much more or less than its volume, so that no two tries are alike. */
const AT_RANDOM = 0.6;
/** Every so many tries all is left to chance: of few things the small one may have to go in first. */
const WILD = 8;

/**
 * A search that can be broken off at any time and goes on from where it was.
 *
 * Each try fills the deepest empty space with the block of like things that has most volume, by and by up to the door,
 * what comes off last first; tries differ by chance, and the best one is kept. Spaces overlap as far as they can
 * ("maximal spaces"); what stands on a block stands on it alone, so that everything is carried on its whole base.
 * After the block-building heuristics of Eley (2002) and Parreño and others (2008), from memory.
 */
export class LoadSearch {
  tried = 0;
  private best: { blocks: Block[]; volume: number } = { blocks: [], volume: -1 };
  private readonly kinds: Kind[];
  private readonly tooBig: string[];
  private readonly space: CargoSpace;
  private readonly random: () => number;
  private readonly wholeVolume: number;
  /** The shortest side of anything. */
  private readonly least: number;

  constructor(cargo: readonly Cargo[], space: CargoSpace, seed = 1) {
    this.space = space;
    this.random = seededRandom(seed);
    const goes = cargo.filter((one) => goesThroughDoor(one.size, space.door));
    this.tooBig = cargo.filter((one) => !goes.includes(one)).map(({ id }) => id);
    this.kinds = kindsOf(goes);
    this.least = Math.min(Infinity, ...goes.flatMap(({ size: { l, w, h } }) => [l, w, h]));
    this.wholeVolume = goes.reduce((sum, { size }) => sum + volumeOf(size), 0);
  }

  /** Whether all that goes through the door is in. */
  get isComplete(): boolean {
    return this.best.volume === this.wholeVolume;
  }

  /** So many tries more; none once everything is in. */
  run(tries: number): void {
    for (let i = 0; i < tries && !this.isComplete; i++) {
      const isWild = this.tried % WILD === WILD - 1;
      const blocks = this.fill(this.tried === 0 ? 0 : isWild ? Infinity : AT_RANDOM * this.random());
      const volume = blocks.reduce((sum, block) => sum + volumeOf(block), 0);
      if (volume > this.best.volume) this.best = { blocks, volume };
      this.tried += 1;
    }
  }

  /** The best load so far. */
  answer(): Load {
    const left = this.kinds.map(({ ids }) => [...ids]);
    const loaded = this.best.blocks.flatMap(({ x, y, z, kind, way, count: [along, across, up] }) => {
      const boxes: Loaded[] = [];
      for (let a = 0; a < along; a++)
        for (let c = 0; c < across; c++)
          for (let u = 0; u < up; u++) {
            const id = (left[kind] as string[]).shift() as string;
            boxes.push({ id, ...way, x: x + a * way.l, y: y + c * way.w, z: z + u * way.h });
          }
      return boxes;
    });
    return {
      loaded,
      unplaced: [...this.tooBig, ...left.flat()],
      usedShare: Math.max(0, this.best.volume) / volumeOf(this.space),
    };
  }

  /** One try. @param chance how much a block's worth may differ from its volume */
  private fill(chance: number): Block[] {
    const { space, kinds } = this;
    let spaces: EmptySpace[] = [{ x: 0, y: 0, z: 0, l: space.l, w: space.w, h: space.h, on: -1 }];
    for (const built of space.blocked) {
      const { x, y, z, l, w, h } = built;
      spaces = without(spaces, built, { x, y, z: z + h, l, w, h: space.h - z - h, on: -1 });
    }
    const left = kinds.map(({ ids }) => ids.length);
    const blocks: Block[] = [];
    const bears = new Bearing(kinds, blocks);
    let payloadG = space.payloadG;
    const stops = [...new Set(kinds.map(({ stop }) => stop))].sort((a, b) => b - a);
    for (const stop of stops) {
      // Spaces in which nothing of this stop goes may take what comes off earlier.
      const full = new Set<EmptySpace>();
      while (true) {
        const into = deepest(spaces, full);
        if (!into) break;
        const block = this.bestBlock(into, stop, left, payloadG, chance, blocks, bears);
        if (!block) {
          full.add(into);
          continue;
        }
        const kind = kinds[block.kind] as Kind;
        const number = block.count[0] * block.count[1] * block.count[2];
        left[block.kind] = (left[block.kind] as number) - number;
        payloadG -= number * kind.massG;
        blocks.push(block);
        bears.put(block);
        const { x, y, z, l, w, h } = block;
        const top: EmptySpace = { x, y, z: z + h, l, w, h: into.z + into.h - z - h, on: blocks.length - 1 };
        spaces = without(spaces, block, kind.bearsG > 0 ? top : undefined);
      }
    }
    return blocks;
  }

  /** The block of most volume, more or less, that goes into a space. */
  private bestBlock(
    into: EmptySpace,
    stop: number,
    left: readonly number[],
    payloadG: number,
    chance: number,
    blocks: readonly Block[],
    bears: Bearing,
  ): Block | undefined {
    let best: Block | undefined;
    let most = 0;
    for (const [k, kind] of this.kinds.entries()) {
      if (kind.stop !== stop || left[k] === 0) continue;
      const byMass = kind.massG > 0 ? Math.floor(payloadG / kind.massG) : Infinity;
      const number = Math.min(left[k] as number, byMass);
      if (number < 1) continue;
      for (const way of kind.ways) {
        if (way.l > into.l || way.w > into.w || way.h > into.h) continue;
        for (const count of shapesOf(into, way, number, kind)) {
          const [along, across, up] = count;
          const [l, w, h] = [along * way.l, across * way.w, up * way.h];
          const volume = l * w * h;
          const worth =
            chance === Infinity
              ? this.random()
              : (volume ** 2 / this.takenUp(l, w, h, into)) * (1 + chance * this.random());
          if (worth <= most) continue;
          const { x, y, z, on } = into;
          const block: Block = { x, y, z, l, w, h, kind: k, way, count, on };
          if (this.isShutIn(block, stop, blocks) || !bears.carries(block)) continue;
          best = block;
          most = worth;
        }
      }
    }
    return best;
  }

  /** What a block takes up of a space: gaps into which nothing goes any more are lost. */
  private takenUp(l: number, w: number, h: number, into: Extent): number {
    const { least } = this;
    return (
      (into.l - l < least ? into.l : l) *
      (into.w - w < least ? into.w : w) *
      (into.h - h < least ? into.h : h)
    );
  }

  /** Whether what comes off later stands between a block and the door. */
  private isShutIn(block: Block, stop: number, blocks: readonly Block[]): boolean {
    return blocks.some((other) => {
      if ((this.kinds[other.kind] as Kind).stop <= stop || other.x < block.x + block.l) return false;
      return boxesMeet({ ...block, l: other.x + other.l - block.x }, other);
    });
  }
}

function kindsOf(cargo: readonly Cargo[]): Kind[] {
  const kinds = new Map<string, Kind>();
  for (const one of cargo) {
    const { massG, bearsG, stop } = one;
    const ways = waysToLie(one);
    const key = JSON.stringify([ways, massG, bearsG === Infinity ? 'any' : bearsG, stop]);
    const kind = kinds.get(key);
    if (kind) kind.ids.push(one.id);
    else kinds.set(key, { ids: [one.id], ways, massG, bearsG, stop });
  }
  return [...kinds.values()];
}

/** Space by space from the front wall to the door, the lowest first, then from the left. */
function deepest(spaces: readonly EmptySpace[], full: ReadonlySet<EmptySpace>): EmptySpace | undefined {
  let best: EmptySpace | undefined;
  for (const one of spaces) {
    if (full.has(one)) continue;
    if (best && isAfter(one, best)) continue;
    best = one;
  }
  return best;
}

/** Further towards the door, higher, more to the right; of spaces that begin in one place, the smaller. */
const isAfter = (a: EmptySpace, b: EmptySpace): boolean => {
  if (a.x !== b.x) return a.x > b.x;
  if (a.z !== b.z) return a.z > b.z;
  if (a.y !== b.y) return a.y > b.y;
  return volumeOf(a) <= volumeOf(b);
};

/** Blocks of at most so many: filled up across first, or upwards first. */
function shapesOf(
  into: Extent,
  way: Extent,
  number: number,
  { massG, bearsG }: Kind,
): [number, number, number][] {
  const bearable =
    massG > 0 && bearsG < Infinity ? 1 + Math.floor(bearsG / massG) : bearsG > 0 ? Infinity : 1;
  const mostL = Math.floor(into.l / way.l);
  const mostW = Math.floor(into.w / way.w);
  const mostH = Math.min(Math.floor(into.h / way.h), bearable);
  const upFirst = Math.min(mostH, number);
  const acrossThen = Math.min(mostW, Math.floor(number / upFirst));
  const alongThen = Math.min(mostL, Math.floor(number / (upFirst * acrossThen)));
  const acrossFirst = Math.min(mostW, number);
  const upThen = Math.min(mostH, Math.floor(number / acrossFirst));
  const alongLast = Math.min(mostL, Math.floor(number / (acrossFirst * upThen)));
  return [
    [alongThen, acrossThen, upFirst],
    [alongLast, acrossFirst, upThen],
  ];
}

/** What lies on each block's things: a block stands on one other alone. */
class Bearing {
  private readonly kinds: readonly Kind[];
  private readonly blocks: readonly Block[];
  /** For each block the load on each of its columns, g, and what it stands on: columns below with their shares. */
  private readonly loads: Float64Array[] = [];
  private readonly under: { column: number; share: number }[][][] = [];
  private readonly isAsked: boolean;

  constructor(kinds: readonly Kind[], blocks: readonly Block[]) {
    this.kinds = kinds;
    this.blocks = blocks;
    this.isAsked = kinds.some(({ bearsG, massG }) => bearsG > 0 && bearsG < Infinity && massG > 0);
  }

  /** Whether what is below a block may carry it. */
  carries(block: Block): boolean {
    if (!this.isAsked || block.on < 0) return true;
    const more = this.handedDown(block);
    for (const [at, loads] of more) {
      const { kind, count } = this.blocks[at] as Block;
      const { massG, bearsG } = this.kinds[kind] as Kind;
      const before = this.loads[at] as Float64Array;
      // The lowest thing of a column bears the others of it besides.
      const ownG = (count[2] - 1) * massG;
      for (let c = 0; c < loads.length; c++)
        if ((before[c] as number) + (loads[c] as number) + ownG > bearsG) return false;
    }
    return true;
  }

  /** Counts the block in. */
  put(block: Block): void {
    if (!this.isAsked) return;
    for (const [at, loads] of this.handedDown(block)) {
      const before = this.loads[at] as Float64Array;
      for (let c = 0; c < loads.length; c++) before[c] = (before[c] as number) + (loads[c] as number);
    }
    this.under.push(this.standsOn(block));
    this.loads.push(new Float64Array(block.count[0] * block.count[1]));
  }

  /** What a block adds to the columns of each block below it, g. */
  private handedDown(block: Block): Map<number, Float64Array> {
    const more = new Map<number, Float64Array>();
    const { massG } = this.kinds[block.kind] as Kind;
    let above = new Float64Array(block.count[0] * block.count[1]).fill(massG * block.count[2]);
    let stands = this.standsOn(block);
    for (let at = block.on; at >= 0; at = (this.blocks[at] as Block).on) {
      const { count } = this.blocks[at] as Block;
      const here = new Float64Array(count[0] * count[1]);
      stands.forEach((shares, column) => {
        for (const { column: below, share } of shares)
          here[below] = (here[below] as number) + (above[column] as number) * share;
      });
      more.set(at, here);
      above = here;
      stands = this.under[at] as { column: number; share: number }[][];
    }
    return more;
  }

  /** For each column of a block the columns it stands on, with their shares. */
  private standsOn(block: Block): { column: number; share: number }[][] {
    const below = this.blocks[block.on];
    const columns = columnsOf(block);
    if (!below) return columns.map(() => []);
    const theirs = columnsOf(below);
    return columns.map((one) => {
      const shares = theirs
        .map((other, column) => ({ column, share: planOverlap(one, other) / (one.l * one.w) }))
        .filter(({ share }) => share > 0);
      return shares;
    });
  }
}

/** The columns of a block seen from above. */
function columnsOf({ x, y, z, h, way, count: [along, across] }: Block): PlacedBox[] {
  const columns: PlacedBox[] = [];
  for (let a = 0; a < along; a++)
    for (let c = 0; c < across; c++)
      columns.push({ x: x + a * way.l, y: y + c * way.w, z, l: way.l, w: way.w, h });
  return columns;
}
