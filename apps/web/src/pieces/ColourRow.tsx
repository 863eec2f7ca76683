import type { Colour, ColourShare } from '@early-lantern/contract';
import CloseIcon from '@mui/icons-material/Close';
import { Box, FormControlLabel, IconButton, MenuItem, Slider, Switch, TextField } from '@mui/material';
import { Swatch } from '../parts/Swatch.tsx';
import type { MixProps } from './mix-props.ts';
import { ShareField } from './ShareField.tsx';
import { SizesOfColour } from './SizesOfColour.tsx';
import type { useColourMix } from './use-colour-mix.ts';

/** A colour of no more than this share is offered to go one by one. */
const SCARCE_PCT = 15;

interface ColourRowProps {
  share: ColourShare;
  /** Its place among the colours, from 1. */
  number: number;
  mix: MixProps['mix'];
  known: (id: string) => Colour | undefined;
  unused: readonly Colour[];
  showsSizes: boolean;
  does: ReturnType<typeof useColourMix>;
}

/** One colour of a mix: which, how much of it, where it gathers, in which sizes. */
export function ColourRow({ share, number, mix, known, unused, showsSizes, does }: ColourRowProps) {
  const name = known(share.colour)?.name ?? share.colour;
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: '20px 92px minmax(0, 1fr) 48px 28px',
        alignItems: 'center',
        gap: 1,
      }}
    >
      <Swatch hex={known(share.colour)?.hex ?? '#888888'} />
      <TextField
        select
        variant="standard"
        value={share.colour}
        title={name}
        onChange={(event) => does.replace(share.colour, event.target.value)}
        slotProps={{ htmlInput: { 'aria-label': `Colour ${number}` } }}
      >
        {[share.colour, ...unused.map(({ id }) => id)].map((id) => (
          <MenuItem key={id} value={id}>
            {known(id)?.name ?? id}
          </MenuItem>
        ))}
      </TextField>
      <Slider
        size="small"
        aria-label={`${name}, share in per cent`}
        value={share.sharePct}
        disabled={mix.colours.length === 1}
        onChange={(_, value) => does.setShare(share.colour, value as number, `colour-${share.colour}`)}
      />
      <ShareField
        label={name}
        sharePct={share.sharePct}
        disabled={mix.colours.length === 1}
        onCommit={(value) => does.setShare(share.colour, value)}
      />
      {mix.colourPlan === 'weighted' && (
        <Slider
          size="small"
          aria-label={`${name}, from thick end to tip`}
          value={share.lean ?? 0}
          min={-1}
          max={1}
          step={0.1}
          track={false}
          marks={[{ value: 0 }]}
          onChange={(_, value) => does.setLean(share.colour, value as number)}
          sx={{ gridRow: 3, gridColumn: '3 / 4', py: 0.5 }}
        />
      )}
      {mix.colours.length > 1 && !mix.stretches && (share.singly || share.sharePct <= SCARCE_PCT) && (
        <FormControlLabel
          sx={{ gridColumn: '2 / 6', my: -0.5 }}
          control={
            <Switch
              size="small"
              checked={share.singly ?? false}
              onChange={(event) => does.setSingly(share.colour, event.target.checked)}
            />
          }
          label={`${name} one by one, facing front`}
          slotProps={{ typography: { sx: { fontSize: 13 } } }}
        />
      )}
      {(showsSizes || share.inSizes) && (
        <SizesOfColour
          name={name}
          share={share}
          mix={mix}
          onChange={(inSizes) => does.setSizes(share.colour, inSizes)}
        />
      )}
      <IconButton
        size="small"
        aria-label={`Leave ${name} out`}
        sx={{ gridRow: 1, gridColumn: 5 }}
        disabled={mix.colours.length === 1}
        onClick={() => does.remove(share.colour)}
      >
        <CloseIcon fontSize="small" />
      </IconButton>
    </Box>
  );
}
