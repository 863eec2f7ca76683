import { keys, queryClient } from '../api/queries.ts';

/** Reads again what a booking changes: the shelf, its ledger, and what jobs hold of it. */
export const refreshStock = () =>
  Promise.all(
    [keys.workshop, keys.movements, keys.jobs].map((queryKey) => queryClient.invalidateQueries({ queryKey })),
  );
