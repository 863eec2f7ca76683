import type { Colour, Piece } from '@early-lantern/contract';
import { colourSpread, type Picture } from '@early-lantern/core';
import { Typography } from '@mui/material';
import { memo, useMemo } from 'react';
import { useUnits } from '../preferences.tsx';

interface SpreadNoteProps {
  piece: Piece;
  picture: Picture | undefined;
  colours: readonly Colour[];
}

const hasMix = (piece: Piece) =>
  piece.kind === 'organic-garland' ||
  piece.kind === 'standing-garland' ||
  (piece.kind === 'photo-frame' && piece.dress.style === 'organic');

/** How well the colours are spread, in the picture as dealt. */
export const SpreadNote = memo(function SpreadNote({ piece, picture, colours }: SpreadNoteProps) {
  const { short } = useUnits();
  const spread = useMemo(
    () =>
      picture && hasMix(piece)
        ? colourSpread(picture.balloons.filter((ball) => ball.role === 'base'))
        : undefined,
    [piece, picture],
  );
  if (!spread) return null;
  const rarest = colours.find((colour) => colour.id === spread.rarest)?.name ?? spread.rarest;
  return (
    <Typography sx={{ fontSize: 14, color: 'text.secondary' }} data-testid="colour-spread">
      {spread.clumped} of {spread.large} large balloons touch one of their own colour
      {Number.isFinite(spread.rarestApartM) &&
        `; ${rarest} balloons are at least ${short(spread.rarestApartM)} apart`}
      .
    </Typography>
  );
});
