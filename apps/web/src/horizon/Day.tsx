import type { JobLamps } from '@early-lantern/contract';
import { Box, Stack, Typography } from '@mui/material';
import { Lantern } from '../parts/Lantern.tsx';
import { SkyBand } from '../parts/SkyBand.tsx';
import { clockTime, dayName } from '../parts/time.ts';
import { useSeen } from '../parts/use-seen.ts';
import { useWaited } from '../parts/use-waited.ts';
import type { ReadyJob } from '../workers/ready-jobs.ts';
import { DayNote } from './DayNote.tsx';
import { JobCard } from './JobCard.tsx';
import { LAMPS_FIRST_MS } from './use-told.ts';

/** The whole name stands on the job's card below. */
const MOST_LETTERS = 30;
const shortened = (name: string) =>
  name.length > MOST_LETTERS ? `${name.slice(0, MOST_LETTERS - 1).trimEnd()}…` : name;

interface DayProps {
  /** `YYYY-MM-DD` by the workshop's clock. */
  day: string;
  /** The jobs with doors on it. */
  ofDay: readonly ReadyJob[];
  /** Those, and the ones before and after that it may share people and gear with. */
  sharing: readonly ReadyJob[];
  zone: string;
  now: number;
  /** What the lamps say, by job id. */
  told: Readonly<Record<string, JobLamps>>;
}

/** A day of installations; whether they share anybody is looked at once it comes into sight, as a rule after its lamps. */
export function Day({ day, ofDay, sharing, zone, now, told }: DayProps) {
  const [section, isSeen] = useSeen<HTMLDivElement>();
  const first = ofDay[0]?.row.data.doors ?? '';
  // Its lamps come first: both take the same cores.
  const hasLamps = ofDay.every(({ row }) => {
    const own = told[row.data.id];
    return own !== undefined && (own.lamps !== null || own.failure !== null);
  });
  const hasWaited = useWaited(isSeen && !hasLamps, LAMPS_FIRST_MS);
  return (
    <Box component="section" ref={section} aria-label={dayName(first, zone)} sx={{ mb: 3 }}>
      <Typography variant="h2" sx={{ mb: 0.5 }}>
        {dayName(first, zone)}
        {ofDay.length > 1 && (
          <Box
            component="span"
            sx={{ fontFamily: 'body1.fontFamily', fontWeight: 400, fontSize: 15, color: 'text.secondary' }}
          >
            {' '}
            · {ofDay.length} installations
          </Box>
        )}
      </Typography>
      {sharing.length > 1 &&
        (isSeen && (hasLamps || hasWaited) ? (
          <DayNote day={day} ready={sharing} />
        ) : (
          <Box sx={{ height: 36 }} />
        ))}
      <SkyBand
        day={first}
        zone={zone}
        now={now}
        doors={ofDay.map(({ row }) => ({
          key: row.data.id,
          lantern: <Lantern state={told[row.data.id]?.lamps?.onTime.state ?? 'unlit'} size={26} />,
          at: row.data.doors,
          label: `${shortened(row.data.name)}, ${clockTime(row.data.doors, zone)}`,
        }))}
      />
      <Stack spacing={1.25} sx={{ mt: 1 }}>
        {ofDay.map(({ row, file }) => (
          <JobCard key={row.data.id} row={row} file={file} told={told[row.data.id]} now={now} />
        ))}
      </Stack>
    </Box>
  );
}
