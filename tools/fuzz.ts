import { sendFaulty } from '../e2e/support/faulty-files.ts';
import { startStack } from '../e2e/support/stack.ts';

/** A server is given so many files, then a new one: what is imported stays in its workshop. */
const A_SERVER = 1000;

/**
 * Sends many faulty job files to servers of its own, and tells how often one answered that something broke, took too long, or
 * did not answer at all.
 */
async function fuzz(count: number, firstSeed: number): Promise<void> {
  const failures: string[] = [];
  const statuses = new Map<string, number>();
  let slowestMs = 0;
  for (let done = 0; done < count; done += A_SERVER) {
    const stack = await startStack();
    try {
      const answers = await sendFaulty(stack.url, Math.min(A_SERVER, count - done), firstSeed + done);
      failures.push(...answers.failures);
      for (const [what, times] of answers.statuses) statuses.set(what, (statuses.get(what) ?? 0) + times);
      slowestMs = Math.max(slowestMs, answers.slowestMs);
      if (stack.output().includes('went down')) failures.push('the server went down');
    } finally {
      await stack.stop();
    }
    console.log(`${Math.min(count, done + A_SERVER)} of ${count}, ${failures.length} failures`);
  }
  for (const [what, times] of [...statuses].sort()) console.log(`${what}: ${times}`);
  console.log(`slowest: ${(slowestMs / 1000).toFixed(1)} s`);
  for (const failure of failures) console.log(failure);
  process.exitCode = failures.length > 0 ? 1 : 0;
}

await fuzz(Number(process.argv[2] ?? 10_000), Number(process.argv[3] ?? 1));
