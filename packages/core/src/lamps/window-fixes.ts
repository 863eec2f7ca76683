import type { Change, Fix, JobFile, Plan } from '@early-lantern/contract';
import { DateTime } from 'luxon';
import { type Overrun, overrunsOf } from '../clock/overruns.ts';
import { applyChanges } from './fixes.ts';

/** A house is asked for whole quarters of an hour. */
const QUARTER_MIN = 15;

/** The house asked for longer access, or a longer strike: each tried, each keeps that window. */
export function windowFixes(
  file: JobFile,
  plan: Pick<Plan, 'tasks' | 'onTime'>,
  replan: (file: JobFile) => Pick<Plan, 'tasks' | 'onTime'>,
): Fix[] {
  const { job, workshop } = file;
  const over = (one: Pick<Plan, 'tasks' | 'onTime'>, from: JobFile) =>
    overrunsOf(from, one.tasks, one.onTime);
  const found = over(plan, file);
  const isLate = found.some(({ what }) => what === 'doors');
  return found.flatMap(({ what, minutes }: Overrun) => {
    // Whoever is late for doors is not helped by a house that closes later.
    if (what === 'doors' || (what === 'access' && isLate)) return [];
    const until = DateTime.fromISO(job[what].until, { zone: workshop.timeZone });
    const later = until.plus({ minutes: Math.ceil(minutes / QUARTER_MIN) * QUARTER_MIN });
    const changes: Change[] = [
      { path: `/job/${what}/until`, value: later.toISO({ suppressMilliseconds: true }) as string },
    ];
    const tried = applyChanges(file, changes);
    if (over(replan(tried), tried).some((one) => one.what === what)) return [];
    const asked = what === 'access' ? 'access' : 'the strike';
    return [
      {
        label: `Ask the house for ${asked} until ${later.toFormat('HH:mm')}`,
        gain: `${minutes} min that are lacking`,
        changes,
      },
    ];
  });
}
