import { test as base } from '@playwright/test';
import { type Stack, startStack } from './stack.ts';

/** Tests that share one running product, loaded with the demo, per worker. */
export const test = base.extend<{ baseURL: string }, { stack: Stack }>({
  stack: [
    // The first argument names the fixtures used; there are none.
    // biome-ignore lint/correctness/noEmptyPattern: see above
    async ({}, use) => {
      const stack = await startStack();
      await use(stack);
      await stack.stop();
    },
    { scope: 'worker', timeout: 90_000 },
  ],
  baseURL: async ({ stack }, use) => use(stack.url),
});

export { expect } from '@playwright/test';
