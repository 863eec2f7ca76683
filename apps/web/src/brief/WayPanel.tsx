import type { JobHead } from '@early-lantern/contract';
import { Paper, Stack, Typography } from '@mui/material';
import { useJob } from '../job/context.ts';
import { CarsField } from './CarsField.tsx';
import { DriveFields } from './DriveFields.tsx';
import { DropOffField } from './DropOffField.tsx';
import { SecondLoad } from './SecondLoad.tsx';
import { StopFields } from './StopFields.tsx';
import { VehiclesField } from './VehiclesField.tsx';

/** The roads of this job: how long each drive takes at its hour, stops on the way, what comes with a second load. */
export function WayPanel() {
  const { store, document, file } = useJob();
  const { head, pieces } = document;
  const { site, workshop } = file;
  const change = (edit: (before: JobHead) => JobHead) =>
    store.change((before) => ({ ...before, head: edit(before.head) }));
  return (
    <Paper variant="outlined" component="section" aria-label="The way there" sx={{ p: 2.5 }}>
      <Stack spacing={1.75}>
        <Typography variant="h2">The way there</Typography>
        <DriveFields
          head={head}
          site={site}
          workshop={workshop}
          onChange={(drives) => change(({ drives: _, ...rest }) => (drives ? { ...rest, drives } : rest))}
        />
        <StopFields
          stops={head.stops ?? []}
          onChange={(edit) =>
            change(({ stops = [], ...rest }) => {
              const now = edit(stops);
              return now.length > 0 ? { ...rest, stops: now } : rest;
            })
          }
        />
        <VehiclesField />
        <CarsField />
        <DropOffField />
        <SecondLoad head={head} pieces={pieces} workshop={workshop} change={change} />
      </Stack>
    </Paper>
  );
}
