import { z } from 'zod';
import type { Server } from '../http/types.ts';

/** Answer of what has nothing else to say. */
export const Done = z.strictObject({ done: z.literal(true) });
export const done = { done: true } as const;

/** What is known of who may come in is read again after every change, before its answer is out: nobody comes in with what was just ended. */
export function forgetAfterChanges(server: Server): void {
  server.addHook('onSend', async ({ method }) => {
    if (method !== 'GET') server.forgetAccess();
  });
}
