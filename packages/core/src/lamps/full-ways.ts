import type { ByHand, FullPiece, JobFile, Piece } from '@early-lantern/contract';
import { fullOf } from '../looks/full.ts';
import {
  accentMoved,
  clumpSwapped,
  clusterTurned,
  edgesCovered,
  stretchWidened,
} from '../looks/hand-ways.ts';
import { type Purse, pays } from '../looks/purse.ts';
import { dealtAgain, mixOf, withMix } from '../piece/mix-of.ts';
import { sumOf } from '../quantity/group.ts';
import { formatLength } from '../quantity/length.ts';
import { listed } from '../quantity/listed.ts';
import { plural } from '../quantity/plural.ts';
import { type LookFault, lookFaults } from './look-faults.ts';

/** Dealings that are tried where colours clump, or balls of one size have come together. */
const DEALS = 6;
/** What another dealing may mend. */
const DEALT: readonly LookFault['kind'][] = ['clump', 'thin', 'bend', 'hidden'];

/** Something that may be done to a piece so that it looks right. */
interface Way {
  /** What it may mend. */
  mends: readonly LookFault['kind'][];
  /** The piece changed; undefined where that cannot be done to it, or does not help. */
  change: (file: JobFile, piece: Piece, look: FullPiece, purse: Purse) => Piece | undefined;
  /** What is done, in words, beginning with a verb. */
  says: (changed: readonly Piece[], before: JobFile) => string;
}

/** How much was done by hand to pieces that was not before: swaps and turns, clusters or single balloons. */
function doneSince(changed: readonly Piece[], { job }: JobFile): number {
  return changed.reduce((sum, piece) => {
    const before = job.pieces.find(({ id }) => id === piece.id);
    const known = (before && mixOf(before)?.byHand?.length) ?? 0;
    return sum + sumOf((mixOf(piece)?.byHand ?? []).slice(known).map(amountOf));
  }, 0);
}

function amountOf(done: ByHand): number {
  if (done.what === 'widen') return done.clusters;
  return done.what === 'edge' ? done.singles : 1;
}

const names = (pieces: readonly Piece[]) => listed(pieces.map(({ name }) => name));

/** In the order in which they are tried one on top of the other. */
export const ways: readonly Way[] = [
  {
    mends: ['foot'],
    change: (_, piece, look) => lowered(piece, look),
    says: ([first, ...more], { job, workshop }) => {
      const before = job.pieces.find(({ id }) => id === first?.id);
      return first && more.length === 0
        ? `let the foot down by ${formatLength(fallM(before, first), workshop.units)}`
        : 'let the feet down';
    },
  },
  {
    mends: ['corner'],
    change: (_, piece) =>
      piece.kind === 'organic-garland' && !piece.raisedCorners
        ? { ...piece, raisedCorners: true }
        : undefined,
    says: (changed) => `raise the corners of ${names(changed)}`,
  },
  {
    mends: ['clump'],
    change: clumpSwapped,
    says: (changed, before) =>
      `swap the colours of ${plural(doneSince(changed, before), 'pair')} of clusters`,
  },
  {
    mends: ['gap', 'string', 'hidden'],
    change: clusterTurned,
    says: (changed, before) => `turn ${plural(doneSince(changed, before), 'cluster')}`,
  },
  {
    mends: ['accents'],
    change: accentMoved,
    says: (changed) => `move an accent of ${names(changed)} to where there is none`,
  },
  {
    mends: DEALT,
    change: dealtAnew,
    says: (changed) => `deal ${plural(changed.length, 'garland')} anew`,
  },
  {
    mends: ['thin'],
    change: stretchWidened,
    says: (changed, before) => `tie in ${plural(doneSince(changed, before), 'cluster')} where it is thin`,
  },
  {
    mends: ['thin'],
    change: (_, piece) => hungFuller(piece),
    says: (changed) => `hang ${names(changed)} fuller`,
  },
  {
    mends: ['edge'],
    change: edgesCovered,
    says: (changed, before) =>
      `cover bare edges with ${plural(doneSince(changed, before), 'single balloon')}`,
  },
];

/** What the eye will find at these pieces. */
export const faultsIn = ({ workshop }: JobFile, looks: readonly FullPiece[]): LookFault[] =>
  looks.flatMap((look) => lookFaults(look, workshop));

/** A piece of the next fuller making. */
function hungFuller(piece: Piece): Piece | undefined {
  const mix = mixOf(piece);
  if (!mix || mix.fullness === 'rich') return undefined;
  return withMix(piece, { fullness: mix.fullness === 'thin' ? 'usual' : 'rich' });
}

/** A garland with the end that is to come down to the floor let down to it. */
function lowered(piece: Piece, { floorContact: foot }: FullPiece): Piece | undefined {
  if (piece.kind !== 'organic-garland' || !foot) return undefined;
  const ends = [0, piece.line.length - 1];
  const far = (i: number) =>
    Math.hypot((piece.line[i]?.xM ?? 0) - foot.xM, (piece.line[i]?.yM ?? 0) - foot.yM);
  const [end] = ends.sort((a, b) => far(a) - far(b)) as [number];
  const line = piece.line.map((point, i) =>
    i === end ? { ...point, yM: Math.max(0, Math.round((point.yM - foot.gapM) * 1000) / 1000) } : point,
  );
  return { ...piece, line };
}

/** How far an end of a garland has come down, m. */
function fallM(before: Piece | undefined, after: Piece): number {
  if (before?.kind !== 'organic-garland' || after.kind !== 'organic-garland') return 0;
  return Math.max(...before.line.map(({ yM }, i) => yM - (after.line[i]?.yM ?? yM)));
}

/** The piece dealt anew until nothing of what dealing mends is left; undefined where no deal of a few does. */
function dealtAnew(file: JobFile, piece: Piece, _: FullPiece, purse: Purse): Piece | undefined {
  const mix = mixOf(piece);
  if (!mix) return undefined;
  for (let i = 1; i <= DEALS; i++) {
    const dealt = withMix(piece, dealtAgain(mix, i));
    if (!pays(purse, dealt, file)) return undefined;
    const pieces = file.job.pieces.map((one) => (one.id === dealt.id ? dealt : one));
    const { pieces: looks } = fullOf({ ...file, job: { ...file.job, pieces } }, false);
    const own = looks.filter(({ id }) => id === dealt.id);
    if (!faultsIn(file, own).some(({ kind }) => DEALT.includes(kind))) return dealt;
  }
  return undefined;
}
