import type {
  JobFile,
  JobRow,
  OrganicGarland,
  Plan,
  WorkshopRow,
  WorkshopSettings,
} from '@early-lantern/contract';
import type { APIRequestContext } from '@playwright/test';

/** A copy of the engine shed job under its own id, so that tests do not meet. */
export async function ownJob(request: APIRequestContext, id: string): Promise<JobRow> {
  const file = (await (await request.get('/api/v1/jobs/engine-shed-unveiled/file')).json()) as JobFile;
  file.job.id = id;
  file.job.name = `Shed ${id}`;
  // Its two garlands are enough to try things on.
  file.job.pieces = file.job.pieces.slice(0, 2);
  await request.post('/api/v1/job-files', { data: file });
  return getJob(request, id);
}

export const getJob = async (request: APIRequestContext, id: string): Promise<JobRow> =>
  (await request.get(`/api/v1/jobs/${id}`)).json() as Promise<JobRow>;

export const getPlan = async (request: APIRequestContext, id: string): Promise<Plan> =>
  (await request.get(`/api/v1/jobs/${id}/plan`)).json() as Promise<Plan>;

/** The plan of a stored job as if there were no other: by its file. */
export async function planAlone(request: APIRequestContext, id: string): Promise<Plan> {
  const file = (await (await request.get(`/api/v1/jobs/${id}/file`)).json()) as JobFile;
  return (await request.post('/api/v1/plan', { data: file })).json() as Promise<Plan>;
}

/** The line of the job's first piece, a garland. */
export const firstLine = (job: JobRow) => (job.pieces[0] as { data: OrganicGarland }).data.line;

/** Changes the workshop by hand of the API. */
export async function changeWorkshop(
  request: APIRequestContext,
  edit: (settings: WorkshopSettings) => Partial<WorkshopSettings>,
): Promise<void> {
  const row = (await (await request.get('/api/v1/workshop')).json()) as WorkshopRow;
  const data = { ...row.data, ...edit(row.data) };
  const reply = await request.put('/api/v1/workshop', { data: { revision: row.revision, data } });
  if (!reply.ok()) throw new Error(await reply.text());
}
