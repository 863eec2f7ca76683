import { readFile } from 'node:fs/promises';
import { JobFile, newestJobFile, read } from '@early-lantern/contract';
import { planJob } from '@early-lantern/core';

/** `lantern plan FILE`: the plan of a job file as JSON, with no server and no database. */
async function main(path: string | undefined): Promise<number> {
  if (!path) {
    console.error('Usage: ./lantern plan FILE');
    return 2;
  }
  let document: unknown;
  try {
    document = JSON.parse(await readFile(path, 'utf8'));
  } catch (error) {
    console.error(`${path}: ${(error as Error).message}`);
    return 1;
  }
  const file = read(JobFile, newestJobFile(document));
  if (!file.ok) {
    console.error(`${path} is not a sound job file:`);
    for (const fault of file.faults) console.error(`  ${fault.path}: ${fault.reason}`);
    return 1;
  }
  process.stdout.write(`${JSON.stringify(planJob(file.data), null, 2)}\n`);
  return 0;
}

// A reader that closes the pipe early, like head, has seen what it wanted.
process.stdout.on('error', () => process.exit(0));

main(process.argv[2]).then((code) => {
  process.exitCode = code;
});
