import { Fullness, type Mix } from '@early-lantern/contract';
import { METRES_PER_FOOT } from '@early-lantern/core';
import { Box, MenuItem, Slider, TextField, Typography } from '@mui/material';
import { memo } from 'react';
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
      <Box>
        <Typography id="fillers" sx={{ fontSize: 14 }}>
          Fillers: {(mix.fillers.triosPerM * METRES_PER_FOOT).toFixed(1)} trios a foot at 22 in wide
        </Typography>
        <Slider
          size="small"
          aria-labelledby="fillers"
          value={mix.fillers.triosPerM * METRES_PER_FOOT}
          min={0}
          max={5}
          step={0.25}
          onChange={(_, perFoot) =>
            change(
              {
                fillers: {
                  ...mix.fillers,
                  triosPerM: Number(((perFoot as number) / METRES_PER_FOOT).toFixed(4)),
                },
              },
              'fillers',
            )
          }
        />
      </Box>
    </>
  );
}, alikeButLine);
