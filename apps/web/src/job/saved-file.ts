import { useNotice } from '../parts/notices.tsx';
import { useJob } from './context.ts';
import type { JobStore } from './job-store.ts';

/** Where a job file is had. */
export const jobFileAddress = (jobId: string) => `/api/v1/jobs/${jobId}/file`;

/**
 * Downloads what the server makes of a job: saves first, so that the file holds what is on screen, and gives none where
 * that cannot be.
 */
export async function downloadSaved(
  store: JobStore,
  address: string,
  notify: ReturnType<typeof useNotice>,
): Promise<void> {
  await store.flush();
  if (store.getSnapshot().save.kind === 'saved') window.location.assign(address);
  else notify({ text: 'Not saved yet, so no file is made: it would not hold what is on screen.' });
}

/** Downloads of the job on screen, by address. */
export function useSavedFile(): (address: string) => void {
  const { store } = useJob();
  const notify = useNotice();
  return (address) => void downloadSaved(store, address, notify);
}
