import { availableParallelism } from 'node:os';
import { fileURLToPath } from 'node:url';
import type { JobFile, Plan, ToldLamps } from '@early-lantern/contract';
import type { JobNeeds } from '@early-lantern/core';
import type { TableReader } from '../sheets/files.ts';
import type { ReadTable, TableFile } from '../sheets/read-table.ts';
import { threadPool } from './thread-pool.ts';

/** A plan of the largest job takes some seconds on a slow machine. */
const PLAN_BUDGET_MS = 60_000;
/** A sheet of 20,000 rows takes about two. */
const SHEET_BUDGET_MS = 20_000;
const MOST_MIB = 1024;

const beside = (name: string) => fileURLToPath(new URL(`./${name}`, import.meta.url));

/** A worker's threads: one for every core but one to plan, one for the lamps of lists, one for what jobs take. Their files are built beside the program's. */
export function workThreads() {
  const plans = threadPool<JobFile, Plan>({
    filename: beside('plan-worker.js'),
    what: 'This plan',
    threads: Math.max(1, availableParallelism() - 1),
    budgetMs: PLAN_BUDGET_MS,
    mostMib: MOST_MIB,
  });
  // Of its own: whoever has a job open does not wait for the lamps of others.
  const lamps = threadPool<JobFile, ToldLamps>({
    filename: beside('judge-worker.js'),
    what: 'Looking at this job',
    threads: 1,
    budgetMs: PLAN_BUDGET_MS,
    mostMib: MOST_MIB,
  });
  const needs = threadPool<readonly JobFile[], (JobNeeds | null)[]>({
    filename: beside('needs-worker.js'),
    what: 'Counting these jobs',
    threads: 1,
    budgetMs: PLAN_BUDGET_MS,
    mostMib: MOST_MIB,
  });
  return {
    plan: plans.run,
    judge: lamps.run,
    needs: needs.run,
    close: () => Promise.all([plans.close(), lamps.close(), needs.close()]),
  };
}

/** The server's: one to read sheets. */
export function sheetThread(): { readTable: TableReader; close: () => Promise<void> } {
  const sheets = threadPool<TableFile, ReadTable>({
    filename: beside('table-worker.js'),
    what: 'Reading this sheet',
    threads: 1,
    budgetMs: SHEET_BUDGET_MS,
    mostMib: MOST_MIB,
  });
  return { readTable: (file) => sheets.run(file), close: sheets.close };
}
