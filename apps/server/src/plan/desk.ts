import { createHash } from 'node:crypto';
import type { JobFile, Plan } from '@early-lantern/contract';
import { planJob } from '@early-lantern/core';

/** Plans kept: the same file gives the same plan. */
const KEPT = 60;

const kept = new Map<string, Plan>();
let last: Promise<unknown> = Promise.resolve();

/**
 * The plan of a file. One is worked out at a time, and between two of them whoever only reads or saves has their turn:
 * a plan takes some tenths of a second, and nobody should wait for fifty of them.
 */
export async function plannedAtDesk(file: JobFile): Promise<Plan> {
  const key = createHash('sha256').update(JSON.stringify(file)).digest('base64');
  const known = kept.get(key);
  if (known) return known;
  const turn = last.then(async () => {
    await new Promise(setImmediate);
    const plan = kept.get(key) ?? planJob(file);
    kept.set(key, plan);
    const oldest = kept.keys().next().value;
    if (kept.size > KEPT && oldest !== undefined) kept.delete(oldest);
    return plan;
  });
  // A plan that cannot be made says so to whoever asked for it, not to the next in line.
  last = turn.catch(() => undefined);
  return turn;
}
