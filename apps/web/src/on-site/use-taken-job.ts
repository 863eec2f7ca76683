import type { JobFile, Plan } from '@early-lantern/contract';
import { useQuery } from '@tanstack/react-query';
import { call } from '../api/client.ts';
import { keys } from '../api/queries.ts';
import { keepJob, keptJob, type TakenJob } from './kept-on-device.ts';

/** What is on the phone is shown meanwhile; where the signal is bad a first reading may take its time. */
const PATIENCE_MS = 60_000;

/** Not reached, the server is asked again after so long, ms. */
const AGAIN_MS = 15_000;

/** Reads a job with its plan, and keeps it on this device. */
export async function takeAlong(jobId: string): Promise<TakenJob> {
  const [file, plan] = await Promise.all([
    call<JobFile>('GET', `/jobs/${jobId}/file`, undefined, PATIENCE_MS),
    call<Plan>('GET', `/jobs/${jobId}/plan`, undefined, PATIENCE_MS),
  ]);
  const taken = { file, plan, readAt: new Date().toISOString() };
  // Without room it is shown all the same; the page says that it is not on the phone.
  await keepJob(taken).catch(() => undefined);
  return taken;
}

/** A job as the server has it now, or as it was when it was read last: what is on this device shows at once. */
export function useTakenJob(jobId: string) {
  const kept = useQuery({
    queryKey: ['on-device', jobId],
    queryFn: async () => (await keptJob(jobId).catch(() => undefined)) ?? null,
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
  });
  const read = useQuery({
    queryKey: keys.onSite(jobId),
    queryFn: () => takeAlong(jobId),
    staleTime: 30_000,
    retry: false,
    refetchInterval: ({ state }) => (state.error ? AGAIN_MS : false),
    refetchOnReconnect: true,
  });
  return {
    taken: read.data ?? kept.data ?? undefined,
    isLooking: kept.isPending || (read.isPending && !kept.data),
    error: read.error,
    isReading: read.isFetching,
    again: read.refetch,
  };
}
