import {
  crewQuery,
  jobPagesQuery,
  lampsQuery,
  queryClient,
  sitesQuery,
  workshopQuery,
} from './api/queries.ts';
import { dayStart } from './horizon/day-start.ts';
import { soonSpan } from './horizon/doors-span.ts';
import { ALL_BUT_CANCELLED } from './horizon/filter.ts';
import { meQuery } from './people/me.ts';

/** Pages of guests, and those that must open without a signal: they ask for what they need themselves. */
const OTHERS = /^\/(join|look|on-site)/;

/** Asks for what the first screen waits for while it is still being drawn; a failure is told by whoever waits for it. */
export function askEarly({ pathname, search }: Pick<Location, 'pathname' | 'search'>): void {
  if (OTHERS.test(pathname)) return;
  void queryClient.prefetchQuery(meQuery);
  void queryClient.prefetchQuery(workshopQuery);
  if (pathname !== '/') return;
  void queryClient.prefetchQuery(crewQuery);
  void queryClient.prefetchQuery(sitesQuery);
  if (!search) void askForFirstDays();
}

/** The jobs of the first page, and as soon as they are known what the lamps of the first ones say. */
async function askForFirstDays(): Promise<void> {
  const jobs = jobPagesQuery('standing', dayStart(Date.now()), ALL_BUT_CANCELLED);
  await queryClient.prefetchInfiniteQuery(jobs);
  const first = queryClient.getQueryData(jobs.queryKey)?.pages[0];
  const [from, until] = soonSpan(first?.items, Date.now());
  if (from && until) await queryClient.prefetchQuery(lampsQuery(from, until));
}
