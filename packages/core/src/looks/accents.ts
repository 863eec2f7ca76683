import type { Attachment, ColourId, FullPiece, Piece } from '@early-lantern/contract';
import { chainLength, nearestOnChain, stationsAt, type XY } from '../geometry/line.ts';
import { groupBy } from '../quantity/group.ts';

/** What is put on a piece one by one, to be found all over it; flowers, signs and plush make a spot of their own. */
const SPREAD: readonly Attachment['what'][] = ['foil', 'light', 'cut-out'];
/** Fewer of a sort nobody spreads. */
const FEWEST = 3;

/** Where along a piece, m, an accent is. */
interface AccentAt {
  name: string;
  along: number;
}

/** Accents of a piece that are to be spread, as shares of its line: an attachment once, wherever several of it sit side by side. */
const spreadAttachments = ({ attachments = [] }: Piece): Attachment[] =>
  attachments.filter(({ what }) => SPREAD.includes(what));

/**
 * How accents are spread along a line: of each sort of which there are three or more the longest stretch without one. Evenly
 * spread each has a stretch of its own, so that half of one is left at either end: what is free at an end counts twice.
 * @param hanging pieces of their own that hang on it
 * @param singly balloons of the colours that go one by one
 */
export function accentsAlong(
  piece: Piece,
  chain: readonly XY[],
  hanging: readonly XY[],
  singly: readonly { colour: ColourId; at: XY }[],
  nameOf: (colour: ColourId) => string,
): FullPiece['accents'] {
  const lengthM = chainLength(chain);
  const alongOf = (at: XY) => nearestOnChain(chain, at).along;
  const all: AccentAt[] = [
    ...spreadAttachments(piece).map(({ what, at }) => ({
      name: SORTS[what ?? ''] ?? '',
      along: at * lengthM,
    })),
    ...hanging.map((at) => ({ name: 'accents', along: alongOf(at) })),
    ...singly.map(({ colour, at }) => ({ name: nameOf(colour), along: alongOf(at) })),
  ];
  return [...groupBy(all, ({ name }) => name)].flatMap(([name, own]) => {
    if (own.length < FEWEST) return [];
    const { free, middle } = longestFree(
      own.map(({ along }) => along),
      lengthM,
    );
    const [at] = stationsAt(chain, [middle]);
    return { name, of: own.length, freeM: free, evenM: lengthM / own.length, xM: at?.x ?? 0, yM: at?.y ?? 0 };
  });
}

const SORTS: Record<string, string> = { foil: 'foils', light: 'lights', 'cut-out': 'cut-outs' };

/** The longest stretch of a line without any of some places, counted twice at an end, and where one more divides it best. */
export function longestFree(places: readonly number[], lengthM: number): { free: number; middle: number } {
  const sorted = [...places].sort((a, b) => a - b);
  const [first, last] = [sorted[0] ?? 0, sorted.at(-1) ?? 0];
  const stretches = [
    { free: 2 * first, middle: first / 3 },
    { free: 2 * (lengthM - last), middle: last + (2 * (lengthM - last)) / 3 },
    ...sorted.slice(1).map((to, i) => {
      const from = sorted[i] as number;
      return { free: to - from, middle: (from + to) / 2 };
    }),
  ];
  return stretches.reduce((best, one) => (one.free > best.free ? one : best));
}

/**
 * A piece with the attachment that sits closest to another of its sort moved into the longest stretch without any, and so on
 * until they are spread; undefined where they are.
 * @param limitTimes how many times the even distance may be free
 */
export function withAccentMoved(piece: Piece, limitTimes: number, mostMoves = 10): Piece | undefined {
  for (const own of groupBy(spreadAttachments(piece), ({ what }) => what).values()) {
    const { free, middle } = longestFree(
      own.map(({ at }) => at),
      1,
    );
    if (own.length < FEWEST || free <= limitTimes / own.length) continue;
    const nearest = ({ id, at }: Attachment) =>
      Math.min(...own.filter((one) => one.id !== id).map((one) => Math.abs(one.at - at)));
    const moved = own.reduce((best, one) => (nearest(one) < nearest(best) ? one : best));
    const at = Math.round(middle * 100) / 100;
    const attachments = (piece.attachments ?? []).map((one) => (one.id === moved.id ? { ...one, at } : one));
    const changed = { ...piece, attachments };
    // Each move leaves a shorter longest stretch or as long a one less often: as many as there are do.
    return mostMoves > 1 ? (withAccentMoved(changed, limitTimes, mostMoves - 1) ?? changed) : changed;
  }
  return undefined;
}
