import type { JobLamps, JobRow } from '@early-lantern/contract';
import { useMemo, useState } from 'react';
import { useLampsBetween } from '../api/queries.ts';
import { useWaited } from '../parts/use-waited.ts';
import { doorsSpan } from './doors-span.ts';

/** So many jobs nearly fill a screen: their lamps are asked for before the others', so that they need not wait for those. */
const SOON = 3;

/** What is told beside the first lamps waits for them for so long, ms: where many ask at once they take their time. */
export const LAMPS_FIRST_MS = 4_000;

/** From the first doors to just after those of the last job whose lamps are asked for first, RFC 3339. */
export const soonSpan = (rows: readonly JobRow[] | undefined) => doorsSpan(rows?.slice(0, SOON));

interface Told {
  /** What the lamps say, by job id. */
  told: Readonly<Record<string, JobLamps>>;
  /** Whether anything has been said of the first, or nothing will be. */
  isTold: boolean;
}

/** What the lamps of jobs in the order of their doors say: the first jobs' first, the others' once those are known or take too long. */
export function useTold(rows: readonly JobRow[] | undefined): Told {
  const [from, middle] = soonSpan(rows);
  const [, until] = doorsSpan(rows);
  const soon = useLampsBetween(from, middle);
  const isTold = soon.data !== undefined || soon.isError;
  const isKnown = isTold && Object.values(soon.data ?? {}).every(({ lamps, failure }) => lamps || failure);
  const hasWaited = useWaited(!isKnown, LAMPS_FIRST_MS);
  // Once asked for they stay, whatever is worked out anew of the first.
  const [isLaterAsked, setLaterAsked] = useState(false);
  if (!isLaterAsked && (isKnown || hasWaited)) setLaterAsked(true);
  const hasLater = isLaterAsked && middle !== until;
  const later = useLampsBetween(hasLater ? middle : undefined, hasLater ? until : undefined);
  const told = useMemo(() => ({ ...later.data, ...soon.data }), [later.data, soon.data]);
  return { told, isTold };
}
