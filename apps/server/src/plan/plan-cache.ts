import { createHash } from 'node:crypto';
import type { JobFile, Plan } from '@early-lantern/contract';
import { planJob } from '@early-lantern/core';

/** Works a plan out; the signal stops it when nobody wants it any more. */
export type Planning = (file: JobFile, signal?: AbortSignal) => Promise<Plan>;

/** Plans kept: the same file gives the same plan. */
const KEPT = 60;

interface Kept {
  plan: Promise<Plan>;
  /** Who waits for it, of those who can go away; infinite once somebody waits who cannot. */
  waiting: number;
  stop: AbortController;
}

/**
 * The plan of a file, worked out once however many ask for it at the same time, and kept for those who ask again. It is
 * stopped when all who asked have gone. A plan that cannot be made says so to all who asked for it, and is tried anew for
 * the next.
 */
export function planCache(work: Planning = planHere): Planning {
  const kept = new Map<string, Kept>();
  return (file, signal) => {
    const key = createHash('sha256').update(JSON.stringify(file)).digest('base64');
    const known = kept.get(key) ?? begin(key, file);
    known.waiting += signal ? 1 : Infinity;
    signal?.addEventListener(
      'abort',
      () => {
        known.waiting -= 1;
        if (known.waiting === 0) known.stop.abort();
      },
      { once: true },
    );
    return known.plan;
  };

  function begin(key: string, file: JobFile): Kept {
    const stop = new AbortController();
    const one: Kept = { plan: work(file, stop.signal), waiting: 0, stop };
    kept.set(key, one);
    const forget = () => {
      if (kept.get(key) === one) kept.delete(key);
    };
    // What was stopped is not there for whoever asks next.
    stop.signal.addEventListener('abort', forget);
    one.plan.catch(forget);
    const oldest = kept.keys().next().value;
    if (kept.size > KEPT && oldest !== undefined) kept.delete(oldest);
    return one;
  }
}

/** In this very thread, once whoever came before has had their turn. */
async function planHere(file: JobFile): Promise<Plan> {
  await new Promise(setImmediate);
  return planJob(file);
}
