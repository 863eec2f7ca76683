import type { Clearance, JobFile, Piece, Section } from '@early-lantern/contract';
import type { RigidPart } from '../piece/hardware.ts';
import { kindOf } from '../piece/kinds.ts';
import { formatLength } from '../quantity/length.ts';
import { pipePartsOf } from '../structure/pipe-parts.ts';

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
 * the narrowest doors there and at the workshop; of its sections the widest, pressed together, has to go through those too,
 * and the longest round the tightest corner. What has not been
 * measured is told, not judged.
 * @param squeeze share of its volume that a bag may be pressed together by
 */
export function clearancesOf(
  piece: Piece,
  sections: readonly Section[],
  squeeze: number,
  { site, workshop }: JobFile,
): Clearance[] {
  const loads = workshop.vehicles.flatMap(({ loadM, cargo }) => loadM ?? cargo?.lengthM ?? []);
  const vehicleM = loads.length ? Math.max(...loads) : null;
  const own = { pieceId: piece.id, piece: piece.name };
  const doors = [
    { through: 'the narrowest door', hasM: site.loadIn.doorM ?? null },
    // In their own house most know it by heart: told only where it was measured.
    ...(workshop.doorM === undefined ? [] : [{ through: 'the workshop’s door', hasM: workshop.doorM }]),
  ];
  const strung = sections.filter(({ pieceId }) => pieceId === piece.id);
  const widest = Math.max(0, ...strung.map(({ diameterM }) => diameterM));
  const longest = Math.max(0, ...strung.map(({ fromM, toM }) => toM - fromM));
  return [
    ...rigidPartsOf(piece).flatMap(({ thing, lengthM, edgeM }): Clearance[] => [
      { ...own, thing, through: 'the longest vehicle', needsM: lengthM, hasM: vehicleM },
      { ...own, thing, through: 'the way in', needsM: lengthM, hasM: site.loadIn.longestM ?? null },
      ...(edgeM === undefined ? [] : doors.map((door) => ({ ...own, thing, needsM: edgeM, ...door }))),
    ]),
    ...(widest > 0
      ? doors.map((door) => ({
          ...own,
          thing: 'widest section, squeezed',
          needsM: widest * Math.sqrt(1 - squeeze),
          ...door,
        }))
      : []),
    // A section bends, and gives as much as its bag: told only where somebody has measured the tightest corner.
    ...(longest > 0 && site.loadIn.longestM !== undefined
      ? [
          {
            ...own,
            thing: 'longest section, squeezed',
            through: 'the way in',
            needsM: longest * (1 - squeeze),
            hasM: site.loadIn.longestM,
          },
        ]
      : []),
  ];
}

/** A hair of what two people measured may differ, m. */
const HAIR_M = 0.001;

/** Whether a part goes through what was measured. */
export const goesThrough = ({ needsM, hasM }: Pick<Clearance, 'needsM' | 'hasM'>): boolean =>
  hasM === null || needsM <= hasM + HAIR_M;

/** The parts that are too long or wide for what they have to go through, a sentence each. */
export const stuckOf = (clearances: readonly Clearance[], { workshop: { units } }: JobFile): string[] =>
  clearances
    .filter((one) => !goesThrough(one))
    .map(
      ({ piece, thing, through, needsM, hasM }) =>
        `${piece}: its ${thing} of ${formatLength(needsM, units)} does not go through or into ${through}, ${formatLength(hasM as number, units)}.`,
    );
