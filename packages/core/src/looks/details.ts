import type { FullPiece, LookLimits, Piece, Workshop } from '@early-lantern/contract';
import { chainLength, nearestOnChain, type XY } from '../geometry/line.ts';
import { mixOf } from '../piece/mix-of.ts';
import { sharpCorners } from '../piece/organic-garland.ts';
import type { Placement } from '../piece/placement.ts';
import { inchesToMetres } from '../quantity/length.ts';
import { accentsAlong } from './accents.ts';
import { type Disc, lookAlong } from './along-line.ts';
import type { Around } from './around.ts';
import { ownBoards } from './around-of.ts';
import { clumpsOf } from './clumps.ts';
import { cornerReach } from './corners.ts';
import { openEdges } from './edges.ts';
import { footOf } from './foot.ts';
import { outlineOf } from './gaps.ts';
import { hiddenLargest } from './largest.ts';
import type { Look } from './look-of.ts';
import { asBalls } from './near-pairs.ts';
import { crevicesIn, frontOf, pitsOf } from './pits.ts';
import { ownersFrom } from './seen.ts';
import { settledBalls } from './settled-picture.ts';

/** Cells of the picture that tells which balloon is seen where. */
const CELL_M = inchesToMetres(0.5);
/** A line that ends lower than this share of its width above the floor is to come down to it: its outline is drawn to the floor. */
const COMES_DOWN = 0.5;

type Details = Pick<
  FullPiece,
  | 'straightness'
  | 'evenness'
  | 'floorContact'
  | 'clumps'
  | 'crevices'
  | 'scarce'
  | 'largeHidden'
  | 'edgesOpen'
  | 'corners'
  | 'accents'
>;

/** None of it: for what is not dressed organically, and while something is dragged. */
export const noDetails: Details = {
  straightness: null,
  evenness: null,
  floorContact: null,
  clumps: [],
  crevices: [],
  scarce: [],
  largeHidden: null,
  edgesOpen: [],
  corners: [],
  accents: [],
};

/**
 * What the eye finds besides gaps: a bend that nobody drew, a thin place, a foot off the floor, a patch of one colour, a large
 * balloon that hides, an edge left open.
 * @param around boards that it runs along, accents that hang on it
 */
export function detailsOf(
  piece: Piece,
  placement: Placement,
  look: Look,
  limits: LookLimits,
  around: Around,
  { colours }: Pick<Workshop, 'colours'>,
): Details {
  const boards = [...ownBoards(piece), ...around.boards];
  const { lines = [] } = placement;
  const byLine = settledBalls(placement, look);
  const alongLines = lines.map(
    ({ chain, widthM, taper }, i): AlongLine => ({
      chain,
      widthAt: (share: number) => widthM * (1 - (1 - taper) * share),
      discs: discsOf((byLine[i] ?? []).filter(({ role }) => role !== 'accent')),
      atEdges: discsOf((byLine[i] ?? []).filter(({ role }) => role === 'accent')),
    }),
  );
  const outlines = alongLines.flatMap(({ chain, widthAt, discs }) => lookAlong(chain, discs, widthAt) ?? []);
  const bent = outlines.map((one) => one.straightness).sort((a, b) => b.offM - a.offM)[0];
  const thin = outlines.map((one) => one.evenness).sort((a, b) => a.narrowPct - b.narrowPct)[0];
  return {
    // Beside panels a garland bulges away from them: it goes by its leg, not by a line that was drawn.
    straightness: bent && !isBesidePanels(placement) ? { offM: bent.offM, ...asPlace(bent.at) } : null,
    evenness: thin ? { narrowPct: thin.narrowPct, ...asPlace(thin.at) } : null,
    floorContact: floorContact(placement, byLine),
    clumps: clumps(piece, byLine.flat(), limits),
    crevices: crevices(byLine.flat(), limits),
    scarce: isEven(piece) ? byLine.flatMap(scarceIn) : [],
    largeHidden: mixOf(piece)?.largeToFront ? largeHidden(byLine.flat()) : null,
    edgesOpen: alongLines
      .flatMap(({ chain, widthAt, discs, atEdges }) =>
        openEdges(chain, widthAt, boards, [...discs, ...atEdges], limits.wideM),
      )
      .map(({ lengthM, ...place }) => ({ ...asPlace(place), lengthM })),
    corners: cornersOf(piece, alongLines[0]),
    accents: lines.flatMap(({ chain }, i) =>
      accentsOf(piece, chain, byLine[i] ?? [], i === 0 ? around : undefined, colours),
    ),
  };
}

const isBesidePanels = ({ shapes }: Placement) => shapes.some(({ tone }) => tone === 'panel');

const asPlace = ({ x, y }: XY) => ({ xM: x, yM: y });

type Balls = ReturnType<typeof settledBalls>;

/** How a line was to look, and what hangs along it. */
interface AlongLine {
  chain: readonly XY[];
  widthAt: (share: number) => number;
  discs: readonly Disc[];
  /** Single balloons on the edges beside it: they are none of its outline. */
  atEdges: readonly Disc[];
}

const discsOf = (balls: Balls[number]) => balls.map(({ xM, yM, rM }): Disc => ({ x: xM, y: yM, r: rM }));

/** How what goes one by one is spread along a line: what is attached and hangs on it, balloons of scarce colours. */
function accentsOf(
  piece: Piece,
  chain: readonly XY[],
  balls: Balls[number],
  around: Around | undefined,
  colours: Workshop['colours'],
): Details['accents'] {
  const singly = (mixOf(piece)?.colours ?? []).filter((one) => one.singly).map(({ colour }) => colour);
  return accentsAlong(
    around ? piece : { ...piece, attachments: [] },
    chain,
    around?.accents ?? [],
    balls
      .filter(({ role, colour }) => role === 'base' && singly.includes(colour))
      .map(({ colour, tieX, tieY }) => ({ colour, at: { x: tieX, y: tieY } })),
    (id) => colours.find((one) => one.id === id)?.name ?? id,
  );
}

/** The sharp corners of a garland's line, and whether balloons fill them. */
function cornersOf(piece: Piece, along: AlongLine | undefined): Details['corners'] {
  if (piece.kind !== 'organic-garland' || !along) return [];
  const { line } = piece;
  const lengthM = chainLength(along.chain);
  return sharpCorners(piece)
    .map((corner) => {
      const i = line.indexOf(corner);
      const [before, at, after] = [line[i - 1], corner, line[i + 1]].map((point) => ({
        x: point?.xM ?? 0,
        y: point?.yM ?? 0,
      })) as [XY, XY, XY];
      const halfM = along.widthAt(nearestOnChain(along.chain, at).along / lengthM) / 2;
      return { ...asPlace(at), reachPct: (100 * cornerReach(at, before, after, along.discs)) / halfM };
    })
    .sort((one, other) => one.reachPct - other.reachPct);
}

/** Of the largest size those that hide behind others. */
function largeHidden(balls: Balls[number]): Details['largeHidden'] {
  const largest = Math.max(...balls.map(({ nominalIn }) => nominalIn));
  const isLargest = (i: number) => balls[i]?.nominalIn === largest && balls[i]?.role === 'base';
  const rows = asBalls(balls);
  const hidden = hiddenLargest(ownersFrom(0, rows, CELL_M).owner, CELL_M, rows.r, isLargest);
  return {
    of: balls.filter((_, i) => isLargest(i)).length,
    hidden: hidden.map((i) => {
      const { xM, yM } = balls[i] as Balls[number][number];
      return { xM, yM };
    }),
  };
}

function floorContact({ lines = [] }: Placement, byLine: Balls): Details['floorContact'] {
  const feet = lines.flatMap(({ chain, widthM, taper, onPole }, i) => {
    const [first, last] = [chain[0], chain.at(-1)];
    // On a pole a little of it is left free at the foot, on purpose.
    if (onPole || !first || !last) return [];
    const ends = [
      { at: first, widthM: COMES_DOWN * widthM },
      { at: last, widthM: COMES_DOWN * widthM * taper },
    ];
    const discs = (byLine[i] ?? []).map(({ xM, yM, rM }): Disc => ({ x: xM, y: yM, r: rM }));
    return footOf(ends, discs) ?? [];
  });
  const [worst] = feet.sort((a, b) => b.gapM - a.gapM);
  return worst ? { gapM: worst.gapM, spreadM: worst.spreadM, ...asPlace(worst.at) } : null;
}

/** Whether colours are to be mixed evenly: blocks, leans and stretches are asked for. */
function isEven(piece: Piece): boolean {
  const mix = mixOf(piece);
  return mix?.colourPlan === 'even' && !mix.stretches;
}

/** Fewer of a colour than this nobody spreads; and it is scarce in a third with less than this share of what it should have. */
const FEWEST_SPREAD = 6;
const SCARCE = 0.4;
const THIRDS = ['thick end', 'middle', 'tip'] as const;

/** Colours of a line's base that hardly come in one third of it. */
export function scarceIn(
  balls: readonly Pick<Balls[number][number], 'role' | 'colour'>[],
): Details['scarce'] {
  const base = balls.filter(({ role }) => role === 'base');
  const colours = [...new Set(base.map(({ colour }) => colour))];
  return colours.flatMap((colour) => {
    const all = base.filter((ball) => ball.colour === colour).length;
    if (all < FEWEST_SPREAD) return [];
    return THIRDS.flatMap((at, third) => {
      const own = base.slice(
        Math.floor((third * base.length) / 3),
        Math.floor(((third + 1) * base.length) / 3),
      );
      const count = own.filter((ball) => ball.colour === colour).length;
      return count < (SCARCE * all) / 3 ? [{ colour, at }] : [];
    });
  });
}

/** Deep places between balloons. */
function crevices(balls: Balls[number], { creviceM }: LookLimits): Details['crevices'] {
  const rows = asBalls(balls);
  const seen = frontOf(rows, CELL_M);
  return crevicesIn(pitsOf(seen, outlineOf(seen, rows)), creviceM).map(({ uM, vM, depthM }) => ({
    xM: uM,
    yM: vM,
    depthM,
  }));
}

/** Patches of one colour, where colours are to be spread evenly. */
function clumps(piece: Piece, balls: Balls[number], { clumpPct }: LookLimits): Details['clumps'] {
  if (!isEven(piece)) return [];
  const picture = ownersFrom(0, asBalls(balls), CELL_M);
  const patches = clumpsOf(
    picture,
    balls.map(({ colour }) => colour),
    balls.map(({ nominalIn }) => nominalIn),
    clumpPct,
    mixOf(piece)?.seed ?? 0,
  );
  return patches.map(({ colour, balls: own, usual }) => {
    const of = own.map((i) => balls[i] as Balls[number][number]);
    const left = Math.min(...of.map(({ xM, rM }) => xM - rM));
    const right = Math.max(...of.map(({ xM, rM }) => xM + rM));
    const low = Math.min(...of.map(({ yM, rM }) => yM - rM));
    const high = Math.max(...of.map(({ yM, rM }) => yM + rM));
    return {
      colour,
      xM: (left + right) / 2,
      yM: (low + high) / 2,
      widthM: Math.max(right - left, high - low),
      balloons: own.length,
      usual,
    };
  });
}
