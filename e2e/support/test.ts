import { test as base } from '@playwright/test';
import { type Stack, startStack } from './stack.ts';

/** A product that the journeys of a worker share, and the cookies of whoever goes through them. */
interface Shared extends Stack {
  cookies: { name: string; value: string; domain: string; path: string }[];
}

const PASSWORD = 'four lanterns in a row';

/** The owner of the house, signed in with a password. */
async function signedIn({ url }: Stack): Promise<Shared['cookies']> {
  const reply = await fetch(`${url}/api/v1/owner`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ name: 'Ode Farrow', password: PASSWORD }),
  });
  if (!reply.ok) throw new Error(await reply.text());
  return reply.headers.getSetCookie().map((cookie) => {
    const [name = '', value = ''] = (cookie.split(';')[0] as string).split('=');
    return { name, value, domain: new URL(url).hostname, path: '/' };
  });
}

/**
 * Tests that share one running product, loaded with the demo, per worker. Journeys go through it signed in as the owner; what changes
 * the workshop for everybody, in a house that nobody has closed yet.
 */
export const test = base.extend<object, { stack: Shared }>({
  stack: [
    // The first argument names the fixtures used; there are none.
    // biome-ignore lint/correctness/noEmptyPattern: see above
    async ({}, use, { project }) => {
      const stack = await startStack();
      const cookies = project.name === 'journeys' ? await signedIn(stack) : [];
      await use({ ...stack, cookies });
      await stack.stop();
    },
    { scope: 'worker', timeout: 180_000 },
  ],
  baseURL: async ({ stack }, use) => use(stack.url),
  storageState: async ({ stack }, use) =>
    use({
      cookies: stack.cookies.map((cookie) => ({
        ...cookie,
        expires: -1,
        httpOnly: true,
        secure: false,
        sameSite: 'Strict' as const,
      })),
      origins: [],
    }),
});

export { expect } from '@playwright/test';
