import type { Change, Fix, FullPiece, JobFile, Piece, Plan } from '@early-lantern/contract';
import { fullOf } from '../looks/full.ts';
import { withFillersNeeded } from '../looks/take-fillers.ts';
import { mixOf, withMix } from '../piece/mix-of.ts';
import { formatLength } from '../quantity/length.ts';
import { listed } from '../quantity/listed.ts';
import { plural } from '../quantity/plural.ts';
import { applyChanges } from './fixes.ts';
import { fullLamp } from './full.ts';
import { type LookFault, lookFaults } from './look-faults.ts';

/** Dealings that are tried where colours clump, or balls of one size have come together. */
const DEALS = 6;
/** What another dealing may mend. */
const DEALT: readonly LookFault['kind'][] = ['clump', 'thin', 'bend'];

/** Fillers for what gapes, a foot let down to the floor, colours dealt anew: each tried, and all of them together. */
export function fullFixes(file: JobFile, { lamps, full, pieces }: Plan): Fix[] {
  if (lamps.full.state !== 'low' && lamps.full.state !== 'out') return [];
  const faults = faultsIn(file, full.pieces);
  const lengthOf = (id: string) => pieces.find((one) => one.id === id)?.lengthM ?? 0;
  const lowered = [...new Set(of(faults, ['foot']))].flatMap(
    (id) => loweredPiece(file, full.pieces, id) ?? [],
  );
  const dealt = [...new Set(of(faults, DEALT))].flatMap((id) => dealtAnew(file, id) ?? []);
  const [foot] = lowered;
  const down =
    foot && lowered.length === 1
      ? `the foot down by ${formatLength(foot.byM, file.workshop.units)}`
      : 'the feet down';
  const asClosed = (pieces: Piece[]) =>
    pieces.map((piece) => closedAsBefore(file, full.pieces, piece, lengthOf));
  const lower: Step | undefined = foot && {
    label: `let ${down}`,
    pieces: asClosed(lowered.map(({ piece }) => piece)),
  };
  const deal: Step | undefined =
    dealt.length > 0
      ? { label: `deal ${plural(dealt.length, 'garland')} anew`, pieces: asClosed(dealt) }
      : undefined;
  const steps = [lower, deal].filter((one) => one !== undefined);
  const alone = [filled(file, lengthOf), ...steps].filter((one) => one !== undefined);
  const moved = applyChanges(
    file,
    steps.flatMap((step) => changesTo(file, step)),
  );
  const both = steps.length > 0 ? together(steps, filled(moved, lengthOf)) : undefined;
  return [...(both && alone.length > 1 ? [both] : []), ...alone].flatMap((step): Fix[] => {
    const changes = changesTo(file, step);
    const after = applyChanges(file, changes);
    const look = fullOf(after, false);
    // It is offered where less is left to look at.
    if (faultsIn(after, look.pieces).length >= faults.length) return [];
    const label = step.label.charAt(0).toUpperCase() + step.label.slice(1);
    return [{ label, gain: fullLamp(after, look).figure, changes }];
  });
}

/** A change of some pieces, and what is done in words. */
interface Step {
  label: string;
  pieces: Piece[];
}

const of = (faults: readonly LookFault[], kinds: readonly LookFault['kind'][]): string[] =>
  faults.filter(({ kind }) => kinds.includes(kind)).map(({ pieceId }) => pieceId);

const faultsIn = ({ workshop }: JobFile, looks: readonly FullPiece[]): LookFault[] =>
  looks.flatMap((look) => lookFaults(look, workshop));

const changesTo = ({ job }: JobFile, { pieces }: Step): Change[] =>
  pieces.map((piece) => ({
    path: `/job/pieces/${job.pieces.findIndex(({ id }) => id === piece.id)}`,
    value: piece,
  }));

/** Of a piece changed twice the later one: it was made from the earlier. */
function together(steps: readonly Step[], last: Step | undefined): Step {
  const all = last ? [...steps, last] : steps;
  const pieces = new Map(all.flatMap((step) => step.pieces.map((piece) => [piece.id, piece])));
  return { label: listed(all.map(({ label }) => label)), pieces: [...pieces.values()] };
}

/** As many fillers as close every gap, on each piece that lacks some. */
function filled(file: JobFile, lengthOf: (id: string) => number): Step | undefined {
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
  looks: readonly FullPiece[],
  piece: Piece,
  lengthOf: (id: string) => number,
): Piece {
  const before = looks.find(({ id }) => id === piece.id)?.fillers;
  if (before && before.needed > before.counted) return piece;
  const alone = { ...file, job: { ...file.job, pieces: [piece] } };
  const after = fullOf(alone, false).pieces[0]?.fillers;
  return (after && withFillersNeeded(piece, lengthOf(piece.id), after)) ?? piece;
}

/** A garland with the end that is to come down to the floor let down to it. */
function loweredPiece(
  { job }: JobFile,
  looks: readonly FullPiece[],
  id: string,
): { piece: Piece; byM: number } | undefined {
  const piece = job.pieces.find((one) => one.id === id);
  const foot = looks.find((one) => one.id === id)?.floorContact;
  if (piece?.kind !== 'organic-garland' || !foot) return undefined;
  const ends = [0, piece.line.length - 1];
  const far = (i: number) =>
    Math.hypot((piece.line[i]?.xM ?? 0) - foot.xM, (piece.line[i]?.yM ?? 0) - foot.yM);
  const [end] = ends.sort((a, b) => far(a) - far(b)) as [number];
  const line = piece.line.map((point, i) =>
    i === end ? { ...point, yM: Math.max(0, Math.round((point.yM - foot.gapM) * 1000) / 1000) } : point,
  );
  return { piece: { ...piece, line }, byM: foot.gapM };
}

/** The piece dealt anew until nothing of what dealing mends is left; undefined where no deal of a few does. */
function dealtAnew(file: JobFile, id: string): Piece | undefined {
  const piece = file.job.pieces.find((one) => one.id === id);
  const mix = piece && mixOf(piece);
  if (!piece || !mix) return undefined;
  for (let i = 1; i <= DEALS; i++) {
    const dealt = withMix(piece, { seed: (mix.seed + i) % 2 ** 31 });
    const alone = { ...file, job: { ...file.job, pieces: [dealt] } };
    const faults = faultsIn(alone, fullOf(alone, false).pieces);
    if (!faults.some(({ kind }) => DEALT.includes(kind))) return dealt;
  }
  return undefined;
}
