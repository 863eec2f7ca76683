import type { On, Piece, Stage } from '@early-lantern/contract';
import { uponOf } from '../piece/kinds.ts';
import { isJoin } from '../support/carried.ts';
import { partOf } from '../support/parts.ts';
import { rankOf } from './stages.ts';

/** A task of a piece as the order among pieces asks about it. */
interface StagedTask {
  id: string;
  pieceId?: string | undefined;
  stage?: Stage | undefined;
  after: string[];
}

/** One task of a piece that waits for one of another piece. */
export interface PieceWait {
  first: string;
  next: string;
  /** Left out where it would make a circle: an order that practice prefers, or a carrier closed over in vain. */
  isPreferred?: boolean;
}

/**
 * The tasks of several pieces with the order among them: what is carried waits until its carrier is ready for it, what
 * closes a carrier over waits for what is tied into it, an upright garland goes up before the overhead one it is joined
 * to, an arch before the chains that hang from the same tower.
 */
export function inPieceOrder<T extends StagedTask>(tasks: readonly T[], pieces: readonly Piece[]): T[] {
  return pieceWaits(tasks, pieces).reduce<T[]>(
    (all, wait) => (wait.isPreferred && waitsFor(all, wait.first, wait.next) ? all : withWait(all, wait)),
    [...tasks],
  );
}

/** What waits for what among the tasks of several pieces: what is forced first, then what is preferred. */
export function pieceWaits(tasks: readonly StagedTask[], pieces: readonly Piece[]): PieceWait[] {
  const waits = [
    ...pieces.flatMap((piece) => carrierWaits(piece, pieces, tasks)),
    ...pieces.flatMap((piece) => joinWaits(piece, pieces, tasks)),
    ...turnWaits(pieces, tasks),
  ];
  return [
    ...waits.filter(({ isPreferred }) => !isPreferred),
    ...waits.filter(({ isPreferred }) => isPreferred),
  ];
}

function withWait<T extends StagedTask>(tasks: readonly T[], { first, next }: PieceWait): T[] {
  return tasks.map((one) =>
    one.id === next && !one.after.includes(first) ? { ...one, after: [...one.after, first] } : one,
  );
}

/** Whether a task waits for another, however many lie between. */
export function waitsFor(
  tasks: readonly { id: string; after: readonly string[] }[],
  id: string,
  other: string,
): boolean {
  const byId = new Map(tasks.map((one) => [one.id, one]));
  const asked = new Set<string>();
  const waits = (one: string): boolean => {
    if (one === other) return true;
    if (asked.has(one)) return false;
    asked.add(one);
    return (byId.get(one)?.after ?? []).some(waits);
  };
  return waits(id);
}

const ofPiece = <T extends StagedTask>(tasks: readonly T[], id: string): T[] =>
  tasks.filter(({ pieceId, stage }) => pieceId === id && stage !== undefined);

/** Tasks of a list that no other of it waits for, directly. */
function lastOf<T extends StagedTask>(tasks: readonly T[]): T[] {
  const waited = new Set(tasks.flatMap(({ after }) => after));
  return tasks.filter(({ id }) => !waited.has(id));
}

/** Tasks of a list that wait for no other of it. */
function firstOf<T extends StagedTask>(tasks: readonly T[]): T[] {
  const ids = new Set(tasks.map(({ id }) => id));
  return tasks.filter(({ after }) => !after.some((id) => ids.has(id)));
}

const every = (before: readonly StagedTask[], after: readonly StagedTask[]): PieceWait[] =>
  before.flatMap(({ id: first }) => after.map(({ id: next }) => ({ first, next })));

/** Tasks of a piece that wait for its carriers. */
const waiting = (tasks: readonly StagedTask[], piece: Piece): StagedTask[] =>
  ofPiece(tasks, piece.id).filter(({ stage }) => !uponOf(piece).ownFirst?.includes(stage as Stage));

/** What a piece waits for in its carriers, and what waits in them for it. */
function carrierWaits(piece: Piece, pieces: readonly Piece[], tasks: readonly StagedTask[]): PieceWait[] {
  const own = waiting(tasks, piece);
  const carriers: (On | null | undefined)[] = [piece.on, isJoin(piece, pieces) ? undefined : piece.alsoOn];
  return carriers.flatMap((on) => {
    const carrier = on && pieces.find(({ id }) => id === on.pieceId);
    if (!on || !carrier) return [];
    const theirs = ofPiece(tasks, carrier.id);
    const part = partOf(carrier, on.part);
    // A part that is not there is told by Holds; until then the whole carrier comes first.
    const ready = theirs.filter(({ stage }) => !part || rankOf(stage as Stage) <= rankOf(part.after));
    const from = part?.before ? closingRank(piece, own, part.before) : Infinity;
    const closing = theirs.filter(({ stage }) => rankOf(stage as Stage) >= from);
    const closed = every(lastOf(own), firstOf(closing)).map((wait) => ({ ...wait, isPreferred: true }));
    return [...every(lastOf(ready), firstOf(own)), ...closed];
  });
}

/**
 * The stage from which on a carrier waits for what is tied into it. An accent has its own place among the carrier's
 * steps: focal ones before stems and foils, those before fillers.
 */
function closingRank(piece: Piece, own: readonly StagedTask[], before: Stage): number {
  if (!uponOf(piece).hasOwnTurn) return rankOf(before);
  const last = Math.max(...own.map(({ stage }) => rankOf(stage as Stage)));
  return Math.min(rankOf(before), last + 1);
}

/** A garland joined to another: both on their own points, the upright one first, then one 260 round both ends. */
function joinWaits(piece: Piece, pieces: readonly Piece[], tasks: readonly StagedTask[]): PieceWait[] {
  if (!isJoin(piece, pieces)) return [];
  const other = pieces.find(({ id }) => id === piece.alsoOn?.pieceId);
  if (!other) return [];
  const at = (id: string, stage: Stage) => ofPiece(tasks, id).filter((one) => one.stage === stage);
  const joined = every(lastOf(at(other.id, 'hang')), firstOf(at(piece.id, 'join')));
  const [first, next] = isSteeper(piece, other) ? [piece, other] : [other, piece];
  const upright = every(lastOf(at(first.id, 'hang')), firstOf(at(next.id, 'hang')));
  return [...joined, ...upright.map((wait) => ({ ...wait, isPreferred: true }))];
}

/** Whether one garland rises more of its length than another. */
function isSteeper(one: Piece, other: Piece): boolean {
  return riseOf(one) > riseOf(other) + 1e-6;
}

function riseOf(piece: Piece): number {
  const { line } = uponOf(piece);
  const [a, b] = [line?.[0], line?.at(-1)];
  // On a pole of its own it stands upright.
  return a && b ? Math.abs(b.y - a.y) / Math.max(1e-9, Math.hypot(b.x - a.x, b.y - a.y)) : 1;
}

/** Of what ends at one carrier each has its turn: from one tower the arch goes up before the chains. */
function turnWaits(pieces: readonly Piece[], tasks: readonly StagedTask[]): PieceWait[] {
  const carriers = ({ on, alsoOn }: Piece) => [on?.pieceId, alsoOn?.pieceId].filter((id) => id !== undefined);
  const turnOf = (piece: Piece) => uponOf(piece).ends?.turn ?? 0;
  return pieces.flatMap((later) =>
    pieces
      .filter((first) => turnOf(first) > 0 && turnOf(first) < turnOf(later))
      .filter((first) => carriers(first).some((id) => carriers(later).includes(id)))
      .flatMap((first) =>
        every(lastOf(ofPiece(tasks, first.id)), firstOf(waiting(tasks, later))).map((wait) => ({
          ...wait,
          isPreferred: true,
        })),
      ),
  );
}
