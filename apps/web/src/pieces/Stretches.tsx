import type { Colour, Stretch } from '@early-lantern/contract';
import AddIcon from '@mui/icons-material/Add';
import CloseIcon from '@mui/icons-material/Close';
import { Box, Button, IconButton, MenuItem, Stack, TextField, Typography } from '@mui/material';
import { CommitField, wholeNumber } from '../parts/CommitField.tsx';
import { Swatch } from '../parts/Swatch.tsx';
import type { MixProps } from './mix-props.ts';

interface StretchesProps extends MixProps {
  known: readonly Colour[];
}

/** Clusters of one colour after each other: which colour, how many clusters, of how many balloons. */
export function Stretches({ mix, known, onChange }: StretchesProps) {
  const { stretches } = mix;
  const change = (edit: (now: readonly Stretch[]) => Stretch[]) =>
    onChange((now) => ({ stretches: edit(now.stretches ?? []) }));
  const set = (at: number, part: Partial<Stretch>) =>
    change((now) => now.map((one, i) => (i === at ? { ...one, ...part } : one)));
  const first = mix.colours[0]?.colour ?? known[0]?.id ?? '';
  if (!stretches) {
    return (
      <Button
        size="small"
        sx={{ justifySelf: 'start' }}
        onClick={() =>
          onChange((now) => ({
            stretches: now.colours.map(({ colour }) => ({ colour, clusterSize: 4, clusters: 4 })),
          }))
        }
      >
        Set clusters colour by colour
      </Button>
    );
  }
  return (
    <Box component="section" aria-label="Clusters colour by colour">
      <Stack direction="row" sx={{ alignItems: 'center' }}>
        <Typography variant="h3" sx={{ flexGrow: 1 }}>
          Clusters colour by colour
        </Typography>
        <Button size="small" onClick={() => onChange({ stretches: undefined })}>
          By share again
        </Button>
      </Stack>
      <Typography sx={{ fontSize: 13, color: 'text.secondary', mb: 1 }}>
        Starts at the thick end and repeats to the tip. The percentages above apply to the fillers.
      </Typography>
      {stretches.map((one, i) => (
        <Box
          // biome-ignore lint/suspicious/noArrayIndexKey: a stretch has no other name than its place
          key={i}
          sx={{
            display: 'grid',
            gridTemplateColumns: '20px minmax(0, 1fr) 62px 62px 28px',
            gap: 1,
            alignItems: 'center',
            mb: 0.75,
          }}
        >
          <Swatch hex={known.find(({ id }) => id === one.colour)?.hex ?? '#888888'} />
          <TextField
            select
            variant="standard"
            value={one.colour}
            onChange={(event) => set(i, { colour: event.target.value })}
            slotProps={{ htmlInput: { 'aria-label': `Stretch ${i + 1}, colour` } }}
          >
            {known.map(({ id, name }) => (
              <MenuItem key={id} value={id}>
                {name}
              </MenuItem>
            ))}
          </TextField>
          <CommitField
            variant="standard"
            value={String(one.clusters)}
            onCommit={(text) => wholeNumber(text, 1, 200, (clusters) => set(i, { clusters }))}
            slotProps={{
              htmlInput: { inputMode: 'numeric', 'aria-label': `Stretch ${i + 1}, clusters` },
              input: { endAdornment: '×' },
            }}
          />
          <CommitField
            variant="standard"
            value={String(one.clusterSize)}
            onCommit={(text) => wholeNumber(text, 2, 16, (clusterSize) => set(i, { clusterSize }))}
            slotProps={{
              htmlInput: { inputMode: 'numeric', 'aria-label': `Stretch ${i + 1}, balloons in a cluster` },
            }}
          />
          <IconButton
            size="small"
            aria-label={`Remove stretch ${i + 1}`}
            disabled={stretches.length === 1}
            onClick={() => change((now) => now.filter((_, k) => k !== i))}
          >
            <CloseIcon fontSize="small" />
          </IconButton>
        </Box>
      ))}
      <Button
        size="small"
        startIcon={<AddIcon />}
        disabled={stretches.length >= 40}
        onClick={() => change((now) => [...now, { colour: first, clusterSize: 4, clusters: 4 }])}
      >
        Stretch
      </Button>
    </Box>
  );
}
