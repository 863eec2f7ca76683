import type { JobFilter, JobLamps, SiteRow, Workshop } from '@early-lantern/contract';
import {
  Accordion,
  AccordionDetails,
  AccordionSummary,
  Button,
  LinearProgress,
  Stack,
  Typography,
} from '@mui/material';
import { DateTime } from 'luxon';
import { useMemo, useState } from 'react';
import { throwUnread, useJobPages, useLampsBetween, useLeftBetween } from '../api/queries.ts';
import { type ReadyJob, useReadyJobs, useSettled } from '../workers/ready-jobs.ts';
import { JobCard } from './JobCard.tsx';

interface PastProps {
  /** Over since this morning, and read already, the latest first. */
  recent: readonly ReadyJob[];
  /** Those that were over at this moment are read page by page. */
  before: string;
  filter: JobFilter;
  workshop: Workshop;
  sites: SiteRow[];
  now: number;
  /** What the lamps of the recent ones say, by job id. */
  told: Readonly<Record<string, JobLamps>>;
}

/** The jobs that are over, the latest first; looked at only when they are asked for. */
export function Past({ recent, before, filter, workshop, sites, now, told }: PastProps) {
  const [isOpen, setOpen] = useState(false);
  const pages = useJobPages('over', before, filter);
  const rows = useMemo(() => pages.data?.pages.flatMap(({ items }) => items), [pages.data]);
  const first = rows?.at(-1)?.data.doors;
  const toldOlder = useLampsBetween(isOpen && first ? first : undefined, before).data;
  const left = useLeftBetween(first, before, isOpen && toldOlder !== undefined);
  const older = useSettled(useReadyJobs(rows, workshop, sites), left.data) ?? [];
  const total = recent.length + (pages.data?.pages[0]?.total ?? 0);
  throwUnread(pages);
  if (total === 0) return null;
  return (
    <Accordion
      variant="outlined"
      disableGutters
      expanded={isOpen}
      onChange={(_, open) => setOpen(open)}
      slotProps={{ transition: { unmountOnExit: true } }}
    >
      <AccordionSummary>
        <Typography variant="h2" component="h2">
          Past · {total}
        </Typography>
      </AccordionSummary>
      <AccordionDetails>
        <Stack spacing={1.25}>
          {[...recent, ...older].map(({ row, file }) => (
            <JobCard
              key={row.data.id}
              row={row}
              file={file}
              told={told[row.data.id] ?? toldOlder?.[row.data.id]}
              now={now}
            />
          ))}
          {pages.isFetchingNextPage && <LinearProgress aria-label="Reading on" />}
          {pages.hasNextPage && (
            <Button onClick={() => void pages.fetchNextPage()}>
              Show more before {DateTime.fromISO(first ?? before).toFormat('d LLLL yyyy', { locale: 'en' })}
            </Button>
          )}
        </Stack>
      </AccordionDetails>
    </Accordion>
  );
}
