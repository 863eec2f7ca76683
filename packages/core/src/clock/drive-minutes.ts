import type { JobFile } from '@early-lantern/contract';

/** Out to set up and home, out to the strike and back. */
export type Way = 'out' | 'home' | 'strike' | 'back';

/** One way between the workshop and the site, minutes: as typed for the hour of this job, else as surveyed. */
export const driveMinutes = ({ site, job }: Pick<JobFile, 'site' | 'job'>, which: Way): number =>
  job.drives?.[which] ?? site.driveMin;
