import { Fullness, type Mix } from '@early-lantern/contract';
import { Box, FormControlLabel, MenuItem, Switch, TextField } from '@mui/material';
import { memo } from 'react';
import { Fillers } from './FillerFields.tsx';
import { alikeButLine, type MixProps } from './mix-props.ts';

const clusterSizes = Array.from({ length: 15 }, (_, i) => i + 2);
/** Above so many a cluster is unwieldy. */
const UNWIELDY = 14;

const fullnessWords: Record<Fullness, string> = {
  thin: 'thin: the fewest that fill the width',
  usual: 'usual: 10 % more, 30 % at a wall',
  rich: 'rich: 30 % more, 50 % at a wall',
};

/** How an organic dressing is made: clusters, stringing, fillers. */
export const Making = memo(function Making({ mix, onChange: change }: MixProps) {
  return (
    <>
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.5 }}>
        <TextField
          select
          label="Cluster of"
          disabled={mix.stretches !== undefined}
          value={String(mix.clusterSize)}
          onChange={(event) =>
            change({ clusterSize: event.target.value === 'auto' ? 'auto' : Number(event.target.value) })
          }
        >
          <MenuItem value="auto">what suits the width</MenuItem>
          {clusterSizes.map((n) => (
            <MenuItem key={n} value={String(n)}>
              {n > UNWIELDY ? `${n}, unwieldy` : n}
            </MenuItem>
          ))}
        </TextField>
        <TextField
          select
          label="Strung"
          value={mix.strung}
          onChange={(event) => change({ strung: event.target.value as Mix['strung'] })}
        >
          <MenuItem value="tight">pushed up tight</MenuItem>
          <MenuItem value="loose">with play</MenuItem>
        </TextField>
        <TextField
          select
          label="Fullness"
          value={mix.fullness ?? 'usual'}
          onChange={(event) => change({ fullness: Fullness.parse(event.target.value) })}
          sx={{ gridColumn: '1 / -1' }}
        >
          {Fullness.options.map((one) => (
            <MenuItem key={one} value={one}>
              {fullnessWords[one]}
            </MenuItem>
          ))}
        </TextField>
      </Box>
      {mix.sizes.length > 1 && (
        <FormControlLabel
          control={
            <Switch
              size="small"
              checked={mix.largeToFront ?? false}
              onChange={(event) => change({ largeToFront: event.target.checked })}
            />
          }
          label="one large balloon in each block, facing front"
          slotProps={{ typography: { sx: { fontSize: 14 } } }}
        />
      )}
      <Fillers mix={mix} onChange={change} />
    </>
  );
}, alikeButLine);
