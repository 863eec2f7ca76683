import { type Site, TooLoud } from '@early-lantern/contract';
import {
  Checkbox,
  FormControlLabel,
  FormGroup,
  MenuItem,
  Paper,
  Stack,
  TextField,
  Typography,
} from '@mui/material';
import { CommitField } from '../parts/CommitField.tsx';
import { HoursField } from '../parts/HoursField.tsx';
import type { SiteChange } from './useSiteEdit.ts';
import { forbidWords, loudWords } from './words.ts';

/** What the house forbids, when it must be quiet, and whom to call. */
export function HouseRulesCard({ site, change }: { site: Site; change: SiteChange }) {
  const set = (edit: Partial<Site>) => change(() => edit);
  const forbids = site.forbids ?? [];
  return (
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
  );
}
