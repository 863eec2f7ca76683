import type { JobHead } from '@early-lantern/contract';
import { Box, Paper, Stack, Typography } from '@mui/material';
import { useState } from 'react';
import { useJob } from '../job/context.ts';
import { timeFault, withDoors } from '../job/times.ts';
import { DateTimeField } from '../parts/DateTimeField.tsx';
import { MoveAlongDialog } from './MoveAlongDialog.tsx';
import { useHead } from './use-head.ts';
import { VisitFields } from './VisitFields.tsx';

/** Doors, and when the house lets people in. */
export function TimesCard() {
  const { workshop } = useJob().file;
  const { head, change } = useHead();
  const [asked, setAsked] = useState<Pick<JobHead, 'doors' | 'access' | 'strike'>>();

  /** Times moved, or why they cannot be: nothing is kept that the job would be refused with. */
  const move = (times: Partial<JobHead>): string | undefined => {
    const refused = timeFault({ ...head, ...times });
    if (refused === undefined) change(times);
    return refused;
  };
  /** The house's times are never moved without being asked about. */
  const moveDoors = (doors: string): string | undefined => {
    const times = withDoors(head, doors);
    const isHouse = times.access.from === head.access.from && times.strike.from === head.strike.from;
    if (isHouse) return move(times);
    const refused = timeFault({ ...head, ...times });
    if (refused === undefined) setAsked(times);
    return refused;
  };
  const time = (label: string, value: string, times: (iso: string) => Partial<JobHead>) => (
    <DateTimeField
      label={label}
      value={value}
      zone={workshop.timeZone}
      onCommit={(iso) => move(times(iso))}
    />
  );

  return (
    <>
      {asked && (
        <MoveAlongDialog
          times={asked}
          zone={workshop.timeZone}
          onClose={() => setAsked(undefined)}
          onMove={() => {
            change(asked);
            setAsked(undefined);
          }}
        />
      )}
      <Paper variant="outlined" sx={{ p: 2.5 }}>
        <Stack spacing={2}>
          <Typography variant="h2">The times</Typography>
          <DateTimeField label="Doors" value={head.doors} zone={workshop.timeZone} onCommit={moveDoors} />
          <Box sx={{ display: 'grid', gap: 2, gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' } }}>
            {time('Access from', head.access.from, (from) => ({ access: { ...head.access, from } }))}
            {time('Access until', head.access.until, (until) => ({
              access: { ...head.access, until },
            }))}
            {time(head.isKept ? 'Event ends' : 'Strike from', head.strike.from, (from) => ({
              strike: { ...head.strike, from },
            }))}
            {!head.isKept &&
              time('Strike until', head.strike.until, (until) => ({
                strike: { ...head.strike, until },
              }))}
          </Box>
          <VisitFields />
        </Stack>
      </Paper>
    </>
  );
}
