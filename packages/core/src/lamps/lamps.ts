import type {
  Fits,
  Fix,
  Full,
  Holds,
  JobFile,
  Lamp,
  LampName,
  LastingLot,
  Plan,
  Rehearsal,
} from '@early-lantern/contract';
import type { ClockPlan } from '../clock/clock.ts';
import { bufferFixes } from './buffer-fixes.ts';
import { type Counted, enoughLamp } from './enough.ts';
import { fitsLamp } from './fits.ts';
import { fitsFixes } from './fits-fixes.ts';
import { type EnoughAnswer, enoughFixes, onTimeFixes } from './fixes.ts';
import { fullLamp } from './full.ts';
import { fullFixes } from './full-fixes.ts';
import { holdsLamp } from './holds.ts';
import { holdsFixes } from './holds-fixes.ts';
import { lastsLamp } from './lasts.ts';
import { lastsFixes } from './lasts-fixes.ts';
import { driverFixes } from './no-driver.ts';
import { onTimeLamp } from './on-time.ts';
import { powerFixes } from './power.ts';
import { seatFixes } from './seats.ts';
import { windowFixes } from './window-fixes.ts';

/** What was worked out about a job: what its lamps go by. */
export interface Judged {
  file: JobFile;
  counts: Counted;
  holds: Holds;
  lots: readonly LastingLot[];
  clock: ClockPlan;
  fits: Fits;
  full: Full;
}

/** How a changed file is looked at again to try a fix: no more of it than the lamp needs. */
export interface Tries {
  draft: (file: JobFile) => Plan;
  /** With everything loaded. */
  loaded: (file: JobFile) => Plan;
  enough: (file: JobFile) => EnoughAnswer;
  holds: (file: JobFile) => Holds;
  rehearsed: (file: JobFile) => { plan: Plan; rehearsal: Rehearsal | null };
}

/** One lamp: what it says, and the ways out that were tried where it is out or low. */
interface LampRow {
  verdict: (job: Judged) => Lamp;
  fixes: (file: JobFile, plan: Plan, tries: Tries) => Fix[];
}

/** The six questions, a row each. */
const rows: Record<LampName, LampRow> = {
  enough: {
    verdict: ({ file, counts }) => enoughLamp(file, counts),
    fixes: (file, plan, { enough }) => enoughFixes(file, plan, enough),
  },
  lasts: {
    verdict: ({ file, lots }) => lastsLamp(file, lots),
    fixes: (file, plan, { draft }) => lastsFixes(file, plan, draft),
  },
  fits: {
    verdict: ({ file, fits }) => fitsLamp(file, fits),
    fixes: (file, plan, { loaded }) => fitsFixes(file, plan, loaded),
  },
  holds: {
    verdict: ({ file, holds }) => holdsLamp(file, holds),
    fixes: (file, { lamps, holds }, tries) =>
      lamps.holds.state === 'out' || lamps.holds.state === 'low' ? holdsFixes(file, holds, tries.holds) : [],
  },
  full: {
    verdict: ({ file, full }) => fullLamp(file, full),
    fixes: fullFixes,
  },
  onTime: {
    verdict: ({ file, clock }) => onTimeLamp(file, clock),
    fixes: (file, plan, { draft, rehearsed }) => [
      ...windowFixes(file, plan, draft),
      ...seatFixes(file),
      ...driverFixes(file, plan),
      ...powerFixes(file, plan, draft),
      ...onTimeFixes(file, plan, (tried) => draft(tried).onTime),
      ...bufferFixes(file, plan, plan.rehearsal, rehearsed),
    ],
  },
};

const each = <T>(of: (name: LampName, row: LampRow) => T): Record<LampName, T> =>
  Object.fromEntries(
    (Object.entries(rows) as [LampName, LampRow][]).map(([name, row]) => [name, of(name, row)]),
  ) as Record<LampName, T>;

/** What the six lamps say, no fix tried yet. */
export const lampsOf = (job: Judged): Plan['lamps'] => each((_, { verdict }) => verdict(job));

/** The lamps of a plan with the ways out that were tried. Stops after each lamp, so that it can be left where nobody waits any more. */
export function* lampsWithFixes(file: JobFile, plan: Plan, tries: Tries): Generator<void, Plan['lamps']> {
  const lamps = { ...plan.lamps };
  for (const [name, { fixes }] of Object.entries(rows) as [LampName, LampRow][]) {
    yield;
    lamps[name] = { ...plan.lamps[name], fixes: fixes(file, plan, tries) };
  }
  return lamps;
}
