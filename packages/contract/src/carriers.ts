import { z } from 'zod';
import { On } from './piece/carried.ts';
import type { Breach } from './rules.ts';
import { Id } from './scalars.ts';

/** Of a piece, what says who carries it; all that the rules below read. */
export const Carried = z.object({
  id: Id,
  spotId: Id,
  on: On.nullable().optional(),
  alsoOn: On.optional(),
});
type Carried = z.infer<typeof Carried>;

/** The pieces that carry a piece: none, one or two. */
export const carrierIds = ({ on, alsoOn }: Pick<Carried, 'on' | 'alsoOn'>): string[] => [
  ...(on ? [on.pieceId] : []),
  ...(alsoOn ? [alsoOn.pieceId] : []),
];

/** Carriers that are not there, stand on another spot, or hang on what they carry. */
export function carrierBreaches(pieces: readonly Carried[]): Breach[] {
  const byId = new Map(pieces.map((piece) => [piece.id, piece]));
  return pieces.flatMap((piece, index) =>
    (['on', 'alsoOn'] as const).flatMap((key): Breach[] => {
      const on = piece[key];
      if (!on) return [];
      const path = ['pieces', index, key, 'pieceId'];
      const carrier = byId.get(on.pieceId);
      if (!carrier) return [{ path, reason: `no piece "${on.pieceId}" in this job` }];
      if (carrier.spotId !== piece.spotId)
        return [{ path, reason: `"${on.pieceId}" stands on another spot` }];
      return hangsOn(byId, on.pieceId, piece.id)
        ? [{ path, reason: `"${on.pieceId}" itself hangs on "${piece.id}"` }]
        : [];
    }),
  );
}

/** Whether a piece is, or hangs on, another one, however many pieces lie between. */
export function hangsOn(byId: ReadonlyMap<string, Carried>, id: string, carrier: string): boolean {
  const seen = new Set<string>();
  const reaches = (one: string): boolean => {
    if (one === carrier) return true;
    if (seen.has(one)) return false;
    seen.add(one);
    return carrierIds(byId.get(one) ?? {}).some(reaches);
  };
  return reaches(id);
}
