import type { BalloonRow, ColourId, JobFile } from '@early-lantern/contract';
import { chainLength } from '../geometry/line.ts';
import { isGarland, uponOf } from '../piece/kinds.ts';
import { lineOfLength } from '../piece/line-of-length.ts';
import { madeRecipe } from '../piece/recipe-of.ts';
import { METRES_PER_FOOT } from '../quantity/length.ts';
import { lacksOf, wantedDay } from '../stock/buy.ts';
import { productNeeds } from '../stock/needs.ts';
import { purchasesOf } from '../stock/purchases.ts';

/** Lengths are tried in steps that people measure in, m. */
const STEP_M = METRES_PER_FOOT / 2;
/** Nobody hangs a longer one; the contract's limit on what is typed. */
const LONGEST_M = 60;

const productKey = ({ nominalIn, colour }: { nominalIn: number; colour: ColourId }) =>
  `${nominalIn}|${colour}`;

/**
 * The longest that a garland can be with the balloons there are on the job's day, spares and everything else of the job
 * counted too, in half feet, m; 0 where they give none or it is no garland. More length never takes fewer balloons, so
 * that halving finds it.
 * @param index of the piece in its job
 * @param count the balloons of a file with their spares
 */
export function longestFor(
  file: JobFile,
  index: number,
  count: (file: JobFile) => readonly BalloonRow[],
): number {
  const piece = file.job.pieces[index];
  if (!piece || !isGarland(piece)) return 0;
  const day = wantedDay(file);
  // What other pieces lack of other products does not make this one shorter.
  const takes = new Set(madeRecipe(piece, file.workshop).needs.map(productKey));
  const isEnough = (steps: number): boolean => {
    const pieces = file.job.pieces.map((one, i) =>
      i === index ? { ...piece, line: lineOfLength(piece, steps * STEP_M) } : one,
    );
    const changed = { ...file, job: { ...file.job, pieces } };
    return productNeeds(count(changed), file.workshop, day).every(
      (product) => product.over >= 0 || !takes.has(productKey(product)),
    );
  };
  let enough = 0;
  let tooLong = Math.ceil(LONGEST_M / STEP_M) + 1;
  while (tooLong - enough > 1) {
    const middle = Math.floor((enough + tooLong) / 2);
    if (isEnough(middle)) enough = middle;
    else tooLong = middle;
  }
  return enough * STEP_M;
}

/** How long a garland is, and how long the balloons there are would make it: on the shelf, and with the packs to buy. */
export interface HowLong {
  drawnM: number;
  thereM: number;
  /** With the packs that the job is to buy; as there where it buys none. */
  withPacksM: number;
}

/** @param count as for `longestFor` */
export function howLong(
  file: JobFile,
  index: number,
  count: (file: JobFile) => readonly BalloonRow[],
): HowLong | undefined {
  const piece = file.job.pieces[index];
  if (!piece || !isGarland(piece)) return undefined;
  const { workshop, job } = file;
  const day = wantedDay(file);
  const lacks = lacksOf(job.name, productNeeds(count(file), workshop, day), day);
  const bought = purchasesOf(lacks, workshop, day).map(({ nominalIn, colour, cover }, i) => ({
    id: `bought-${i}`,
    nominalIn,
    colour,
    count: cover.balloons,
    arrives: day,
  }));
  const stocked = { ...file, workshop: { ...workshop, onOrder: [...(workshop.onOrder ?? []), ...bought] } };
  const thereM = longestFor(file, index, count);
  return {
    drawnM: chainLength(uponOf(piece).line ?? []),
    thereM,
    withPacksM: bought.length > 0 ? longestFor(stocked, index, count) : thereM,
  };
}
