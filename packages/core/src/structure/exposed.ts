import type { JobFile, Task } from '@early-lantern/contract';

/**
 * The job with its access from when the first thing is put up on: what stands there is exposed to wind from then until
 * the strike.
 * @returns undefined without a forecast, which alone tells hours apart, or where nothing is put up
 */
export function exposedOnly(file: JobFile, tasks: readonly Task[]): JobFile | undefined {
  const { job } = file;
  const starts = tasks.filter(({ place, pieceId }) => place === 'site' && pieceId).map(({ start }) => start);
  if (!job.weather || job.gustMs !== undefined || starts.length === 0) return undefined;
  const from = starts.reduce((a, b) => (Date.parse(b) < Date.parse(a) ? b : a));
  if (Date.parse(from) <= Date.parse(job.access.from)) return undefined;
  return { ...file, job: { ...job, access: { ...job.access, from: new Date(from).toISOString() } } };
}
