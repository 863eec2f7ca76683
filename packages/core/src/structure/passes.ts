import type { JobFile, Pass, Piece } from '@early-lantern/contract';
import { inchesToMetres } from '../quantity/length.ts';
import { pipePartsOf } from './pipe-parts.ts';

/** A part that does not bend or come apart: its length, and what of it has to go through a door on edge, m. */
interface Rigid {
  thing: string;
  lengthM: number;
  edgeM?: number;
}

/** Sections of a backdrop stand's crossbar push together to this, m. From memory, an editable default. */
const CROSSBAR_M = 1.2;
/** A rigid pole comes in lengths that screw together, m. From memory, an editable default. */
const POLE_M = 2.4;

/** The longest rigid parts of a piece: pipes as cut, poles, boards, signs. */
function rigidPartsOf(piece: Piece): Rigid[] {
  const pipes = pipePartsOf(piece).map((part) => part.lengthM);
  if (pipes.length) return [{ thing: 'pipe', lengthM: Math.max(...pipes) }];
  switch (piece.kind) {
    case 'panel-wall': {
      const side = inchesToMetres(piece.panelIn);
      return [{ thing: 'backing board', lengthM: piece.rows * side, edgeM: side }];
    }
    case 'backdrop': {
      const { what, widthM, heightM, unitWidthM } = piece;
      if (what === 'boards') return [board('board', unitWidthM, heightM)];
      if (what === 'sign') return [board('sign', widthM, heightM)];
      return [{ thing: 'crossbar', lengthM: Math.min(widthM, CROSSBAR_M) }];
    }
    case 'packed-column':
    case 'square-column':
      return [{ thing: 'pole', lengthM: Math.min(piece.heightM, POLE_M) }];
    case 'standing-garland':
      return [{ thing: 'pole', lengthM: Math.min(piece.poleM, POLE_M) }];
    default:
      return [];
  }
}

const board = (thing: string, a: number, b: number): Rigid => ({
  thing,
  lengthM: Math.max(a, b),
  edgeM: Math.min(a, b),
});

/**
 * What rigid parts of a piece have to go through: the vehicle that takes the longest thing, the way in, and on edge
 * the narrowest door. What has not been measured is told, not judged.
 */
export function passesOf(piece: Piece, { site, workshop }: JobFile): Pass[] {
  const loads = workshop.vehicles.flatMap(({ loadM }) => (loadM === undefined ? [] : [loadM]));
  const vehicleM = loads.length ? Math.max(...loads) : null;
  return rigidPartsOf(piece).flatMap(({ thing, lengthM, edgeM }): Pass[] => [
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
export const goesThrough = ({ needsM, hasM }: Pass): boolean => hasM === null || needsM <= hasM + HAIR_M;
