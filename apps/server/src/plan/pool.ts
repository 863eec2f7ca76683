import { availableParallelism } from 'node:os';
import { fileURLToPath } from 'node:url';
import Tinypool from 'tinypool';
import type { Planning } from './desk.ts';

/**
 * Threads that plan, so that whoever reads or saves meanwhile does not wait: one for every core but one. Built with the
 * server into a file beside it.
 */
export function planningPool(): { plan: Planning; close: () => Promise<void> } {
  const pool = new Tinypool({
    filename: fileURLToPath(new URL('./plan-worker.js', import.meta.url)),
    minThreads: 0,
    maxThreads: Math.max(1, availableParallelism() - 1),
    // A thread that has nothing to do for a minute goes home.
    idleTimeout: 60_000,
  });
  return { plan: (file) => pool.run(file), close: () => pool.destroy() };
}
