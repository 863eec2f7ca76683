import type { JobStore } from './job-store.ts';

/** Saves first, so that the file holds what is on screen. */
export async function exportJob(store: JobStore, jobId: string): Promise<void> {
  await store.flush();
  window.location.assign(`/api/v1/jobs/${jobId}/file`);
}
