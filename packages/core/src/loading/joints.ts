import type { JobFile, Joint } from '@early-lantern/contract';
import { unitsFor } from '../materials/materials.ts';
import type { PipeRun } from '../piece/hardware.ts';
import { kindOf } from '../piece/kinds.ts';
import { sumOf } from '../quantity/group.ts';
import { pipeOf } from '../structure/pipes.ts';
import type { MadePiece } from './goods.ts';

/** A run of pipe is joined at the workshop only where the joined length goes into every vehicle that may carry it, and in. */
function longestMade({ workshop, job, site }: JobFile): number {
  const vehicles = workshop.vehicles.filter(({ id }) => job.vehicles?.includes(id) ?? true);
  const rooms = vehicles.map(({ loadM, cargo }) => loadM ?? cargo?.lengthM ?? 0);
  return Math.min(site.loadIn.longestM ?? Infinity, ...(rooms.length > 0 ? rooms : [0]));
}

const lengthsOf = ({ pipe, lengthM }: PipeRun): number => unitsFor(lengthM, pipeOf(pipe).stockM);

/** Whether a run of several lengths rides joined. */
export const ridesJoined = (run: PipeRun, file: JobFile): boolean =>
  lengthsOf(run) > 1 && run.lengthM <= longestMade(file);

/** Which joints of a piece stay made while it rides, and which are put together on site. */
export function jointsOf({ piece, recipe }: MadePiece, file: JobFile): Joint[] {
  const { pipes, fittings } = kindOf(piece).hardware(piece);
  const counted = (item: string) =>
    sumOf(recipe.materials.filter((row) => row.item === item).map(({ count }) => Math.ceil(count)));
  const couplings = (isMade: boolean) =>
    sumOf(pipes.filter((run) => ridesJoined(run, file) === isMade).map((run) => lengthsOf(run) - 1));
  const [bases, sections, boards] = [
    counted('weighted-base'),
    counted('pole-section'),
    counted('backing-board'),
  ];
  const joint = (one: string, more: string, count: number, staysMade: boolean, why: string): Joint[] =>
    count > 0
      ? [{ pieceId: piece.id, label: `${count} ${count === 1 ? one : more}`, count, staysMade, why }]
      : [];
  const coupled = ['coupling of its pipes', 'couplings of its pipes'] as const;
  const corners = sumOf(fittings.map(({ count }) => count));
  return [
    ...joint(...coupled, couplings(true), true, 'joined, they go into the vehicle and in'),
    ...joint(...coupled, couplings(false), false, 'the pipes ride as they are cut'),
    ...joint('tee or elbow', 'tees and elbows', corners, false, 'a frame rides flat, as its pipes'),
    ...joint(
      'screw joint of its pole',
      'screw joints of its poles',
      Math.max(0, sections - Math.max(1, bases)),
      false,
      'pole sections ride in the crate',
    ),
    ...joint(
      'pole onto its base',
      'poles onto their bases',
      bases,
      false,
      'bases ride low, poles along the floor',
    ),
    ...joint(
      'panel onto its board',
      'panels onto their boards',
      counted('panel-20'),
      false,
      'boards ride on edge, panels flat in packs',
    ),
    ...joint('column onto the stand', 'columns onto the stand', boards, false, 'the stand rides folded'),
    ...joint(
      'join between its sections',
      'joins between its sections',
      recipe.sections.length - 1,
      false,
      'each section rides in its own bag, strung as it is',
    ),
  ];
}
