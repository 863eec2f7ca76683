import type { Colour, Mix } from '@early-lantern/contract';
import AddIcon from '@mui/icons-material/Add';
import CloseIcon from '@mui/icons-material/Close';
import CasinoIcon from '@mui/icons-material/ShuffleOutlined';
import {
  Box,
  Button,
  IconButton,
  Menu,
  MenuItem,
  Slider,
  Stack,
  TextField,
  Tooltip,
  Typography,
} from '@mui/material';
import { memo, useState } from 'react';
import { Swatch } from '../parts/Swatch.tsx';
import { alikeButLine, type MixProps } from './mix-props.ts';
import { ShareField } from './ShareField.tsx';
import { withShare } from './shares.ts';

interface ColourMixProps extends MixProps {
  /** The workshop's colours. */
  known: readonly Colour[];
}

/** Colours with their shares; moving one moves the others in proportion, so that they always make up the whole. */
export const ColourMix = memo(
  function ColourMix({ mix, known: colours, onChange }: ColourMixProps) {
    const known = (id: string) => colours.find((colour) => colour.id === id);
    const unused = colours.filter((colour) => !mix.colours.some((share) => share.colour === colour.id));
    const shares = mix.colours.map((share) => share.sharePct);
    const setShares = (next: number[], gesture?: string) =>
      onChange(
        { colours: mix.colours.map((share, i) => ({ ...share, sharePct: next[i] as number })) },
        gesture,
      );
    const remove = (index: number) => {
      const next = withShare(shares, index, 0);
      onChange({
        colours: mix.colours
          .map((share, i) => ({ ...share, sharePct: next[i] as number }))
          .filter((_, i) => i !== index),
      });
    };
    /** Another colour in its place, share and lean kept. */
    const replace = (index: number, colour: string) =>
      onChange({ colours: mix.colours.map((share, i) => (i === index ? { ...share, colour } : share)) });
    const add = (id: string) => {
      const next = withShare([...shares, 0], shares.length, Math.round(100 / (shares.length + 1)));
      onChange({
        colours: [...mix.colours, { colour: id, sharePct: 0 }].map((share, i) => ({
          ...share,
          sharePct: next[i] as number,
        })),
      });
    };

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
                onChange={(event) => replace(i, event.target.value)}
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
                onChange={(_, value) =>
                  setShares(withShare(shares, i, value as number), `colour-${share.colour}`)
                }
              />
              <ShareField
                label={name}
                sharePct={share.sharePct}
                disabled={mix.colours.length === 1}
                onCommit={(value) => setShares(withShare(shares, i, value))}
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
                    onChange(
                      {
                        colours: mix.colours.map((one, j) =>
                          j === i ? { ...one, lean: value as number } : one,
                        ),
                      },
                      `lean-${share.colour}`,
                    )
                  }
                  sx={{ gridRow: 2, gridColumn: '3 / 4', py: 0.5 }}
                />
              )}
              <IconButton
                size="small"
                aria-label={`Leave ${name} out`}
                disabled={mix.colours.length === 1}
                onClick={() => remove(i)}
              >
                <CloseIcon fontSize="small" />
              </IconButton>
            </Box>
          );
        })}
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
