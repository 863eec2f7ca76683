import type { Colour, ColourShare, Mix } from '@early-lantern/contract';
import AddIcon from '@mui/icons-material/Add';
import CloseIcon from '@mui/icons-material/Close';
import CasinoIcon from '@mui/icons-material/ShuffleOutlined';
import {
  Box,
  Button,
  FormControlLabel,
  IconButton,
  Menu,
  MenuItem,
  Slider,
  Stack,
  Switch,
  TextField,
  Tooltip,
  Typography,
} from '@mui/material';
import { memo, useState } from 'react';
import { Swatch } from '../parts/Swatch.tsx';
import { alikeButLine, type MixProps } from './mix-props.ts';
import { ShareField } from './ShareField.tsx';
import { SizesOfColour } from './SizesOfColour.tsx';
import { Stretches } from './Stretches.tsx';
import { withShareOf } from './shares.ts';

/** A colour of no more than this share is offered to go one by one. */
const SCARCE_PCT = 15;

interface ColourMixProps extends MixProps {
  /** The workshop's colours. */
  known: readonly Colour[];
}

/** Colours with their shares; moving one moves the others in proportion, so that they always make up the whole. */
export const ColourMix = memo(
  function ColourMix({ mix, known: colours, onChange }: ColourMixProps) {
    const [bySize, setBySize] = useState(false);
    const known = (id: string) => colours.find((colour) => colour.id === id);
    const unused = colours.filter((colour) => !mix.colours.some((share) => share.colour === colour.id));
    const change = (edit: (now: readonly ColourShare[]) => ColourShare[], gesture?: string) =>
      onChange((now) => ({ colours: edit(now.colours) }), gesture);
    const at = (now: readonly ColourShare[], id: string) => now.findIndex(({ colour }) => colour === id);
    const setShare = (id: string, sharePct: number, gesture?: string) =>
      change((now) => (at(now, id) < 0 ? [...now] : withShareOf(now, at(now, id), sharePct)), gesture);
    const remove = (id: string) =>
      change((now) =>
        (at(now, id) < 0 ? [...now] : withShareOf(now, at(now, id), 0)).filter(({ colour }) => colour !== id),
      );
    /** Another colour in its place, share and lean kept. */
    const replace = (id: string, colour: string) =>
      change((now) => now.map((share) => (share.colour === id ? { ...share, colour } : share)));
    const setSingly = (id: string, on: boolean) =>
      change((now) =>
        now.map((share) => {
          if (share.colour !== id) return share;
          const { singly: _, ...rest } = share;
          return on ? { ...rest, singly: true } : rest;
        }),
      );
    const add = (id: string) =>
      change((now) =>
        withShareOf([...now, { colour: id, sharePct: 0 }], now.length, Math.round(100 / (now.length + 1))),
      );

    return (
      <Box component="section" aria-label="Colours">
        <Stack direction="row" sx={{ alignItems: 'center', justifyContent: 'space-between', mb: 0.5 }}>
          <Typography variant="h3">Colours</Typography>
          <Stack direction="row" sx={{ alignItems: 'center', gap: 0.5 }}>
            {unused.length > 0 && mix.colours.length < 12 && <AddColour colours={unused} onAdd={add} />}
            <TextField
              select
              variant="standard"
              value={mix.colourPlan}
              onChange={(event) => onChange({ colourPlan: event.target.value as Mix['colourPlan'] })}
              slotProps={{ htmlInput: { 'aria-label': 'How the colours are dealt' } }}
            >
              <MenuItem value="blocks">in blocks</MenuItem>
              <MenuItem value="even">evenly mixed</MenuItem>
              <MenuItem value="weighted">by weight</MenuItem>
            </TextField>
            <Tooltip title="Deal the balloons again">
              <IconButton
                size="small"
                aria-label="Deal the balloons again"
                onClick={() => onChange({ seed: (mix.seed + 1) % 2 ** 31 })}
              >
                <CasinoIcon fontSize="small" />
              </IconButton>
            </Tooltip>
          </Stack>
        </Stack>
        <Stack
          direction="row"
          aria-hidden="true"
          sx={{ height: 16, borderRadius: 2, overflow: 'hidden', border: 1, borderColor: 'divider' }}
        >
          {mix.colours.map((share) => (
            <Box key={share.colour} sx={{ width: `${share.sharePct}%`, bgcolor: known(share.colour)?.hex }} />
          ))}
        </Stack>
        {mix.colours.map((share, i) => {
          const name = known(share.colour)?.name ?? share.colour;
          return (
            <Box
              key={share.colour}
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
                onChange={(event) => replace(share.colour, event.target.value)}
                slotProps={{ htmlInput: { 'aria-label': `Colour ${i + 1}` } }}
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
                onChange={(_, value) => setShare(share.colour, value as number, `colour-${share.colour}`)}
              />
              <ShareField
                label={name}
                sharePct={share.sharePct}
                disabled={mix.colours.length === 1}
                onCommit={(value) => setShare(share.colour, value)}
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
                  onChange={(_, value) =>
                    change(
                      (now) =>
                        now.map((one) =>
                          one.colour === share.colour ? { ...one, lean: value as number } : one,
                        ),
                      `lean-${share.colour}`,
                    )
                  }
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
                      onChange={(event) => setSingly(share.colour, event.target.checked)}
                    />
                  }
                  label={`${name} one by one, facing front`}
                  slotProps={{ typography: { sx: { fontSize: 13 } } }}
                />
              )}
              {(bySize || share.inSizes) && (
                <SizesOfColour
                  name={name}
                  share={share}
                  mix={mix}
                  onChange={(inSizes) =>
                    change((now) =>
                      now.map((one) => {
                        if (one.colour !== share.colour) return one;
                        const { inSizes: _, ...rest } = one;
                        return inSizes ? { ...rest, inSizes } : rest;
                      }),
                    )
                  }
                />
              )}
              <IconButton
                size="small"
                aria-label={`Leave ${name} out`}
                sx={{ gridRow: 1, gridColumn: 5 }}
                disabled={mix.colours.length === 1}
                onClick={() => remove(share.colour)}
              >
                <CloseIcon fontSize="small" />
              </IconButton>
            </Box>
          );
        })}
        {(mix.sizes.length > 1 || mix.fillers.triosPerM > 0) && !bySize && (
          <Button size="small" onClick={() => setBySize(true)}>
            Set sizes colour by colour
          </Button>
        )}
        <Stretches mix={mix} known={colours} onChange={onChange} />
      </Box>
    );
  },
  (before, after) => before.known === after.known && alikeButLine(before, after),
);

/** A button that offers the colours not in the mix. */
function AddColour({ colours, onAdd }: { colours: readonly Colour[]; onAdd: (id: string) => void }) {
  const [anchor, setAnchor] = useState<HTMLElement>();
  return (
    <>
      <Button size="small" startIcon={<AddIcon />} onClick={(event) => setAnchor(event.currentTarget)}>
        Colour
      </Button>
      <Menu open={anchor !== undefined} anchorEl={anchor ?? null} onClose={() => setAnchor(undefined)}>
        {colours.map((colour) => (
          <MenuItem
            key={colour.id}
            sx={{ gap: 1 }}
            onClick={() => {
              setAnchor(undefined);
              onAdd(colour.id);
            }}
          >
            <Swatch hex={colour.hex} /> {colour.name}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
