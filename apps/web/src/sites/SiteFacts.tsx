import { type Site, TooLoud } from '@early-lantern/contract';
import {
  Box,
  Checkbox,
  FormControlLabel,
  FormGroup,
  MenuItem,
  Paper,
  Stack,
  Switch,
  TextField,
  Typography,
} from '@mui/material';
import { CommitField, someName, wholeNumber } from '../parts/CommitField.tsx';
import { HoursField } from '../parts/HoursField.tsx';
import { LengthField } from '../parts/LengthField.tsx';
import { UnitField } from '../parts/UnitField.tsx';
import type { SiteChange } from './useSiteEdit.ts';
import { WhereFields } from './WhereFields.tsx';
import { forbidWords, loudWords } from './words.ts';

/** The way in, the house rules, who to call: everything about a place that is not drawn. */
export function SiteFacts({ site, change }: { site: Site; change: SiteChange }) {
  const set = (edit: Partial<Site>) => change(() => edit);
  const loadIn = (edit: Partial<Site['loadIn']>) =>
    change((before) => ({ loadIn: { ...before.loadIn, ...edit } }));
  const forbids = site.forbids ?? [];
  return (
    <Box
      sx={{
        display: 'grid',
        gap: 2,
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: '1fr 1fr' },
        alignItems: 'start',
      }}
    >
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
          {site.loadIn.lift && (
            <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: '1fr 1fr' }}>
              <CommitField
                label="Floors by lift"
                value={String(site.loadIn.floors ?? 0)}
                onCommit={(text) => wholeNumber(text, 0, 100, (floors) => void loadIn({ floors }))}
              />
              <CommitField
                label="Loads the lift takes at once"
                helperText="A person carrying, or a wagon. Blank = all of them"
                value={site.loadIn.liftLoads === undefined ? '' : String(site.loadIn.liftLoads)}
                onCommit={(text) =>
                  text.trim() === ''
                    ? void loadIn({ liftLoads: undefined })
                    : wholeNumber(text, 1, 20, (liftLoads) => void loadIn({ liftLoads }))
                }
              />
            </Box>
          )}
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
          <Typography sx={{ fontSize: 14, color: 'text.secondary' }}>
            The van may stand there:{' '}
            {site.loadIn.kerb ? `${site.loadIn.kerb.from} to ${site.loadIn.kerb.to}` : 'at any hour'}
          </Typography>
          <HoursField
            key={JSON.stringify(site.loadIn.kerb)}
            none="Any hour"
            value={site.loadIn.kerb}
            onNone={() => loadIn({ kerb: undefined })}
            onHours={(kerb) => loadIn({ kerb })}
          />
          <CommitField
            label="For how many minutes at a time"
            helperText="Blank = as long as it takes"
            value={site.loadIn.kerbMin === undefined ? '' : String(site.loadIn.kerbMin)}
            onCommit={(text) =>
              text.trim() === ''
                ? void loadIn({ kerbMin: undefined })
                : wholeNumber(text, 5, 600, (kerbMin) => void loadIn({ kerbMin }))
            }
          />
          <CommitField
            label="Way in, who opens"
            value={site.access ?? ''}
            onCommit={(access) => void set({ access }) as undefined}
          />
        </Stack>
      </Paper>
      <Paper variant="outlined" sx={{ p: 2 }} component="section" aria-label="House rules">
        <Stack spacing={1.5}>
          <Typography variant="h2">House rules</Typography>
          <FormGroup row>
            {(Object.keys(forbidWords) as typeof forbids).map((what) => (
              <FormControlLabel
                key={what}
                control={
                  <Checkbox
                    checked={forbids.includes(what)}
                    onChange={(event) =>
                      set({
                        forbids: event.target.checked
                          ? [...forbids, what]
                          : forbids.filter((one) => one !== what),
                      })
                    }
                  />
                }
                label={`no ${forbidWords[what]}`}
              />
            ))}
          </FormGroup>
          <Typography sx={{ fontSize: 14, color: 'text.secondary' }}>
            Quiet hours:{' '}
            {site.quiet
              ? `${site.quiet.from} to ${site.quiet.to}`
              : site.quiet === null
                ? 'none'
                : 'not asked yet'}
          </Typography>
          <HoursField
            key={JSON.stringify(site.quiet)}
            none="None"
            value={site.quiet ?? undefined}
            onNone={() => set({ quiet: null })}
            onHours={(hours) => set({ quiet: { ...site.quiet, ...hours } })}
          />
          {site.quiet && (
            <TextField
              select
              label="Too loud then"
              value={site.quiet.loud ?? ['inflators']}
              onChange={({ target }) => {
                const loud = target.value as unknown as TooLoud[];
                if (site.quiet && loud.length > 0) set({ quiet: { ...site.quiet, loud } });
              }}
              slotProps={{ select: { multiple: true } }}
            >
              {TooLoud.options.map((one) => (
                <MenuItem key={one} value={one}>
                  {loudWords[one]}
                </MenuItem>
              ))}
            </TextField>
          )}
          <CommitField
            label="Venue rules"
            multiline
            value={site.rules}
            onCommit={(rules) => void set({ rules }) as undefined}
          />
          <CommitField
            label="Contact"
            value={site.contact}
            onCommit={(contact) => void set({ contact }) as undefined}
          />
        </Stack>
      </Paper>
    </Box>
  );
}
