import { isDone, tasksOf } from '@early-lantern/core';
import { Typography } from '@mui/material';
import type { TakenJob } from './kept-on-device.ts';
import { readyWords } from './ready-words.ts';
import { useDay } from './use-day.ts';
import { useSiteLog } from './use-log.ts';

/** How far a job is, where its day is going and what is stuck there: followed as long as the list is open. */
export function JobProgress({ job }: { job: TakenJob }) {
  const log = useSiteLog(job.file.job.id);
  const { taken, projection } = useDay(job, log);
  const all = tasksOf(taken.plan, null);
  const done = all.filter(({ id }) => isDone(log.happened, id)).length;
  const late = projection.spareMin !== null && projection.spareMin < 0;
  if (all.length === 0) return null;
  return (
    <>
      <Typography component="span" sx={{ display: 'block', fontSize: '1.0625rem' }} data-testid="progress">
        {done} of {all.length} done
        {done > 0 && (
          <>
            {' · '}
            <span style={late ? { color: 'var(--mui-palette-out)', fontWeight: 700 } : {}}>
              {readyWords(projection, taken.plan.timeZone)}
            </span>
          </>
        )}
      </Typography>
      {log.happened.stuck.map(({ id, event }) => (
        <Typography
          key={id}
          component="span"
          sx={{ display: 'block', fontSize: '1.0625rem', fontWeight: 700, color: 'var(--mui-palette-out)' }}
        >
          Stuck: {event.text}
        </Typography>
      ))}
    </>
  );
}
