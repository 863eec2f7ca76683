import type { ColourShare, Mix, Piece } from '@early-lantern/contract';
// Where pieces name colours, by kind: kept beside the contract's schemas by a test.
import places from './colour-places.json';

/** Colours here are of balloons that are there, or stand in for one that is not: they do not follow the design. */
const NOT_DESIGN = /^\/(kept|standIns)\//;

/**
 * The piece with every mention of one colour turned into another; shares of the two are joined. What stood in for a
 * colour goes; balloons kept stay what they are.
 */
export function recoloured(piece: Piece, from: string, to: string): Piece {
  const design = (places[piece.kind] as string[]).filter((place) => !NOT_DESIGN.test(place));
  const swapped = design.reduce<unknown>(
    (tree, place) => mappedAt(tree, place.split('/').slice(1), (id) => (id === from ? to : id)),
    piece,
  );
  const { standIns: _, ...rest } = swapped as Piece & { standIns?: unknown };
  return mixesOf(rest as Piece).reduce<Piece>(
    (joined, { path }) =>
      mappedAt(joined, [...path.split('/').slice(1), 'colours'], (shares) =>
        joinShares(shares as ColourShare[]),
      ) as Piece,
    rest as Piece,
  );
}

/** A tree with what stands at a place turned into something else; `*` is any place of a list. */
function mappedAt(
  tree: unknown,
  [key, ...rest]: readonly string[],
  turn: (found: unknown) => unknown,
): unknown {
  if (key === undefined) return tree === undefined ? tree : turn(tree);
  if (key === '*') return Array.isArray(tree) ? tree.map((item) => mappedAt(item, rest, turn)) : tree;
  if (typeof tree !== 'object' || tree === null || !(key in tree)) return tree;
  const inner = (tree as Record<string, unknown>)[key];
  return { ...tree, [key]: mappedAt(inner, rest, turn) };
}

/** Shares of one colour made one. */
function joinShares(shares: readonly ColourShare[]): ColourShare[] {
  const joined = new Map<string, ColourShare>();
  for (const share of shares) {
    const known = joined.get(share.colour);
    joined.set(share.colour, known ? { ...known, sharePct: known.sharePct + share.sharePct } : share);
  }
  return [...joined.values()];
}

/** The organic mixes of a piece, each with its JSON pointer within the piece. */
export function mixesOf(piece: Piece): { path: string; mix: Pick<Mix, 'colours' | 'sizes' | 'fillers'> }[] {
  switch (piece.kind) {
    case 'organic-garland':
      return [{ path: '', mix: piece }];
    case 'standing-garland':
      return [{ path: '/mix', mix: piece.mix }];
    case 'photo-frame':
      return piece.dress.style === 'organic' ? [{ path: '/dress/mix', mix: piece.dress.mix }] : [];
    case 'panel-wall':
      return piece.sides ? [{ path: '/sides/mix', mix: piece.sides.mix }] : [];
    default:
      return [];
  }
}
