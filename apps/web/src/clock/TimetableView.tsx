import type { Plan, Task } from '@early-lantern/contract';
import { criticalChain, nameIn, namesFor } from '@early-lantern/core';
import {
  Alert,
  Box,
  ButtonBase,
  Paper,
  Stack,
  Table,
  TableBody,
  TableCell,
  TableContainer,
  TableHead,
  TableRow,
  Typography,
} from '@mui/material';
import { useMemo, useState } from 'react';
import { useJob } from '../job/context.ts';
import { type LaneBar, LaneChart } from '../parts/LaneChart.tsx';
import { LaneLegend } from '../parts/LaneLegend.tsx';
import { lanesOf, whenOf } from '../parts/lanes-of.ts';
import { beforeDoors, clockTime, dayName, spanText } from '../parts/time.ts';
import { headFont } from '../theme.ts';
import { JobRounds } from './JobRounds.tsx';
import { LeftOutSteps } from './LeaveOut.tsx';
import { pinned, withChoices } from './pins.ts';
import { TaskDetail } from './TaskDetail.tsx';
import { WhatIfTray } from './WhatIfTray.tsx';

const placeWord: Record<Task['place'], string> = {
  workshop: 'workshop',
  road: 'road',
  site: 'on site',
};

/** One lane for each person and thing, every task with its hour and its reason; a task can be dragged to be kept there. */
export function TimetableView() {
  const { planned, file, store } = useJob();
  const [chosenId, setChosenId] = useState<string>();
  const chain = useMemo(() => new Set(criticalChain(planned?.plan.tasks ?? [])), [planned]);
  if (!planned) return null;
  const { plan } = planned;
  const zone = plan.timeZone;
  const chosen = plan.tasks.find((task) => task.id === chosenId);
  const { crew } = file.workshop;
  const names = namesFor(file);
  const name = (id: string) => nameIn(id, names);
  const numbers = new Map(plan.tasks.map((task, i) => [task.id, i + 1]));
  const barOf = (task: Task): LaneBar => ({
    key: task.id,
    start: task.start,
    end: task.end,
    mark: String(numbers.get(task.id)),
    title: `${numbers.get(task.id)}. ${task.label} · ${whenOf(task, plan)}`,
    place: task.place,
    isChosen: task.id === chosenId,
    isCritical: chain.has(task.id),
    isPinned: task.why.kind === 'pin',
  });
  const keepAt = (task: string, start: string) =>
    store.change((before) => ({
      ...before,
      head: withChoices(before.head, (all) => pinned(all, task, { start })),
    }));
  return (
    <Box sx={{ display: 'grid', gap: 2 }}>
      {plan.onTime.broken && (
        <Alert severity="warning" variant="outlined">
          {plan.onTime.broken}
        </Alert>
      )}
      <KeyTimes plan={plan} />
      <JobRounds file={file} />
      <WhatIfTray />
      <LeftOutSteps />
      <Paper variant="outlined" sx={{ p: { xs: 1, sm: 2 }, overflowX: 'auto' }}>
        <LaneChart
          zone={zone}
          doors={[
            {
              at: plan.onTime.doors,
              label: `doors ${clockTime(plan.onTime.doors, zone)}`,
              state: plan.lamps.onTime.state,
            },
          ]}
          lanes={lanesOf(plan.tasks, names, barOf)}
          onChoose={setChosenId}
          onMove={keepAt}
        />
        <LaneLegend>
          <span>Bold: a delay here delays sign-off. Numbers are those of the list below.</span>
        </LaneLegend>
      </Paper>
      {chosen && (
        <TaskDetail
          task={chosen}
          plan={plan}
          crew={crew}
          nameOf={name}
          onClose={() => setChosenId(undefined)}
        />
      )}
      <TableContainer component={Paper} variant="outlined">
        <Table size="small" aria-label="Tasks in their order">
          <TableHead>
            <TableRow>
              <TableCell align="right">No.</TableCell>
              <TableCell>Before doors</TableCell>
              <TableCell>Clock</TableCell>
              <TableCell>Task</TableCell>
              <TableCell>Who</TableCell>
              <TableCell>Where</TableCell>
              <TableCell align="right">Takes</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {plan.tasks.map((task, i) => (
              <TableRow key={task.id} hover selected={task.id === chosenId}>
                <TableCell align="right">{i + 1}</TableCell>
                <TableCell sx={{ whiteSpace: 'nowrap' }}>
                  {beforeDoors(task.start, plan.onTime.doors)}
                </TableCell>
                <TableCell sx={{ whiteSpace: 'nowrap' }}>
                  {clockTime(task.start, zone)}–{clockTime(task.end, zone)}
                </TableCell>
                <TableCell>
                  <ButtonBase
                    onClick={() => setChosenId(task.id)}
                    sx={{
                      font: 'inherit',
                      textAlign: 'left',
                      textDecoration: 'underline dotted',
                      textUnderlineOffset: 4,
                    }}
                  >
                    {task.label}
                  </ButtonBase>
                </TableCell>
                <TableCell>{task.crew.map((id) => name(id).split(' ')[0]).join(', ')}</TableCell>
                <TableCell>{placeWord[task.place]}</TableCell>
                <TableCell align="right" sx={{ whiteSpace: 'nowrap' }}>
                  {spanText((Date.parse(task.end) - Date.parse(task.start)) / 60_000)}
                </TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </TableContainer>
    </Box>
  );
}

/** The four times that everybody asks for. */
function KeyTimes({ plan }: { plan: Plan }) {
  const { benchFrom, leaveAt, leaveFrom, ready, doors, minutesInHand, bound } = plan.onTime;
  const zone = plan.timeZone;
  const times = [
    { label: 'bench opens', at: benchFrom },
    { label: leaveFrom ? `leave ${leaveFrom}` : 'leave the workshop', at: leaveAt },
    { label: 'signed off', at: ready },
    { label: 'doors', at: doors },
  ];
  return (
    <Stack direction="row" sx={{ gap: { xs: 2, sm: 5 }, flexWrap: 'wrap', alignItems: 'end' }}>
      {times.map(({ label, at }) => (
        <Box key={label}>
          <Typography sx={{ fontSize: 14, color: 'text.secondary' }}>{label}</Typography>
          <Typography sx={{ fontFamily: headFont, fontWeight: 700, fontSize: 28, lineHeight: 1.1 }}>
            {at ? clockTime(at, zone) : '—'}
          </Typography>
          <Typography sx={{ fontSize: 13, color: 'text.secondary' }}>
            {at ? dayName(at, zone) : ''}
          </Typography>
        </Box>
      ))}
      {minutesInHand !== null && (
        <Box>
          <Typography sx={{ fontSize: 14, color: 'text.secondary' }}>
            {minutesInHand < 0 ? 'late by' : 'to spare'}
          </Typography>
          <Typography
            data-testid="minutes-in-hand"
            sx={{
              fontFamily: headFont,
              fontWeight: 700,
              fontSize: 28,
              lineHeight: 1.1,
              color: minutesInHand < 0 ? 'var(--mui-palette-out)' : undefined,
            }}
          >
            {spanText(minutesInHand)}
          </Typography>
          <Typography sx={{ fontSize: 13, color: 'text.secondary' }}>
            {minutesInHand < 0 ? 'after doors or the end of access' : tightestWords(plan.onTime)}
            {bound !== null && ` (${Math.max(bound, minutesInHand)} at best)`}
          </Typography>
        </Box>
      )}
    </Stack>
  );
}

/** What the time to spare lies between. */
function tightestWords({ ready, doors, minutesInHand }: Plan['onTime']): string {
  const toDoors = ready ? Math.round((Date.parse(doors) - Date.parse(ready)) / 60_000) : null;
  return toDoors === minutesInHand ? 'between sign-off and doors' : 'between load-out and the end of access';
}
