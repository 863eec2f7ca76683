import type { FullPiece, LookFiller, Piece, Workshop } from '@early-lantern/contract';
import { lookFaults, type Picture, withFillersNeeded } from '@early-lantern/core';
import { Box, Button, Typography } from '@mui/material';
import { memo, useState } from 'react';
import { useUnits } from '../preferences.tsx';
import { PieceSheetDialog } from './PieceSheetDialog.tsx';

interface LookLineProps {
  piece: Piece;
  look: FullPiece;
  picture: Picture | undefined;
  fillers: readonly LookFiller[];
  workshop: Workshop;
  /** Seen from the front alone, while something is dragged. */
  isQuick: boolean;
  lengthM: number;
  onCommit: (piece: Piece) => string | undefined;
}

/** Three lines of what is said; all of it is with the dressing map, as what to look at. */
const LINES_PX = 68;

/** How the piece will look, in a line; what closes it is taken with one press, and where that goes is shown. */
export const LookLine = memo(function LookLine(props: LookLineProps) {
  const { piece, look, picture, fillers, workshop, isQuick, lengthM, onCommit } = props;
  const { units } = useUnits();
  const [isOpen, setOpen] = useState(false);
  const { needed, counted, name } = look.fillers;
  const more = isQuick ? undefined : withFillersNeeded(piece, lengthM, look.fillers);
  const faults = lookFaults(look, { ...workshop, units });
  const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);
  return (
    <Box data-testid="look-line">
      {/* As high whatever is said: what stands below must not move under the hand while a look is being worked out. */}
      <Typography
        component="div"
        sx={{
          fontSize: 15,
          // Packed work has little to say, and always the same.
          height: needed + counted > 0 ? LINES_PX : undefined,
          display: '-webkit-box',
          WebkitLineClamp: 3,
          WebkitBoxOrient: 'vertical',
          overflow: 'hidden',
        }}
      >
        <strong>
          {look.isOpen
            ? 'Nothing to close'
            : faults.length > 0
              ? 'Not full yet'
              : isQuick
                ? 'From the front'
                : 'Full'}
        </strong>
        :{' '}
        {look.isOpen
          ? 'it is made with air between its balloons.'
          : faults.length === 0
            ? `no gap worth closing.${isQuick || needed + counted === 0 ? '' : ` ${needed} ${name} close it, ${counted} counted.`}`
            : faults.map(({ says }) => capital(says)).join(' ')}
      </Typography>
      <Box sx={{ display: 'flex', gap: 1, minHeight: 34, alignItems: 'center' }}>
        {more && (
          <Button size="small" variant="outlined" onClick={() => void onCommit(more)}>
            Take {needed - counted} more
          </Button>
        )}
        {picture && (
          <Button size="small" onClick={() => setOpen(true)}>
            {fillers.length > 0 ? 'Dressing map' : 'Picture'}
          </Button>
        )}
      </Box>
      {isOpen && picture && (
        <PieceSheetDialog
          piece={piece}
          picture={picture}
          look={look}
          fillers={fillers}
          onClose={() => setOpen(false)}
        />
      )}
    </Box>
  );
});
