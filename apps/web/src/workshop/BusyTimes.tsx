import type { Busy, CrewMember } from '@early-lantern/contract';
import { Button, Stack, Typography } from '@mui/material';
import { useRef } from 'react';
import { useSettings } from '../api/queries.ts';
import { useNotice } from '../parts/notices.tsx';
import { clockTime, dayName } from '../parts/time.ts';

interface BusyTimesProps {
  member: CrewMember;
  onChange: (busy: Busy[]) => void;
}

/** When somebody cannot be asked, read from their calendar; a newer file takes the place of the older. */
export function BusyTimes({ member, onChange }: BusyTimesProps) {
  const input = useRef<HTMLInputElement>(null);
  const zone = useSettings().data?.data.timeZone ?? 'UTC';
  const notify = useNotice();
  const busy = member.busy ?? [];
  const next = busy.find(({ until }) => Date.parse(until) > Date.now());
  const read = async (file: File) => {
    try {
      const { busyTimes } = await import('./read-calendar.ts');
      const found = busyTimes(await file.text(), zone, Date.now());
      const before = busy;
      onChange(found);
      notify({ text: `${found.length} busy times of ${member.name} read.`, undo: () => onChange(before) });
    } catch (error) {
      notify({ text: `${file.name} was not read, nothing was changed. ${(error as Error).message}` });
    }
  };
  return (
    <Stack
      direction="row"
      sx={{ gridColumn: '1 / -1', alignItems: 'center', gap: 1, flexWrap: 'wrap', mb: 1 }}
    >
      <Typography sx={{ fontSize: 14, color: 'text.secondary', flexGrow: 1 }}>
        {busy.length === 0
          ? 'No busy times.'
          : `${busy.length} busy times${next ? `; next ${dayName(next.from, zone)}, ${clockTime(next.from, zone)}–${clockTime(next.until, zone)}: ${next.label}` : ', all past'}.`}
      </Typography>
      <Button size="small" onClick={() => input.current?.click()}>
        Read a calendar
      </Button>
      {busy.length > 0 && (
        <Button size="small" onClick={() => onChange([])}>
          Forget them
        </Button>
      )}
      <input
        ref={input}
        type="file"
        accept=".ics,text/calendar"
        hidden
        aria-label={`Calendar of ${member.name}`}
        onChange={(event) => {
          const [chosen] = event.target.files ?? [];
          event.target.value = '';
          if (chosen) void read(chosen);
        }}
      />
    </Stack>
  );
}
