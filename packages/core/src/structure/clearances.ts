import type { Clearance, JobFile, Piece } from '@early-lantern/contract';
import type { RigidPart } from '../piece/hardware.ts';
import { kindOf } from '../piece/kinds.ts';
import { pipePartsOf } from './pipe-parts.ts';

/** The longest stiff parts of a piece: pipes as cut, poles, boards, signs. */
function rigidPartsOf(piece: Piece): RigidPart[] {
  const pipes = pipePartsOf(piece).map((part) => part.lengthM);
  return [
    ...(pipes.length ? [{ thing: 'pipe', lengthM: Math.max(...pipes) }] : []),
    ...kindOf(piece).hardware(piece).rigid,
  ];
}

/**
 * What rigid parts of a piece have to go through: the vehicle that takes the longest thing, the way in, and on edge
 * the narrowest door. What has not been measured is told, not judged.
 */
export function clearancesOf(piece: Piece, { site, workshop }: JobFile): Clearance[] {
  const loads = workshop.vehicles.flatMap(({ loadM }) => (loadM === undefined ? [] : [loadM]));
  const vehicleM = loads.length ? Math.max(...loads) : null;
  return rigidPartsOf(piece).flatMap(({ thing, lengthM, edgeM }): Clearance[] => [
    { thing, through: 'the longest vehicle', needsM: lengthM, hasM: vehicleM },
    { thing, through: 'the way in', needsM: lengthM, hasM: site.loadIn.longestM ?? null },
    ...(edgeM === undefined
      ? []
      : [{ thing, through: 'the narrowest door', needsM: edgeM, hasM: site.loadIn.doorM ?? null }]),
  ]);
}

/** A hair of what two people measured may differ, m. */
const HAIR_M = 0.001;

/** Whether a part goes through what was measured. */
export const goesThrough = ({ needsM, hasM }: Clearance): boolean => hasM === null || needsM <= hasM + HAIR_M;
