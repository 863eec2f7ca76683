import type { Colour, Mix } from '@early-lantern/contract';
import { dealtAgain } from '@early-lantern/core';
import AddIcon from '@mui/icons-material/Add';
import CasinoIcon from '@mui/icons-material/ShuffleOutlined';
import {
  Box,
  Button,
  IconButton,
  Menu,
  MenuItem,
  Stack,
  TextField,
  Tooltip,
  Typography,
} from '@mui/material';
import { memo, useState } from 'react';
import { Swatch } from '../parts/Swatch.tsx';
import { stillOffered } from '../parts/still-offered.ts';
import { ByHandLine } from './ByHandLine.tsx';
import { ColourRow } from './ColourRow.tsx';
import { alikeButLine, type MixProps } from './mix-props.ts';
import { Stretches } from './Stretches.tsx';
import { useColourMix } from './use-colour-mix.ts';

interface ColourMixProps extends MixProps {
  /** The workshop's colours. */
  known: readonly Colour[];
}

/** Colours with their shares; moving one moves the others in proportion, so that they always make up the whole. */
export const ColourMix = memo(
  function ColourMix({ mix, known: colours, onChange }: ColourMixProps) {
    const [bySize, setBySize] = useState(false);
    const known = (id: string) => colours.find((colour) => colour.id === id);
    const unused = stillOffered(colours).filter(
      (colour) => !mix.colours.some((share) => share.colour === colour.id),
    );
    const does = useColourMix(onChange);

    return (
      <Box component="section" aria-label="Colours">
        <Stack direction="row" sx={{ alignItems: 'center', justifyContent: 'space-between', mb: 0.5 }}>
          <Typography variant="h3">Colours</Typography>
          <Stack direction="row" sx={{ alignItems: 'center', gap: 0.5 }}>
            {unused.length > 0 && mix.colours.length < 12 && <AddColour colours={unused} onAdd={does.add} />}
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
                onClick={() => onChange(dealtAgain(mix, 1))}
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
        {mix.colours.map((share, i) => (
          <ColourRow
            key={share.colour}
            share={share}
            number={i + 1}
            mix={mix}
            known={known}
            unused={unused}
            showsSizes={bySize}
            does={does}
          />
        ))}
        {(mix.sizes.length > 1 || mix.fillers.triosPerM > 0) && !bySize && (
          <Button size="small" onClick={() => setBySize(true)}>
            Set sizes colour by colour
          </Button>
        )}
        <ByHandLine mix={mix} onChange={onChange} />
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
