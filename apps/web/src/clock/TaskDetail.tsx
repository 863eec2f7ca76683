import type { CrewMember, Plan, Task } from '@early-lantern/contract';
import CloseIcon from '@mui/icons-material/Close';
import { Alert, Box, IconButton, Paper, Stack, Typography } from '@mui/material';
import { beforeDoors, clockTime, dayName } from '../parts/time.ts';
import { WorkingList } from '../parts/WorkingList.tsx';
import { PinControls } from './PinControls.tsx';

interface TaskDetailProps {
  task: Task;
  plan: Plan;
  crew: readonly CrewMember[];
  nameOf: (id: string) => string;
  onClose: () => void;
}

/** One task: when, who, what it waits for, what may hurt, and how long it takes and why. */
export function TaskDetail({ task, plan, crew, nameOf, onClose }: TaskDetailProps) {
  const zone = plan.timeZone;
  const waits = plan.tasks.filter((other) => task.after.includes(other.id));
  return (
    <Paper
      variant="outlined"
      component="section"
      aria-label="The chosen task"
      sx={{ p: 2, position: 'relative' }}
    >
      <IconButton aria-label="Close" onClick={onClose} sx={{ position: 'absolute', top: 6, right: 6 }}>
        <CloseIcon />
      </IconButton>
      <Box sx={{ display: 'grid', gap: 3, gridTemplateColumns: { xs: '1fr', md: '1fr 1fr' }, pr: 5 }}>
        <Stack spacing={1}>
          <Typography variant="h2">{task.label}</Typography>
          <Typography>
            {dayName(task.start, zone)}, {clockTime(task.start, zone)} to {clockTime(task.end, zone)},{' '}
            {beforeDoors(task.start, plan.onTime.doors)}
          </Typography>
          <Typography>{[...task.crew, ...task.gear].map(nameOf).join(', ')}</Typography>
          <Typography>{whyWords(task, plan, nameOf)}</Typography>
          {waits.length > 0 && (
            <Typography sx={{ color: 'text.secondary' }}>
              After: {waits.map((other) => other.label).join('; ')}
            </Typography>
          )}
          {plan.cautions
            .filter(({ where }) => where.includes(task.id))
            .map(({ code, text, defersTo, source }) => (
              <Alert key={code} severity="warning" variant="outlined" icon={false}>
                {text} Decides: {defersTo}. [{source}]
              </Alert>
            ))}
          <PinControls task={task} tasks={plan.tasks} crew={crew} />
        </Stack>
        <WorkingList working={(whole) => whole.tasks.find(({ id }) => id === task.id)?.working} />
      </Box>
    </Paper>
  );
}

/** Why then, in a sentence. */
function whyWords({ why }: Task, plan: Plan, nameOf: (id: string) => string): string {
  const label = (id: string | undefined) => plan.tasks.find((task) => task.id === id)?.label ?? id ?? '';
  switch (why.kind) {
    case 'before':
      return `Then, because it must be over before: ${label(why.ref)}.`;
    case 'after':
      return `Then, because it waits for: ${label(why.ref)}.`;
    case 'person':
      return `Then, because ${nameOf(why.ref)} is needed for: ${label(why.task)}.`;
    case 'gear':
      return `Then, because ${nameOf(why.ref)} is needed for: ${label(why.task)}.`;
    case 'deadline':
      return why.ref === 'access'
        ? 'Then, because all must be out, with the time to spare that you want, before access ends.'
        : 'Then, because that leaves the time to spare that you want, or as much as there can be.';
    case 'access':
      return why.ref === 'strike' ? 'Then, because the strike begins.' : 'Then, because the house opens.';
    case 'shift':
      return `Then, because of ${nameOf(why.ref)}'s hours.`;
    case 'pin':
      return 'Then, because somebody has put it there, or it was agreed for the day.';
    case 'free':
      return 'It could be moved a little: nothing waits for it just then.';
  }
}
