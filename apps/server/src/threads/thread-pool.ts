import Tinypool from 'tinypool';
import { ProblemError } from '../http/problem.ts';

/** Work done in threads of its own. */
export interface ThreadPool<Input, Output> {
  /**
   * @param signal stops the work when nobody wants it any more
   * @throws ProblemError 503 where it takes longer than its budget; what the work itself throws
   */
  run: (input: Input, signal?: AbortSignal) => Promise<Output>;
  close: () => Promise<void>;
}

export interface ThreadPoolOptions {
  /** Module whose default export does the work. */
  filename: string;
  /** What a piece of work is called when it took too long. */
  what: string;
  threads: number;
  /** A piece of work that takes longer is stopped, ms; the thread that hung is replaced. */
  budgetMs: number;
  /** Memory of a thread, MiB. */
  mostMib: number;
}

/** Threads that work, so that whoever reads or saves meanwhile does not wait. */
export function threadPool<Input, Output>(options: ThreadPoolOptions): ThreadPool<Input, Output> {
  const pool = new Tinypool({
    filename: options.filename,
    // All of them always: only then is one that was stopped replaced while others wait in line.
    minThreads: options.threads,
    maxThreads: options.threads,
    resourceLimits: { maxOldGenerationSizeMb: options.mostMib },
  });
  const { what, budgetMs } = options;
  return {
    run: async (input, signal) => {
      const budget = new AbortController();
      // The budget runs from when the work is asked for: whoever waits too long in line is told the same.
      const timer = setTimeout(() => budget.abort(), budgetMs);
      try {
        return await pool.run(input, {
          signal: signal ? AbortSignal.any([signal, budget.signal]) : budget.signal,
        });
      } catch (error) {
        if (budget.signal.aborted) throw tookTooLong(what, budgetMs);
        throw error;
      } finally {
        clearTimeout(timer);
      }
    },
    close: () => pool.destroy(),
  };
}

const tookTooLong = (what: string, budgetMs: number) =>
  new ProblemError(
    'took-too-long',
    `${what} took longer than ${budgetMs / 1000} seconds and was stopped. Nothing was changed.`,
  );
