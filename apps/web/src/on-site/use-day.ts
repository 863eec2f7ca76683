import type { Plan } from '@early-lantern/contract';
import {
  asReplanned,
  type DayNow,
  dayFacts,
  type Happened,
  type Projection,
  projected,
  withMending,
} from '@early-lantern/core';
import { useDeferredValue, useEffect, useMemo, useState } from 'react';
import type { TakenJob } from './kept-on-device.ts';
import type { SiteLogHere } from './use-log.ts';

/** Looked at again so often: later it is of itself, ms. */
const AGAIN_MS = 15_000;

/** A job as it stands now: the plan as the lead has changed it, and where the day is going. */
export interface SiteDay {
  taken: TakenJob;
  /** The same with what the lead has left out still in it. */
  whole: Plan;
  now: DayNow;
  projection: Projection;
}

function nothingLeftOut(plan: Plan, { replanned }: Happened): Plan {
  return asReplanned(plan, {
    replanned: replanned && { ...replanned, event: { ...replanned.event, leftOut: [] } },
  });
}

/** Where a job's day is going, by all that is known on this phone. */
export function useDay(original: TakenJob, { happened, nowMs }: SiteLogHere): SiteDay {
  const [at, setAt] = useState(nowMs);
  useEffect(() => {
    const timer = setInterval(() => setAt(nowMs()), AGAIN_MS);
    return () => clearInterval(timer);
  }, [nowMs]);
  const { file } = original;
  const grown = useMemo(() => withMending(original.plan, happened, file), [original.plan, happened, file]);
  const plan = useMemo(() => asReplanned(grown, happened), [grown, happened]);
  const whole = useMemo(() => nothingLeftOut(grown, happened), [grown, happened]);
  // As long as the plan is the same, so is what is drawn by it.
  const taken = useMemo(() => ({ ...original, plan }), [original, plan]);
  const now = useMemo<DayNow>(
    () => ({ file, plan, happened, facts: dayFacts(file, happened), nowMs: Math.max(at, nowMs()) }),
    [file, plan, happened, at, nowMs],
  );
  // What was pressed shows first, then what it does to the rest of the day.
  const later = useDeferredValue(now);
  const projection = useMemo(() => projected(later), [later]);
  return useMemo(() => ({ taken, whole, now, projection }), [taken, whole, now, projection]);
}
