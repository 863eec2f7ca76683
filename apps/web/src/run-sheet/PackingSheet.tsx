import type { JobFile, PackingRow } from '@early-lantern/contract';
import { packingGroups } from '../load/packing-groups.ts';
import { rowWords } from '../load/row-words.ts';
import { useUnits } from '../preferences.tsx';

/** The packing list on paper: by vehicle, bag and crate, a box to tick before each. */
export function PackingSheet({ rows, file }: { rows: readonly PackingRow[]; file: JobFile }) {
  const { units } = useUnits();
  const { workshop, job } = file;
  const vehicles = [...workshop.vehicles, ...(job.cars ?? [])];
  const nameOf = (id: string | null) => vehicles.find((one) => one.id === id)?.name ?? 'No place yet';
  return packingGroups(rows).map(({ key, vehicle, trip, bags }) => (
    <div key={key}>
      <h3>
        {nameOf(vehicle)}
        {trip > 1 ? ', second trip' : ''}
      </h3>
      {bags.map(({ name, rows: inside }) => (
        <div key={name ?? 'loose'} className="sheet-crate">
          <h4>{name ?? 'By itself'}</h4>
          <ul className="sheet-things">
            {inside.map((row) => (
              <li key={row.id}>
                <span className="sheet-box" aria-hidden="true" /> {rowWords(row, units)}
              </li>
            ))}
          </ul>
        </div>
      ))}
    </div>
  ));
}
