import type { Colour, Piece } from '@early-lantern/contract';
import { patternOf } from '@early-lantern/core';
import { Box, Button, Stack } from '@mui/material';
import { useMemo } from 'react';
import { useNotice } from '../parts/notices.tsx';
import { paperFor, saveAsPdf, saveAsSvg } from '../parts/save-drawing.ts';
import { useUnits } from '../preferences.tsx';
import { LayerCheck } from './LayerCheck.tsx';
import { PatternCard } from './PatternCard.tsx';

/** A piece's pattern card with the ways to take it along. */
export function PatternCardView({ piece, colours }: { piece: Piece; colours: readonly Colour[] }) {
  const notify = useNotice();
  const { units } = useUnits();
  const pattern = useMemo(
    () => patternOf(piece, (id) => colours.find((colour) => colour.id === id)?.name ?? id),
    [piece, colours],
  );
  if (!pattern) return null;
  const card = <PatternCard name={piece.name} pattern={pattern} colours={colours} />;
  const failed = (error: Error) => notify({ text: `Not made: ${error.message}` });
  return (
    <Stack spacing={1}>
      <Stack direction="row" sx={{ gap: 1 }}>
        <Button
          size="small"
          variant="outlined"
          onClick={() => void saveAsPdf(piece.name, [card], paperFor(units)).catch(failed)}
        >
          Save as PDF
        </Button>
        <Button
          size="small"
          variant="outlined"
          onClick={() => void saveAsSvg(piece.name, card).catch(failed)}
        >
          Save as SVG
        </Button>
      </Stack>
      <Box sx={{ overflow: 'auto', borderRadius: 1, '& svg': { width: '100%', height: 'auto' } }}>{card}</Box>
      <LayerCheck pattern={pattern} colours={colours} />
    </Stack>
  );
}
