import type { JobFile } from '@early-lantern/contract';
import type { Culprit, WayOut } from '@early-lantern/core';
import { Box, Button, LinearProgress, Paper, Stack, Typography } from '@mui/material';
import { clockTime } from '../parts/time.ts';

interface WaysOutProps {
  culprits: readonly Culprit[];
  files: readonly JobFile[];
  ways: { found: WayOut[]; done: number; of: number } | undefined;
  onApply: (way: WayOut) => void;
}

/** What cannot all be done, and what was tried and helps. */
export function WaysOut({ culprits, files, ways, onApply }: WaysOutProps) {
  const fileOf = (id: string) => files.find(({ job }) => job.id === id);
  const zone = files[0]?.workshop.timeZone ?? 'UTC';
  const named = ({ jobId, part }: Culprit) => {
    const job = fileOf(jobId)?.job;
    if (!job) return jobId;
    const [from, until] =
      part === 'strike' ? [job.strike.from, job.strike.until] : [job.access.from, job.doors];
    const what = part === 'strike' ? 'taking down' : 'putting up';
    return `${what} ${job.name} (${clockTime(from, zone)}–${clockTime(until, zone)})`;
  };
  const isTrying = ways === undefined || ways.done < ways.of;
  return (
    <Paper variant="outlined" component="section" aria-label="Options" sx={{ p: { xs: 1.5, sm: 2 } }}>
      <Typography variant="h2">Options</Typography>
      <Typography sx={{ mb: 1 }}>
        {culprits.length === 1
          ? `As people, vans and hours stand, this cannot be done in its hours: ${culprits.map(named).join('')}.`
          : `As people, vans and hours stand, these cannot all be done: ${culprits.map(named).join('; ')}. Taking any one of them away, the rest can.`}
      </Typography>
      {isTrying && (
        <LinearProgress
          aria-label="Ways tried"
          {...(ways ? { variant: 'determinate' as const, value: (ways.done / ways.of) * 100 } : {})}
          sx={{ mb: 1 }}
        />
      )}
      <Stack spacing={1}>
        {ways?.found.map((way) => (
          <Box
            key={way.label}
            sx={{
              display: 'flex',
              gap: 1.5,
              alignItems: 'center',
              flexWrap: 'wrap',
              borderTop: 1,
              borderColor: 'divider',
              pt: 1,
            }}
          >
            <Box sx={{ flexGrow: 1, minWidth: 220 }}>
              <Typography sx={{ fontWeight: 650 }}>{way.label}</Typography>
              <Typography sx={{ fontSize: 14, color: 'text.secondary' }}>
                Every window kept; up to{' '}
                {files.map(({ job }, i) => `${way.inHand[i]} min to spare for ${job.name}`).join(', ')}
              </Typography>
            </Box>
            <Button variant="outlined" onClick={() => onApply(way)}>
              Apply
            </Button>
          </Box>
        ))}
        {!isTrying && ways?.found.length === 0 && (
          <Typography>
            None of {ways.of} changes that were tried helps. More people or another day are what is left.
          </Typography>
        )}
      </Stack>
    </Paper>
  );
}
