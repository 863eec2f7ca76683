import type { MonthJob } from '@early-lantern/contract';
import { plural } from '@early-lantern/core';
import BackIcon from '@mui/icons-material/ChevronLeft';
import ForwardIcon from '@mui/icons-material/ChevronRight';
import { Box, IconButton, LinearProgress, Link, Stack, Typography } from '@mui/material';
import { DateTime } from 'luxon';
import { useState } from 'react';
import { Link as RouterLink } from 'react-router';
import { throwUnread, useMonth } from '../api/queries.ts';
import { Lantern } from '../parts/Lantern.tsx';
import { stateWords } from '../parts/state-words.ts';
import { clockTime, dayKey } from '../parts/time.ts';

/** So many jobs have room in a day's square; the rest are told as a number. */
const IN_SQUARE = 3;
const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];

/** A month of installations: each day with its jobs and what their worst lamp says; a day pressed tells all of its jobs. */
export function Month({ zone, now }: { zone: string; now: number }) {
  const today = DateTime.fromMillis(now).setZone(zone);
  const [month, setMonth] = useState(() => today.startOf('month'));
  const [chosen, setChosen] = useState(today.toISODate() as string);
  // Whole weeks, from the Monday before its first day.
  const first = month.startOf('week');
  const weeks = Math.ceil(month.endOf('month').diff(first, 'weeks').weeks);
  const { data, error } = useMonth(
    first.toUTC().toISO() as string,
    first.plus({ weeks }).toUTC().toISO() as string,
  );
  throwUnread({ data, error });
  const byDay = Map.groupBy(data ?? [], ({ doors }) => dayKey(doors, zone));
  const go = (months: number) => {
    const next = month.plus({ months });
    setMonth(next);
    setChosen((next.hasSame(today, 'month') ? today : next).toISODate() as string);
  };
  const ofChosen = byDay.get(chosen) ?? [];
  return (
    <Box component="section" aria-label={month.toFormat('LLLL yyyy', { locale: 'en' })}>
      <Stack direction="row" sx={{ alignItems: 'center', gap: 1, mb: 1 }}>
        <IconButton aria-label="The month before" onClick={() => go(-1)}>
          <BackIcon />
        </IconButton>
        <Typography variant="h2" aria-live="polite" sx={{ minWidth: 190, textAlign: 'center' }}>
          {month.toFormat('LLLL yyyy', { locale: 'en' })}
        </Typography>
        <IconButton aria-label="The month after" onClick={() => go(1)}>
          <ForwardIcon />
        </IconButton>
      </Stack>
      {!data && <LinearProgress aria-label="Reading the month" />}
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: 'repeat(7, minmax(0, 1fr))',
          border: 1,
          borderColor: 'divider',
          borderRadius: 2,
          overflow: 'hidden',
          bgcolor: 'background.paper',
        }}
      >
        {WEEKDAYS.map((name) => (
          <Typography
            key={name}
            aria-hidden="true"
            sx={{ fontSize: 13, color: 'text.secondary', textAlign: 'center', py: 0.5 }}
          >
            {name}
          </Typography>
        ))}
        {Array.from({ length: weeks * 7 }, (_, i) => {
          const day = first.plus({ days: i });
          const key = day.toISODate() as string;
          return (
            <Square
              key={key}
              day={day}
              isOther={!day.hasSame(month, 'month')}
              isToday={day.hasSame(today, 'day')}
              isChosen={key === chosen}
              jobs={byDay.get(key) ?? []}
              onChoose={() => setChosen(key)}
            />
          );
        })}
      </Box>
      <Box component="section" aria-label="The day chosen" sx={{ mt: 2 }}>
        <Typography variant="h3">
          {DateTime.fromISO(chosen).toFormat('cccc d LLLL', { locale: 'en' })}
        </Typography>
        {ofChosen.length === 0 && <Typography sx={{ color: 'text.secondary' }}>No doors open.</Typography>}
        {ofChosen.map((job) => (
          <Stack key={job.id} direction="row" sx={{ alignItems: 'center', gap: 1.25, py: 0.75 }}>
            <Lantern state={job.worst ?? 'unlit'} size={30} />
            <Typography sx={{ minWidth: 0, overflowWrap: 'anywhere' }}>
              {clockTime(job.doors, zone)}{' '}
              <Link component={RouterLink} to={`/jobs/${job.id}/pieces`} color="inherit">
                {job.name}
              </Link>
              {job.state !== 'firm' && ` · ${stateWords[job.state]}`}
            </Typography>
          </Stack>
        ))}
      </Box>
    </Box>
  );
}

interface SquareProps {
  day: DateTime;
  isOther: boolean;
  isToday: boolean;
  isChosen: boolean;
  jobs: readonly MonthJob[];
  onChoose: () => void;
}

/** One day: its number, and its jobs as far as there is room. */
function Square({ day, isOther, isToday, isChosen, jobs, onChoose }: SquareProps) {
  return (
    <Box
      component="button"
      type="button"
      aria-pressed={isChosen}
      aria-label={`${day.toFormat('cccc d LLLL', { locale: 'en' })}, ${plural(jobs.length, 'job')}`}
      onClick={onChoose}
      sx={{
        font: 'inherit',
        color: 'inherit',
        textAlign: 'left',
        display: 'flex',
        flexDirection: 'column',
        alignItems: 'stretch',
        justifyContent: 'flex-start',
        p: { xs: 0.5, sm: 0.75 },
        minHeight: { xs: 58, sm: 92 },
        border: 0,
        borderTop: '1px solid',
        borderColor: 'divider',
        bgcolor: isChosen ? 'action.selected' : 'transparent',
        cursor: 'pointer',
        overflow: 'hidden',
      }}
    >
      <Typography
        component="span"
        sx={{
          display: 'block',
          fontSize: 14,
          fontWeight: isToday ? 700 : 400,
          textDecoration: isToday ? 'underline' : 'none',
          color: isOther ? 'text.disabled' : 'text.primary',
        }}
      >
        {day.day}
      </Typography>
      {jobs.slice(0, IN_SQUARE).map(({ id, name, worst, state }) => (
        <Box
          key={id}
          component="span"
          sx={{
            display: 'flex',
            alignItems: 'center',
            gap: 0.5,
            opacity: state === 'firm' || state === 'done' ? 1 : 0.6,
          }}
        >
          <Lantern state={worst ?? 'unlit'} size={21} />
          <Typography
            component="span"
            sx={{
              display: { xs: 'none', sm: 'block' },
              fontSize: 13,
              whiteSpace: 'nowrap',
              overflow: 'hidden',
              textOverflow: 'ellipsis',
              textDecoration: state === 'cancelled' ? 'line-through' : 'none',
            }}
          >
            {name}
          </Typography>
        </Box>
      ))}
      {jobs.length > IN_SQUARE && (
        <Typography component="span" sx={{ fontSize: 13, color: 'text.secondary' }}>
          and {jobs.length - IN_SQUARE} more
        </Typography>
      )}
    </Box>
  );
}
