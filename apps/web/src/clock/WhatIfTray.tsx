import type { Plan } from '@early-lantern/contract';
import {
  Box,
  Button,
  Paper,
  Table,
  TableBody,
  TableCell,
  TableHead,
  TableRow,
  Typography,
} from '@mui/material';
import { useState } from 'react';
import { useJob } from '../job/context.ts';
import type { JobDocument } from '../job/document.ts';
import { clockTime, dayName, spanText } from '../parts/time.ts';
import { withChoices } from './pins.ts';

/** A plan set aside, with the job as it was. */
interface SetAside {
  plan: Plan;
  document: JobDocument;
}

/** By job: a visit to another page leaves it where it is. */
const kept = new Map<string, SetAside>();

/** Two plans side by side: one set aside, and the one that is being made. */
export function WhatIfTray() {
  const { planned, document, store } = useJob();
  const jobId = document.head.id;
  const [aside, keep] = useState(kept.get(jobId));
  const setAside = (one: SetAside | undefined) => {
    if (one) kept.set(jobId, one);
    else kept.delete(jobId);
    keep(one);
  };
  if (!planned) return null;
  if (!aside)
    return (
      <Box>
        <Button
          variant="outlined"
          disabled={planned.plan.onTime.chance === null}
          onClick={() => setAside({ plan: planned.plan, document })}
        >
          Compare with another plan
        </Button>
        {document.head.clock?.shown && (
          <Button onClick={() => store.change(fromScratch)}>Plan again from scratch</Button>
        )}
      </Box>
    );
  const rows = rowsOf(aside.plan).map((row, i) => ({ ...row, now: rowsOf(planned.plan)[i]?.value ?? '—' }));
  return (
    <Paper variant="outlined" sx={{ p: 1.5 }} component="section" aria-label="Two plans side by side">
      <Table size="small" sx={{ maxWidth: 640 }}>
        <TableHead>
          <TableRow>
            <TableCell />
            <TableCell>set aside</TableCell>
            <TableCell>now</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {rows.map(({ label, value, now }) => (
            <TableRow key={label}>
              <TableCell component="th" scope="row">
                {label}
              </TableCell>
              <TableCell>{value}</TableCell>
              <TableCell sx={{ fontWeight: value === now ? 400 : 750 }}>{now}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      <Typography sx={{ fontSize: 14, color: 'text.secondary', my: 1 }}>
        Change anything about the job: crew, hours, pieces, pins. What differs is heavy.
      </Typography>
      <Button
        size="small"
        variant="outlined"
        sx={{ mr: 1 }}
        onClick={() => {
          store.change(() => aside.document);
          setAside(undefined);
        }}
      >
        Go back to the one set aside
      </Button>
      <Button size="small" onClick={() => setAside(undefined)}>
        Keep the one now
      </Button>
    </Paper>
  );
}

/** The job without the plan that the next one would stay near to. */
const fromScratch = ({ head, pieces }: JobDocument): JobDocument => ({
  head: withChoices(head, ({ shown: _, ...choices }) => choices),
  pieces,
});

function rowsOf(plan: Plan): { label: string; value: string }[] {
  const { onTime, timeZone, tasks } = plan;
  const moment = (iso: string | null) =>
    iso ? `${clockTime(iso, timeZone)}, ${dayName(iso, timeZone)}` : '—';
  const hands = tasks.reduce(
    (sum, { start, end, crew }) => sum + ((Date.parse(end) - Date.parse(start)) / 60_000) * crew.length,
    0,
  );
  return [
    {
      label: 'Time to spare',
      value: onTime.minutesInHand === null ? 'no plan' : `${onTime.minutesInHand} min`,
    },
    {
      label: 'Ready in time, of 100 days',
      value: onTime.chance === null ? '—' : String(Math.round(onTime.chance * 100)),
    },
    { label: 'Bench opens', value: moment(onTime.benchFrom) },
    {
      label: onTime.leaveFrom ? `Leave ${onTime.leaveFrom}` : 'Leave the workshop',
      value: moment(onTime.leaveAt),
    },
    { label: 'Signed off', value: moment(onTime.ready) },
    { label: 'Work of all hands', value: spanText(hands) },
  ];
}
