import type { JobHead } from '@early-lantern/contract';
import { MS_PER_MPH, usualRules } from '@early-lantern/core';
import DownloadIcon from '@mui/icons-material/Download';
import { Box, Button, MenuItem, Paper, Stack, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { useSites } from '../api/queries.ts';
import { useJob } from '../job/context.ts';
import { exportJob } from '../job/export-job.ts';
import { timeFault, withDoors } from '../job/times.ts';
import { CommitField } from '../parts/CommitField.tsx';
import { CrewPicker } from '../parts/CrewPicker.tsx';
import { DateTimeField } from '../parts/DateTimeField.tsx';
import { useUnits } from '../preferences.tsx';
import { JobHours } from './JobHours.tsx';
import { MoveAlongDialog } from './MoveAlongDialog.tsx';
import { VisitFields } from './VisitFields.tsx';
import { WayPanel } from './WayPanel.tsx';

/** What was agreed: the occasion, the place, the times and the people. */
export function BriefScreen() {
  const { store, document, file } = useJob();
  const { head } = document;
  const { workshop, site } = file;
  const sites = useSites().data ?? [];
  const { long, units, wind } = useUnits();
  const gustUnit = units === 'metric' ? 1 : MS_PER_MPH;
  const change = (edit: Partial<JobHead>, gesture?: string) =>
    store.change((before) => ({ ...before, head: { ...before.head, ...edit } }), gesture);

  const [asked, setAsked] = useState<Pick<JobHead, 'doors' | 'access' | 'strike'>>();
  const setGust = (gustMs: number | undefined) =>
    store.change((before) => {
      const { gustMs: _, ...head } = before.head;
      return { ...before, head: gustMs === undefined ? head : { ...head, gustMs } };
    });

  const sameStrikes = () =>
    store.change((before) => {
      const { strikeCrew: _, ...same } = before.head;
      return { ...before, head: same };
    });

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
    <Box
      sx={{
        px: { xs: 1.5, sm: 3 },
        pb: 3,
        display: 'grid',
        gap: 2,
        gridTemplateColumns: { xs: '1fr', md: '1fr 1fr' },
        alignItems: 'start',
      }}
    >
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
      <Stack spacing={2}>
        <Paper variant="outlined" sx={{ p: 2.5 }}>
          <Stack spacing={2}>
            <Typography variant="h2">The occasion</Typography>
            <TextField
              label="Job name"
              value={head.name}
              error={!head.name.trim()}
              helperText={head.name.trim() ? undefined : 'A job needs a name before it is saved again.'}
              onChange={(event) => change({ name: event.target.value.slice(0, 120) }, 'name')}
            />
            <TextField
              label="What it is"
              multiline
              minRows={2}
              value={head.event}
              onChange={(event) => change({ event: event.target.value }, 'event')}
            />
            <TextField
              label="Notes for the crew"
              multiline
              minRows={2}
              value={head.notes}
              onChange={(event) => change({ notes: event.target.value }, 'notes')}
            />
            <CommitField
              label={`Strongest gust expected outdoors, ${units === 'metric' ? 'm/s' : 'mph'}`}
              value={head.gustMs === undefined ? '' : String(Number((head.gustMs / gustUnit).toFixed(1)))}
              helperText={`Blank = from the forecast; without one, ${wind({ ...usualRules, ...file.workshop.holdRules }.assumedGustMs)} is assumed.`}
              onCommit={(text) => {
                if (!text.trim()) return void setGust(undefined);
                const gustMs = Number(text.replace(',', '.')) * gustUnit;
                if (!(gustMs >= 0 && gustMs <= 60)) return 'A number, or nothing';
                setGust(Number(gustMs.toFixed(3)));
                return undefined;
              }}
            />
            <TextField
              select
              label="Site"
              value={head.siteId}
              disabled={document.pieces.length > 0}
              sx={{ '& .MuiFormHelperText-root.Mui-disabled': { color: 'text.secondary' } }}
              helperText={
                document.pieces.length > 0 ? 'The pieces are drawn on spots of this site.' : undefined
              }
              onChange={(event) => change({ siteId: event.target.value })}
            >
              {sites.map(({ data }) => (
                <MenuItem key={data.id} value={data.id}>
                  {data.name}
                </MenuItem>
              ))}
            </TextField>
            <Typography sx={{ color: 'text.secondary' }}>
              {site.driveMin} min drive · {long(site.loadIn.distanceM)} on foot
              {site.loadIn.steps ? `, ${site.loadIn.steps} steps` : ''} ·{' '}
              {site.indoors ? 'indoors' : 'outdoors'}
              {site.rules && <> · {site.rules}</>}
            </Typography>
          </Stack>
        </Paper>
        <WayPanel />
      </Stack>
      <Stack spacing={2}>
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
        <Paper variant="outlined" sx={{ p: 2.5 }}>
          <Stack spacing={1.5}>
            <Typography variant="h2">The crew</Typography>
            <CrewPicker
              crew={workshop.crew}
              chosen={head.crew}
              onChange={(crew) => crew.length > 0 && change({ crew })}
            />
            <Typography sx={{ fontSize: 14, color: 'text.secondary' }}>
              A job needs at least one person.
            </Typography>
            <JobHours />
            {head.strikeCrew ? (
              <>
                <Typography sx={{ fontWeight: 650 }}>Takes it down</Typography>
                <CrewPicker
                  crew={workshop.crew}
                  chosen={head.strikeCrew}
                  onChange={(strikeCrew) => strikeCrew.length > 0 && change({ strikeCrew })}
                />
                <Button size="small" sx={{ alignSelf: 'start' }} onClick={sameStrikes}>
                  The same who put it up
                </Button>
              </>
            ) : (
              <Button
                size="small"
                sx={{ alignSelf: 'start' }}
                onClick={() => change({ strikeCrew: head.crew })}
              >
                A different crew takes it down
              </Button>
            )}
          </Stack>
        </Paper>
        <Button
          sx={{ alignSelf: 'start' }}
          variant="outlined"
          startIcon={<DownloadIcon />}
          onClick={() => void exportJob(store, head.id)}
        >
          Export as a job file
        </Button>
      </Stack>
    </Box>
  );
}
