import { openFaulty, sendFaulty } from './support/faulty-files.ts';
import { startStack } from './support/stack.ts';
import { expect, test } from './support/test.ts';

test('forty faulty job files: each planned or refused in words, and the server lives; what was taken in opens in the browser', async ({
  page,
}) => {
  test.setTimeout(180_000);
  const stack = await startStack();
  try {
    const { failures, statuses, imported } = await sendFaulty(stack.url, 40, 1);
    expect(failures).toEqual([]);
    expect([...statuses.keys()].sort()).toEqual([
      '/job-files 201',
      '/job-files 422',
      '/plan 200',
      '/plan 422',
    ]);
    expect(await openFaulty(page, stack.url, ['meadow-finish', ...imported, 'meadow-finish'])).toEqual([]);
    expect(stack.server.exitCode).toBeNull();
    expect(stack.output()).not.toContain('went down');
  } finally {
    await stack.stop();
  }
});
