import type { JobFile, OnTime, Task } from '@early-lantern/contract';
import { lastOnStrike } from './day-cost.ts';

/** A window that a plan does not keep. */
export interface Overrun {
  what: 'doors' | 'access' | 'strike';
  /** Minutes over, all that belongs in it counted. */
  minutes: number;
  /** In a sentence. */
  told: string;
}

const minutesOver = (end: string | null | undefined, until: string): number =>
  end ? Math.max(0, Math.round((Date.parse(end) - Date.parse(until)) / 60_000)) : 0;

/** Every window that a job's plan does not keep: doors and access for the way out too, and the strike's. */
export function overrunsOf(
  { job }: Pick<JobFile, 'job'>,
  tasks: readonly Task[],
  { ready }: Pick<OnTime, 'ready'>,
): Overrun[] {
  const late = minutesOver(ready, job.doors);
  const signedOff = minutesOver(ready, job.access.until);
  const out = minutesOver(tasks.find(({ id }) => id === 'load-out')?.end, job.access.until);
  const strike = minutesOver(lastOnStrike(tasks)?.end, job.strike.until);
  const found: Overrun[] = [
    { what: 'doors', minutes: late, told: `Sign-off comes ${late} min after doors.` },
    signedOff > 0
      ? {
          what: 'access',
          minutes: Math.max(signedOff, out),
          told: `Sign-off comes ${signedOff} min after access closes.`,
        }
      : { what: 'access', minutes: out, told: `Loading out ends ${out} min after access closes.` },
    { what: 'strike', minutes: strike, told: `The strike ends ${strike} min after its window.` },
  ];
  return found.filter(({ minutes }) => minutes > 0);
}
