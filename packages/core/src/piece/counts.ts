import type { BalloonRow, Grade, Working, WorkshopSettings } from '@early-lantern/contract';
import { gradeLoss } from '../balloon/catalogue.ts';
import { sparesFor } from '../stock/spares.ts';
import { working } from '../working.ts';
import type { Need } from './recipe.ts';

const rowKey = (row: Pick<BalloonRow, 'nominalIn' | 'inflatedIn' | 'colour'>) =>
  [row.nominalIn, row.inflatedIn.min, row.inflatedIn.max, row.colour].join('|');

/** Rows that agree in size, diameters and colour become one; largest size first, then as the palette runs. */
function merge(rows: readonly BalloonRow[]): BalloonRow[] {
  const merged = new Map<string, BalloonRow>();
  for (const row of rows) {
    const known = merged.get(rowKey(row));
    merged.set(
      rowKey(row),
      known ? { ...known, need: known.need + row.need, spare: known.spare + row.spare } : { ...row },
    );
  }
  return [...merged.values()].sort(
    (a, b) => b.nominalIn - a.nominalIn || b.inflatedIn.max - a.inflatedIn.max,
  );
}

/**
 * The balloons of one piece with their spares. Every row is a lot; all `lots` of the job together shall come out
 * complete with the workshop's target chance, so each gets the target's `lots`-th root.
 */
export function countBalloons(
  needs: readonly Need[],
  grade: Grade,
  lots: number,
  settings: WorkshopSettings,
): BalloonRow[] {
  const { loss } = gradeLoss(grade);
  const perLot = (settings.spareTargetPct / 100) ** (1 / lots);
  const rows = merge(needs.map(({ count, role: _, ...row }) => ({ ...row, need: count, spare: 0 })));
  return rows.map((row) => ({ ...row, spare: sparesFor(row.need, loss, perLot) }));
}

/** How many lots these needs make: rows that are blown and packed apart. */
export function countLots(needs: readonly Need[]): number {
  return new Set(needs.map(rowKey)).size;
}

/** Sum of the pieces' rows. */
export function totalBalloons(pieces: readonly { balloons: readonly BalloonRow[] }[]): BalloonRow[] {
  return merge(pieces.flatMap((piece) => piece.balloons));
}

export function spareWorking(grades: readonly Grade[], lots: number, settings: WorkshopSettings): Working[] {
  return [...new Set(grades)].map((grade) => {
    const { loss, tag } = gradeLoss(grade);
    return working(
      `Spares, ${grade} grade`,
      'least m with P(Binomial(m, 1 − loss) ≥ need) ≥ target^(1/lots)',
      [
        ['loss', loss * 100, '%'],
        ['target', settings.spareTargetPct, '%'],
        ['lots', lots],
      ],
      { value: Number((100 * (settings.spareTargetPct / 100) ** (1 / lots)).toFixed(2)), unit: '% per lot' },
      `binomial distribution, exact; loss: ${tag}`,
    );
  });
}
