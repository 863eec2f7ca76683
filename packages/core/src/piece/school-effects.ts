import type { Piece, SchoolName, Schools, WorkshopSettings } from '@early-lantern/contract';
import { benchBatches, benchMinutes } from '../bench/bench.ts';
import { effort } from '../bench/rates.ts';
import { materialRows } from '../materials/materials.ts';
import { recipeOf, schoolsOf } from './recipe-of.ts';

/** What every school may be. */
export const schoolOptions: { [N in SchoolName]: readonly Schools[N][] } = {
  joining: ['string-260', 'string-neck', 'string-line'],
  tie: ['long', 'tight'],
  fillerFixing: ['half-260', 'loop', 'band', 'neck', 'dash'],
  sizing: ['eye', 'template'],
  inflatedAt: ['workshop', 'fillers-on-site', 'pairs-in-workshop', 'site'],
  dressing: ['on-the-spot', 'finished-sections'],
  onPipe: ['press', 'twist'],
  bloom: ['none', 'spray', 'wipe'],
};

/** What changes when a piece is made by another school than now. */
export interface SchoolEffect {
  value: string;
  /** Person-minutes more at the bench and on site. */
  benchMin: number;
  siteMin: number;
  /** Materials that come or go, by label. */
  materials: { label: string; unit: string; more: number }[];
}

/** What each option of a school would change against the way the piece is made now. */
export function schoolEffects(piece: Piece, name: SchoolName, settings: WorkshopSettings): SchoolEffect[] {
  const now = weigh(piece, settings);
  return schoolOptions[name].map((value) => {
    const then = weigh(bySchool(piece, name, value), settings);
    const labels = new Set([...now.materials.keys(), ...then.materials.keys()]);
    return {
      value,
      benchMin: then.benchMin - now.benchMin,
      siteMin: then.siteMin - now.siteMin,
      materials: [...labels].flatMap((label) => {
        const row = then.materials.get(label) ?? now.materials.get(label);
        const more = (then.materials.get(label)?.count ?? 0) - (now.materials.get(label)?.count ?? 0);
        return row && more !== 0 ? [{ label, unit: row.unit, more }] : [];
      }),
    };
  });
}

/** The piece with one school chosen, or, with `undefined`, left to the house. */
export function bySchool(piece: Piece, name: SchoolName, value: string | undefined): Piece {
  if (!('grade' in piece)) return piece;
  const { [name]: _, ...others } = piece.schools ?? {};
  const schools = value === undefined ? others : { ...others, [name]: value };
  const plain = { ...piece, schools };
  // A garland names its joining apart; chosen here, the one place is kept.
  if (plain.kind === 'organic-garland' && name === 'joining') {
    const { joining: __, ...rest } = plain;
    return rest as Piece;
  }
  return plain as Piece;
}

function weigh(piece: Piece, settings: WorkshopSettings) {
  const recipe = recipeOf(piece, settings.schools);
  const batches = benchBatches(recipe, schoolsOf(piece, settings.schools), settings);
  const seconds = recipe.siteWork.reduce(
    (sum, work) => sum + effort(work.rate, work.amount, settings).seconds,
    0,
  );
  const onSite = benchMinutes(batches.filter((batch) => batch.place === 'site'));
  return {
    benchMin: benchMinutes(batches) - onSite,
    siteMin: seconds / 60 + onSite,
    materials: new Map(materialRows(recipe.materials, settings.units).map((row) => [row.label, row])),
  };
}
