import type { PackingRow } from '@early-lantern/contract';

export interface PackingGroup {
  /** The vehicle and trip, or what has no place yet. */
  key: string;
  vehicle: string | null;
  trip: number;
  /** Bags, crates and cases with what is in each; first what rides by itself. */
  bags: { name: string | null; rows: PackingRow[] }[];
}

/** Lines by vehicle and trip, in each by the bag or crate they go into. */
export function packingGroups(rows: readonly PackingRow[]): PackingGroup[] {
  const byVehicle = Map.groupBy(rows, ({ vehicle, trip }) => `${vehicle ?? ''} ${trip}`);
  return [...byVehicle].map(([key, own]) => {
    const first = own[0] as PackingRow;
    const isBag = ({ id }: PackingRow) => id.startsWith('bag ');
    // A bag of balloons is a line of its own; crates and cases have lines of what is in them.
    const byBag = Map.groupBy(own, (row) => (isBag(row) ? 'Bags of balloons' : row.bag));
    return {
      key,
      vehicle: first.vehicle,
      trip: first.trip,
      bags: [...byBag]
        .map(([name, inside]) => ({ name, rows: inside }))
        .sort((a, b) => Number(a.name !== 'Bags of balloons') - Number(b.name !== 'Bags of balloons')),
    };
  });
}
