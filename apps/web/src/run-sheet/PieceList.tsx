import type { Piece, Plan, Site } from '@early-lantern/contract';
import { backOf, carrierWords, plural } from '@early-lantern/core';
import { madeOf } from '../parts/made-of.ts';
import { pieceSize } from '../parts/piece-size.ts';
import { anchorOf } from '../pieces/anchor.ts';
import { useUnits } from '../preferences.tsx';

interface PieceListProps {
  plan: Plan;
  pieces: readonly Piece[];
  site: Site;
}

/** Each piece in a line: where it is or what carries it, how long and wide it is, what it is tied from. */
export function PieceList({ plan, pieces, site }: PieceListProps) {
  const { long, short } = useUnits();
  /** Where the helper puts down what nothing carries: the spot, from its left, from the wall. */
  const placeOf = (id: string) => {
    const piece = pieces.find((one) => one.id === id);
    if (!piece) return '';
    const { at, of } = anchorOf(piece);
    const spot = site.spots.find((one) => one.id === piece.spotId)?.name ?? 'the spot';
    const kind = site.spots.find((one) => one.id === piece.spotId)?.kind;
    const front = piece.frontM ? `, its back ${long(piece.frontM)} from the ${backOf(kind)}` : '';
    return `${spot}, ${of} ${long(at.xM)} from the left${front}`;
  };
  /** Where the lines of a piece end: from the left of its spot, and out from the back of it. */
  const stakesOf = (id: string) => {
    const lines = plan.holds.pieces.find((one) => one.id === id)?.tieLines ?? [];
    const [first] = lines;
    if (!first) return '';
    const side = (towards: 'front' | 'back') => {
      const of = lines.filter((line) => line.towards === towards);
      const reach = Math.abs((of[0]?.toOutM ?? 0) - (of[0]?.fromOutM ?? 0));
      const places = of.map(({ toXM }) => long(Math.max(0, toXM))).sort();
      return `${towards === 'front' ? 'before' : 'behind'} it ${long(reach)} out, at ${places.join(' and ')} from the left`;
    };
    return `lines to ${first.anchor}: ${side('front')}; ${side('back')}`;
  };
  return (
    <ul className="sheet-things">
      {plan.pieces.map((piece) => {
        const { on, alsoOn, clusters, sections } = piece;
        const carriers = [carrierWords(on, pieces), carrierWords(alsoOn, pieces)].filter(Boolean);
        const where = carriers.length > 0 ? `on ${carriers.join(' and ')}` : placeOf(piece.id);
        const figures = [
          clusters > 1 || piece.sizeM ? pieceSize(piece, { long, short }) : '',
          ...madeOf(piece),
          sections > 1 ? plural(sections, 'section') : '',
        ].filter(Boolean);
        const stakes = stakesOf(piece.id);
        return (
          <li key={piece.id}>
            <strong>{piece.name}</strong>
            {`: ${[where, figures.join(', '), stakes].filter(Boolean).join('; ')}`}
          </li>
        );
      })}
    </ul>
  );
}
