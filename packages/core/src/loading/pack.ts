import { seededRandom } from '../quantity/random.ts';
import { Bearing } from './bearing.ts';
import { type Block, columnsOf, inTurns, type Kind, kindsOf, longestOf, numberIn } from './blocks.ts';
import {
  boxesMeet,
  type Cargo,
  type CargoSpace,
  type Extent,
  goesIn,
  type Loaded,
  type PlacedBox,
  planOverlap,
  volumeOf,
} from './cargo.ts';
import { type EmptySpace, without, withoutAcross } from './empty-spaces.ts';

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
/** A bag gives so much over what it lies on, mm, of which so much of its base has to be near. From memory. */
const SAG = 150;
const SOFT_SUPPORT = 0.75;
/** What comes off first is stacked so much more loosely than full, where room is kept for it. From memory. */
const LOOSELY = 2;
/** Of more things than this what is stiff stands on one other alone: to look across all takes too long. */
const FEW = 90;
/** No space is looked across that is narrower than this, mm, or than the smallest bag. */
const SMALL = 200;

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
  private best: { blocks: Block[]; volume: number; count: number } = { blocks: [], volume: -1, count: 0 };
  private readonly kinds: Kind[];
  private readonly tooBig: string[];
  private readonly space: CargoSpace;
  private readonly random: () => number;
  private readonly wholeCount: number;
  /** The shortest side of anything, and of anything soft. */
  private readonly least: number;
  private readonly leastSoft: number;
  /** Kinds by number in the order in which they are loaded: what comes off last first. */
  private readonly byStop: number[][];
  /** The same, but first of all what is long, and bags of balloons after what is stiff. */
  private readonly turns: number[][];

  constructor(cargo: readonly Cargo[], space: CargoSpace, seed = 1) {
    this.space = space;
    this.random = seededRandom(seed);
    const goes = cargo.filter((one) => goesIn(one, space.door));
    this.tooBig = cargo.filter((one) => !goes.includes(one)).map(({ id }) => id);
    this.kinds = kindsOf(goes, space);
    this.byStop = inTurns(this.kinds, ({ stop }) => [stop]);
    this.turns = inTurns(this.kinds, ({ stop, ways, isSoft, isLong }) =>
      isLong ? [isSoft ? 1 : 2, longestOf(ways)] : [0, stop, isSoft ? 0 : 1],
    );
    this.leastSoft = Math.min(
      SMALL,
      ...this.kinds.flatMap(({ isSoft, ways }) => (isSoft ? ways.flatMap(({ l, w, h }) => [l, w, h]) : [])),
    );
    this.least = Math.min(Infinity, ...goes.flatMap(({ size: { l, w, h } }) => [l, w, h]));
    this.wholeCount = goes.length;
  }

  /** Whether all that goes through the door is in. */
  get isComplete(): boolean {
    return this.best.count === this.wholeCount;
  }

  /** So many tries more; none once everything is in. */
  run(tries: number): void {
    for (let i = 0; i < tries && !this.isComplete; i++) {
      const isWild = this.tried % WILD === WILD - 1;
      const blocks = this.fill(this.tried === 0 ? 0 : isWild ? Infinity : AT_RANDOM * this.random());
      const volume = blocks.reduce((sum, block) => sum + volumeOf(block), 0);
      const count = blocks.reduce((sum, block) => sum + numberIn(block), 0);
      if (count === this.wholeCount || volume > this.best.volume) this.best = { blocks, volume, count };
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

  /** The empty spaces in which things may lie across those below. */
  private acrossSpaces(blocks: readonly Block[]): EmptySpace[] {
    const { l, w, h, blocked } = this.space;
    const whole: EmptySpace = { x: 0, y: 0, z: 0, l, w, h, on: -1 };
    return [...blocked, ...blocks].reduce<EmptySpace[]>(
      (spaces, box) => withoutAcross(spaces, box, this.leastSoft),
      [whole],
    );
  }

  /** How much of the room before the door is kept for what comes off first, mm: by turns as much as it takes, and none. */
  private keptFree(): number {
    const { space, kinds } = this;
    const first = Math.min(...kinds.map(({ stop }) => stop));
    if (this.tried % 2 === 1 || kinds.every(({ stop }) => stop === first)) return 0;
    const own = kinds.filter(({ stop, isLong }) => stop === first && !isLong);
    const volume = own.reduce((sum, { ids, ways }) => sum + ids.length * volumeOf(ways[0] as Extent), 0);
    const deepest = Math.max(0, ...own.map(({ ways }) => Math.min(...ways.map(({ l }) => l))));
    return Math.max(deepest, (LOOSELY * volume) / (space.w * space.h));
  }

  /** Bags lie across whatever is below them; what is stiff stands on one thing, and where that fails across several. */
  private passesOf(turn: readonly number[]): { turn: readonly number[]; isAcross: boolean }[] {
    if (turn.every((k) => (this.kinds[k] as Kind).isSoft)) return [{ turn, isAcross: true }];
    const onOne = { turn, isAcross: false };
    return this.wholeCount <= FEW ? [onOne, { turn, isAcross: true }] : [onOne];
  }

  /** One try. @param chance how much a block's worth may differ from its volume */
  private fill(chance: number): Block[] {
    const { space, kinds } = this;
    let spaces: EmptySpace[] = [{ x: 0, y: 0, z: 0, l: space.l, w: space.w, h: space.h, on: -1 }];
    for (const built of space.blocked) {
      const { x, y, z, l, w, h } = built;
      spaces = without(spaces, built, { x, y, z: z + h, l, w, h: space.h - z - h, on: -1 });
    }
    // Where bags may lie: across whatever is below them; worked out when the first of them comes.
    let acrossAll: EmptySpace[] | undefined;
    const left = kinds.map(({ ids }) => ids.length);
    const first = Math.min(...kinds.map(({ stop }) => stop));
    const doorX = space.l - this.keptFree();
    const blocks: Block[] = [];
    const bears = new Bearing(kinds, blocks);
    let payloadG = space.payloadG;
    const passes = (chance === Infinity ? this.byStop : this.turns).flatMap((turn) => this.passesOf(turn));
    for (const { turn, isAcross } of passes) {
      // Spaces in which nothing of this turn goes may take what comes later.
      const full = new Set<EmptySpace>();
      const isKept = turn.every((k) => {
        const { stop, isLong } = kinds[k] as Kind;
        return stop > first && !isLong;
      });
      while (true) {
        if (isAcross) acrossAll ??= this.acrossSpaces(blocks);
        const next = deepest(isAcross && acrossAll ? acrossAll : spaces, full);
        if (!next) break;
        const into = isKept ? { ...next, l: Math.min(next.l, doorX - next.x) } : next;
        const block = this.bestBlock(into, turn, left, payloadG, chance, blocks, bears, isAcross);
        if (!block) {
          full.add(next);
          continue;
        }
        const kind = kinds[block.kind] as Kind;
        const number = numberIn(block);
        left[block.kind] = (left[block.kind] as number) - number;
        payloadG -= number * kind.massG;
        blocks.push(block);
        bears.put(block, isAcross);
        if (acrossAll) acrossAll = withoutAcross(acrossAll, block, this.leastSoft);
        const { x, y, z, l, w, h } = block;
        const top: EmptySpace = { x, y, z: z + h, l, w, h: into.z + into.h - z - h, on: blocks.length - 1 };
        // On what lies across several things nothing is stacked.
        spaces = without(spaces, block, kind.bearsG > 0 && !isAcross ? top : undefined);
      }
    }
    return blocks;
  }

  /** The block of most volume, more or less, that goes into a space. */
  private bestBlock(
    into: EmptySpace,
    turn: readonly number[],
    left: readonly number[],
    payloadG: number,
    chance: number,
    blocks: readonly Block[],
    bears: Bearing,
    isAcross: boolean,
  ): Block | undefined {
    let best: Block | undefined;
    let most = 0;
    for (const k of turn) {
      const kind = this.kinds[k] as Kind;
      if (left[k] === 0) continue;
      const below = blocks[into.on];
      if (below && !kind.isSoft && (this.kinds[below.kind] as Kind).isSoft) continue;
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
          if (this.isShutIn(block, blocks) || this.isPushedUnder(block, blocks)) continue;
          if (isAcross ? !this.liesAcross(block, blocks, bears) : !bears.carries(block)) continue;
          best = block;
          most = worth;
        }
      }
    }
    return best;
  }

  /** Whether it would come to lie under bags that are in already: nobody knows then what it carries. */
  private isPushedUnder(block: Block, blocks: readonly Block[]): boolean {
    const top = block.z + block.h;
    return blocks.some(
      (other) =>
        other.z >= top &&
        other.z - top <= SAG &&
        (this.kinds[other.kind] as Kind).isSoft &&
        planOverlap(other, block) > 0,
    );
  }

  /**
   * Whether bags lie well on whatever is below each of their columns: on the floor, or on things whose tops come near to
   * it, which may carry that little more.
   */
  private liesAcross(block: Block, blocks: readonly Block[], bears: Bearing): boolean {
    const { massG, isSoft } = this.kinds[block.kind] as Kind;
    const gives = isSoft ? SAG : 0;
    if (block.z <= gives) return true;
    const more = massG * numberIn(block);
    const isUnder = ({ z, h }: PlacedBox) => z + h <= block.z && z + h >= block.z - gives;
    const under: PlacedBox[] = this.space.blocked.filter(isUnder);
    // Loops, not filters: no other question is asked so often.
    for (let at = 0; at < blocks.length; at++) {
      const other = blocks[at] as Block;
      if (!isUnder(other) || planOverlap(other, block) === 0) continue;
      if (!isSoft && (this.kinds[other.kind] as Kind).isSoft) return false;
      // Each of those below has to bear all of it, as if it lay there alone.
      if (bears.leftFor(at) < more) return false;
      under.push(other);
    }
    if (under.length === 0) return false;
    return columnsOf(block).every((column) => {
      let area = 0;
      for (const other of under) area += planOverlap(column, other);
      return area >= SOFT_SUPPORT * column.l * column.w;
    });
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

  /** Whether what comes off later would stand between what comes off earlier and the door, or lie on it. */
  private isShutIn(block: Block, blocks: readonly Block[]): boolean {
    const { stop } = this.kinds[block.kind] as Kind;
    return blocks.some((other) => {
      const theirs = (this.kinds[other.kind] as Kind).stop;
      if (theirs === stop) return false;
      const [late, early] = theirs > stop ? [other, block] : [block, other];
      return bars(late, early) || (late.z >= early.z + early.h && planOverlap(late, early) > 0);
    });
  }
}

/** Whether one block stands before another on its way to the door. */
const bars = (one: Block, other: Block): boolean =>
  one.x >= other.x + other.l && boxesMeet({ ...other, l: one.x + one.l - other.x }, one);

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
