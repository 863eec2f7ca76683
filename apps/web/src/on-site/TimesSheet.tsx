import type { CrewMember, Task } from '@early-lantern/contract';
import { Box, TextField, Typography } from '@mui/material';
import { DateTime } from 'luxon';
import { type FormEvent, useState } from 'react';
import { clockTime } from '../parts/time.ts';
import { BigButton } from './BigButton.tsx';
import { BottomSheet } from './BottomSheet.tsx';
import type { TakenJob } from './kept-on-device.ts';
import { taskWords } from './task-words.ts';
import type { SiteLogHere } from './use-log.ts';
import { crewOf } from './use-who.ts';

interface TimesSheetProps {
  task: Task;
  who: CrewMember;
  taken: TakenJob;
  log: SiteLogHere;
  onClose: () => void;
}

/** When somebody was on a task after all, where it was not ticked at the time. */
export function TimesSheet({ task, who, taken, log, onClose }: TimesSheetProps) {
  const { file, plan } = taken;
  const zone = plan.timeZone;
  const record = log.happened.tasks.get(task.id);
  const [person, setPerson] = useState(task.crew.includes(who.id) ? who.id : (task.crew[0] ?? who.id));
  const spells = record?.spells.filter((one) => one.person === person) ?? [];
  const until = spells.at(-1)?.untilMs ?? record?.untilMs ?? Date.parse(task.end);
  // Ticked without a beginning it took as long as planned, as far as anybody knows.
  const plannedMs = Date.parse(task.end) - Date.parse(task.start);
  const ms = { from: spells[0]?.fromMs ?? record?.fromMs ?? until - plannedMs, until };
  const asTime = (at: number) => DateTime.fromMillis(at, { zone }).toFormat('HH:mm');
  const [typed, setTyped] = useState<{ from?: string; until?: string }>({});
  const [fault, setFault] = useState('');
  /** The time of day on the day on which it was ticked; an end before the beginning is after midnight. */
  const keep = (event: FormEvent) => {
    event.preventDefault();
    const at = (text: string, near: number) => {
      const time = DateTime.fromFormat(text, 'HH:mm', { zone });
      const day = DateTime.fromMillis(near, { zone });
      return day.set({ hour: time.hour, minute: time.minute, second: 0, millisecond: 0 });
    };
    const from = at(typed.from ?? asTime(ms.from), ms.from);
    const end = at(typed.until ?? asTime(ms.until), ms.from);
    const over = end < from ? end.plus({ days: 1 }) : end;
    if (!from.isValid || !over.isValid) return setFault('Two times, please.');
    if (over.toMillis() > log.nowMs()) return setFault('That is still to come.');
    if (over.diff(from, 'hours').hours > LONGEST_H) return setFault('That is longer than a day’s work.');
    void log.write(
      who.id,
      {
        kind: 'times',
        task: task.id,
        person,
        from: from.toUTC().toISO() as string,
        until: over.toUTC().toISO() as string,
      },
      // What was told of this person before does not hold any more.
      record?.told.flatMap((one) => (one.person === person ? [one.id] : [])),
    );
    onClose();
  };
  return (
    <BottomSheet title="When was it done?" onClose={onClose} closeWords="Leave it as it is">
      <Typography sx={{ fontSize: '1.0625rem' }}>
        {taskWords(task, plan)}
        {record?.untilMs && `: ticked ${clockTime(new Date(record.untilMs).toISOString(), zone)}`}
      </Typography>
      <Box
        role="group"
        aria-label="By whom"
        sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fit, minmax(120px, 1fr))', gap: 1 }}
      >
        {crewOf(file).map(({ id, name }) => (
          <BigButton
            key={id}
            variant={id === person ? 'contained' : 'outlined'}
            aria-pressed={id === person}
            onClick={() => {
              setPerson(id);
              setTyped({});
            }}
          >
            {name.split(' ')[0]}
          </BigButton>
        ))}
      </Box>
      <form onSubmit={keep} noValidate style={{ display: 'grid', gap: 12 }}>
        <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1 }}>
          {(['from', 'until'] as const).map((end) => (
            <TextField
              key={end}
              label={end === 'from' ? 'From' : 'Until'}
              type="time"
              value={typed[end] ?? asTime(ms[end])}
              error={fault !== ''}
              onChange={({ target }) => {
                setTyped({ ...typed, [end]: target.value });
                setFault('');
              }}
              slotProps={{
                inputLabel: { shrink: true },
                input: { sx: { fontSize: '1.25rem', minHeight: 56 } },
              }}
            />
          ))}
        </Box>
        {fault && (
          <Typography role="alert" sx={{ fontSize: '1.0625rem', color: 'var(--mui-palette-out)' }}>
            {fault}
          </Typography>
        )}
        <BigButton type="submit" variant="contained">
          Keep these times
        </BigButton>
      </form>
    </BottomSheet>
  );
}

/** More than that on one task is a slip of the finger. */
const LONGEST_H = 16;
