/** Every table, as PostgreSQL has it; its migrations are made from here (`drizzle-kit generate`). */

export * from './tables/jobs.ts';
export * from './tables/on-the-day.ts';
export * from './tables/people.ts';
export * from './tables/work.ts';
export * from './tables/workshop.ts';
