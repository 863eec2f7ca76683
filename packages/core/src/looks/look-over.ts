import type { ByHand, FullPiece, LookFiller, Piece, Workshop } from '@early-lantern/contract';
import { chainLength, nearestOnChain, stationsAt, type XY } from '../geometry/line.ts';
import { kindOf } from '../piece/kinds.ts';
import { mixOf } from '../piece/mix-of.ts';
import { sharpCorners } from '../piece/organic-garland.ts';
import { formatLength, METRES_PER_FOOT } from '../quantity/length.ts';
import { listed } from '../quantity/listed.ts';
import { plural } from '../quantity/plural.ts';

/** Nobody measures closer than this along a garland that hangs: a quarter of a foot, or a tenth of a metre. */
const STEP_M = { imperial: METRES_PER_FOOT / 4, metric: 0.1 } as const;
/** More gaps than this are not told one by one. */
const GAPS_TOLD = 3;

/**
 * What to look at when a piece hangs and one steps back, from what its settling shows to be at risk; what to do about it
 * with it. In the order in which one sees it: from the foot to the tip, then from the sides.
 */
export function lookOverOf(
  piece: Piece,
  chains: readonly (readonly XY[])[],
  look: Omit<FullPiece, 'lookOver'>,
  fillers: readonly LookFiller[],
  { units, colours }: Pick<Workshop, 'units' | 'colours'>,
): string[] {
  const length = (metres: number) => formatLength(metres, units);
  const stepM = STEP_M[units];
  const step = (metres: number) => length(Math.round(metres / stepM) * stepM);
  const longest = Math.max(0, ...chains.map(chainLength));
  const alongInWords = (metres: number) => {
    if (metres < stepM / 2) return 'at its thick end';
    return metres > longest - stepM / 2 ? 'at its tip' : `about ${step(metres)} from its thick end`;
  };
  const sideOf = sidesOf(chains);
  // Packed work has no thick end: how high up helps.
  const at = (place: { xM: number; yM: number }) =>
    chains.length > 0
      ? `${alongInWords(alongM(chains, place))}${sideOf(place.xM)}`
      : `about ${step(place.yM)} up`;
  const { edgesOpen, largeHidden } = look;
  const { floorContact, clumps, crevices, scarce, evenness, straightness, gaps, limits, spineSeenM } = look;
  const list = (mixOf(piece)?.byHand ?? []).map((done) => byHandInWords(done, chains, at));
  if (floorContact)
    list.push(
      floorContact.gapM > limits.footM
        ? `Its foot hangs ${length(floorContact.gapM)} above the floor: let it down, or set small ones below.`
        : 'Its foot is to lie on the floor: spread it, and push it back where it was kicked.',
    );
  for (const corner of slumping(piece))
    list.push(
      `The corner ${at(corner)} tends to slump: lift it${'raisedCorners' in piece && piece.raisedCorners ? ', its clusters on top' : ''}.`,
    );
  for (const { xM, yM, radiusM, view, closeWith } of gaps.slice(0, GAPS_TOLD))
    list.push(
      `A gap of ${length(2 * radiusM)} is left ${at({ xM, yM })}${view === 'front' ? '' : `, seen from the ${view}`}: ${closeWith}`,
    );
  if (gaps.length > GAPS_TOLD)
    list.push(`${plural(gaps.length - GAPS_TOLD, 'gap')} more are left: walk along it.`);
  for (const { depthM, ...place } of crevices.slice(0, GAPS_TOLD))
    list.push(
      `A crevice ${length(depthM)} deep is left ${at(place)}: ${mixOf(piece)?.largeFillers ? 'one of the large fillers goes there' : 'turn a cluster into it'}.`,
    );
  if (spineSeenM >= limits.stringM)
    list.push(`${length(spineSeenM)} of what it hangs on shows: turn a balloon over it.`);
  if (evenness && evenness.narrowPct < limits.narrowPct)
    list.push(`It is thinnest ${at(evenness)}: push its clusters together there.`);
  if (straightness && straightness.offM > limits.offM)
    list.push(`It strays ${length(straightness.offM)} ${at(straightness)}: set a point more.`);
  for (const { colour, balloons, ...place } of clumps)
    list.push(
      `${balloons} in ${colours.find(({ id }) => id === colour)?.name ?? colour} hang side by side ${at(place)}: change some for their neighbours.`,
    );
  for (const { colour, at: where } of scarce)
    list.push(
      `There is little ${colours.find(({ id }) => id === colour)?.name ?? colour} at its ${where}: change some for it.`,
    );
  for (const { lengthM, ...place } of edgesOpen.slice(0, GAPS_TOLD))
    list.push(`${length(lengthM)} of the edge is bare ${at(place)}: single balloons on dashes cover it.`);
  if (largeHidden) list.push(largeInWords(largeHidden, at));
  if (fillers.some(({ view, isCounted }) => isCounted && view !== 'front'))
    list.push('Look at it from both sides: the numbers with ‹ and › of its dressing map.');
  return [...list, ...(kindOf(piece).lookOver?.(piece) ?? [])];
}

/** On which side of a piece of several lines a place is, to be put behind where along it is. */
function sidesOf(chains: readonly (readonly XY[])[]): (xM: number) => string {
  const xs = chains.flat().map(({ x }) => x);
  const [left, right] = [Math.min(...xs), Math.max(...xs)];
  return (xM) => {
    const share = (xM - left) / (right - left || 1);
    if (chains.length < 2 || (share > MIDDLE && share < 1 - MIDDLE)) return '';
    return share < 0.5 ? ' on its left' : ' on its right';
  };
}

/** Further from either side than this share of its width nobody says left or right. */
const MIDDLE = 0.35;

/** What was changed by hand once it was looked at, for those who build it. */
function byHandInWords(
  done: ByHand,
  chains: readonly (readonly XY[])[],
  at: (place: { xM: number; yM: number }) => string,
): string {
  const chain = chains[done.line ?? 0] ?? [];
  const placeOf = (share: number, asideM = 0) => {
    const [station] = stationsAt(chain, [share * chainLength(chain)]);
    if (!station) return '';
    return at({ xM: station.x - station.ty * asideM, yM: station.y + station.tx * asideM });
  };
  const here = placeOf(done.at);
  switch (done.what) {
    case 'swap':
      return `The cluster ${here} and the one ${placeOf(done.with)} swap colours, size for size.`;
    case 'turn':
      return `The cluster ${here} is turned by ${Math.abs(done.byDeg)}°${Math.abs(done.byDeg) === 180 ? '' : `, to the ${done.byDeg > 0 ? 'right' : 'left'} as you look along it from its thick end`}.`;
    case 'widen':
      return `${done.clusters > 1 ? `${done.clusters} clusters more go` : 'A cluster more goes'} in ${here}.`;
    case 'edge':
      return `${plural(done.singles, 'single balloon')} on dashes side by side along the bare edge, its middle ${here}.`;
  }
}

/** Which of the largest to turn to the front. */
function largeInWords(
  { of, hidden }: NonNullable<FullPiece['largeHidden']>,
  at: (place: { xM: number; yM: number }) => string,
): string {
  if (hidden.length === 0)
    return `The largest, ${of} of them, face the front: turn back any that has rolled.`;
  const places = hidden.slice(0, GAPS_TOLD).map(at);
  return `${hidden.length} of the ${of} largest hide: turn their clusters to the front, ${listed(places)}${hidden.length > GAPS_TOLD ? ' and others' : ''}.`;
}

/** Corners of a line that stand up: nothing carries them but the two sides they lean on. */
function slumping(piece: Piece): { xM: number; yM: number }[] {
  if (piece.kind !== 'organic-garland') return [];
  const { line } = piece;
  return sharpCorners(piece).filter((corner) => {
    const i = line.indexOf(corner);
    return corner.yM > ((line[i - 1]?.yM ?? 0) + (line[i + 1]?.yM ?? 0)) / 2;
  });
}

/** How far along its line a place is, m: of several lines the one it is nearest to. */
function alongM(chains: readonly (readonly XY[])[], { xM, yM }: { xM: number; yM: number }): number {
  const nearest = chains.map((chain) => nearestOnChain(chain, { x: xM, y: yM }));
  return nearest.sort((one, other) => one.far - other.far)[0]?.along ?? 0;
}
