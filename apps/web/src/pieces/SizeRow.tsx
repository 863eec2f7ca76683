import type { SizeShare } from '@early-lantern/contract';
import { inchesToMetres, metresToInches } from '@early-lantern/core';
import CloseIcon from '@mui/icons-material/Close';
import { Box, IconButton, Slider, Stack, Typography } from '@mui/material';
import { LengthField } from '../parts/LengthField.tsx';
import { ShareField } from './ShareField.tsx';
import type { useSizeMix } from './use-size-mix.ts';

interface SizeRowProps {
  size: SizeShare;
  /** No other size is in the mix. */
  isOnly: boolean;
  /** The largest diameter of the mix: discs are to scale with it. */
  largestIn: number;
  does: ReturnType<typeof useSizeMix>;
}

const tidy = (metres: number) => Number(metresToInches(metres).toFixed(3));

/** One size of a mix: how much of it, and what it is blown to. */
export function SizeRow({ size, isOnly, largestIn, does }: SizeRowProps) {
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: '40px minmax(0, 1fr) 48px 28px',
        gap: 1,
        alignItems: 'center',
        mt: 0.75,
      }}
    >
      <Box sx={{ display: 'grid', placeItems: 'center' }}>
        <Box
          aria-hidden="true"
          sx={{
            width: (size.inflatedIn.max / largestIn) * 40,
            aspectRatio: '1',
            borderRadius: '50%',
            border: '2px solid',
            borderColor: 'text.primary',
            bgcolor: 'background.default',
          }}
        />
      </Box>
      <Box>
        <Stack direction="row" sx={{ alignItems: 'center', gap: 0.75 }}>
          <Typography sx={{ fontWeight: 650, whiteSpace: 'nowrap' }}>{size.nominalIn} in.</Typography>
          <Typography sx={{ fontSize: 13, color: 'text.secondary' }}>blown</Typography>
          <LengthField
            short
            variant="standard"
            valueM={inchesToMetres(size.inflatedIn.min)}
            min={0.0254}
            max={inchesToMetres(size.nominalIn)}
            onCommit={(metres) => does.setRange(size.nominalIn, { min: tidy(metres) })}
            slotProps={{ htmlInput: { 'aria-label': `${size.nominalIn} in. blown to at least` } }}
            sx={{ width: 50 }}
          />
          <span>–</span>
          <LengthField
            short
            variant="standard"
            valueM={inchesToMetres(size.inflatedIn.max)}
            min={0.0254}
            max={inchesToMetres(size.nominalIn)}
            onCommit={(metres) => does.setRange(size.nominalIn, { max: tidy(metres) })}
            slotProps={{ htmlInput: { 'aria-label': `${size.nominalIn} in. blown to at most` } }}
            sx={{ width: 50 }}
          />
        </Stack>
        <Slider
          size="small"
          aria-label={`${size.nominalIn} in., share in per cent`}
          value={size.sharePct}
          disabled={isOnly}
          onChange={(_, value) => does.setShare(size.nominalIn, value as number, `size-${size.nominalIn}`)}
          sx={{ py: 0.75 }}
        />
      </Box>
      <ShareField
        label={`${size.nominalIn} in.`}
        sharePct={size.sharePct}
        disabled={isOnly}
        onCommit={(value) => does.setShare(size.nominalIn, value)}
      />
      <IconButton
        size="small"
        aria-label={`Leave ${size.nominalIn} in. out`}
        disabled={isOnly}
        onClick={() => does.remove(size.nominalIn)}
      >
        <CloseIcon fontSize="small" />
      </IconButton>
    </Box>
  );
}
