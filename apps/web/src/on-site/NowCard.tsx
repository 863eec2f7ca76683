import type { CrewMember, SiteEvent, Task } from '@early-lantern/contract';
import {
  isMending,
  laddersToCheck,
  type OutOfOrder,
  outOfOrder,
  photoMoment,
  type Turn,
  topUpOf,
} from '@early-lantern/core';
import { Alert, Box, LinearProgress, Typography } from '@mui/material';
import { useState } from 'react';
import { clockTime, minutesBetween, spanText } from '../parts/time.ts';
import { BigButton } from './BigButton.tsx';
import { BlownTo } from './BlownTo.tsx';
import { CautionGate, CautionTexts } from './CautionGate.tsx';
import type { TakenJob } from './kept-on-device.ts';
import { LadderGate } from './LadderGate.tsx';
import { neededFor } from './needed-for.ts';
import { OutOfOrderDialog } from './OutOfOrderDialog.tsx';
import { buzz } from './stay-awake.ts';
import { TakePhoto } from './TakePhoto.tsx';
import { TaskHow } from './TaskHow.tsx';
import { aboutWords, taskWords, withWhom } from './task-words.ts';
import type { SiteLogHere } from './use-log.ts';
import { useSeconds } from './use-seconds.ts';
import { useSitePhotos } from './use-site-photos.ts';

interface NowCardProps {
  turn: Turn & { now: Task };
  who: CrewMember;
  taken: TakenJob;
  log: SiteLogHere;
  /** Opens one of the sheets in which more is said. */
  onSay: (what: 'popped' | 'late' | 'stuck' | 'note') => void;
  onDone: (task: Task) => void;
}

/** The one task: what, with what, with whom, what may hurt, and one large button. */
export function NowCard({ turn, who, taken, log, onSay, onDone }: NowCardProps) {
  const { file, plan } = taken;
  const { now: task, isGoing } = turn;
  const { happened } = log;
  const zone = plan.timeZone;
  const photos = useSitePhotos(file.job.id);
  const [order, setOrder] = useState<{ found: OutOfOrder; does: string; goOn: () => void }>();
  const cautions = plan.cautions.filter(({ where }) => where.includes(task.id));
  const unread = cautions.filter(({ code }) => !happened.read.has(`${who.id} ${code}`));
  const ladders = laddersToCheck(task, file, happened, log.nowMs());
  const topUp = topUpOf(task.id);
  const others = withWhom(task, file, who.id);
  const needs = neededFor(task, file, plan);
  const say = (event: SiteEvent) => {
    buzz();
    void log.write(who.id, event);
  };
  /** Does it, unless something stands against it: then it is asked first, or refused. */
  const inOrder = (does: string, act: () => void) => () => {
    const found = outOfOrder(plan, happened, task, log.nowMs());
    if (found) setOrder({ found, does, goOn: act });
    else act();
  };
  const done = () => {
    say({ kind: 'done', task: task.id });
    onDone(task);
  };
  return (
    <Box component="section" aria-label="Now" sx={{ display: 'grid', gap: 1.5 }}>
      <Box>
        <Typography sx={{ fontSize: '1rem', color: 'text.secondary' }}>
          {isGoing ? 'Now' : 'Up now'} · {aboutWords(task, plan)}
        </Typography>
        <Typography
          variant="h1"
          data-testid="task-now"
          sx={{ fontSize: '1.75rem', overflowWrap: 'anywhere' }}
        >
          {taskWords(task, plan)}
        </Typography>
        <Typography sx={{ fontSize: '1.0625rem', mt: 0.5 }}>
          {isMending(task.id)
            ? `About ${spanText(minutesBetween(task.start, task.end))}`
            : `Planned ${clockTime(task.start, zone)} to ${clockTime(task.end, zone)}`}
          {others.length > 0 && `, with ${others.join(' and ')}`}
        </Typography>
      </Box>
      {turn.waitsFor.length > 0 && (
        <Alert severity="warning" icon={false} variant="outlined" sx={{ fontSize: '1rem' }}>
          Waits for:{' '}
          {turn.waitsFor.map((one) => `${taskWords(one, plan)} (${aboutWords(one, plan)})`).join('; ')}
        </Alert>
      )}
      {needs.length > 0 && (
        <Box component="ul" aria-label="What it needs" sx={{ m: 0, pl: 2.5, fontSize: '1.0625rem' }}>
          {needs.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </Box>
      )}
      {topUp && <BlownTo plan={plan} product={topUp} />}
      {isGoing && <Going task={task} log={log} />}
      {!isGoing && ladders.length > 0 ? (
        <LadderGate
          ladders={ladders}
          onChecked={(gear, isSound) => {
            say({ kind: 'ladder-checked', gear, isSound });
            if (!isSound) say({ kind: 'gear-gone', gear });
          }}
        />
      ) : !isGoing && unread.length > 0 ? (
        <CautionGate
          cautions={unread}
          onRead={() => {
            for (const { code } of unread) say({ kind: 'caution-read', task: task.id, code });
          }}
        />
      ) : (
        <BigButton
          variant="contained"
          // What was begun was asked about then.
          onClick={isGoing ? done : inOrder('Start', () => say({ kind: 'start', task: task.id }))}
          sx={{ minHeight: 72, fontSize: '1.5rem' }}
        >
          {isGoing ? 'Done' : 'Start'}
        </BigButton>
      )}
      <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fit, minmax(104px, 1fr))', gap: 1 }}>
        <BigButton onClick={() => onSay('popped')}>Popped</BigButton>
        <BigButton onClick={() => onSay('late')}>Late</BigButton>
        <BigButton onClick={() => onSay('stuck')}>Stuck</BigButton>
        <BigButton onClick={() => onSay('note')}>Note</BigButton>
        <TakePhoto
          taken={taken}
          photos={photos}
          pieceId={task.pieceId}
          words="Photo"
          moment={photoMoment(taken.plan, happened, task)}
        />
        {isGoing ? (
          <BigButton onClick={() => say({ kind: 'pause', task: task.id })}>Pause</BigButton>
        ) : (
          <BigButton onClick={inOrder('Done', done)}>Done already</BigButton>
        )}
      </Box>
      {unread.length === 0 && cautions.length > 0 && (
        <Box sx={{ borderLeft: '6px solid var(--mui-palette-out)', pl: 1.5, display: 'grid', gap: 0.5 }}>
          <CautionTexts cautions={cautions} />
        </Box>
      )}
      <TaskHow task={task} taken={taken} photos={photos} />
      {order && (
        <OutOfOrderDialog
          found={order.found}
          goOn={order.goOn}
          plan={plan}
          does={order.does}
          onClose={() => setOrder(undefined)}
        />
      )}
    </Box>
  );
}

/** How long it has been going on, of how long it was to take. */
function Going({ task, log }: { task: Task; log: SiteLogHere }) {
  const now = useSeconds(log.nowMs);
  const record = log.happened.tasks.get(task.id);
  const plannedMin = (Date.parse(task.end) - Date.parse(task.start)) / 60_000 + (record?.lateMin ?? 0);
  const goneMin = Math.max(0, (now - (record?.fromMs ?? now)) / 60_000);
  const over = goneMin - plannedMin;
  return (
    <Box>
      <Typography sx={{ fontSize: '1.0625rem', fontWeight: over > 1 ? 700 : 400 }}>
        {spanText(goneMin)} of {spanText(plannedMin)}
        {over > 1 && `, ${spanText(over)} over`}
      </Typography>
      <LinearProgress
        variant="determinate"
        aria-label="Time of this task"
        value={plannedMin > 0 ? Math.min(100, (goneMin / plannedMin) * 100) : 100}
        sx={{ height: 12, borderRadius: 6, bgcolor: 'divider' }}
      />
    </Box>
  );
}
