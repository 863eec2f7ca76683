import type { Colour, ColourId, Piece, Spot } from '@early-lantern/contract';
import { type PaletteReading, plural, readPalette } from '@early-lantern/core';
import { Box, Button, Typography } from '@mui/material';
import { memo, useMemo, useState } from 'react';
import { wallHex } from '../pieces/surface-patterns.tsx';
import { PaletteDialog } from './PaletteDialog.tsx';

interface PaletteLineProps {
  piece: Piece;
  /** Colours that it has balloons in. */
  used: readonly ColourId[];
  /** All that the house has. */
  colours: readonly Colour[];
  spot: Spot | undefined;
  onCommit: (piece: Piece) => string | undefined;
}

/** How the piece's colours read on their spot, in a line; more of it, and other colours, in a dialog. */
export const PaletteLine = memo(function PaletteLine({
  piece,
  used,
  colours,
  spot,
  onCommit,
}: PaletteLineProps) {
  const [isOpen, setOpen] = useState(false);
  const own = useMemo(() => colours.filter(({ id }) => used.includes(id)), [colours, used]);
  const wall = spot ? wallHex(spot) : undefined;
  const reading = useMemo(
    () => (wall && own.length > 0 ? readPalette(own, colours, wall) : undefined),
    [own, colours, wall],
  );
  if (!reading || !wall || !spot) return null;
  return (
    <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap' }} data-testid="palette-line">
      <Typography sx={{ fontSize: 14, color: 'text.secondary' }}>{inWords(reading)}</Typography>
      <Button size="small" onClick={() => setOpen(true)}>
        Palette
      </Button>
      {isOpen && (
        <PaletteDialog
          piece={piece}
          reading={reading}
          wall={wall}
          spotName={spot.name}
          onCommit={onCommit}
          onClose={() => setOpen(false)}
        />
      )}
    </Box>
  );
});

function inWords({ wall, alike }: PaletteReading): string {
  const hiding = wall.filter(({ shows }) => shows === 'hardly');
  const dim = wall.filter(({ shows }) => shows === 'near');
  const some = alike.filter(({ eyes }) => eyes !== 'usual');
  const all = alike.filter(({ eyes }) => eyes === 'usual');
  const names = (own: typeof wall) => own.map(({ colour }) => colour.name).join(', ');
  const told = [
    ...(hiding.length > 0 ? [`Almost the colour of the wall: ${names(hiding)}.`] : []),
    ...(dim.length > 0 ? [`Lost against it from across the room: ${names(dim)}.`] : []),
    ...all.map(
      ({ one, other, isNear }) =>
        `${one.name} and ${other.name} look alike${isNear ? '' : ' from across the room'}.`,
    ),
    ...(some.length > 0 ? [`${plural(some.length, 'pair')} alike to colour-blind eyes.`] : []),
  ];
  return told.length > 0 ? told.join(' ') : 'Every colour shows against the wall and from across the room.';
}
