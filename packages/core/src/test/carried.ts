import type { JobFile, Piece, PieceKind, PieceOf, Spot, WeatherHour } from '@early-lantern/contract';
import type { Place } from '../fixing/methods.ts';
import { newPiece } from '../piece/new-piece.ts';
import { METRES_PER_FOOT } from '../quantity/length.ts';
import { demoJob } from './samples.ts';

const FT = METRES_PER_FOOT;

/** A bare wall and floor of a hall, nothing to tie to. */
export const hall: Spot = {
  id: 'hall',
  name: 'Hall',
  kind: 'open-floor',
  widthM: 12,
  heightM: 4,
  surface: 'painted',
  floor: 'carpet',
  fixings: [],
  keepClear: [],
};

/** A piece of a kind as it begins, changed. */
export function made<K extends PieceKind>(kind: K, id: string, more: Partial<PieceOf<K>> = {}): PieceOf<K> {
  const colours = ['lagoon', 'chalk', 'oat'];
  const piece = newPiece(kind, { id, name: id, spot: hall, colours, seed: 1 });
  return { ...piece, ...more } as PieceOf<K>;
}

/** A job in the hall with these pieces: two people, the house open three hours before doors. */
export function jobOf(pieces: readonly Piece[], edit: (file: JobFile) => void = () => {}): JobFile {
  const file = structuredClone(demoJob('02-engine-shed'));
  file.site.spots = [hall];
  file.site.indoors = true;
  file.job.crew = ['wren', 'ilo'];
  file.job.access.from = '2027-06-19T13:00:00-05:00';
  delete file.job.arrival;
  file.job.pieces = [...pieces];
  edit(file);
  return file;
}

/** A 15 ft garland in two halves on a curtain stand, joined at the corner, with an accent in the overhead one. */
export function curtainStand(): Piece[] {
  const [left, top] = [3, 8 * FT];
  const stand = made('backdrop', 'stand', { at: { xM: left + 1.5, yM: 0 }, widthM: 3, heightM: top });
  const upright = made('organic-garland', 'upright-half', {
    line: [
      { xM: left, yM: 0.15 },
      { xM: left, yM: top - 0.1 },
    ],
    sections: 1,
    on: { pieceId: 'stand', part: 'upright' },
  });
  const overhead = made('organic-garland', 'overhead-half', {
    line: [
      { xM: left, yM: top },
      { xM: left + 2.2, yM: top },
    ],
    sections: 1,
    on: { pieceId: 'stand', part: 'top-bar' },
    alsoOn: { pieceId: 'upright-half', part: 'end' },
  });
  const accent = made('accent', 'big-round', {
    at: { xM: left + 0.4, yM: top - 0.2 },
    on: { pieceId: 'overhead-half', part: 'body' },
  });
  // As somebody adds them who thinks of the garland first.
  return [accent, overhead, upright, stand];
}

/** Two towers with an arch and two chains between them. */
export function towersWithArch(): Piece[] {
  const tower = (id: string, xM: number) => made('tower', id, { at: { xM, yM: 0 } });
  const [left, right] = [tower('left-tower', 4), tower('right-tower', 4 + 81 * 0.0254)];
  const onLeft = { pieceId: 'left-tower', part: 'layer' as const };
  const onRight = { pieceId: 'right-tower', part: 'layer' as const };
  const arch = made('pair-arch', 'arch', {
    at: { xM: 4 + 40.5 * 0.0254, yM: 1.6 },
    on: onLeft,
    alsoOn: onRight,
  });
  const chain = (id: string, on: typeof onLeft, fromM: number, toM: number) =>
    made('chain', id, { from: { xM: fromM, yM: 1.4 }, to: { xM: toM, yM: 0.1 }, bases: 1, on });
  return [
    chain('left-chain', onLeft, 4, 2.8),
    chain('right-chain', onRight, 4 + 81 * 0.0254, 7.3),
    arch,
    left,
    right,
  ];
}

/** A bouquet of helium balloons. */
export function heliumBouquet(id: string): PieceOf<'accent'> {
  const balloon = { nominalIn: 11, inflatedIn: 10.5 };
  const look = {
    what: 'helium' as const,
    balloon,
    colours: ['chalk'],
    balloonsEach: 5,
    ribbonM: 1,
    weightG: 100,
  };
  return { ...made('accent', id), look };
}

/** A painted wall indoors to fix something to, changed. */
export const paintedPlace = (more: Partial<Place> = {}): Place => ({
  surface: 'painted',
  isOverhead: false,
  isOutdoors: false,
  conditions: [],
  forbids: [],
  ...more,
});

/** An hour of a forecast, hardly any wind. */
export const weatherHour = (ms: number, tempC: number, cloudPct: number): WeatherHour => ({
  at: new Date(ms).toISOString(),
  tempC,
  humidityPct: 50,
  cloudPct,
  windMs: 1,
  gustMs: 2,
  rainMm: 0,
});
