import type { CargoKind, JobFile } from '@early-lantern/contract';
import { goodsOf } from '../loading/every-good.ts';
import { comesLater, FIRST_OFF, type Good } from '../loading/goods.ts';
import { sumOf } from '../quantity/group.ts';
import { laddersOf } from './dress-work.ts';
import type { WorkedPiece } from './work.ts';

/** What one person carries at a time, kg. From memory, an editable default. */
const TRIP_KG = 20;
/** So many of a kind one person carries at a time, where they are not too heavy. From memory, editable defaults. */
const AT_ONCE: Record<CargoKind, number> = {
  section: 2,
  bag: 4,
  bouquet: 2,
  board: 2,
  pole: 2,
  base: 2,
  weight: 4,
  stand: 2,
  furniture: 4,
  ladder: 2,
  // It rolls, and carries what others would.
  wagon: Number.POSITIVE_INFINITY,
  cylinder: 1,
  crate: 2,
  kit: 4,
};
/** A board that is larger than this both ways is carried by two, mm. Common practice, no source. */
const LARGE_BOARD_MM = 1100;
/** What weighs little for its size: of these a full van is full. */
const LIGHT = new Set<CargoKind>(['section', 'bag', 'bouquet', 'crate', 'kit']);
/** What goes back to the vehicle once all is up, besides the bags that are empty now. */
const OUT_AGAIN = new Set<CargoKind>(['ladder', 'crate', 'kit', 'cylinder']);
/** Balloons taken down are popped into rubbish bags: of their bags so much is carried out. From memory. */
const SCRAPS = 0.25;
/** Empty bags of so many full ones make one. From memory. */
const EMPTY = 0.1;

/** What is carried at one time, in armfuls of one person. */
export interface Armfuls {
  /** Bags of balloons, crates and cases. */
  light: number;
  /** Whatever is heavy or stiff: weights, bases, poles, boards, stands, furniture, ladders. */
  heavy: number;
}

/** What is carried when, from what there is. */
export interface Loads {
  /** Off the vehicle before all else, and the rest with the first load. */
  first: Armfuls;
  rest: Armfuls;
  /** What the vehicle comes back for. */
  second: Armfuls;
  /** Back to the vehicle before the guests come. */
  out: Armfuls;
  /** Out and home after the event. */
  strike: Armfuls;
}

/** So many armfuls of one person is a thing: by its weight, or by how many like it go into two hands. */
function armfulsOf({ kind, cargo: { massG, size } }: Good): number {
  const isLarge = kind === 'board' && [size.l, size.w, size.h].filter((mm) => mm > LARGE_BOARD_MM).length > 1;
  return Math.max(massG / 1000 / TRIP_KG, isLarge ? 2 : 1 / AT_ONCE[kind]);
}

const isBalloons = ({ kind }: Good) => kind === 'section' || kind === 'bag' || kind === 'bouquet';

const carried = (goods: readonly Good[], share: (good: Good) => number = () => 1): Armfuls => ({
  light: sumOf(goods.filter(({ kind }) => LIGHT.has(kind)).map((one) => armfulsOf(one) * share(one))),
  heavy: sumOf(goods.filter(({ kind }) => !LIGHT.has(kind)).map((one) => armfulsOf(one) * share(one))),
});

const known = new WeakMap<readonly WorkedPiece[], { file: JobFile; loads: Loads }>();

/** What of a job is carried when. The same pieces of the same file are gone through once. */
export function loadsOf(file: JobFile, pieces: readonly WorkedPiece[]): Loads {
  const before = known.get(pieces);
  if (before?.file === file) return before.loads;
  const goods = goodsOf(
    {
      file,
      pieces,
      materials: pieces.flatMap(({ recipe }) => recipe.materials),
      gear: [...new Set(pieces.flatMap((worked) => laddersOf(worked, file)))],
    },
    0,
  );
  const isFirst = ({ cargo }: Good) => cargo.stop === FIRST_OFF;
  const isLater = ({ pieceId }: Good) => comesLater(file, pieceId);
  const loads: Loads = {
    first: carried(goods.filter((one) => isFirst(one) && !isLater(one))),
    rest: carried(goods.filter((one) => !isFirst(one) && !isLater(one))),
    second: carried(goods.filter(isLater)),
    out: carried(
      goods.filter((one) => isBalloons(one) || OUT_AGAIN.has(one.kind)),
      (one) => (isBalloons(one) ? EMPTY : 1),
    ),
    strike: carried(goods, (one) => (isBalloons(one) ? SCRAPS : 1)),
  };
  known.set(pieces, { file, loads });
  return loads;
}

export const both = (a: Armfuls, b: Armfuls): Armfuls => ({
  light: a.light + b.light,
  heavy: a.heavy + b.heavy,
});
