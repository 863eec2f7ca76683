import { createHash } from 'node:crypto';
import type { JobFile, Plan } from '@early-lantern/contract';
import { planJob } from '@early-lantern/core';

/** Works a plan out. */
export type Planning = (file: JobFile) => Promise<Plan>;

/** Plans kept: the same file gives the same plan. */
const KEPT = 60;

/**
 * The plan of a file, worked out once however many ask for it at the same time, and kept for those who ask again. A plan
 * that cannot be made says so to all who asked for it, and is tried anew for the next.
 */
export function planDesk(work: Planning = planHere): Planning {
  const kept = new Map<string, Promise<Plan>>();
  return (file) => {
    const key = createHash('sha256').update(JSON.stringify(file)).digest('base64');
    const known = kept.get(key);
    if (known) return known;
    const plan = work(file);
    kept.set(key, plan);
    plan.catch(() => kept.delete(key));
    const oldest = kept.keys().next().value;
    if (kept.size > KEPT && oldest !== undefined) kept.delete(oldest);
    return plan;
  };
}

/** In this very thread, once whoever came before has had their turn. */
async function planHere(file: JobFile): Promise<Plan> {
  await new Promise(setImmediate);
  return planJob(file);
}
