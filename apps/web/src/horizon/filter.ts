import type { JobFilter } from '@early-lantern/contract';
import { useMemo } from 'react';
import { useSearchParams } from 'react-router';
import { jobStates } from '../parts/state-words.ts';

/** What was called off is seen when it is asked for. */
const STATES = jobStates.filter((state) => state !== 'cancelled').join(',');
const FIELDS = ['q', 'state', 'site', 'person', 'kind', 'lamp'] as const;
/** What the horizon shows as long as nobody has chosen. */
export const ALL_BUT_CANCELLED: JobFilter = { state: STATES };
export type FilterField = (typeof FIELDS)[number];

/** Which jobs the horizon shows; kept in the address, so that it can be gone back to and passed on. */
export function useFilter() {
  const [params, setParams] = useSearchParams();
  const chosen = Object.fromEntries(
    FIELDS.flatMap((field) => {
      const value = params.get(field);
      return value ? [[field, value]] : [];
    }),
  ) as Partial<Record<FilterField, string>>;
  const key = JSON.stringify(chosen);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the key stands for what is chosen
  const filter = useMemo<JobFilter>(() => ({ ...ALL_BUT_CANCELLED, ...chosen }) as JobFilter, [key]);
  const set = (field: FilterField, value: string) =>
    setParams(
      (now) => {
        const next = new URLSearchParams(now);
        if (value) next.set(field, value);
        else next.delete(field);
        return next;
      },
      { replace: true },
    );
  const clear = () =>
    setParams(
      (now) => {
        const next = new URLSearchParams(now);
        for (const field of FIELDS) next.delete(field);
        return next;
      },
      { replace: true },
    );
  return { filter, chosen, count: Object.keys(chosen).length, set, clear };
}
