import { type Block, columnsOf, type Kind, numberIn } from './blocks.ts';
import { planOverlap } from './cargo.ts';

/** What lies on each block's things: a block stands on one other alone. */
export class Bearing {
  private readonly kinds: readonly Kind[];
  private readonly blocks: readonly Block[];
  /** For each block the load on each of its columns, g, and what it stands on: columns below with their shares. */
  private readonly loads: Float64Array[] = [];
  /** The load on the most loaded of them. */
  private readonly most: number[] = [];
  private readonly under: { column: number; share: number }[][][] = [];
  private readonly isAsked: boolean;
  /** What lies across each block and others, g, as if all of it lay there. */
  private readonly across = new Map<number, number>();
  /** Stiff blocks that lie across several others. */
  private readonly lyingAcross = new Set<number>();

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
        if ((before[c] as number) + (loads[c] as number) + ownG + (this.across.get(at) ?? 0) > bearsG)
          return false;
    }
    return true;
  }

  /**
   * What may be put on a block's things besides what lies there, g, for them and for all that carries them: as if all of
   * it lay on the most loaded one.
   */
  leftFor(at: number): number {
    if (this.lyingAcross.has(at)) return 0;
    const { kind, count, on } = this.blocks[at] as Block;
    const { massG, bearsG } = this.kinds[kind] as Kind;
    const own = bearsG - (this.most[at] ?? 0) - (count[2] - 1) * massG - (this.across.get(at) ?? 0);
    return on < 0 ? own : Math.min(own, this.leftFor(on));
  }

  /** Counts the block in. @param isAcross it lies on several things */
  put(block: Block, isAcross = false): void {
    if (isAcross) {
      const { massG, isSoft } = this.kinds[block.kind] as Kind;
      if (!isSoft) this.lyingAcross.add(this.blocks.indexOf(block));
      const more = massG * numberIn(block);
      this.blocks.forEach((other, at) => {
        if (other === block || other.z + other.h > block.z || planOverlap(other, block) === 0) return;
        this.across.set(at, (this.across.get(at) ?? 0) + more);
      });
    }
    if (!this.isAsked) return;
    for (const [at, loads] of this.handedDown(block)) {
      const before = this.loads[at] as Float64Array;
      for (let c = 0; c < loads.length; c++) before[c] = (before[c] as number) + (loads[c] as number);
      this.most[at] = Math.max(...before);
    }
    this.most.push(0);
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
