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
import { groupBy, sumOf } from '../quantity/group.ts';
import { jointSpares } from '../stock/spares.ts';
import { COMMON_PRACTICE, working } from '../working.ts';
import { isFillerName } from './cluster-names.ts';
import { keptOf } from './kept.ts';
import type { Need, Recipe } from './recipe.ts';

/** Specialty balloons are at least this large: one too few is seen. Common practice, no source. */
const SPECIALTY_FROM_IN = 24;

type Alike = Pick<BalloonRow, 'nominalIn' | 'inflatedIn' | 'blowToIn' | 'colour'>;

const rowKey = ({ nominalIn, inflatedIn, blowToIn = inflatedIn, colour }: Alike) =>
  [nominalIn, inflatedIn.min, inflatedIn.max, blowToIn.min, blowToIn.max, colour].join('|');
const lotKey = (need: Need) => `${rowKey(need)}|${need.cluster}`;

/** Needs that one person inflates in one go: alike in size, diameters, colour and cluster; the largest first. */
function asLots(needs: readonly Need[]) {
  return [...groupBy(needs, lotKey).values()]
    .map((alike) => ({
      ...(alike[0] as Need),
      count: sumOf(alike.map(({ count }) => count)),
      kept: keptOf(alike),
    }))
    .sort(bySizeAndDiameter);
}

const bySizeAndDiameter = (
  a: { nominalIn: number; inflatedIn: InflatedRange },
  b: { nominalIn: number; inflatedIn: InflatedRange },
) => b.nominalIn - a.nominalIn || b.inflatedIn.max - a.inflatedIn.max;

/** The quality a piece is made of. */
export const gradeOf = (piece: Piece): Grade => ('grade' in piece ? piece.grade : 'professional');

/** Of a recipe, what says into which bags its balloons go. */
type Bagged = Pick<Recipe, 'needs' | 'sections'> & Partial<Pick<Recipe, 'assemblies'>>;

/** The lots of one piece, without spares. @param index of the piece in its job, from 0 */
function bareLots(recipe: Bagged, index: number): Lot[] {
  const letter = pieceLetter(index);
  // Fillers that are put on at the bench ride with their section; those that are not, loose in bags of their own.
  const isFixed = recipe.assemblies?.some(({ part, join }) => part === 'fillers' && join) ?? false;
  const bagsFor = (cluster: string) =>
    isFillerName(cluster) && !isFixed
      ? { shares: [1], bags: [`${letter}-F`] }
      : { shares: recipe.sections, bags: recipe.sections.map((_, s) => `${letter}-${s + 1}`) };
  return asLots(recipe.needs).map(({ nominalIn, inflatedIn, colour, count, cluster, kept }, i) => ({
    id: `${letter}${i + 1}`,
    nominalIn,
    inflatedIn,
    // Until it is known what becomes of it: as designed.
    blowToIn: inflatedIn,
    colour,
    count,
    spare: 0,
    kept,
    blown: count - kept,
    cluster,
    perSection: apportion(bagsFor(cluster).shares, count),
    holesIn: inflatedIn.min === inflatedIn.max ? [inflatedIn.max] : [inflatedIn.min, inflatedIn.max],
    bags: bagsFor(cluster).bags,
  }));
}

/** Lots of one product and quality: a spare serves each of them. */
interface Pool {
  loss: number;
  lots: Lot[];
  /** Whether one too few would be seen, and nothing else is planned for that. */
  isSpecial: boolean;
}

/**
 * The lots of the pieces of a job with their spares: the fewest in all such that the whole job comes out complete with
 * the workshop's wanted chance, shared out over the lots of each product as these are large.
 */
export function lotsOf(
  pieces: readonly { piece: Piece; recipe: Bagged }[],
  settings: WorkshopSettings,
): Lot[][] {
  const byPiece = pieces.map(({ recipe }, index) => bareLots(recipe, index));
  const pools = [...poolsOf(pieces, byPiece, settings).values()];
  const spares = jointSpares(
    pools.map((pool) => ({
      // What is kept is blown already: only what is made anew is lost in the making.
      need: sumOf(pool.lots.map(({ count, kept }) => count - kept)),
      loss: pool.loss,
      least: leastOf(pool, settings),
    })),
    settings.spareTargetPct / 100,
  );
  const own = new Map<Lot, number>();
  pools.forEach(({ lots }, p) => {
    const shares = apportion(
      lots.map(({ count }) => count),
      spares[p] as number,
    );
    lots.forEach((lot, i) => {
      own.set(lot, shares[i] as number);
    });
  });
  return byPiece.map((lots) =>
    lots.map((lot) => {
      const spare = own.get(lot) ?? 0;
      return { ...lot, spare, blown: lot.blown + (settings.blowsSpares ? spare : 0) };
    }),
  );
}

function poolsOf(
  pieces: readonly { piece: Piece }[],
  byPiece: readonly (readonly Lot[])[],
  settings: WorkshopSettings,
): Map<string, Pool> {
  const pools = new Map<string, Pool>();
  pieces.forEach(({ piece }, i) => {
    const hasPlanB = piece.kind === 'accent' && piece.planB.trim() !== '';
    for (const lot of byPiece[i] ?? []) {
      const colour = settings.colours.find((one) => one.id === lot.colour);
      const { loss } = productLoss(colour, gradeOf(piece));
      const key = `${lot.nominalIn}|${lot.colour}|${loss}`;
      const known = pools.get(key) ?? { loss, lots: [], isSpecial: false };
      pools.set(key, {
        loss,
        lots: [...known.lots, lot],
        isSpecial: known.isSpecial || (lot.nominalIn >= SPECIALTY_FROM_IN && !hasPlanB),
      });
    }
  });
  return pools;
}

/** Spares of a product whatever its loss: as many as are wanted at hand on site, and one of what would be missed. */
function leastOf({ lots, isSpecial }: Pool, settings: WorkshopSettings): number {
  const { topUpPct } = sizeOf(lots[0]?.nominalIn ?? 0, settings);
  const onSite = Math.ceil((sumOf(lots.map(({ count }) => count)) * topUpPct) / 100);
  return isSpecial ? Math.max(1, onSite) : onSite;
}

/**
 * What is to be handled at the bench: what is kept as it is; of the rest what is blown, with the spares of each lot
 * where the house blows them.
 */
export function benchNeeds(needs: readonly Need[], lots: readonly Lot[]): Need[] {
  const blown = new Map(
    lots.map((lot) => [`${rowKey({ ...lot, blowToIn: undefined })}|${lot.cluster}`, lot.blown]),
  );
  const anew = needs.flatMap(({ isKept: _, ...need }) => {
    const count = blown.get(lotKey(need)) ?? 0;
    // Once for each lot, whatever it is made up of.
    blown.delete(lotKey(need));
    return count > 0 ? [{ ...need, count }] : [];
  });
  return [...needs.filter(({ isKept }) => isKept), ...anew];
}

/** A, B … Z, AA, AB … */
export function pieceLetter(index: number): string {
  const letter = String.fromCharCode(65 + (index % 26));
  return index < 26 ? letter : `${pieceLetter(Math.floor(index / 26) - 1)}${letter}`;
}

/** Rows that agree in size, diameters and colour become one; largest size first, then as the lots run. */
function merge(rows: readonly BalloonRow[]): BalloonRow[] {
  const merged = new Map<string, BalloonRow>();
  for (const row of rows) {
    const known = merged.get(rowKey(row));
    merged.set(
      rowKey(row),
      known
        ? {
            ...known,
            need: known.need + row.need,
            spare: known.spare + row.spare,
            kept: known.kept + row.kept,
          }
        : row,
    );
  }
  return [...merged.values()].sort(bySizeAndDiameter);
}

/** The balloons of lots, whatever they are tied into. */
export function balloonsOf(lots: readonly Lot[]): BalloonRow[] {
  return merge(
    lots.map(({ nominalIn, inflatedIn, blowToIn, colour, count, spare, kept }) => ({
      nominalIn,
      inflatedIn,
      blowToIn,
      colour,
      need: count,
      spare,
      kept,
    })),
  );
}

/** Sum of the pieces' rows. */
export function totalBalloons(pieces: readonly { balloons: readonly BalloonRow[] }[]): BalloonRow[] {
  return merge(pieces.flatMap((piece) => piece.balloons));
}

/** How the spares came about: one sum over the whole job, the losses it reckons with, and what is wanted on site. */
export function spareWorking({ workshop, job }: JobFile, balloons: readonly BalloonRow[]): Working[] {
  const losses = new Map<string, { loss: number; tag: string }>();
  for (const { colour: id } of balloons) {
    const colour = workshop.colours.find((one) => one.id === id);
    for (const grade of new Set(job.pieces.map(gradeOf))) {
      const found = productLoss(colour, grade);
      const name = colour?.lossPct === undefined ? `${colour?.grade ?? grade} grade` : colour.name;
      losses.set(name, found);
    }
  }
  const sum = working(
    'Spares of the whole job',
    'fewest in all with Π P(enough of a product) ≥ confidence; a spare serves every lot of its product',
    [
      ['confidence', workshop.spareTargetPct, '%'],
      ['balloons', balloons.reduce((all, { need }) => all + need, 0)],
      ['products', new Set(balloons.map(({ nominalIn, colour }) => `${nominalIn}|${colour}`)).size],
    ],
    { value: balloons.reduce((all, { spare }) => all + spare, 0), unit: 'spares' },
    'negative binomial distribution, exact; each next spare goes to the product that it helps most',
  );
  const byLoss = [...losses].map(([name, { loss, tag }]) =>
    working(`Lost in making, ${name}`, 'as learned or as usual', [], { value: loss * 100, unit: '%' }, tag),
  );
  const sizes = [...new Set(balloons.map((row) => row.nominalIn))];
  const onSite = sizes.map((nominalIn) => {
    const { topUpPct, tag } = sizeOf(nominalIn, workshop);
    return working(
      `At hand on site, ${sizeName(nominalIn)}`,
      'of those spares at least ⌈need · share⌉ of each product',
      [['share', topUpPct, '%']],
      { value: topUpPct, unit: '%' },
      nominalIn >= SPECIALTY_FROM_IN ? `one spare at least: ${COMMON_PRACTICE}` : tag,
    );
  });
  return [sum, ...byLoss, ...onSite];
}
