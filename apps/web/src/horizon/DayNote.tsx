import { type Clash, clashesOf, listed, sharingDay } from '@early-lantern/core';
import { Box, Button, Typography } from '@mui/material';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { clockTime } from '../parts/time.ts';
import { usePlans } from '../workers/planner.ts';
import type { ReadyJob } from '../workers/ready-jobs.ts';

interface DayNoteProps {
  /** `2027-06-19`. */
  day: string;
  /** The jobs of that day and of those near it. */
  ready: readonly ReadyJob[];
}

/** Who and what the jobs of a day need at the same time, with the way to where they are planned together. */
export function DayNote({ day, ready }: DayNoteProps) {
  const isSettled = ready.every((one) => one.isSettled);
  // The list is made anew at every drawing; its files stay the same while nothing changes.
  const key = ready
    .map(({ row }) => `${row.data.id} ${row.revision} ${row.pieces.map((piece) => piece.revision)}`)
    .join();
  // biome-ignore lint/correctness/useExhaustiveDependencies: the key stands for the files
  const near = useMemo(
    () => (isSettled ? ready.filter(({ row }) => row.pieces.length > 0).map(({ file }) => file) : []),
    [key, isSettled],
  );
  const planned = usePlans(near);
  const shared = useMemo(() => {
    if (!planned || !isSettled) return undefined;
    const ids = new Set(sharingDay(planned, day).map(({ job }) => job.id));
    const sharing = planned.filter(({ file }) => ids.has(file.job.id));
    return { sharing, clashes: clashesOf(sharing) };
  }, [planned, day, isSettled]);
  if (shared && shared.sharing.length < 2) return null;
  const { sharing = [], clashes = [] } = shared ?? {};
  const isAgreed = sharing.every(({ file }) => file.job.clock?.agreed);
  const repaired = sharing.filter(({ file, plan }) => file.job.clock?.agreed && plan.onTime.broken !== null);
  const isWrong = clashes.length > 0 || repaired.length > 0;
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', gap: 2, flexWrap: 'wrap', minHeight: 36, mb: 0.5 }}>
      <Typography
        sx={
          isWrong
            ? { borderLeft: 4, pl: 1.25, borderColor: 'var(--mui-palette-out)' }
            : { color: 'text.secondary' }
        }
      >
        {shared === undefined
          ? 'Checking for double bookings …'
          : clashes.length > 0
            ? sentence(clashes, ready)
            : repaired.length > 0
              ? `The plan in use no longer fits ${repaired.map(({ file }) => file.job.name).join(' and ')}.`
              : isAgreed
                ? 'Planned together; nobody is double-booked.'
                : 'Nobody and nothing is double-booked.'}
      </Typography>
      <Button component={Link} to={`/days/${day}`} size="small" variant="outlined">
        Plan the day together
      </Button>
    </Box>
  );
}

function sentence(clashes: readonly Clash[], ready: readonly ReadyJob[]): string {
  const workshop = ready[0]?.file.workshop;
  const names = [
    ...new Set(
      clashes.map(({ kind, ref, owned }) => {
        const own = [...(workshop?.crew ?? []), ...(workshop?.ladders ?? [])].find(
          ({ id }) => id === ref,
        )?.name;
        return own ?? (owned === 1 ? `the ${kind}` : `more than ${owned} ${kind}s`);
      }),
    ),
  ];
  const zone = workshop?.timeZone ?? 'UTC';
  const from = clashes.map((one) => one.from).sort()[0] as string;
  const until = clashes
    .map((one) => one.until)
    .sort()
    .at(-1) as string;
  return `Double-booked: ${listed(names)}, ${clockTime(from, zone)}–${clockTime(until, zone)}.`;
}
