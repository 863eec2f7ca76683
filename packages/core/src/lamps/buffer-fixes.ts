import type { Fix, JobFile, Plan, Rehearsal } from '@early-lantern/contract';
import { inHandWanted } from '../clock/day-problem.ts';
import { applyChanges } from './fixes.ts';
import { LITTLE_CHANCE } from './on-time.ts';

/** Minutes more in hand that are tried. */
const MORE_MIN = [15, 30, 45, 60, 90, 120];

/**
 * A plan that seldom comes off, planned with more in hand: the least that gives the wanted chance, or the most that can
 * be had, with what it costs at the other end.
 * @param plan the plan as it is
 * @param replan a plan of a changed file, and how it comes off
 */
export function bufferFixes(
  file: JobFile,
  plan: Pick<Plan, 'onTime'>,
  rehearsal: Rehearsal | null,
  replan: (file: JobFile) => { plan: Pick<Plan, 'onTime'>; rehearsal: Rehearsal | null },
): Fix[] {
  if (!rehearsal || rehearsal.chance >= LITTLE_CHANCE || plan.onTime.minutesInHand === null) return [];
  const now = inHandWanted(file);
  let best: Fix | undefined;
  let bestChance = rehearsal.chance;
  for (const more of MORE_MIN) {
    const changes = [{ path: '/job/inHandMin', value: now + more }];
    const tried = replan(applyChanges(file, changes));
    const { minutesInHand, benchFrom } = tried.plan.onTime;
    // What access and shifts do not leave cannot be planned for.
    if (minutesInHand === null || minutesInHand < now + more) break;
    const chance = tried.rehearsal?.chance ?? 0;
    if (chance <= bestChance) continue;
    bestChance = chance;
    const earlier = Math.round(
      (Date.parse(plan.onTime.benchFrom ?? '') - Date.parse(benchFrom ?? '')) / 60_000,
    );
    best = {
      label: `Plan for ${now + more} min to spare`,
      gain: `ready on ${Math.round(chance * 100)} of 100 days; the bench opens ${earlier} min earlier`,
      changes,
    };
    if (chance * 100 >= rehearsal.wantedPct) break;
  }
  return best ? [best] : [];
}
