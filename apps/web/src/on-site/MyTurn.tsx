import type { CrewMember, Plan, SiteEvent, Task } from '@early-lantern/contract';
import { isMending, tasksOf, turnOf } from '@early-lantern/core';
import { Alert, Box, Paper, Typography } from '@mui/material';
import { useState } from 'react';
import { EmptyState } from '../parts/EmptyState.tsx';
import { useNotice } from '../parts/notices.tsx';
import { clockTime } from '../parts/time.ts';
import type { TakenJob } from './kept-on-device.ts';
import { LateSheet } from './LateSheet.tsx';
import { UnreadMessages } from './Messages.tsx';
import { NowCard } from './NowCard.tsx';
import { PoppedSheet } from './PoppedSheet.tsx';
import { buzz } from './stay-awake.ts';
import { aboutWords, taskWords, withWhom } from './task-words.ts';
import type { SiteLogHere } from './use-log.ts';
import { WordsSheet } from './WordsSheet.tsx';

/** So many of what comes next are told. */
const NEXT = 2;

const usualTroubles = [
  'The way in is locked or blocked',
  'Something is missing',
  'I need a second person',
  'It does not fit or does not hold',
];

interface MyTurnProps {
  who: CrewMember;
  taken: TakenJob;
  log: SiteLogHere;
}

/** What one person does now, and what next. */
export function MyTurn({ who, taken, log }: MyTurnProps) {
  const { file, plan } = taken;
  const notify = useNotice();
  const [sheet, setSheet] = useState<'popped' | 'late' | 'stuck' | 'note'>();
  const turn = turnOf(plan, log.happened, who.id, log.nowMs());
  const { now } = turn;
  const say = (event: SiteEvent) => {
    buzz();
    void log.write(who.id, event);
  };
  const close = () => setSheet(undefined);
  const saidAndClosed = (event: SiteEvent) => {
    say(event);
    close();
  };
  const onDone = (task: Task) =>
    notify({
      text: `Done: ${taskWords(task, plan)}`,
      undo: () => {
        const ids = log.doneIds(task.id);
        if (ids.length > 0) void log.write(who.id, { kind: 'taken-back' }, ids);
      },
    });
  const about = now ? { task: now.id } : {};
  return (
    <Box sx={{ display: 'grid', gap: 2 }}>
      <UnreadMessages taken={taken} log={log} who={who} />
      <Stuck taken={taken} log={log} who={who} />
      {now ? (
        <NowCard
          key={now.id}
          turn={{ ...turn, now }}
          who={who}
          taken={taken}
          log={log}
          onSay={setSheet}
          onDone={onDone}
        />
      ) : (
        <Nothing who={who} plan={plan} />
      )}
      {turn.next.slice(0, NEXT).map((task) => {
        const others = withWhom(task, file, who.id);
        return (
          <Paper key={task.id} variant="outlined" component="section" aria-label="Next" sx={{ p: 2 }}>
            <Typography sx={{ fontSize: '1rem', color: 'text.secondary' }}>
              Next{!isMending(task.id) && `, ${clockTime(task.start, plan.timeZone)}`} ·{' '}
              {aboutWords(task, plan)}
              {others.length > 0 && ` · with ${others.join(' and ')}`}
            </Typography>
            <Typography sx={{ fontSize: '1.25rem', fontWeight: 650, overflowWrap: 'anywhere' }}>
              {taskWords(task, plan)}
            </Typography>
          </Paper>
        );
      })}
      {sheet === 'popped' && (
        <PoppedSheet
          task={now}
          taken={taken}
          happened={log.happened}
          onClose={close}
          onPopped={({ nominalIn, colour }) => say({ kind: 'popped', nominalIn, colour, count: 1, ...about })}
        />
      )}
      {sheet === 'late' && now && (
        <LateSheet
          title={taskWords(now, plan)}
          onClose={close}
          onLate={(minutes) => saidAndClosed({ kind: 'late', task: now.id, minutes })}
        />
      )}
      {sheet === 'stuck' && (
        <WordsSheet
          title="What is wrong?"
          label="In your own words"
          usual={usualTroubles}
          onClose={close}
          onSay={(text) => saidAndClosed({ kind: 'stuck', text, ...about })}
        />
      )}
      {sheet === 'note' && (
        <WordsSheet
          title="Write a note"
          label="Note"
          usual={[]}
          onClose={close}
          onSay={(text) => saidAndClosed({ kind: 'note', text, ...about })}
        />
      )}
    </Box>
  );
}

/** Nothing to do: all is done, nothing is theirs, or there is no plan. */
function Nothing({ who, plan }: { who: CrewMember; plan: Plan }) {
  if (plan.tasks.length === 0)
    return (
      <EmptyState title="No plan for this day">
        {plan.lamps.onTime.reason} The lead sets this right under Clock.
      </EmptyState>
    );
  if (tasksOf(plan, who.id).length === 0)
    return (
      <EmptyState title="Nothing is yours here">
        Look at Everybody for what is open, and help there.
      </EmptyState>
    );
  return (
    <EmptyState title="All done">
      Everything of yours is ticked. Look at Everybody for what is open.
    </EmptyState>
  );
}

/** What does not go on, whoever said so: until somebody says that it does. */
export function Stuck({ taken, log, who }: MyTurnProps) {
  const { plan, file } = taken;
  return log.happened.stuck.map(({ id, by, at, event }) => {
    const task = plan.tasks.find((one) => one.id === event.task);
    const name = file.workshop.crew.find((one) => one.id === by)?.name.split(' ')[0] ?? by;
    return (
      <Alert
        key={id}
        severity="error"
        icon={false}
        variant="outlined"
        action={
          <Box
            component="button"
            type="button"
            onClick={() => void log.write(who.id, { kind: 'taken-back', why: 'solved' }, [id])}
            sx={{
              minHeight: 48,
              minWidth: 72,
              font: 'inherit',
              fontWeight: 700,
              border: 0,
              bgcolor: 'transparent',
              color: 'inherit',
              textDecoration: 'underline',
            }}
          >
            Solved
          </Box>
        }
        sx={{ fontSize: '1.0625rem', alignItems: 'center' }}
      >
        <strong>Stuck:</strong> {event.text}
        <Box component="span" sx={{ display: 'block', fontSize: '0.9375rem' }}>
          {name}, {clockTime(at, plan.timeZone)}
          {task && ` · ${taskWords(task, plan)}`}
        </Box>
      </Alert>
    );
  });
}
