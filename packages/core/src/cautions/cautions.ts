import type { Caution, Holds, JobFile, Piece, Task } from '@early-lantern/contract';
import { traitsOf } from '../piece/kinds.ts';
import data from './cautions.json';

/** Bases heavier than this, with what is put on them, are lifted by two, kg. From memory, an editable default. */
const HEAVY_KG = 20;

interface Found {
  file: JobFile;
  holds: Holds;
}

/** Where a caution applies: ids of pieces and tasks, or `job` for all of it; nothing where it does not. */
type Applies = (found: Found) => string[];

const JOB = ['job'];
const when = (applies: boolean): string[] => (applies ? JOB : []);

const isOut = ({ file: { site } }: Found, piece: Piece) =>
  !(site.spots.find((spot) => spot.id === piece.spotId)?.indoors ?? site.indoors);

const outside = (found: Found) => found.file.job.pieces.filter((piece) => isOut(found, piece));

const ids = (things: readonly { id: string }[]) => things.map((one) => one.id);

const keptClearOf = ({ file }: Found, kinds: readonly string[]): string[] => {
  const spots = new Set(
    file.site.spots
      .filter((spot) => (spot.keepClear ?? []).some((zone) => kinds.includes(zone.kind)))
      .map((spot) => spot.id),
  );
  return ids(file.job.pieces.filter((piece) => spots.has(piece.spotId)));
};

const balloonsOf = (piece: Piece) => traitsOf(piece).balloons;

/** Helium goes into latex too. */
const hasLatex = (piece: Piece) => balloonsOf(piece) === 'latex' || balloonsOf(piece) === 'helium';

const rules: Record<string, Applies> = {
  ladder: ({ holds }) => ids(holds.pieces.filter(({ points }) => points.some((point) => point.ladder))),
  'frame-first': ({ holds }) => ids(holds.pieces.filter(({ cases }) => cases.length > 0)),
  'frame-in-wind': (found) => {
    const standing = new Set(ids(found.holds.pieces.filter(({ cases }) => cases.length > 0)));
    return ids(outside(found).filter((piece) => standing.has(piece.id)));
  },
  'no-certificate': ({ holds }) =>
    when(holds.pieces.some(({ cases, points }) => cases.length + points.length > 0)),
  exits: (found) => keptClearOf(found, ['exit', 'sign', 'extinguisher', 'alarm', 'walkway']),
  sprinklers: (found) => keptClearOf(found, ['sprinkler']),
  flame: (found) => keptClearOf(found, ['heater', 'candle']),
  children: ({ file }) => when(file.job.pieces.some(hasLatex)),
  latex: ({ file }) => when(file.job.pieces.some(hasLatex)),
  helium: ({ file }) => ids(file.job.pieces.filter((piece) => balloonsOf(piece) === 'helium')),
  foil: ({ file }) =>
    ids(
      file.job.pieces.filter(
        (piece) => balloonsOf(piece) === 'foil' || piece.attachments?.some(({ what }) => what === 'foil'),
      ),
    ),
  outdoors: (found) => ids(outside(found).filter(hasLatex)),
  'outdoor-power': (found) => when(outside(found).some(hasLatex)),
  lifting: ({ file, holds }) => [
    ...ids(holds.pieces.filter(({ ballastKg }) => ballastKg.some((kg) => kg > HEAVY_KG))),
    ...ids(file.job.pieces.filter((piece) => traitsOf(piece).isLifted)),
  ],
  driving: () => [],
  trailer: () => [],
  stakes: ({ holds }) =>
    ids(holds.pieces.filter(({ tieLines }) => tieLines.some((line) => line.anchor === 'a stake'))),
  overhead: ({ holds }) =>
    ids(holds.pieces.filter(({ points }) => points.some((point) => point.spotXYM.yM > 2))),
  adhesive: ({ holds }) =>
    ids(holds.pieces.filter(({ points }) => points.some((point) => point.method === 'adhesive-hook'))),
};

/** What is cautioned of at a task besides what the work itself says: by its step or stage in putting a piece up. */
const atTasks: Record<string, (task: Task) => boolean> = {
  'frame-in-wind': ({ stage, step }) => stage === 'frame' || step === 'tie-lines',
  stakes: ({ step }) => step === 'tie-lines',
  overhead: ({ stage, step }) => stage === 'hang' || step === 'hooks' || step === 'loops',
  adhesive: ({ step }) => step === 'hooks',
  helium: ({ step }) => step === 'place' || step === 'bag',
  foil: ({ stage }) => stage === 'stem' || stage === 'accent',
};

/** A caution that applies to a piece applies to those of its tasks at which it matters. */
function tasksOf(code: string, pieces: readonly string[], tasks: readonly Task[]): string[] {
  const matters = atTasks[code];
  const ofPieces = tasks.filter(
    (task) => matters?.(task) && task.pieceId !== undefined && pieces.includes(task.pieceId),
  );
  return ids([...ofPieces, ...tasks.filter((task) => task.cautions.includes(code))]);
}

/** The cautions that apply to this job, in the order of the catalogue, each where it does and with who decides. */
export function cautionsOf(file: JobFile, holds: Holds, tasks: readonly Task[]): Caution[] {
  const found = { file, holds };
  return data.flatMap((one) => {
    const pieces = rules[one.code]?.(found) ?? [];
    const where = [...new Set([...pieces, ...tasksOf(one.code, pieces, tasks)])];
    return where.length ? [{ ...one, where }] : [];
  });
}
