import type { Drive, JobHead, Stop } from '@early-lantern/contract';
import CloseIcon from '@mui/icons-material/Close';
import { Box, Button, Chip, IconButton, MenuItem, Paper, Stack, TextField, Typography } from '@mui/material';
import { DateTime } from 'luxon';
import { call } from '../api/client.ts';
import { useJob } from '../job/context.ts';
import { CommitField, someName, wholeNumber } from '../parts/CommitField.tsx';
import { newId } from '../parts/ids.ts';
import { useNotice } from '../parts/notices.tsx';
import { CarsField } from './CarsField.tsx';

type Drives = NonNullable<JobHead['drives']>;

const runs: { key: keyof Drives; label: string }[] = [
  { key: 'out', label: 'Out, min' },
  { key: 'home', label: 'Home, min' },
  { key: 'strike', label: 'To the strike, min' },
  { key: 'back', label: 'Back, min' },
];

/** The roads of this job: how long each drive takes at its hour, stops on the way, what comes with a second load. */
export function WayPanel() {
  const { store, document, file } = useJob();
  const { head, pieces } = document;
  const { site, workshop } = file;
  const tell = useNotice();
  const change = (edit: (before: JobHead) => JobHead) =>
    store.change((before) => ({ ...before, head: edit(before.head) }));
  const setStops = (edit: (stops: readonly Stop[]) => Stop[]) =>
    change(({ stops = [], ...rest }) => {
      const now = edit(stops);
      return now.length > 0 ? { ...rest, stops: now } : rest;
    });
  const setDrives = (drives: Drives | undefined) =>
    change(({ drives: _, ...rest }) => (drives ? { ...rest, drives } : rest));
  const ask = async () => {
    const zone = { zone: workshop.timeZone };
    const before = (iso: string) => DateTime.fromISO(iso, zone).minus({ minutes: site.driveMin });
    const moments: Record<keyof Drives, DateTime> = {
      out: before(head.access.from),
      home: DateTime.fromISO(head.doors, zone),
      strike: before(head.strike.from),
      back: DateTime.fromISO(head.strike.until, zone),
    };
    try {
      const found = await Promise.all(
        runs.map(async ({ key }) => {
          const at = moments[key].toISO({ suppressMilliseconds: true }) as string;
          const { minutes } = await call<Drive>(
            'GET',
            `/sites/${site.id}/drive?at=${encodeURIComponent(at)}`,
          );
          return [key, minutes] as const;
        }),
      );
      setDrives(Object.fromEntries(found));
    } catch (error) {
      tell({ text: `The drives are not known. ${(error as Error).message}` });
    }
  };
  const second = head.secondLoad ?? [];
  const hired = head.hiredLadders ?? [];
  return (
    <Paper variant="outlined" component="section" aria-label="The way there" sx={{ p: 2.5 }}>
      <Stack spacing={1.75}>
        <Typography variant="h2">The way there</Typography>
        <Box sx={{ display: 'grid', gap: 1.25, gridTemplateColumns: 'repeat(2, minmax(0, 1fr))' }}>
          {runs.map(({ key, label }) => (
            <CommitField
              key={key}
              label={label}
              value={head.drives?.[key] === undefined ? '' : String(head.drives[key])}
              placeholder={`${site.driveMin}, as surveyed`}
              slotProps={{ inputLabel: { shrink: true } }}
              onCommit={(text) => {
                if (text.trim() === '') {
                  const { [key]: _, ...rest } = head.drives ?? {};
                  return void setDrives(Object.keys(rest).length > 0 ? rest : undefined);
                }
                return wholeNumber(text, 0, 720, (minutes) => setDrives({ ...head.drives, [key]: minutes }));
              }}
            />
          ))}
        </Box>
        <Box>
          <Button
            size="small"
            variant="outlined"
            disabled={!site.at || !workshop.at}
            onClick={() => void ask()}
          >
            Get drive times
          </Button>
          {(!site.at || !workshop.at) && (
            <Typography sx={{ fontSize: 14, color: 'text.secondary', mt: 0.5 }}>
              Say where {workshop.at ? 'the site' : 'the workshop'} is, and the drives can be asked for.
            </Typography>
          )}
        </Box>
        <Typography variant="h3">Stops on the way</Typography>
        {(head.stops ?? []).map((stop) => {
          const edit = (more: Partial<Stop>) =>
            setStops((now) => now.map((one) => (one.id === stop.id ? { ...one, ...more } : one)));
          return (
            <Box
              key={stop.id}
              sx={{
                display: 'grid',
                gap: 1,
                gridTemplateColumns: { xs: '1fr 1fr 1fr auto', sm: 'minmax(0, 1fr) 118px 100px 92px auto' },
              }}
            >
              <CommitField
                label="Where, for what"
                value={stop.label}
                sx={{ gridColumn: { xs: '1 / -1', sm: 'auto' } }}
                onCommit={(text) => someName(text, (label) => edit({ label }))}
              />
              <TextField
                select
                label="On the way"
                value={stop.trip}
                onChange={(event) => edit({ trip: event.target.value as Stop['trip'] })}
              >
                <MenuItem value="set-up">out</MenuItem>
                <MenuItem value="strike">to the strike</MenuItem>
              </TextField>
              <CommitField
                label="Detour, min"
                value={String(stop.driveMin)}
                onCommit={(text) => wholeNumber(text, 0, 240, (driveMin) => edit({ driveMin }))}
              />
              <CommitField
                label="There, min"
                value={String(stop.minutes)}
                onCommit={(text) => wholeNumber(text, 0, 240, (minutes) => edit({ minutes }))}
              />
              <IconButton
                aria-label={`Delete the stop ${stop.label}`}
                onClick={() => setStops((now) => now.filter((one) => one.id !== stop.id))}
              >
                <CloseIcon />
              </IconButton>
            </Box>
          );
        })}
        <Button
          size="small"
          sx={{ alignSelf: 'start' }}
          onClick={() =>
            setStops((now) => [
              ...now,
              { id: newId('stop'), label: 'New stop', trip: 'set-up', driveMin: 5, minutes: 10 },
            ])
          }
        >
          Add a stop
        </Button>
        <CarsField />
        {pieces.length > 1 && (
          <TextField
            select
            label="The van comes back for"
            value={second}
            slotProps={{ select: { multiple: true, displayEmpty: true }, inputLabel: { shrink: true } }}
            helperText={
              second.length > 0
                ? 'One drives back for a second load; these pieces wait for it.'
                : 'nothing: all goes in one load'
            }
            onChange={(event) => {
              const ids = event.target.value as unknown as string[];
              change(({ secondLoad: _, ...rest }) => (ids.length > 0 ? { ...rest, secondLoad: ids } : rest));
            }}
          >
            {pieces.map(({ id, name }) => (
              <MenuItem key={id} value={id}>
                {name}
              </MenuItem>
            ))}
          </TextField>
        )}
        {hired.length > 0 && (
          <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap', alignItems: 'center' }}>
            <Typography>Hired for this job:</Typography>
            {hired.map((id) => (
              <Chip
                key={id}
                label={`one more ${workshop.ladders?.find((one) => one.id === id)?.name ?? id}`}
                onDelete={() =>
                  change(({ hiredLadders = [], ...rest }) => {
                    const left = hiredLadders.filter((one) => one !== id);
                    return left.length > 0 ? { ...rest, hiredLadders: left } : rest;
                  })
                }
              />
            ))}
          </Stack>
        )}
      </Stack>
    </Paper>
  );
}
