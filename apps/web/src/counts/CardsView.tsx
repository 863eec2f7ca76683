import { patternOf } from '@early-lantern/core';
import { Box, Paper } from '@mui/material';
import { PatternCardView } from '../cards/PatternCardView.tsx';
import { useJob } from '../job/context.ts';
import { EmptyState } from '../parts/EmptyState.tsx';

/** The pattern cards of all packed pieces. */
export function CardsView() {
  const { document, file } = useJob();
  const packed = document.pieces.filter((piece) => patternOf(piece, (id) => id));
  if (packed.length === 0) {
    return (
      <EmptyState title="No packed piece in this job">
        Arches, columns, towers and centrepieces get a card that says layer by layer what goes where.
      </EmptyState>
    );
  }
  return (
    <Box
      sx={{
        display: 'grid',
        gap: 2,
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', lg: '1fr 1fr' },
        alignItems: 'start',
      }}
    >
      {packed.map((piece) => (
        <Paper key={piece.id} variant="outlined" sx={{ p: 2 }}>
          <PatternCardView piece={piece} colours={file.workshop.colours} />
        </Paper>
      ))}
    </Box>
  );
}
