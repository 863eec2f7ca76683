import type { JobFile, Lamp, Rehearsal } from '@early-lantern/contract';
import { DateTime } from 'luxon';
import type { ClockPlan } from '../clock/clock.ts';
import { inHandWanted } from '../clock/day-problem.ts';
import { overrunsOf } from '../clock/overruns.ts';
import { chanceText } from '../rehearsal/uncertainty.ts';
import { DERIVED, working } from '../working.ts';
import { driverLacking } from './no-driver.ts';
import { powerLacking } from './power.ts';
import { seatsLacking } from './seats.ts';
import { unlit } from './unlit.ts';

/** *On time?* Lit with the wanted minutes in hand, low with fewer, out when sign-off comes after doors or never. */
export function onTimeLamp(file: JobFile, clock: ClockPlan): Lamp {
  const { job } = file;
  const wanted = inHandWanted(file);
  if (job.pieces.length === 0)
    return unlit('no piece yet', 'Draw the first piece: there is no work to time.');
  const { minutesInHand, ready } = clock.onTime;
  if (minutesInHand === null || ready === null) {
    return {
      state: 'out',
      figure: 'no plan',
      reason: `There is no plan: ${clock.stuck}`,
      working: [],
      fixes: [],
    };
  }
  const time = (iso: string) => DateTime.fromISO(iso, { setZone: true }).toFormat('HH:mm');
  const shown = {
    working: [
      working(
        'Minutes to spare',
        'the lesser of doors − sign-off and end of access − out of the house',
        [
          ['doors', time(clock.onTime.doors)],
          ['sign-off', time(ready)],
          ['end of access', time(job.access.until)],
          ['out of the house', time(clock.onTime.out ?? ready)],
          ['wanted', wanted, 'min'],
        ],
        { value: minutesInHand, unit: 'min' },
        `${DERIVED}: tasks counted back from doors within access, shifts and inflators`,
      ),
    ],
    fixes: [],
  };
  const afterDoors = Math.round((Date.parse(ready) - Date.parse(clock.onTime.doors)) / 60_000);
  if (afterDoors > 0) {
    return {
      state: 'out',
      figure: `${afterDoors} min late`,
      reason: [`Sign-off comes at ${time(ready)}, ${afterDoors} min after doors.`, clock.off]
        .filter(Boolean)
        .join(' '),
      ...shown,
    };
  }
  const [over] = overrunsOf(file, clock.tasks, clock.onTime);
  if (over)
    return {
      state: 'out',
      figure: over.what === 'strike' ? `strike ${over.minutes} min over` : `${over.minutes} min past access`,
      reason: over.told,
      ...shown,
    };
  const seats = seatsLacking(file);
  if (seats) return { state: 'out', figure: seats.figure, reason: seats.told, ...shown };
  const driver = driverLacking(file, clock.tasks);
  if (driver) return { state: 'out', figure: driver.figure, reason: driver.told, ...shown };
  const power = powerLacking(file, clock.tasks);
  if (power) return { state: 'low', figure: power.figure, reason: power.told, ...shown };
  const kerb = kerbTooLong(file, clock.tasks);
  if (kerb) return { state: 'low', figure: 'van too long', reason: kerb, ...shown };
  if (clock.onTime.broken) {
    return { state: 'low', figure: `${minutesInHand} min to spare`, reason: clock.onTime.broken, ...shown };
  }
  const isByDoors = -afterDoors === minutesInHand;
  const tighter = isByDoors ? 'doors' : `access ends at ${time(job.access.until)}`;
  const doneAt = isByDoors
    ? `Signed off at ${time(ready)},`
    : `Signed off at ${time(ready)} and out by ${time(clock.onTime.out ?? ready)},`;
  // A window that closes before the wanted minutes leaves more in hand than asked for, never less.
  return minutesInHand >= wanted
    ? {
        state: 'lit',
        figure: `${minutesInHand} min to spare`,
        reason: `${doneAt} ${minutesInHand} min before ${tighter}.`,
        ...shown,
      }
    : {
        state: 'low',
        figure: `${minutesInHand} min to spare`,
        reason: `${doneAt} ${minutesInHand} min before ${tighter}: you want ${wanted} min to spare.`,
        ...shown,
      };
}

/** Unloading that takes longer than the van may stand at the set-down, in a sentence; undefined where it does not. */
function kerbTooLong({ site }: JobFile, tasks: ClockPlan['tasks']): string | undefined {
  const { kerbMin } = site.loadIn;
  const [first, last] = ['unload-first', 'unload'].map((id) => tasks.find((task) => task.id === id));
  if (kerbMin === undefined || !first || !last) return undefined;
  const minutes = Math.round((Date.parse(last.end) - Date.parse(first.start)) / 60_000);
  return minutes > kerbMin
    ? `Unloading takes ${minutes} min, and the van may stand at the set-down for ${kerbMin}: move it in between, or bring more hands or a wagon.`
    : undefined;
}

/** With less than this chance a plan that meets every window is low. From memory, an editable default. */
export const LITTLE_CHANCE = 0.8;

/** The lamp with what the rehearsed days say: a plan that seldom comes off is not lit. */
export function rehearsed(lamp: Lamp, rehearsal: Rehearsal | null): Lamp {
  if (!rehearsal || (lamp.state !== 'lit' && lamp.state !== 'low')) return lamp;
  const told = `Ready on ${chanceText(rehearsal.chance, rehearsal.runs, 'rehearsed days')}.`;
  return {
    ...lamp,
    state: rehearsal.chance < LITTLE_CHANCE ? 'low' : lamp.state,
    reason: `${lamp.reason} ${told}`,
  };
}
