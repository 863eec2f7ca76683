import type { Piece, Plan, Workshop } from '@early-lantern/contract';
import { carrierWords, nameIn, plural } from '@early-lantern/core';
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

/** Everything besides balloons that has to be there, ladders with it, in two columns. */
export function ThingList({ plan, workshop }: { plan: Plan; workshop: Workshop }) {
  const tidy = (count: number) => Number(count.toFixed(1));
  const ladders = new Set((workshop.ladders ?? []).map(({ id }) => id));
  const taken = [...new Set(plan.tasks.flatMap(({ gear }) => gear.filter((id) => ladders.has(id))))];
  return (
    <ul className="sheet-things">
      {taken.map((id) => (
        <li key={id}>1 × {nameIn(id, workshop)}</li>
      ))}
      {plan.totals.materials.map(({ label, count, unit }) => (
        <li key={label}>
          {tidy(count)} {unit === 'm' || unit === 'ml' || unit === 'l' ? `${unit} ` : '× '}
          {label}
        </li>
      ))}
    </ul>
  );
}
