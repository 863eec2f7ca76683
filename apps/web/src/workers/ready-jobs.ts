import type { Availability, JobFile, JobRow, SiteRow, Workshop } from '@early-lantern/contract';
import { useMemo } from 'react';
import { fileOf } from '../api/queries.ts';

export interface ReadyJob {
  row: JobRow;
  file: JobFile;
  /** What earlier jobs hold of the shelf is known: only then lamps are lit, so that none has to change its mind. */
  isSettled: boolean;
}

const files = new WeakMap<JobRow, ReadyJob & { workshop: Workshop; sites: SiteRow[] }>();

/** Rows with their job files; the same file for the same row, so that its plan is made once. */
export function useReadyJobs(
  rows: JobRow[] | undefined,
  workshop: Workshop | undefined,
  sites: SiteRow[] | undefined,
): ReadyJob[] | undefined {
  return useMemo(() => {
    if (!rows || !workshop || !sites) return undefined;
    return rows.flatMap((row) => {
      const known = files.get(row);
      if (known && known.workshop === workshop && known.sites === sites) return [known];
      const file = fileOf(row, workshop, sites);
      if (!file) return [];
      const made = { row, file, workshop, sites, isSettled: false };
      files.set(row, made);
      return [made];
    });
  }, [rows, workshop, sites]);
}

const withLeft = new WeakMap<ReadyJob, { key: string; ready: ReadyJob }>();

/** What a recorded job finds taken: nothing, it asks nothing more. */
const RECORDED = { isUsed: true } as const;

/** The jobs with what others take of shelf, pipes and weights, by job id; where that is not known yet, as they are. */
export function useSettled(
  ready: ReadyJob[] | undefined,
  left: Record<string, Availability> | undefined,
): ReadyJob[] | undefined {
  return useMemo(
    () =>
      ready?.map((one) => {
        if (!left) return one;
        const theirs = one.row.usedAt === null ? left[one.row.data.id] : RECORDED;
        // A job that came meanwhile is not among those looked at yet.
        if (!theirs) return one;
        const key = JSON.stringify(theirs);
        const known = withLeft.get(one);
        if (known?.key === key) return known.ready;
        const file = { ...one.file, workshop: { ...one.file.workshop, ...theirs } };
        const made = { row: one.row, file, isSettled: true };
        withLeft.set(one, { key, ready: made });
        return made;
      }),
    [ready, left],
  );
}
