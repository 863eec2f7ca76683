import type { Compiled } from '../schedule/compiled.ts';
import { massOf } from '../structure/mass.ts';
import { type DayJob, inDay, type Turn } from './day-job.ts';
import type { Work, WorkedPiece } from './work.ts';

/** Masses nearer to each other than this share are alike. */
const ALIKE = 0.01;

interface Base {
  id: string;
  massKg: number;
  /** Bases that this one waits for, however many tasks lie between. */
  waitsFor: Set<string>;
}

/**
 * Whose turn it is first among bases that do not wait for each other: the heavier of each two, while arms are fresh and
 * the floor is free. A wish, not a wait: several people hang at the same time, and nobody stands idle for a heavy piece
 * whose carrier is not ready. Common practice, no source.
 */
export function heaviestFirst(work: readonly Work[], pieces: readonly WorkedPiece[]): Turn[] {
  const bases = basesOf(work, pieces);
  const turns: Turn[] = [];
  const listed: Base[] = [];
  const left = [...bases].sort((a, b) => b.massKg - a.massKg);
  while (left.length > 0) {
    // What waits for none that is left: with waits there is always one.
    const next = Math.max(
      0,
      left.findIndex(({ waitsFor }) => !left.some(({ id }) => waitsFor.has(id))),
    );
    const [base] = left.splice(next, 1) as [Base];
    for (const before of listed)
      if (before.massKg > base.massKg * (1 + ALIKE) && !base.waitsFor.has(before.id))
        turns.push({ heavier: before.id, lighter: base.id });
    listed.push(base);
  }
  return turns;
}

/** The first task of each piece's base, with the mass of what hangs there. */
function basesOf(work: readonly Work[], pieces: readonly WorkedPiece[]): Base[] {
  const firsts = pieces.flatMap(({ piece, recipe }) => {
    const first = work.find(({ pieceId, stage }) => pieceId === piece.id && stage === 'hang');
    return first ? [{ id: first.id, massKg: massOf(recipe).dressingKg }] : [];
  });
  const ids = new Set(firsts.map(({ id }) => id));
  const byId = new Map(work.map((one) => [one.id, one]));
  const known = new Map<string, Set<string>>();
  const waits = (id: string): Set<string> => {
    const asked = known.get(id);
    if (asked) return asked;
    const found = new Set<string>();
    known.set(id, found);
    for (const before of byId.get(id)?.after ?? []) {
      if (ids.has(before)) found.add(before);
      for (const further of waits(before)) found.add(further);
    }
    return found;
  };
  return firsts.map((base) => ({ ...base, waitsFor: waits(base.id) }));
}

/** Turns by the numbers of their tasks. */
export const turnsOf = (jobs: readonly DayJob[], { ids }: Compiled): [heavier: number, lighter: number][] =>
  jobs.flatMap(({ file, turns }) =>
    turns.map(({ heavier, lighter }): [number, number] => [
      ids.indexOf(inDay(file.job.id, heavier)),
      ids.indexOf(inDay(file.job.id, lighter)),
    ]),
  );

/** How many lighter bases are begun while a heavier one that could be is not. */
export function outOfTurn(
  turns: readonly (readonly [number, number])[],
  start: Float64Array,
  end: Float64Array,
  { before, earliest }: Compiled,
): number {
  let count = 0;
  for (const [heavier, lighter] of turns) {
    const at = start[lighter] as number;
    if (at >= (start[heavier] as number) || (earliest[heavier] as number) > at) continue;
    const isReady = (before[heavier] as Compiled['before'][number]).every(
      ({ to, min }) => (end[to] as number) + min <= at,
    );
    if (isReady) count++;
  }
  return count;
}
