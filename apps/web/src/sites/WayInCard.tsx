import type { Site } from '@early-lantern/contract';
import { Box, FormControlLabel, Paper, Stack, Switch, Typography } from '@mui/material';
import { CommitField, someName, wholeNumber } from '../parts/CommitField.tsx';
import { LengthField } from '../parts/LengthField.tsx';
import { UnitField } from '../parts/UnitField.tsx';
import { KerbFields } from './KerbFields.tsx';
import { LiftFields } from './LiftFields.tsx';
import type { SiteChange } from './useSiteEdit.ts';
import { WhereFields } from './WhereFields.tsx';

/** How far, how narrow and how high it is to the spots, and who opens. */
export function WayInCard({ site, change }: { site: Site; change: SiteChange }) {
  const set = (edit: Partial<Site>) => change(() => edit);
  const loadIn = (edit: Partial<Site['loadIn']>) =>
    change((before) => ({ loadIn: { ...before.loadIn, ...edit } }));
  return (
    <Paper variant="outlined" sx={{ p: 2 }} component="section" aria-label="The way in">
      <Stack spacing={1.5}>
        <Typography variant="h2">The way in</Typography>
        <CommitField
          label="Place"
          value={site.name}
          onCommit={(text) => someName(text, (name) => set({ name }))}
        />
        <Box sx={{ display: 'grid', gap: 1.25, gridTemplateColumns: 'repeat(2, 1fr)' }}>
          <CommitField
            label="Drive, minutes"
            value={String(site.driveMin)}
            onCommit={(text) => wholeNumber(text, 0, 720, (driveMin) => set({ driveMin }))}
          />
          <LengthField
            label="Van to spot"
            valueM={site.loadIn.distanceM}
            min={0}
            max={2000}
            onCommit={(distanceM) => loadIn({ distanceM })}
          />
          <CommitField
            label="Steps"
            value={String(site.loadIn.steps)}
            onCommit={(text) => wholeNumber(text, 0, 500, (steps) => loadIn({ steps }))}
          />
          <CommitField
            label="Set-down, parking, min"
            value={String(site.loadIn.setDownMin ?? 0)}
            onCommit={(text) => wholeNumber(text, 0, 120, (setDownMin) => loadIn({ setDownMin }))}
          />
          <LengthField
            label="Narrowest door"
            valueM={site.loadIn.doorM}
            min={0.3}
            max={20}
            onCommit={(doorM) => loadIn({ doorM })}
          />
          <LengthField
            label="Longest item that fits"
            valueM={site.loadIn.longestM}
            min={0.5}
            max={20}
            onCommit={(longestM) => loadIn({ longestM })}
          />
          <UnitField
            label="Elevation"
            quantity="height"
            value={site.altitudeM ?? 0}
            min={-400}
            max={5000}
            onCommit={(altitudeM = 0) => set({ altitudeM })}
          />
        </Box>
        <CommitField
          label="Power available, W"
          helperText="Blank = not asked"
          value={site.powerW === undefined ? '' : String(site.powerW)}
          onCommit={(text) =>
            text.trim() === ''
              ? void set({ powerW: undefined })
              : wholeNumber(text, 0, 100_000, (powerW) => void set({ powerW }))
          }
        />
        {site.loadIn.lift && <LiftFields loadIn={site.loadIn} onChange={loadIn} />}
        <WhereFields site={site} change={change} />
        <Stack direction="row" sx={{ gap: 2, flexWrap: 'wrap' }}>
          <FormControlLabel
            control={
              <Switch
                checked={site.loadIn.lift ?? false}
                onChange={(event) => loadIn({ lift: event.target.checked })}
              />
            }
            label="Lift"
          />
          <FormControlLabel
            control={
              <Switch checked={site.indoors} onChange={(event) => set({ indoors: event.target.checked })} />
            }
            label="Indoors"
          />
          <FormControlLabel
            control={
              <Switch
                checked={site.isWorkshop ?? false}
                onChange={(event) => set({ isWorkshop: event.target.checked })}
              />
            }
            label="Our own workshop: no loading, no drive"
          />
        </Stack>
        <CommitField
          label="Parking"
          value={site.loadIn.parking ?? ''}
          onCommit={(parking) => void loadIn({ parking }) as undefined}
        />
        <KerbFields loadIn={site.loadIn} onChange={loadIn} />
        <CommitField
          label="Way in, who opens"
          value={site.access ?? ''}
          onCommit={(access) => void set({ access }) as undefined}
        />
      </Stack>
    </Paper>
  );
}
