import type { HoldRules, JobFile, MethodId, On, PieceOf, Spot } from '@early-lantern/contract';
import { depthOf } from '../support/carried.ts';
import type { Candidate } from './choose-points.ts';
import type { GarlandLine } from './garland-line.ts';
import { bestMethod, type Place, ratingAt, refusal } from './methods.ts';
import { placeOnParts } from './on-parts.ts';
import { intrusion, placeAt } from './place.ts';

/** Candidates stand this far apart, m. */
export const GRID_M = 0.15;

/** A garland to be hung, where and by which rules. */
export interface Asked {
  piece: PieceOf<'organic-garland'>;
  spot: Spot;
  file: JobFile;
  rules: HoldRules;
  line: GarlandLine;
}

/** A candidate with its place and method. */
export interface Placed {
  id: string;
  candidate: Candidate;
  method: MethodId;
  place: Place & { fixingId?: string; on?: On };
}

/** Points set by hand that are nearer together than this are one, m. */
const ONE_POINT_M = 0.01;

/** Of things along a line those that are not at the place of one before them. */
function apart<T>(things: readonly T[], alongM: (one: T) => number): T[] {
  const kept: T[] = [];
  for (const one of things)
    if (kept.every((other) => Math.abs(alongM(other) - alongM(one)) >= ONE_POINT_M)) kept.push(one);
  return kept;
}

/** Where the section can be fixed: an even grid, as far as a method is allowed there; and what is locked by hand. */
export function candidatesOf(asked: Asked, fromM: number, toM: number, wantedN: number): Placed[] {
  const { piece, spot, file, line } = asked;
  const lastM = piece.hold?.points?.length ? line.lengthM : 0;
  const set = apart(piece.hold?.points ?? [], (one) => one.at * line.lengthM);
  const locked = set.flatMap(({ id, at, method }): Placed[] => {
    const along = at * line.lengthM;
    if (along < fromM || along > toM || (along === toM && toM < lastM)) return [];
    const place = placeOf(asked, along) ?? placeAt(spot, file.site, line.at(along));
    const chosen = method ?? bestMethod(place, file.workshop, wantedN)?.method ?? 'tie';
    // A point that may not be is kept, with nothing to hold by: the lamp says so.
    const ratingN = refusal(chosen, place) ? 0 : ratingAt(chosen, place, file.workshop);
    return [{ id, method: chosen, place, candidate: { atM: along - fromM, ratingN, isLocked: true } }];
  });
  const count = Math.max(1, Math.round((toM - fromM) / GRID_M));
  const outM = depthOf(piece, file.job.pieces);
  const out = { from: outM, to: outM };
  const free = Array.from({ length: count + 1 }, (_, i) => (i * (toM - fromM)) / count).flatMap(
    (atM): Placed[] => {
      const along = fromM + atM;
      if (locked.some((one) => Math.abs(one.candidate.atM - atM) < GRID_M / 2)) return [];
      const { xM, yM } = line.at(along);
      if ((spot.keepClear ?? []).some((zone) => intrusion(zone, { xM, yM }, 0.05, out) > 0)) return [];
      const place = placeOf(asked, along);
      const best = place && bestMethod(place, file.workshop, wantedN);
      if (!best) return [];
      const id = `p${Math.round(along * 1000)}`;
      return [{ id, method: best.method, place, candidate: { atM, ratingN: best.ratingN, isLocked: false } }];
    },
  );
  return [...locked, ...free].sort((a, b) => a.candidate.atM - b.candidate.atM);
}

/** On a piece, its parts are what there is; on a spot, its surfaces and fixings. */
export const placeOf = ({ piece, spot, file, line }: Asked, along: number): Placed['place'] | undefined => {
  const at = line.at(along);
  if (piece.on) return placeOnParts(piece, file, { x: at.xM, y: at.yM }, spot);
  return placeAt(spot, file.site, at);
};
