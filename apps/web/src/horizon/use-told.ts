import type { JobLamps, JobRow } from '@early-lantern/contract';
import { useMemo, useState } from 'react';
import { useLampsBetween } from '../api/queries.ts';
import { useWaited } from '../parts/use-waited.ts';
import { doorsSpan, soonSpan } from './doors-span.ts';

/** What is told beside the first lamps waits for them for so long, ms: where many ask at once they take their time. */
export const LAMPS_FIRST_MS = 4_000;

interface Told {
  /** What the lamps say, by job id. */
  told: Readonly<Record<string, JobLamps>>;
  /** Whether anything has been said of the first, or nothing will be. */
  isTold: boolean;
}

/** What the lamps of jobs in the order of their doors say: the first jobs' first, the others' once those are known or take too long. */
export function useTold(rows: readonly JobRow[] | undefined, now: number): Told {
  const [soonFrom, soonUntil] = soonSpan(rows, now);
  const soon = useLampsBetween(soonFrom, soonUntil);
  const isNoneSoon = rows !== undefined && soonFrom === undefined;
  const hasSoon = soon.data !== undefined || soon.isError || isNoneSoon;
  const isKnown = hasSoon && Object.values(soon.data ?? {}).every(({ lamps, failure }) => lamps || failure);
  const hasWaited = useWaited(!isKnown, LAMPS_FIRST_MS);
  // Once asked for they stay, whatever is worked out anew of the first.
  const [isAllAsked, setAllAsked] = useState(false);
  if (!isAllAsked && (isKnown || hasWaited)) setAllAsked(true);
  const [from, until] = doorsSpan(isAllAsked ? rows : undefined);
  const all = useLampsBetween(from, until);
  const told = useMemo(() => ({ ...all.data, ...soon.data }), [all.data, soon.data]);
  return { told, isTold: hasSoon || all.data !== undefined };
}
