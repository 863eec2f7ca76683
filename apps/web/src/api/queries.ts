import type {
  Availability,
  CrewRow,
  DayCounts,
  Found,
  ItemMovement,
  JobFile,
  JobFilter,
  JobLamps,
  JobName,
  JobRow,
  Lack,
  MonthJob,
  MovementRow,
  ProductWant,
  SiteRow,
  Workshop,
  WorkshopRow,
} from '@early-lantern/contract';
import {
  infiniteQueryOptions,
  keepPreviousData,
  QueryClient,
  type QueryKey,
  queryOptions,
  useInfiniteQuery,
  useQuery,
} from '@tanstack/react-query';
import { ApiProblem, call, isPassing, SignedOut } from './client.ts';

interface Page<T> {
  items: T[];
  total: number;
  next: string | null;
}

export const queryClient = new QueryClient({
  defaultOptions: {
    mutations: { networkMode: 'always' },
    queries: {
      // The server is this machine: whether the browser thinks itself online says nothing of it.
      networkMode: 'always',
      staleTime: 5_000,
      // A refusal will not change by asking again; silence may.
      retry: (failures, error) =>
        (isPassing(error) || !(error instanceof ApiProblem || error instanceof SignedOut)) && failures < 3,
    },
  },
});

/** Throws why nothing can be shown: something that was never read. What was read before stays on screen while the server is silent. */
export function throwUnread(...reads: readonly { error: Error | null; data: unknown }[]): void {
  for (const { error, data } of reads) if (error && data === undefined) throw error;
}

/** Every page of a list, one after the other. */
async function all<T>(path: string): Promise<T[]> {
  const items: T[] = [];
  let after: string | null = null;
  do {
    const mark: string = after ? `&after=${encodeURIComponent(after)}` : '';
    const page: Page<T> = await call<Page<T>>(
      'GET',
      `${path}${path.includes('?') ? '&' : '?'}limit=100${mark}`,
    );
    items.push(...page.items);
    after = page.next;
  } while (after);
  return items;
}

export const keys = {
  workshop: ['workshop'] as const,
  crew: ['crew'] as const,
  sites: ['sites'] as const,
  jobs: ['jobs'] as const,
  job: (id: string) => ['job', id] as const,
  packing: (id: string) => ['jobs', id, 'packing'] as const,
  onSite: (id: string) => ['on-site', id] as const,
  names: ['jobs', 'names'] as const,
  deleted: ['jobs', 'deleted'] as const,
  pages: (which: 'standing' | 'over', moment: string, filter: JobFilter) =>
    ['jobs', which, moment, filter] as const,
  jobsAbout: (standing: string, until: string) => ['jobs', 'about', standing, until] as const,
  opened: (recorded: 'yes' | 'no', state: string, until: string) =>
    ['jobs', 'opened', recorded, state, until] as const,
  wants: (nominalIn: number, colour: string) => ['jobs', 'wants', nominalIn, colour] as const,
  month: (from: string) => ['jobs', 'month', from] as const,
  search: (words: string) => ['jobs', 'search', words] as const,
  lampsBetween: (from: string | undefined, until: string | undefined) =>
    ['jobs', 'lamps', from, until] as const,
  leftBetween: (from: string | undefined, until: string | undefined) =>
    ['jobs', 'left', from, until] as const,
  photos: (id: string) => ['jobs', id, 'photos'] as const,
  left: (id: string) => ['jobs', id, 'left'] as const,
  versions: (id: string) => ['job', id, 'versions'] as const,
  links: (id: string) => ['jobs', id, 'links'] as const,
  history: (what: string, id: string | undefined) => [what, 'history', id] as const,
  movements: ['movements'] as const,
  backups: ['backups'] as const,
  lacks: ['jobs', 'lacks'] as const,
  counts: (from: string) => ['jobs', 'counts', from] as const,
};

export const workshopQuery = queryOptions({
  queryKey: keys.workshop,
  queryFn: () => call<WorkshopRow>('GET', '/workshop'),
});
export const crewQuery = queryOptions({ queryKey: keys.crew, queryFn: () => all<CrewRow>('/crew') });
export const sitesQuery = queryOptions({ queryKey: keys.sites, queryFn: () => all<SiteRow>('/sites') });

export const useSettings = () => useQuery(workshopQuery);
export const useCrew = () => useQuery(crewQuery);
export const useSites = () => useQuery(sitesQuery);

/** Jobs found by their names: those nearest to now. */
export const useJobNames = () =>
  useQuery({ queryKey: keys.names, queryFn: () => call<JobName[]>('GET', '/job-names?limit=40') });

/** So many jobs are read at once where they are shown one after the other. */
const PAGE = 20;

/** A list of jobs, page by page. */
const pagesOfJobs = <K extends QueryKey>(queryKey: K, asked: Record<string, string>, limit: number) =>
  infiniteQueryOptions({
    queryKey,
    queryFn: ({ pageParam }) => {
      const query = new URLSearchParams({
        ...asked,
        limit: String(limit),
        ...(pageParam ? { after: pageParam } : {}),
      });
      return call<Page<JobRow>>('GET', `/jobs?${query}`);
    },
    initialPageParam: '',
    getNextPageParam: ({ next }) => next,
  });

/** Jobs that are not over at a moment, or those that are, the latest first; page by page. */
export const jobPagesQuery = (which: 'standing' | 'over', moment: string, filter: JobFilter) =>
  pagesOfJobs(
    keys.pages(which, moment, filter),
    { ...(which === 'standing' ? { standing: moment } : { over: moment, order: 'desc' }), ...filter },
    PAGE,
  );

export const useJobPages = (...asked: Parameters<typeof jobPagesQuery>) =>
  useInfiniteQuery({ ...jobPagesQuery(...asked), placeholderData: keepPreviousData });

/** All jobs that match, the latest doors first, a hundred at a time. */
export const useJobList = (filter: JobFilter) =>
  useInfiniteQuery({
    ...pagesOfJobs(['jobs', 'list', filter], { ...filter, order: 'desc' }, 100),
    placeholderData: keepPreviousData,
  });

/** Jobs in some states whose doors opened before a moment and whose use is recorded, or is not: the latest first, page by page. */
export const useOpenedJobs = (recorded: 'yes' | 'no', state: string, until: string) =>
  useInfiniteQuery({
    ...pagesOfJobs(keys.opened(recorded, state, until), { recorded, until, state, order: 'desc' }, PAGE),
    placeholderData: keepPreviousData,
  });

/** The jobs of a span of some weeks, as a calendar shows them. */
export const useMonth = (from: string, until: string) =>
  useQuery({
    queryKey: keys.month(from),
    queryFn: () => call<MonthJob[]>('GET', `/month?${new URLSearchParams({ from, until })}`),
  });

/** Jobs, places and people found by words; nothing is looked for before two letters. */
export const useFound = (words: string) =>
  useQuery({
    queryKey: keys.search(words),
    queryFn: () => call<Found[]>('GET', `/search?${new URLSearchParams({ q: words })}`),
    enabled: words.trim().length > 1,
    placeholderData: keepPreviousData,
  });

/** What other jobs leave to each of those with doors in a span; what was known before stays until it is there. @param isWanted already */
export const useLeftBetween = (from: string | undefined, until: string | undefined, isWanted: boolean) =>
  useQuery({
    queryKey: keys.leftBetween(from, until),
    queryFn: () =>
      call<Record<string, Availability>>(
        'GET',
        `/left?${new URLSearchParams({ from: from ?? '', until: until ?? '' })}`,
      ),
    enabled: isWanted && from !== undefined && until !== undefined,
    placeholderData: keepPreviousData,
  });

/** Asked again so often while some are being worked out, ms; as a rule the server tells of each before. */
const LAMPS_AGAIN_MS = 4_000;

/** What the lamps say of the jobs with doors in a span, by job id, as the server keeps them. */
export const lampsQuery = (from: string | undefined, until: string | undefined) =>
  queryOptions({
    queryKey: keys.lampsBetween(from, until),
    queryFn: () =>
      call<Record<string, JobLamps>>(
        'GET',
        `/lamps?${new URLSearchParams({ from: from ?? '', until: until ?? '' })}`,
      ),
    enabled: from !== undefined && until !== undefined,
  });

export const useLampsBetween = (from: string | undefined, until: string | undefined) =>
  useQuery({
    ...lampsQuery(from, until),
    placeholderData: keepPreviousData,
    refetchInterval: ({ state }) =>
      Object.values(state.data ?? {}).some(({ lamps, failure }) => !lamps && !failure) && LAMPS_AGAIN_MS,
  });

/** Every job that is not over at a moment and has its doors before another one, the earliest first. */
export const useJobsAbout = (standing: string, until: string) =>
  useQuery({
    queryKey: keys.jobsAbout(standing, until),
    queryFn: () => all<JobRow>(`/jobs?${new URLSearchParams({ standing, until })}`),
  });

/** Which coming jobs need a product. */
export const useWants = (nominalIn: number, colour: string) =>
  useQuery({
    queryKey: keys.wants(nominalIn, colour),
    queryFn: () =>
      call<ProductWant[]>(
        'GET',
        `/stock/wants?${new URLSearchParams({ nominalIn: String(nominalIn), colour })}`,
      ),
  });

/** What other jobs leave to this one of shelf, pipes and weights. */
export const useAvailability = (jobId: string) =>
  useQuery({ queryKey: keys.left(jobId), queryFn: () => call<Availability>('GET', `/jobs/${jobId}/left`) });

/** What the open jobs lack, each on its day. @param workshopRevision of the shelf that it is told of */
export const useLacks = (workshopRevision: number) =>
  useQuery({
    queryKey: [...keys.lacks, workshopRevision],
    queryFn: () => call<Lack[]>('GET', '/stock/lacks'),
    placeholderData: keepPreviousData,
  });

const ledgerPage = <T>(path: string, after: string) =>
  call<Page<T>>('GET', `${path}?limit=100${after ? `&after=${after}` : ''}`);

/** Entries of the shelf's ledger, newest first, page by page. */
export const useMovements = () =>
  useInfiniteQuery({
    queryKey: [...keys.movements, 'balloons'],
    queryFn: ({ pageParam }) => ledgerPage<MovementRow>('/stock/movements', pageParam),
    initialPageParam: '',
    getNextPageParam: ({ next }) => next,
  });

/** The same of consumables and gear. */
export const useItemMovements = (isWanted: boolean) =>
  useInfiniteQuery({
    queryKey: [...keys.movements, 'items'],
    queryFn: ({ pageParam }) => ledgerPage<ItemMovement>('/stock/items/movements', pageParam),
    initialPageParam: '',
    getNextPageParam: ({ next }) => next,
    enabled: isWanted,
  });

/** Everything that the jobs with doors in a span take. */
export const useDayCounts = (from: string, until: string) =>
  useQuery({
    queryKey: keys.counts(from),
    queryFn: () =>
      call<DayCounts>('GET', `/counts?from=${encodeURIComponent(from)}&until=${encodeURIComponent(until)}`),
  });

/** The workshop with its people, once both are there. */
export function useWorkshop(): Workshop | undefined {
  const settings = useSettings().data;
  const crew = useCrew().data;
  return settings && crew && joinWorkshop(settings, crew);
}

const joined = new WeakMap<WorkshopRow, { crew: CrewRow[]; workshop: Workshop }>();

/** One object for the same rows, so that what is derived from it need not be derived again. */
function joinWorkshop(settings: WorkshopRow, crew: CrewRow[]): Workshop {
  const known = joined.get(settings);
  if (known?.crew === crew) return known.workshop;
  const workshop = { ...settings.data, crew: crew.map((row) => row.data) };
  joined.set(settings, { crew, workshop });
  return workshop;
}

/** The job file of a row, from what is loaded already. */
export function fileOf(row: JobRow, workshop: Workshop, sites: SiteRow[]): JobFile | undefined {
  const site = sites.find((one) => one.data.id === row.data.siteId)?.data;
  if (!site) return undefined;
  const job = { ...row.data, pieces: row.pieces.map((piece) => piece.data) };
  return { format: 'early-lantern/job', version: 2, workshop, site, job };
}
