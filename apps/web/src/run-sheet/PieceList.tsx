import type { Piece, Plan } from '@early-lantern/contract';
import { carrierWords, plural } from '@early-lantern/core';
import { useUnits } from '../preferences.tsx';

/** Each piece in a line: what carries it, how long and wide it is, what it is tied from. */
export function PieceList({ plan, pieces }: { plan: Plan; pieces: readonly Piece[] }) {
  const { long, short } = useUnits();
  return (
    <ul className="sheet-things">
      {plan.pieces.map((piece) => {
        const { on, alsoOn, lengthM, visibleWidthM, clusters, clusterSize, fillerTrios, sections } = piece;
        const carriers = [carrierWords(on, pieces), carrierWords(alsoOn, pieces)].filter(Boolean);
        const parts = [
          carriers.length > 0 ? `on ${carriers.join(' and ')}` : '',
          lengthM > 0 && visibleWidthM > 0 && clusters > 1
            ? `${long(lengthM)} long, ${short(visibleWidthM)} wide`
            : '',
          clusters > 1 && clusterSize > 1 ? `${clusters} clusters of ${clusterSize}` : '',
          fillerTrios > 0 ? plural(fillerTrios, 'filler trio') : '',
          sections > 1 ? plural(sections, 'section') : '',
        ].filter(Boolean);
        return (
          <li key={piece.id}>
            <strong>{piece.name}</strong>
            {parts.length > 0 && `: ${parts.join(', ')}`}
          </li>
        );
      })}
    </ul>
  );
}

/** Everything besides balloons that has to be there, in two columns. */
export function ThingList({ plan }: { plan: Plan }) {
  const tidy = (count: number) => Number(count.toFixed(1));
  return (
    <ul className="sheet-things">
      {plan.totals.materials.map(({ label, count, unit }) => (
        <li key={label}>
          {tidy(count)} {unit === 'm' || unit === 'ml' || unit === 'l' ? `${unit} ` : '× '}
          {label}
        </li>
      ))}
    </ul>
  );
}
