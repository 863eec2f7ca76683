import type { JobFile, JobRow, Plan } from '@early-lantern/contract';
import type { APIRequestContext } from '@playwright/test';

/** A copy of the engine shed job under its own id, so that tests do not meet. */
export async function ownJob(request: APIRequestContext, id: string): Promise<JobRow> {
  const file = (await (await request.get('/api/v1/jobs/engine-shed-unveiled/file')).json()) as JobFile;
  file.job.id = id;
  file.job.name = `Shed ${id}`;
  await request.post('/api/v1/job-files', { data: file });
  return getJob(request, id);
}

export const getJob = async (request: APIRequestContext, id: string): Promise<JobRow> =>
  (await request.get(`/api/v1/jobs/${id}`)).json() as Promise<JobRow>;

export const getPlan = async (request: APIRequestContext, id: string): Promise<Plan> =>
  (await request.get(`/api/v1/jobs/${id}/plan`)).json() as Promise<Plan>;
