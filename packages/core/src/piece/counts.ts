import type {
  BalloonRow,
  Grade,
  InflatedRange,
  JobFile,
  Lot,
  Piece,
  Working,
  WorkshopSettings,
} from '@early-lantern/contract';
import { productLoss, sizeName, sizeOf } from '../balloon/catalogue.ts';
import { apportion } from '../quantity/apportion.ts';
import { sparesFor } from '../stock/spares.ts';
import { COMMON_PRACTICE, working } from '../working.ts';
import type { Need, Recipe } from './recipe.ts';

/** Specialty balloons are at least this large: one too few is seen. Common practice, no source. */
const SPECIALTY_FROM_IN = 24;

type Alike = Pick<BalloonRow, 'nominalIn' | 'inflatedIn' | 'blowToIn' | 'colour'>;

const rowKey = ({ nominalIn, inflatedIn, blowToIn = inflatedIn, colour }: Alike) =>
  [nominalIn, inflatedIn.min, inflatedIn.max, blowToIn.min, blowToIn.max, colour].join('|');
const lotKey = (need: Need) => `${rowKey(need)}|${need.cluster}`;

/** Needs that one person inflates in one go: alike in size, diameters, colour and cluster; the largest first. */
function asLots(needs: readonly Need[]): Need[] {
  const lots = new Map<string, Need>();
  for (const need of needs) {
    const known = lots.get(lotKey(need));
    lots.set(lotKey(need), known ? { ...known, count: known.count + need.count } : need);
  }
  return [...lots.values()].sort(bySizeAndDiameter);
}

const bySizeAndDiameter = (
  a: { nominalIn: number; inflatedIn: InflatedRange },
  b: { nominalIn: number; inflatedIn: InflatedRange },
) => b.nominalIn - a.nominalIn || b.inflatedIn.max - a.inflatedIn.max;

/** How many lots these needs make. */
export function countLots(needs: readonly Need[]): number {
  return new Set(needs.map(lotKey)).size;
}

/** A piece of the job with its place in it. */
interface CountedPiece {
  piece: Piece;
  recipe: Pick<Recipe, 'needs' | 'sections'>;
  /** From 0. */
  index: number;
}

/** The quality a piece is made of. */
export const gradeOf = (piece: Piece): Grade => ('grade' in piece ? piece.grade : 'professional');

/**
 * The lots of one piece with their spares. All `lots` of the job together shall come out complete with the workshop's
 * target chance, so each gets the target's `lots`-th root; a top-up for the site by size comes on top.
 */
export function lotsOf(
  { piece, recipe, index }: CountedPiece,
  lots: number,
  settings: WorkshopSettings,
): Lot[] {
  const letter = pieceLetter(index);
  return asLots(recipe.needs).map((need, i) => {
    const { nominalIn, inflatedIn, colour, count, cluster } = need;
    const spare = sparesOf(need, piece, lots, settings);
    return {
      id: `${letter}${i + 1}`,
      nominalIn,
      inflatedIn,
      // Until it is known what becomes of it: as designed.
      blowToIn: inflatedIn,
      colour,
      count,
      spare,
      blown: count + (settings.blowsSpares ? spare : 0),
      cluster,
      perSection: apportion(recipe.sections, count),
      holesIn: inflatedIn.min === inflatedIn.max ? [inflatedIn.max] : [inflatedIn.min, inflatedIn.max],
      bags: recipe.sections.map((_, s) => `${letter}-${s + 1}`),
    };
  });
}

/** What is to be blown: the needs, with the spares of each lot where the house blows them. */
export function blownNeeds(needs: readonly Need[], lots: readonly Lot[]): Need[] {
  const extra = new Map(
    lots.map((lot) => [`${rowKey({ ...lot, blowToIn: undefined })}|${lot.cluster}`, lot.blown - lot.count]),
  );
  return needs.map((need) => {
    const more = extra.get(lotKey(need)) ?? 0;
    // Once for each lot, whatever it is made up of.
    extra.set(lotKey(need), 0);
    return more > 0 ? { ...need, count: need.count + more } : need;
  });
}

/** A, B … Z, AA, AB … */
export function pieceLetter(index: number): string {
  const letter = String.fromCharCode(65 + (index % 26));
  return index < 26 ? letter : `${pieceLetter(Math.floor(index / 26) - 1)}${letter}`;
}

function sparesOf(need: Need, piece: Piece, lots: number, settings: WorkshopSettings): number {
  const colour = settings.colours.find((one) => one.id === need.colour);
  const { loss } = productLoss(colour, gradeOf(piece));
  const perLot = (settings.spareTargetPct / 100) ** (1 / Math.max(1, lots));
  const topUp = Math.ceil((need.count * sizeOf(need.nominalIn, settings).topUpPct) / 100);
  const spare = sparesFor(need.count, loss, perLot) + topUp;
  const hasPlanB = piece.kind === 'accent' && piece.planB.trim() !== '';
  return need.nominalIn >= SPECIALTY_FROM_IN && !hasPlanB ? Math.max(1, spare) : spare;
}

/** Rows that agree in size, diameters and colour become one; largest size first, then as the lots run. */
function merge(rows: readonly BalloonRow[]): BalloonRow[] {
  const merged = new Map<string, BalloonRow>();
  for (const row of rows) {
    const known = merged.get(rowKey(row));
    merged.set(
      rowKey(row),
      known ? { ...known, need: known.need + row.need, spare: known.spare + row.spare } : row,
    );
  }
  return [...merged.values()].sort(bySizeAndDiameter);
}

/** The balloons of lots, whatever they are tied into. */
export function balloonsOf(lots: readonly Lot[]): BalloonRow[] {
  return merge(
    lots.map(({ nominalIn, inflatedIn, blowToIn, colour, count, spare }) => ({
      nominalIn,
      inflatedIn,
      blowToIn,
      colour,
      need: count,
      spare,
    })),
  );
}

/** Sum of the pieces' rows. */
export function totalBalloons(pieces: readonly { balloons: readonly BalloonRow[] }[]): BalloonRow[] {
  return merge(pieces.flatMap((piece) => piece.balloons));
}

/** How the spares came about: once for each loss rate, and the top-up by size. */
export function spareWorking(
  { workshop, job }: JobFile,
  lots: number,
  balloons: readonly BalloonRow[],
): Working[] {
  const losses = new Map<string, { loss: number; tag: string }>();
  for (const { colour: id } of balloons) {
    const colour = workshop.colours.find((one) => one.id === id);
    for (const grade of new Set(job.pieces.map(gradeOf))) {
      const found = productLoss(colour, grade);
      const name = colour?.lossPct === undefined ? `${colour?.grade ?? grade} grade` : colour.name;
      losses.set(name, found);
    }
  }
  const perLot = Number((100 * (workshop.spareTargetPct / 100) ** (1 / Math.max(1, lots))).toFixed(2));
  const byLoss = [...losses].map(([name, { loss, tag }]) =>
    working(
      `Spares, ${name}`,
      'least m with P(Binomial(m, 1 − loss) ≥ need) ≥ target^(1/lots)',
      [
        ['loss', loss * 100, '%'],
        ['target', workshop.spareTargetPct, '%'],
        ['lots', lots],
      ],
      { value: perLot, unit: '% per lot' },
      `binomial distribution, exact; loss: ${tag}`,
    ),
  );
  const sizes = [...new Set(balloons.map((row) => row.nominalIn))];
  const topUps = sizes.map((nominalIn) => {
    const { topUpPct, tag } = sizeOf(nominalIn, workshop);
    return working(
      `Top-up for the site, ${sizeName(nominalIn)}`,
      '⌈need · top-up⌉ for each lot',
      [['top-up', topUpPct, '%']],
      { value: topUpPct, unit: '%' },
      nominalIn >= SPECIALTY_FROM_IN ? `one spare at least: ${COMMON_PRACTICE}` : tag,
    );
  });
  return [...byLoss, ...topUps];
}
