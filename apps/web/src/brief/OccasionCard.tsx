import type { JobState } from '@early-lantern/contract';
import { isHolding, MS_PER_MPH, usualRules } from '@early-lantern/core';
import { MenuItem, Paper, Stack, TextField, Typography } from '@mui/material';
import { useSites } from '../api/queries.ts';
import { useJob } from '../job/context.ts';
import { CommitField } from '../parts/CommitField.tsx';
import { jobStates, stateWords } from '../parts/state-words.ts';
import { useUnits } from '../preferences.tsx';
import { useHead } from './use-head.ts';

/** What it is, for whom, and where. */
export function OccasionCard() {
  const { document, file } = useJob();
  const { head, change, drop } = useHead();
  const { site } = file;
  const sites = useSites().data ?? [];
  const { long, units, wind } = useUnits();
  const gustUnit = units === 'metric' ? 1 : MS_PER_MPH;
  return (
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
          select
          label="State"
          value={head.state ?? 'firm'}
          helperText={
            isHolding(head)
              ? 'It holds its balloons, gear and people.'
              : 'It holds no balloons, gear or people; it is planned as if it were firm.'
          }
          onChange={(event) => change({ state: event.target.value as JobState })}
        >
          {jobStates.map((state) => (
            <MenuItem key={state} value={state}>
              {stateWords[state]}
            </MenuItem>
          ))}
        </TextField>
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
            if (!text.trim()) return void drop('gustMs');
            const gustMs = Number(text.replace(',', '.')) * gustUnit;
            if (!(gustMs >= 0 && gustMs <= 60)) return 'A number, or nothing';
            change({ gustMs: Number(gustMs.toFixed(3)) });
            return undefined;
          }}
        />
        <TextField
          select
          label="Site"
          value={head.siteId}
          disabled={document.pieces.length > 0}
          sx={{ '& .MuiFormHelperText-root.Mui-disabled': { color: 'text.secondary' } }}
          helperText={document.pieces.length > 0 ? 'The pieces are drawn on spots of this site.' : undefined}
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
          {site.loadIn.steps ? `, ${site.loadIn.steps} steps` : ''} · {site.indoors ? 'indoors' : 'outdoors'}
          {site.rules && <> · {site.rules}</>}
        </Typography>
      </Stack>
    </Paper>
  );
}
