import { Button, Paper, Stack, Typography } from '@mui/material';
import { useJob } from '../job/context.ts';
import { CrewPicker } from '../parts/CrewPicker.tsx';
import { JobHours } from './JobHours.tsx';
import { useHead } from './use-head.ts';

/** Who puts it up, and who takes it down. */
export function CrewCard() {
  const { workshop } = useJob().file;
  const { head, change, drop } = useHead();
  return (
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
            <Button size="small" sx={{ alignSelf: 'start' }} onClick={() => drop('strikeCrew')}>
              The same who put it up
            </Button>
          </>
        ) : (
          <Button size="small" sx={{ alignSelf: 'start' }} onClick={() => change({ strikeCrew: head.crew })}>
            A different crew takes it down
          </Button>
        )}
      </Stack>
    </Paper>
  );
}
