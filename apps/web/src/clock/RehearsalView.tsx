import type { Plan, Rehearsal } from '@early-lantern/contract';
import { chanceText, nameIn, namesFor } from '@early-lantern/core';
import { Box, Button, LinearProgress, Paper, Stack, Typography } from '@mui/material';
import { useEffect, useRef, useState } from 'react';
import {
  Bar,
  BarChart,
  CartesianGrid,
  Cell,
  ReferenceLine,
  ResponsiveContainer,
  XAxis,
  YAxis,
} from 'recharts';
import { useJob } from '../job/context.ts';
import { clockTime, spanText } from '../parts/time.ts';
import { headFont } from '../theme.ts';
import { rehearseDays } from '../workers/planner.ts';

const MANY = 10_000;
const SHOWN = 8;
/** Decides on nearly every day. */
const ALWAYS = 0.98;
/** Bars later than this after doors are drawn as one, minutes. */
const LATEST_MIN = -90;

/** How the planned day comes out when it is gone through again and again: chance, spread, what decides, what goes wrong. */
export function RehearsalView() {
  const { planned, file } = useJob();
  const [found, setFound] = useState<{ key: string; rehearsal: Rehearsal }>();
  const [done, setDone] = useState<number>();
  const isWanted = useRef(true);
  useEffect(
    () => () => {
      isWanted.current = false;
    },
    [],
  );
  const plan = planned?.plan;
  // What was rehearsed of an older state of the job says nothing of this one.
  const key = keyOf(plan);
  const rehearsal = found?.key === key ? found.rehearsal : plan?.rehearsal;
  const rehearse = async () => {
    isWanted.current = true;
    setDone(0);
    const result = await rehearseDays(file, MANY, (days) => {
      if (isWanted.current) setDone(days);
      return isWanted.current;
    });
    setDone(undefined);
    if (result) setFound({ key, rehearsal: result });
  };
  return (
    <Stack spacing={2}>
      <Stack direction="row" sx={{ gap: 2, alignItems: 'center', flexWrap: 'wrap', minHeight: 40 }}>
        {done === undefined ? (
          <Button variant="outlined" onClick={() => void rehearse()}>
            Simulate 10,000 days
          </Button>
        ) : (
          <>
            <LinearProgress
              variant="determinate"
              value={(done / MANY) * 100}
              aria-label="Days gone through"
              sx={{ width: 240 }}
            />
            <Typography>{done.toLocaleString('en')} days</Typography>
            <Button
              onClick={() => {
                isWanted.current = false;
              }}
            >
              Stop here
            </Button>
          </>
        )}
      </Stack>
      {plan && rehearsal ? (
        <Outcome plan={plan} rehearsal={rehearsal} />
      ) : (
        <Typography sx={{ color: 'text.secondary' }}>Going through the first days …</Typography>
      )}
    </Stack>
  );
}

/** A plan is another one when a task of it stands elsewhere. */
const keyOf = (plan: Plan | undefined): string =>
  (plan?.tasks ?? []).map(({ id, start, end }) => `${id} ${start} ${end}`).join();

const earlier = (iso: string, minutes: number) => new Date(Date.parse(iso) - minutes * 60_000).toISOString();

function Outcome({ plan, rehearsal }: { plan: Plan; rehearsal: Rehearsal }) {
  const { runs, chance, p10, p50, p90, earlierMin, wantedPct, byTask, byResource, mishaps, spread } =
    rehearsal;
  const names = namesFor(useJob().file);
  const nameOf = (id: string) => nameIn(id, names);
  const zone = plan.timeZone;
  const label = (id: string) => plan.tasks.find((task) => task.id === id)?.label ?? id;
  // What decides on nearly every day is told in a line; what does so on some is worth looking at.
  const always = byTask.filter(({ share }) => share >= ALWAYS).map(({ id }) => label(id));
  const decisive = byTask.filter(({ share }) => share < ALWAYS).slice(0, SHOWN);
  const figures = [
    { name: 'ready in time', value: chanceText(chance, runs) },
    { name: 'one day in ten by', value: clockTime(p10, zone) },
    { name: 'half the days by', value: clockTime(p50, zone) },
    { name: 'nine in ten by', value: clockTime(p90, zone) },
    { name: 'doors', value: clockTime(plan.onTime.doors, zone) },
  ];
  return (
    <>
      <Stack direction="row" sx={{ gap: { xs: 2, sm: 5 }, flexWrap: 'wrap' }}>
        {figures.map(({ name, value }) => (
          <Box key={name}>
            <Typography sx={{ fontSize: 14, color: 'text.secondary' }}>{name}</Typography>
            <Typography
              sx={{ fontFamily: headFont, fontWeight: 700, fontSize: 28, lineHeight: 1.1 }}
              data-testid={name.replaceAll(' ', '-')}
            >
              {value}
            </Typography>
          </Box>
        ))}
      </Stack>
      <Typography>
        {earlierMin > 0
          ? `To be ready on ${wantedPct} days of 100, everything would have to be done ${spanText(earlierMin)} earlier.`
          : `Ready on at least ${wantedPct} days of 100.`}{' '}
        {earlierMin > 0 && plan.onTime.leaveAt && (
          <>
            The van would leave by{' '}
            <strong>{clockTime(earlier(plan.onTime.leaveAt, earlierMin), zone)}</strong>, all before it as
            much earlier.{' '}
          </>
        )}
        {plan.onTime.bottleneck && <>Most often it waits for “{label(plan.onTime.bottleneck)}”.</>}
      </Typography>
      <Paper variant="outlined" sx={{ p: 2 }}>
        <Typography variant="h3">Time to spare, {runs.toLocaleString('en')} days</Typography>
        <SpreadChart spread={spread} />
        <Typography sx={{ fontSize: 13, color: 'text.secondary' }}>
          Minutes to spare; hatched bars are late.
        </Typography>
      </Paper>
      <Box
        sx={{
          display: 'grid',
          gap: 2,
          gridTemplateColumns: { xs: '1fr', md: '1fr 1fr' },
          alignItems: 'start',
        }}
      >
        <Paper variant="outlined" sx={{ p: 2 }}>
          <Typography variant="h3">What decides</Typography>
          <Box component="ol" sx={{ listStyle: 'none', p: 0, m: 0, mt: 1, display: 'grid', gap: 1 }}>
            {decisive.map(({ id, share }) => (
              <li key={id}>
                <Stack direction="row" sx={{ gap: 1, justifyContent: 'space-between' }}>
                  <span>{label(id)}</span>
                  <strong>{Math.round(share * 100)} %</strong>
                </Stack>
                <Box sx={{ height: 6, borderRadius: 3, bgcolor: 'divider' }}>
                  <Box
                    sx={{ height: 6, borderRadius: 3, bgcolor: 'text.primary', width: `${share * 100}%` }}
                  />
                </Box>
              </li>
            ))}
          </Box>
          {always.length > 0 && (
            <Typography sx={{ mt: 1.5, fontSize: 15 }}>
              On every day, or nearly: {always.join('; ')}.
            </Typography>
          )}
          {byResource.length > 0 && (
            <Typography sx={{ mt: 1.5, fontSize: 15 }} data-testid="waited-for">
              Waited for on the way:{' '}
              {byResource
                .slice(0, SHOWN)
                .map(({ id, share }) => `${nameOf(id)}, ${Math.round(share * 100)} days of 100`)
                .join('; ')}
              .
            </Typography>
          )}
        </Paper>
        <Paper variant="outlined" sx={{ p: 2 }}>
          <Typography variant="h3">What went wrong, and what it cost</Typography>
          <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0, mt: 1, display: 'grid', gap: 1 }}>
            {mishaps.map(({ id, label: words, runs: times, minutes }) => (
              <Stack component="li" key={id} direction="row" sx={{ gap: 1, justifyContent: 'space-between' }}>
                <span>
                  {words}, {((times / runs) * 100).toFixed(times / runs < 0.1 ? 1 : 0)} days of 100
                </span>
                <strong>{minutes > 0.5 ? `${Math.round(minutes)} min` : 'hardly anything'}</strong>
              </Stack>
            ))}
          </Box>
          <Typography sx={{ fontSize: 13, color: 'text.secondary', mt: 1 }}>
            How often, and by how much, are guesses from memory. Nobody hurries, and nobody knows beforehand
            how long a thing takes.
          </Typography>
        </Paper>
      </Box>
    </>
  );
}

function SpreadChart({ spread }: { spread: Rehearsal['spread'] }) {
  // From the earliest sign-off to the latest, as the day runs; what comes very late is one bar.
  const near = spread.filter(({ fromMin }) => fromMin >= LATEST_MIN).reverse();
  const far = spread.filter(({ fromMin }) => fromMin < LATEST_MIN).reduce((sum, { runs }) => sum + runs, 0);
  const rows = [
    ...near.map(({ fromMin, runs }) => ({ fromMin, name: String(fromMin), runs })),
    ...(far > 0 ? [{ fromMin: LATEST_MIN - 1, name: 'later', runs: far }] : []),
  ];
  return (
    <Box sx={{ height: 200 }} aria-hidden="true">
      <ResponsiveContainer width="100%" height="100%">
        <BarChart data={rows} margin={{ top: 8, right: 12, bottom: 0, left: 0 }} accessibilityLayer={false}>
          <defs>
            <pattern
              id="late"
              width="6"
              height="6"
              patternUnits="userSpaceOnUse"
              patternTransform="rotate(45)"
            >
              <rect width="3" height="6" fill="var(--mui-palette-out)" />
            </pattern>
          </defs>
          <CartesianGrid vertical={false} stroke="var(--mui-palette-divider)" />
          <XAxis
            dataKey="name"
            tick={{ fontSize: 12, fill: 'var(--mui-palette-text-secondary)' }}
            stroke="var(--mui-palette-divider)"
            minTickGap={16}
          />
          <YAxis
            width={44}
            allowDecimals={false}
            tick={{ fontSize: 12, fill: 'var(--mui-palette-text-secondary)' }}
            stroke="var(--mui-palette-divider)"
          />
          <ReferenceLine x="0" stroke="var(--mui-palette-text-primary)" strokeDasharray="4 3" />
          <Bar dataKey="runs" isAnimationActive={false}>
            {rows.map(({ fromMin }) => (
              <Cell key={fromMin} fill={fromMin < 0 ? 'url(#late)' : 'var(--mui-palette-text-primary)'} />
            ))}
          </Bar>
        </BarChart>
      </ResponsiveContainer>
    </Box>
  );
}
