import type { Mix, Piece } from '@early-lantern/contract';

/** Keys under which pieces name colours. */
const isColourKey = (key: string) => /^(colour|\w+Colour)$/.test(key);
const isColourList = (key: string) => /^(colours|\w+Colours|repeat)$/.test(key);

/** The piece with every mention of one colour turned into another; shares of the two are joined. */
export function recoloured(piece: Piece, from: string, to: string): Piece {
  return swapped(piece, from, to, '') as Piece;
}

function swapped(value: unknown, from: string, to: string, key: string): unknown {
  if (typeof value === 'string') return isColourKey(key) && value === from ? to : value;
  if (Array.isArray(value)) {
    const items = isColourList(key)
      ? value.map((item) => (item === from ? to : swapped(item, from, to, '')))
      : value.map((item) => swapped(item, from, to, ''));
    return key === 'colours' ? joinShares(items) : items;
  }
  if (typeof value !== 'object' || value === null) return value;
  // What stands in for a colour that is gone is gone with it.
  return Object.fromEntries(
    Object.entries(value).flatMap(([name, inner]) =>
      name === 'standIns' ? [] : [[name, swapped(inner, from, to, name)]],
    ),
  );
}

function joinShares(items: unknown[]): unknown[] {
  const shares = items as { colour?: string; sharePct?: number }[];
  if (!shares.every((share) => typeof share === 'object')) return items;
  const joined = new Map<unknown, { sharePct?: number }>();
  for (const share of shares) {
    const known = joined.get(share.colour);
    joined.set(
      share.colour,
      known ? { ...known, sharePct: (known.sharePct ?? 0) + (share.sharePct ?? 0) } : share,
    );
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
