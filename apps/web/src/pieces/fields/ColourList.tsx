import type { Colour } from '@early-lantern/contract';
import AddIcon from '@mui/icons-material/Add';
import { Box, Divider, IconButton, Menu, MenuItem, Stack, Typography } from '@mui/material';
import { useState } from 'react';
import { Swatch } from '../../parts/Swatch.tsx';
import { stillOffered } from '../../parts/still-offered.ts';

interface ColourListProps {
  label: string;
  value: readonly string[];
  most: number;
  colours: readonly Colour[];
  onChange: (colours: string[]) => void;
}

/** Colours in an order that is repeated: each a balloon to click, to be changed, moved or taken out. */
export function ColourList({ label, value, most, colours, onChange }: ColourListProps) {
  const [open, setOpen] = useState<{ anchor: HTMLElement; index: number }>();
  const known = (id: string) => colours.find((colour) => colour.id === id);
  const close = () => setOpen(undefined);
  const put = (index: number, id: string) => {
    close();
    onChange(index === value.length ? [...value, id] : value.map((one, i) => (i === index ? id : one)));
  };
  const swap = (index: number) => {
    close();
    onChange(
      value.map((one, i) => {
        if (i === index - 1) return value[index] as string;
        return i === index ? (value[index - 1] as string) : one;
      }),
    );
  };
  return (
    <Box component="section" aria-label={label}>
      <Typography sx={{ fontSize: 13, color: 'text.secondary' }}>{label}</Typography>
      <Stack direction="row" sx={{ flexWrap: 'wrap', gap: 0.25, alignItems: 'center' }}>
        {value.map((id, i) => (
          <IconButton
            // The same colour may stand at several places.
            // biome-ignore lint/suspicious/noArrayIndexKey: see above
            key={i}
            size="small"
            aria-label={`${i + 1}: ${known(id)?.name ?? id}`}
            onClick={(event) => setOpen({ anchor: event.currentTarget, index: i })}
          >
            <Swatch hex={known(id)?.hex ?? '#888888'} size={26} />
          </IconButton>
        ))}
        {value.length < most && (
          <IconButton
            size="small"
            aria-label={`${label}: add a colour`}
            onClick={(event) => setOpen({ anchor: event.currentTarget, index: value.length })}
          >
            <AddIcon />
          </IconButton>
        )}
      </Stack>
      <Menu open={open !== undefined} anchorEl={open?.anchor ?? null} onClose={close}>
        {stillOffered(colours, value).map((colour) => (
          <MenuItem
            key={colour.id}
            selected={open !== undefined && value[open.index] === colour.id}
            sx={{ gap: 1 }}
            onClick={() => open && put(open.index, colour.id)}
          >
            <Swatch hex={colour.hex} /> {colour.name}
          </MenuItem>
        ))}
        {open && open.index < value.length && <Divider />}
        {open && open.index > 0 && open.index < value.length && (
          <MenuItem onClick={() => swap(open.index)}>Move it one earlier</MenuItem>
        )}
        {open && open.index < value.length && (
          <MenuItem
            disabled={value.length === 1}
            onClick={() => {
              close();
              onChange(value.filter((_, i) => i !== open.index));
            }}
          >
            Take it out
          </MenuItem>
        )}
      </Menu>
    </Box>
  );
}
