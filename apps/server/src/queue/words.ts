import { createHash } from 'node:crypto';
import { sql } from 'drizzle-orm';
import type { Queries } from '../db/database.ts';
import { WORK_CHANNEL } from '../events/hub.ts';

/** Kinds of work: a plan that somebody waits for, the lamps of a job in a list, and what several jobs take. */
export type Task = 'plan' | 'lamps' | 'needs';

/** By it the same work is known as the same. */
export const keyOf = (task: Task, input: string): string =>
  `${task}:${createHash('sha256').update(input).digest('base64url')}`;

/** What is told of an item: that it is done, or that nobody wants it any more. */
export const word = { done: (key: string) => `done ${key}`, stop: (key: string) => `stop ${key}` };

export async function tellWork(db: Queries, said: string): Promise<void> {
  await db.execute(sql`select pg_notify(${WORK_CHANNEL}, ${said})`);
}
