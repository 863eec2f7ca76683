import type { Change, Fix, FullPiece, JobFile, Piece, Plan } from '@early-lantern/contract';
import { fullOf } from '../looks/full.ts';
import { fullPurse, type Purse, pays } from '../looks/purse.ts';
import { withFillersNeeded } from '../looks/take-fillers.ts';
import { listed } from '../quantity/listed.ts';
import { plural } from '../quantity/plural.ts';
import { applyChanges } from './fixes.ts';
import { fullLamp } from './full.ts';
import { faultsIn, ways } from './full-ways.ts';

/** A change of some pieces, and what is done in words. */
interface Step {
  label: string;
  pieces: Piece[];
}

type LengthOf = (id: string) => number;

/**
 * Fillers for what gapes, and each way to mend what else there is, tried by itself; and all of them one on top of the other,
 * first.
 */
export function fullFixes(file: JobFile, { lamps, full, pieces }: Plan): Fix[] {
  if (lamps.full.state !== 'low' && lamps.full.state !== 'out') return [];
  const lengthOf: LengthOf = (id) => pieces.find((one) => one.id === id)?.lengthM ?? 0;
  const faults = faultsIn(file, full.pieces).length;
  const purse = fullPurse();
  const alone = [filled(file, lengthOf), ...ways.map((way) => stepOf(file, way, lengthOf, purse))];
  const single = alone.filter((step) => step !== undefined);
  // Where one way mends it all, all of them together are that one.
  const all = single.length > 1 ? allOf(file, lengthOf, fullPurse()) : undefined;
  const others = single.filter(({ label }) => label !== all?.label);
  const steps = all ? [all, ...others] : others;
  return steps.flatMap((step): Fix[] => {
    const changes = changesTo(file, step);
    const after = applyChanges(file, changes);
    if (!step.pieces.every((piece) => pays(purse, piece, file))) return [];
    const look = fullOf(after, false);
    // It is offered where less is left to look at.
    if (faultsIn(after, look.pieces).length >= faults) return [];
    const label = step.label.charAt(0).toUpperCase() + step.label.slice(1);
    return [{ label, gain: fullLamp(after, look).figure, changes }];
  });
}

/** A way gone on every piece that it may mend; undefined where it changes none. */
function stepOf(
  file: JobFile,
  way: (typeof ways)[number],
  lengthOf: LengthOf,
  purse: Purse,
): Step | undefined {
  const looks = fullOf(file, false).pieces;
  const faulty = new Set(
    faultsIn(file, looks)
      .filter(({ kind }) => way.mends.includes(kind))
      .map(({ pieceId }) => pieceId),
  );
  const changed = file.job.pieces.flatMap((piece) => {
    const look = looks.find(({ id }) => id === piece.id);
    return (look && faulty.has(piece.id) && way.change(file, piece, look, purse)) || [];
  });
  return changed.length > 0
    ? {
        label: way.says(changed, file),
        pieces: changed.map((piece) => closedAsBefore(file, looks, piece, lengthOf, purse)),
      }
    : undefined;
}

/** All ways one after the other, each on what the ones before it have left, and fillers for what gapes then. */
function allOf(file: JobFile, lengthOf: LengthOf, purse: Purse): Step {
  let now = file;
  const steps: Step[] = [];
  let isSpent = false;
  const take = (step: Step | undefined) => {
    if (!step) return;
    // What is changed is looked at again before the next way is gone.
    isSpent = !step.pieces.every((piece) => pays(purse, piece, now));
    steps.push(step);
    now = applyChanges(now, changesTo(now, step));
  };
  for (const way of ways) if (!isSpent) take(stepOf(now, way, lengthOf, purse));
  if (!isSpent) take(filled(now, lengthOf));
  const changed = new Set(steps.flatMap(({ pieces }) => pieces.map(({ id }) => id)));
  return {
    label: listed(steps.map(({ label }) => label)),
    pieces: now.job.pieces.filter(({ id }) => changed.has(id)),
  };
}

const changesTo = ({ job }: JobFile, { pieces }: Step): Change[] =>
  pieces.map((piece) => ({
    path: `/job/pieces/${job.pieces.findIndex(({ id }) => id === piece.id)}`,
    value: piece,
  }));

/** As many fillers as close every gap, on each piece that lacks some. */
function filled(file: JobFile, lengthOf: LengthOf): Step | undefined {
  const lacking = fullOf(file, false).pieces.filter(({ fillers }) => fillers.needed > fillers.counted);
  const pieces = lacking.flatMap(({ id, fillers }) => {
    const piece = file.job.pieces.find((one) => one.id === id);
    return (piece && withFillersNeeded(piece, lengthOf(id), fillers)) ?? [];
  });
  const more = lacking.reduce((sum, { fillers }) => sum + fillers.needed - fillers.counted, 0);
  return pieces.length > 0 ? { label: `take ${plural(more, 'filler')} more`, pieces } : undefined;
}

/** A piece that has moved, with fillers for the gaps that it did not have before. */
function closedAsBefore(
  file: JobFile,
  were: readonly FullPiece[],
  piece: Piece,
  lengthOf: LengthOf,
  purse: Purse,
): Piece {
  const before = were.find(({ id }) => id === piece.id)?.fillers;
  if (before && before.needed > before.counted) return piece;
  if (!pays(purse, piece, file)) return piece;
  const pieces = file.job.pieces.map((one) => (one.id === piece.id ? piece : one));
  const looks = fullOf({ ...file, job: { ...file.job, pieces } }, false).pieces;
  const after = looks.find(({ id }) => id === piece.id)?.fillers;
  return (after && withFillersNeeded(piece, lengthOf(piece.id), after)) ?? piece;
}
