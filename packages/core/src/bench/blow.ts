import type { Grade, Schools, WorkshopSettings } from '@early-lantern/contract';
import { productLoss, sizeName } from '../balloon/catalogue.ts';
import type { Need } from '../piece/recipe.ts';
import { working } from '../working.ts';
import { type Batch, inParts, litresOf } from './batch.ts';
import { inflateEffort, inflateUnits } from './inflate.ts';
import { type Effort, effort, scaled, together } from './rates.ts';

export interface SizeLot {
  nominalIn: number;
  /** Blown to at most, in. */
  largestIn: number;
  balloons: number;
  /** Share of them that is lost in the making. */
  loss: number;
}

export function sizeLots(needs: readonly Need[], settings: WorkshopSettings, grade: Grade): SizeLot[] {
  const lots = new Map<number, { max: number; balloons: number; lost: number }>();
  for (const { nominalIn, inflatedIn, count, colour } of needs) {
    const lot = lots.get(nominalIn);
    const product = settings.colours.find(({ id }) => id === colour);
    lots.set(nominalIn, {
      max: Math.max(lot?.max ?? 0, inflatedIn.max),
      balloons: (lot?.balloons ?? 0) + count,
      lost: (lot?.lost ?? 0) + count * productLoss(product, grade).loss,
    });
  }
  return [...lots]
    .map(([nominalIn, { max, balloons, lost }]) => ({
      nominalIn,
      largestIn: max,
      balloons,
      loss: lost / Math.max(1, balloons),
    }))
    .sort((a, b) => b.nominalIn - a.nominalIn);
}

/**
 * Blowing and tying; by template every duplet is checked in its hole. The rates are those of professional stock: what
 * pops more often is blown again.
 */
export function blowEffort(
  { nominalIn, loss }: SizeLot,
  count: number,
  schools: Schools,
  settings: WorkshopSettings,
): Effort {
  const blown = blownAgain(inflateEffort(nominalIn, count, settings), loss);
  if (schools.sizing !== 'template') return blown;
  return together([blown, effort('template-check', inflateUnits(nominalIn, count).units, settings)]);
}

/** Losses of a product that are well above those of professional stock cost their time. */
function blownAgain(work: Effort, loss: number): Effort {
  const usual = productLoss(undefined, 'professional').loss;
  if (loss <= usual + 1e-9) return work;
  const factor = (1 - usual) / (1 - loss);
  return scaled(work, factor, [
    working(
      'Blown again',
      '(100 − loss of professional stock) / (100 − loss)',
      [
        ['loss', loss * 100, '%'],
        ['loss of professional stock', usual * 100, '%'],
      ],
      { value: factor, unit: '×' },
      'losses as in the catalogue',
    ),
  ]);
}

export function inflateBatches(
  lot: SizeLot,
  schools: Schools,
  settings: WorkshopSettings,
  place: Batch['place'],
): Batch[] {
  const workFor = (count: number) => blowEffort(lot, count, schools, settings);
  return inParts(lot.balloons, workFor).map(({ amount, suffix }, run) => ({
    id: `inflate-${lot.nominalIn}${suffix}`,
    label: `Inflate ${amount} of ${sizeName(lot.nominalIn)}`,
    effort: tiring(workFor(amount), run),
    needsInflator: true,
    litres: amount * litresOf(lot.largestIn),
    skill: 'tying',
    blows: { nominalIn: lot.nominalIn, count: amount, isFiller: false },
    place,
    after: [],
  }));
}

/** Each further run of the same goes so much more slowly: hands tire. From memory, an editable default. */
const TIRED_BY = 0.05;

/** A run of blowing after so many others of the same lot. */
function tiring(work: Effort, run: number): Effort {
  if (run === 0) return work;
  const factor = 1 + TIRED_BY * run;
  return scaled(work, factor, [
    working(
      'Hands tire',
      `1 + ${TIRED_BY} · runs before`,
      [['runs before', run]],
      { value: factor, unit: '×' },
      'from memory, an editable default',
    ),
  ]);
}
