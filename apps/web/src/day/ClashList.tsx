import type { JobFile } from '@early-lantern/contract';
import type { Clash } from '@early-lantern/core';
import { Alert, Box } from '@mui/material';
import { clockTime, dayName } from '../parts/time.ts';

interface ClashListProps {
  clashes: readonly Clash[];
  files: readonly JobFile[];
}

/** Who and what the jobs' own plans claim at the same time. */
export function ClashList({ clashes, files }: ClashListProps) {
  const [first] = files;
  if (!first) return null;
  if (clashes.length === 0)
    return files.length > 1 ? (
      <Alert severity="success" variant="outlined" icon={false}>
        Nobody and nothing is double-booked.
      </Alert>
    ) : null;
  const zone = first.workshop.timeZone;
  const jobName = (id: string) => files.find(({ job }) => job.id === id)?.job.name ?? id;
  return (
    <Alert severity="error" variant="outlined" icon={false}>
      <strong>Double-booked while each job is planned alone</strong>
      <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
        {clashes.map((clash) => (
          <li key={`${clash.kind} ${clash.ref} ${clash.from}`}>
            {clashName(clash, first)}, {dayName(clash.from, zone)}, {clockTime(clash.from, zone)}–
            {clockTime(clash.until, zone)}: {clash.jobs.map(jobName).join(' and ')}
          </li>
        ))}
      </Box>
    </Alert>
  );
}

/** In words: `Wren Haddock`, `3 of 2 vehicles`. */
function clashName({ kind, ref, wanted, owned }: Clash, { workshop }: JobFile): string {
  if (kind === 'person') return workshop.crew.find(({ id }) => id === ref)?.name ?? ref ?? '';
  if (kind === 'ladder') return workshop.ladders?.find(({ id }) => id === ref)?.name ?? ref ?? '';
  return `${wanted} ${kind}s of ${owned}`;
}
