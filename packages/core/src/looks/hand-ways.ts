import type { ByHand, FullPiece, JobFile, Piece } from '@early-lantern/contract';
import { chainLength, nearestOnChain, stationsAt, type XY } from '../geometry/line.ts';
import { designOf } from '../piece/design.ts';
import { type ColouredBalloon, clustersOf } from '../piece/dressing-picture.ts';
import { mixOf, withMix } from '../piece/mix-of.ts';
import { schoolsOf } from '../piece/recipe-of.ts';
import { inchesToMetres } from '../quantity/length.ts';
import { longestFree, withAccentMoved } from './accents.ts';
import { aroundOf } from './around-of.ts';
import { seenOf } from './full.ts';
import { limitsOf } from './limits.ts';
import { lookOf } from './look-of.ts';
import { type Purse, pays } from './purse.ts';
import { settledBalls } from './settled-picture.ts';

/** Swaps and turns that are tried at one place, and how often one is made. */
const SWAPS = 8;
const TURNS_DEG = [45, 90, -45, 180];
const ROUNDS = 3;
/** More gaps than this are closed with fillers: nobody turns so many clusters. */
const GAPS_TURNED = 2;
/** More clusters than this at a place are no longer a touch: then the whole piece is hung fuller. */
const MOST_CLUSTERS = 3;
/** A piece may be changed by hand so many times. */
const MOST_BY_HAND = 60;

/** How bad a look is, and whether the change that led to it is good enough. */
type Badness = (look: FullPiece) => number;

/** A piece as it will look among the others of its job; undefined where no more may be tried. */
const looked = (file: JobFile, piece: Piece, purse: Purse): FullPiece | undefined =>
  pays(purse, piece, file)
    ? seenOf(piece, file.workshop, false, aroundOf(piece, file.job.pieces, file.workshop))?.piece
    : undefined;

/** A piece with something more done to it by hand. */
function withDone(piece: Piece, done: readonly ByHand[]): Piece | undefined {
  const mix = mixOf(piece);
  if (!mix || done.length === 0) return undefined;
  const byHand = [...(mix.byHand ?? []), ...done];
  return byHand.length > MOST_BY_HAND ? undefined : withMix(piece, { byHand });
}

/** Of several changes the first that leaves less that is bad; undefined where none does. */
function firstBetter(
  file: JobFile,
  piece: Piece,
  look: FullPiece,
  purse: Purse,
  badness: Badness,
  tries: Iterable<ByHand>,
): { piece: Piece; look: FullPiece } | undefined {
  for (const done of tries) {
    const changed = withDone(piece, [done]);
    const after = changed && looked(file, changed, purse);
    if (after && badness(after) < badness(look)) return { piece: changed, look: after };
  }
  return undefined;
}

/** Changes a piece again and again as long as it gets better. @param triesOf what may be tried, by what is seen */
function bettered(
  file: JobFile,
  piece: Piece,
  look: FullPiece,
  purse: Purse,
  badness: Badness,
  triesOf: (piece: Piece, look: FullPiece) => Iterable<ByHand>,
): Piece | undefined {
  let best: { piece: Piece; look: FullPiece } | undefined;
  for (let round = 0; round < ROUNDS; round++) {
    const from = best ?? { piece, look };
    if (badness(from.look) === 0) break;
    const next = firstBetter(file, from.piece, from.look, purse, badness, triesOf(from.piece, from.look));
    if (!next) break;
    best = next;
  }
  return best?.piece;
}

/** Two clusters change their colours, so that a clump breaks up; undefined where that helps nothing. */
export const clumpSwapped = (file: JobFile, piece: Piece, look: FullPiece, purse: Purse): Piece | undefined =>
  bettered(
    file,
    piece,
    look,
    purse,
    ({ clumps }) => clumps.reduce((sum, { balloons, usual }) => sum + balloons - usual, 0),
    (now, { clumps }) => swapsFor(file, now, clumps[0]),
  );

/** The cluster with most of a clump, against clusters out of it with least of its colour. */
function* swapsFor(
  file: JobFile,
  piece: Piece,
  clump: FullPiece['clumps'][number] | undefined,
): Generator<ByHand> {
  if (!clump) return;
  const clusters = clustersAlong(file, piece);
  const isIn = ({ xM, yM }: ColouredBalloon) =>
    Math.hypot(xM - clump.xM, yM - clump.yM) <= clump.widthM / 2 + inchesToMetres(1);
  const ofColour = (balls: readonly ColouredBalloon[]) =>
    balls.filter(({ colour }) => colour === clump.colour).length;
  const inClump = clusters
    .map((cluster) => ({ ...cluster, own: ofColour(cluster.balls.filter(isIn)) }))
    .filter(({ own }) => own > 0)
    .sort((a, b) => b.own - a.own)
    .slice(0, 2);
  for (const cluster of inClump) {
    const partners = clusters
      .filter(({ line, balls }) => line === cluster.line && !balls.some(isIn))
      .sort(
        (a, b) =>
          ofColour(a.balls) - ofColour(b.balls) || Math.abs(b.at - cluster.at) - Math.abs(a.at - cluster.at),
      )
      .slice(0, SWAPS / 2);
    for (const { at } of partners) yield { what: 'swap', line: cluster.line, at: cluster.at, with: at };
  }
}

/** The clusters of a piece with their colours where they hang, and how far along which line each is tied. */
function clustersAlong({ job, workshop }: JobFile, piece: Piece) {
  const design = designOf(piece, schoolsOf(piece, workshop.schools));
  const placement = design.placement();
  const around = aroundOf(piece, job.pieces, workshop);
  const look = lookOf(design.key, placement, limitsOf(piece, workshop), false, around);
  if (!look) return [];
  return settledBalls(placement, look).flatMap((balls, line) => {
    const { chain = [] } = placement.lines?.[line] ?? {};
    const lengthM = chainLength(chain);
    return clustersOf(balls.filter(({ role }) => role === 'base')).map((own) => ({
      line,
      balls: own,
      at: rounded(nearestOnChain(chain, { x: own[0]?.tieX ?? 0, y: own[0]?.tieY ?? 0 }).along / lengthM),
    }));
  });
}

/** A share as it is kept: to a thousandth of the line. */
const rounded = (share: number) => Math.round(Math.min(1, Math.max(0, share)) * 1000) / 1000;

/** A cluster turned where a gap is left, what it hangs on shows, or a large one hides; undefined where that mends nothing. */
export const clusterTurned = (
  file: JobFile,
  piece: Piece,
  look: FullPiece,
  purse: Purse,
): Piece | undefined =>
  look.gaps.length > GAPS_TURNED
    ? undefined
    : bettered(
        file,
        piece,
        look,
        purse,
        ({ gaps, largeHidden, limits, spineSeenM }) =>
          gaps.length + over(spineSeenM, limits.stringM) + (largeHidden?.hidden.length ?? 0),
        (now, { gaps, largeHidden }) => turnsAt(file, now, gaps[0] ?? largeHidden?.hidden[0]),
      );

const over = (value: number, limit: number) => (value >= limit ? 1 : 0);

function* turnsAt(
  file: JobFile,
  piece: Piece,
  place: { xM: number; yM: number } | undefined,
): Generator<ByHand> {
  const spot = place && alongOf(file, piece, place);
  if (spot) for (const byDeg of TURNS_DEG) yield { what: 'turn', line: spot.line, at: spot.at, byDeg };
}

/** A cluster or two more tied in where it is thinnest; undefined where a few do not make it wide enough. */
export function stretchWidened(
  file: JobFile,
  piece: Piece,
  look: FullPiece,
  purse: Purse,
): Piece | undefined {
  const { evenness, limits } = look;
  const spot = evenness && alongOf(file, piece, evenness);
  // Clusters in stretches of colour have their own places.
  if (!spot || mixOf(piece)?.stretches) return undefined;
  for (let clusters = 1; clusters <= MOST_CLUSTERS; clusters++) {
    const changed = withDone(piece, [{ what: 'widen', line: spot.line, at: spot.at, clusters }]);
    const after = changed && looked(file, changed, purse);
    if (after?.evenness && after.evenness.narrowPct >= limits.narrowPct) return changed;
  }
  return undefined;
}

/** Single balloons on dashes over every bare stretch of an edge. */
export function edgesCovered(file: JobFile, piece: Piece, { edgesOpen }: FullPiece): Piece | undefined {
  const mix = mixOf(piece);
  if (!mix) return undefined;
  const { min, max } = mix.fillers.inflatedIn;
  const acrossM = inchesToMetres((min + max) / 2);
  const done = edgesOpen.flatMap(({ lengthM, ...place }): ByHand[] => {
    const spot = alongOf(file, piece, place);
    return spot
      ? [
          {
            what: 'edge',
            line: spot.line,
            at: spot.at,
            asideM: Math.round(spot.asideM * 1000) / 1000,
            singles: Math.min(60, Math.ceil(lengthM / acrossM)),
          },
        ]
      : [];
  });
  return withDone(piece, done);
}

/** Along which line of a piece a place is, as a share of it, and how far to its left, m. */
function alongOf({ workshop }: JobFile, piece: Piece, { xM, yM }: { xM: number; yM: number }) {
  const { lines = [] } = designOf(piece, schoolsOf(piece, workshop.schools)).placement();
  const at: XY = { x: xM, y: yM };
  const nearest = lines
    .map(({ chain }, line) => ({ line, chain, ...nearestOnChain(chain, at) }))
    .sort((a, b) => a.far - b.far)[0];
  const station = nearest && stationsAt(nearest.chain, [nearest.along])[0];
  if (!nearest || !station) return undefined;
  const asideM = -station.ty * (at.x - station.x) + station.tx * (at.y - station.y);
  return { line: nearest.line, at: rounded(nearest.along / chainLength(nearest.chain)), asideM };
}

/** An accent that crowds moved to where there is none: what is attached, else a piece of its own that hangs there. */
export function accentMoved({ job, workshop }: JobFile, piece: Piece): Piece | undefined {
  const { apartTimes } = limitsOf(piece, workshop);
  const attached = withAccentMoved(piece, apartTimes);
  if (attached) return attached;
  const hanging = job.pieces.filter((one) => one.kind === 'accent' && one.on?.pieceId === piece.id);
  const [line] = designOf(piece, schoolsOf(piece, workshop.schools)).placement().lines ?? [];
  if (!line || hanging.length < 3) return undefined;
  const places = hanging.flatMap((one) =>
    one.kind === 'accent' ? [{ one, ...nearestOnChain(line.chain, { x: one.at.xM, y: one.at.yM }) }] : [],
  );
  const { middle } = longestFree(
    places.map(({ along }) => along),
    chainLength(line.chain),
  );
  const apart = (i: number) =>
    Math.min(...places.flatMap(({ along }, j) => (j === i ? [] : Math.abs(along - (places[i]?.along ?? 0)))));
  const crowded = places.reduce((best, _, i) => (apart(i) < apart(best) ? i : best), 0);
  const moved = places[crowded];
  const [from, to] = stationsAt(
    line.chain,
    [moved?.along ?? 0, middle].sort((a, b) => a - b),
  );
  if (!moved || !from || !to) return undefined;
  const [was, will] = (moved.along <= middle ? [from, to] : [to, from]) as [XY, XY];
  const { at } = moved.one;
  const shifted = (value: number, by: number) => Math.round((value + by) * 1000) / 1000;
  return {
    ...moved.one,
    at: { xM: shifted(at.xM, will.x - was.x), yM: shifted(at.yM, will.y - was.y) },
  };
}
