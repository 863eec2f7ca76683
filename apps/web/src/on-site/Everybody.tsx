import type { CrewMember, Plan, Task } from '@early-lantern/contract';
import { isDone, type OutOfOrder, outOfOrder, tasksOf, turnOf } from '@early-lantern/core';
import { Box, ButtonBase, Typography } from '@mui/material';
import { useState } from 'react';
import { TickBox } from '../parts/TickBox.tsx';
import { clockTime, dayKey, minutesBetween, shortDay, spanText } from '../parts/time.ts';
import { BigButton } from './BigButton.tsx';
import type { TakenJob } from './kept-on-device.ts';
import { UnreadMessages, WriteToAll } from './Messages.tsx';
import { Stuck } from './MyTurn.tsx';
import { OutOfOrderDialog } from './OutOfOrderDialog.tsx';
import { leftOver } from './spares.ts';
import { buzz } from './stay-awake.ts';
import { TimesSheet } from './TimesSheet.tsx';
import { aboutWords, taskWords } from './task-words.ts';
import type { SiteLogHere } from './use-log.ts';
import { useSeconds } from './use-seconds.ts';
import { crewOf } from './use-who.ts';

interface EverybodyProps {
  who: CrewMember;
  taken: TakenJob;
  log: SiteLogHere;
  /** Undefined where whoever holds the phone does not decide. */
  onReplan: (() => void) | undefined;
}

/** The whole crew at a glance: who does what since when, what slips, and every task to tick. */
export function Everybody({ who, taken, log, onReplan }: EverybodyProps) {
  const { file, plan } = taken;
  const { happened } = log;
  const [showsDone, setShowsDone] = useState(false);
  const now = useSeconds(log.nowMs);
  const all = tasksOf(plan, null);
  const done = all.filter(({ id }) => isDone(happened, id));
  const shown = showsDone ? all : all.filter(({ id }) => !isDone(happened, id));
  const short = leftOver(plan, happened).filter(({ left }) => left < 0);
  const [timed, setTimed] = useState<Task>();
  const [order, setOrder] = useState<{ found: OutOfOrder; goOn: () => void }>();
  const toggle = (task: Task) => {
    const record = happened.tasks.get(task.id);
    if (record?.state === 'done') return void log.write(who.id, { kind: 'taken-back' }, record.doneIds);
    const tick = () => {
      buzz();
      void log.write(who.id, { kind: 'done', task: task.id });
    };
    const found = outOfOrder(plan, happened, task, log.nowMs());
    if (found) setOrder({ found, goOn: tick });
    else tick();
  };
  return (
    <Box sx={{ display: 'grid', gap: 2 }}>
      <UnreadMessages taken={taken} log={log} who={who} />
      <Stuck taken={taken} log={log} who={who} />
      {short.length > 0 && (
        <Typography sx={{ fontSize: '1.0625rem', fontWeight: 650, color: 'var(--mui-palette-out)' }}>
          More popped than there are spares of{' '}
          {short.length === 1 ? 'one product' : `${short.length} products`}.
        </Typography>
      )}
      {onReplan && (
        <BigButton variant="contained" onClick={onReplan}>
          Re-plan from now
        </BigButton>
      )}
      <Box component="section" aria-label="Who is where" sx={{ display: 'grid', gap: 1 }}>
        {crewOf(file).map((one) => (
          <Person key={one.id} one={one} taken={taken} log={log} now={now} />
        ))}
      </Box>
      <WriteToAll taken={taken} log={log} who={who} />
      <Box component="section" aria-label="All tasks">
        <Typography variant="h2" sx={{ fontSize: '1.375rem' }} data-testid="tasks-done">
          {done.length} of {all.length} done
        </Typography>
        {shown.map((task) => (
          <TaskLine
            key={task.id}
            task={task}
            taken={taken}
            isTicked={isDone(happened, task.id)}
            lateMin={minutesBetween(task.end, now)}
            onToggle={() => toggle(task)}
            onTimes={isDone(happened, task.id) ? () => setTimed(task) : undefined}
          />
        ))}
        {done.length > 0 && (
          <BigButton onClick={() => setShowsDone(!showsDone)} sx={{ mt: 1.5 }}>
            {showsDone ? 'Hide what is done' : 'Show what is done'}
          </BigButton>
        )}
      </Box>
      {timed && (
        <TimesSheet task={timed} who={who} taken={taken} log={log} onClose={() => setTimed(undefined)} />
      )}
      {order && <OutOfOrderDialog {...order} plan={plan} does="Done" onClose={() => setOrder(undefined)} />}
    </Box>
  );
}

/** What one of the crew is at. */
function Person({
  one,
  taken,
  log,
  now,
}: {
  one: CrewMember;
  taken: TakenJob;
  log: SiteLogHere;
  now: number;
}) {
  const { plan } = taken;
  const { now: task, isGoing } = turnOf(plan, log.happened, one.id, now);
  const record = task && log.happened.tasks.get(task.id);
  const lateMin = task ? minutesBetween(task.end, now) : 0;
  return (
    <Box sx={{ borderTop: 1, borderColor: 'divider', pt: 1 }}>
      <Typography sx={{ fontSize: '1.0625rem', fontWeight: 700 }}>{one.name}</Typography>
      <Typography sx={{ fontSize: '1.0625rem' }}>
        {task
          ? `${isGoing ? '' : 'not started: '}${taskWords(task, plan)} (${aboutWords(task, plan)})`
          : 'all done'}
        {isGoing && record?.fromMs && `, ${spanText((now - record.fromMs) / 60_000)}`}
      </Typography>
      {task && lateMin > 1 && (
        <Typography sx={{ fontSize: '1rem', fontWeight: 700, color: 'var(--mui-palette-out)' }}>
          {spanText(lateMin)} behind the plan
        </Typography>
      )}
    </Box>
  );
}

/** The clock, with the day where that is not the day of the doors. */
function whenWords({ start }: Task, { timeZone: zone, onTime }: Plan): string {
  const isThatDay = dayKey(start, zone) === dayKey(onTime.doors, zone);
  return isThatDay ? clockTime(start, zone) : `${shortDay(start, zone)}, ${clockTime(start, zone)}`;
}

interface TaskLineProps {
  task: Task;
  taken: TakenJob;
  isTicked: boolean;
  lateMin: number;
  onToggle: () => void;
  /** Says when it was done; left out while it is not. */
  onTimes: (() => void) | undefined;
}

function TaskLine({ task, taken: { file, plan }, isTicked, lateMin, onToggle, onTimes }: TaskLineProps) {
  const names = task.crew.map(
    (id) => file.workshop.crew.find((one) => one.id === id)?.name.split(' ')[0] ?? id,
  );
  const line = (
    <ButtonBase
      role="checkbox"
      aria-checked={isTicked}
      onClick={onToggle}
      data-task={task.id}
      sx={{
        width: '100%',
        minHeight: 56,
        justifyContent: 'flex-start',
        textAlign: 'left',
        gap: 1.5,
        borderTop: 1,
        borderColor: 'divider',
        font: 'inherit',
        py: 0.5,
      }}
    >
      <TickBox isTicked={isTicked} size={30} />
      <Box component="span" sx={{ flex: 1, minWidth: 0 }}>
        <Typography
          component="span"
          sx={{
            display: 'block',
            fontSize: '1.0625rem',
            overflowWrap: 'anywhere',
            textDecoration: isTicked ? 'line-through' : 'none',
          }}
        >
          {taskWords(task, plan)}
        </Typography>
        <Typography
          component="span"
          sx={{
            display: 'block',
            fontSize: '0.9375rem',
            color: !isTicked && lateMin > 1 ? 'var(--mui-palette-out)' : 'text.secondary',
          }}
        >
          {whenWords(task, plan)} · {aboutWords(task, plan)} · {names.join(', ')}
          {!isTicked && lateMin > 1 && ` · ${spanText(lateMin)} late`}
        </Typography>
      </Box>
    </ButtonBase>
  );
  if (!onTimes) return line;
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
      {line}
      <BigButton
        fullWidth={false}
        onClick={onTimes}
        aria-label={`Times of ${taskWords(task, plan)}`}
        sx={{ flex: 'none', fontSize: '1rem' }}
      >
        Times
      </BigButton>
    </Box>
  );
}
