import type { Plan, Task } from '@early-lantern/contract';
import {
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
import { useState } from 'react';
import { useJob } from '../job/context.ts';
import { beforeDoors, clockTime, dayName, spanText } from '../parts/time.ts';
import { headFont } from '../theme.ts';
import { Lanes } from './Lanes.tsx';
import { TaskDetail } from './TaskDetail.tsx';

const placeWord: Record<Task['place'], string> = {
  workshop: 'workshop',
  road: 'road',
  site: 'on site',
};

/** One lane a person, every task with its hour and its reason. */
export function TimetableView() {
  const { planned, file } = useJob();
  const [chosenId, setChosenId] = useState<string>();
  if (!planned) return null;
  const { plan } = planned;
  const zone = plan.timeZone;
  const chosen = plan.tasks.find((task) => task.id === chosenId);
  const { crew, inflators, vehicles } = file.workshop;
  const name = (id: string) => [...crew, ...inflators, ...vehicles].find((one) => one.id === id)?.name ?? id;
  return (
    <Box sx={{ display: 'grid', gap: 2 }}>
      <KeyTimes plan={plan} />
      <Paper variant="outlined" sx={{ p: { xs: 1, sm: 2 }, overflowX: 'auto' }}>
        <Lanes
          plan={plan}
          crew={file.workshop.crew.filter((member) => file.job.crew.includes(member.id))}
          chosenId={chosenId}
          onChoose={setChosenId}
        />
      </Paper>
      {chosen && (
        <TaskDetail task={chosen} plan={plan} nameOf={name} onClose={() => setChosenId(undefined)} />
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
  const { benchFrom, leaveAt, ready, doors, minutesInHand } = plan.onTime;
  const zone = plan.timeZone;
  const times = [
    { label: 'bench opens', at: benchFrom },
    { label: 'leave the workshop', at: leaveAt },
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
            {minutesInHand < 0 ? 'late by' : 'in hand'}
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
            {minutesInHand < 0 ? 'sign-off after doors' : 'between sign-off and doors'}
          </Typography>
        </Box>
      )}
    </Stack>
  );
}
