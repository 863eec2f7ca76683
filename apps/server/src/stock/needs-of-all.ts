import type { JobFile } from '@early-lantern/contract';
import { type JobNeeds, needsOfJob } from '@early-lantern/core';

/** What jobs take, one for each file; null of one that cannot be counted. */
export type Reckoning = (files: readonly JobFile[]) => Promise<(JobNeeds | null)[]>;

/** The same, in this very thread. */
export function needsOfAll(files: readonly JobFile[]): (JobNeeds | null)[] {
  return files.map((file) => {
    try {
      return needsOfJob(file);
    } catch {
      return null;
    }
  });
}
