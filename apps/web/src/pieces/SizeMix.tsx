import type { SizeShare } from '@early-lantern/contract';
import { inchesToMetres, knownSizes, metresToInches, sizeOf } from '@early-lantern/core';
import CloseIcon from '@mui/icons-material/Close';
import {
  Box,
  FormControlLabel,
  IconButton,
  MenuItem,
  Slider,
  Stack,
  Switch,
  TextField,
  Typography,
} from '@mui/material';
import { memo } from 'react';
import { useWorkshop } from '../api/queries.ts';
import { LengthField } from '../parts/LengthField.tsx';
import { alikeButLine, type MixProps, usedIn } from './mix-props.ts';
import { ShareField } from './ShareField.tsx';
import { withShareOf } from './shares.ts';

/** Sizes with their shares and the diameters they are blown to; the discs are to scale with each other. */
export const SizeMix = memo(function SizeMix({ mix, onChange }: MixProps) {
  const largest = Math.max(...mix.sizes.map((size) => size.inflatedIn.max));
  const workshop = useWorkshop();
  const unused = knownSizes(workshop).filter(
    (size) => size > 2 && !mix.sizes.some((one) => one.nominalIn === size),
  );
  const change = (edit: (now: readonly SizeShare[]) => SizeShare[], gesture?: string) =>
    onChange((now) => ({ sizes: edit(now.sizes) }), gesture);
  const at = (now: readonly SizeShare[], nominalIn: number) =>
    now.findIndex((size) => size.nominalIn === nominalIn);
  const setShare = (nominalIn: number, sharePct: number, gesture?: string) =>
    change(
      (now) => (at(now, nominalIn) < 0 ? [...now] : withShareOf(now, at(now, nominalIn), sharePct)),
      gesture,
    );
  const setRange = (nominalIn: number, edit: Partial<SizeShare['inflatedIn']>) =>
    change((now) =>
      now.map((size) => {
        if (size.nominalIn !== nominalIn) return size;
        const range = { ...size.inflatedIn, ...edit };
        return {
          ...size,
          inflatedIn: { min: Math.min(range.min, range.max), max: Math.max(range.min, range.max) },
        };
      }),
    );
  const tidy = (metres: number) => Number(metresToInches(metres).toFixed(3));

  return (
    <Box component="section" aria-label="Sizes">
      <Stack direction="row" sx={{ justifyContent: 'space-between', alignItems: 'center' }}>
        <Typography variant="h3">Sizes</Typography>
        <FormControlLabel
          control={
            <Switch
              size="small"
              checked={mix.sizePolicy === 'fit-width'}
              onChange={(event) => onChange({ sizePolicy: event.target.checked ? 'fit-width' : 'as-set' })}
            />
          }
          label="fit to width"
          slotProps={{ typography: { sx: { fontSize: 14 } } }}
          sx={{ mr: 0 }}
        />
      </Stack>
      {mix.sizes.map((size) => (
        <Box
          key={size.nominalIn}
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
                width: (size.inflatedIn.max / largest) * 40,
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
                onCommit={(metres) => setRange(size.nominalIn, { min: tidy(metres) })}
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
                onCommit={(metres) => setRange(size.nominalIn, { max: tidy(metres) })}
                slotProps={{ htmlInput: { 'aria-label': `${size.nominalIn} in. blown to at most` } }}
                sx={{ width: 50 }}
              />
            </Stack>
            <Slider
              size="small"
              aria-label={`${size.nominalIn} in., share in per cent`}
              value={size.sharePct}
              disabled={mix.sizes.length === 1}
              onChange={(_, value) => setShare(size.nominalIn, value as number, `size-${size.nominalIn}`)}
              sx={{ py: 0.75 }}
            />
          </Box>
          <ShareField
            label={`${size.nominalIn} in.`}
            sharePct={size.sharePct}
            disabled={mix.sizes.length === 1}
            onCommit={(value) => setShare(size.nominalIn, value)}
          />
          <IconButton
            size="small"
            aria-label={`Leave ${size.nominalIn} in. out`}
            disabled={mix.sizes.length === 1}
            onClick={() =>
              change((now) =>
                (at(now, size.nominalIn) < 0
                  ? [...now]
                  : withShareOf(now, at(now, size.nominalIn), 0)
                ).filter(({ nominalIn }) => nominalIn !== size.nominalIn),
              )
            }
          >
            <CloseIcon fontSize="small" />
          </IconButton>
        </Box>
      ))}
      {unused.length > 0 && mix.sizes.length < 8 && (
        <TextField
          select
          fullWidth
          value=""
          label="Add a size"
          sx={{ mt: 1 }}
          onChange={(event) => {
            const nominalIn = Number(event.target.value);
            const fresh: SizeShare = {
              nominalIn,
              sharePct: 0,
              inflatedIn: { ...sizeOf(nominalIn, workshop).blowIn },
            };
            onChange(({ sizes, colours }) => ({
              sizes: withShareOf([...sizes, fresh], sizes.length, Math.round(50 / (sizes.length + 1))),
              colours: usedIn(colours, nominalIn),
            }));
          }}
        >
          {unused.map((size) => (
            <MenuItem key={size} value={String(size)}>
              {size} in., blown to {sizeOf(size, workshop).blowIn.min}–{sizeOf(size, workshop).blowIn.max} in.
            </MenuItem>
          ))}
        </TextField>
      )}
    </Box>
  );
}, alikeButLine);
