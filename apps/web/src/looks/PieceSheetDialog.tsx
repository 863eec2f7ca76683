import type { FullPiece, LookFiller, Piece } from '@early-lantern/contract';
import type { Picture } from '@early-lantern/core';
import {
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  Stack,
  ToggleButton,
  ToggleButtonGroup,
  Typography,
  useMediaQuery,
  useTheme,
} from '@mui/material';
import { useState } from 'react';
import { useJob } from '../job/context.ts';
import { paperFor, saveAsPdf, saveAsPng, saveAsSvg } from '../parts/save-drawing.ts';
import { useUnits } from '../preferences.tsx';
import { mapLines, mapNotes } from './map-words.ts';
import { boundsOf, PieceSheet } from './PieceSheet.tsx';
import { PhotoView } from './photo/PhotoView.tsx';

interface PieceSheetDialogProps {
  piece: Piece;
  picture: Picture;
  look: FullPiece | undefined;
  fillers: readonly LookFiller[];
  onClose: () => void;
}

/** A piece by itself: its picture, and where its fillers go; to take along. */
export function PieceSheetDialog({ piece, picture, look, fillers, onClose }: PieceSheetDialogProps) {
  const { workshop, job } = useJob().file;
  const { units } = useUnits();
  const isPhone = useMediaQuery(useTheme().breakpoints.down('sm'));
  const [shown, setShown] = useState<'picture' | 'map' | 'photo'>(fillers.length > 0 ? 'map' : 'picture');
  const isMap = shown === 'map' && fillers.length > 0;
  const isPhoto = shown === 'photo';
  const sheet = (
    <PieceSheet
      name={piece.name}
      picture={picture}
      colours={workshop.colours}
      {...(isMap ? { fillers } : {})}
    />
  );
  const file = isMap ? `dressing map ${piece.name}` : piece.name;
  const { w, h } = boundsOf(picture);
  return (
    <Dialog open onClose={onClose} maxWidth="lg" fullWidth fullScreen={isPhone} aria-labelledby="sheet-title">
      <DialogTitle id="sheet-title" sx={{ pb: 1 }}>
        {isPhoto ? 'Photo' : isMap ? 'Dressing map' : 'Picture'}: {piece.name}
      </DialogTitle>
      <DialogContent>
        <Stack spacing={1.5}>
          <ToggleButtonGroup
            exclusive
            size="small"
            value={shown}
            aria-label="Sheet"
            onChange={(_, next: 'picture' | 'map' | 'photo' | null) => next && setShown(next)}
            sx={{ '& .MuiToggleButton-root': { textTransform: 'none' } }}
          >
            {fillers.length > 0 && <ToggleButton value="map">Dressing map</ToggleButton>}
            <ToggleButton value="picture">Picture</ToggleButton>
            <ToggleButton value="photo">Photo</ToggleButton>
          </ToggleButtonGroup>
          {isMap && (
            <Typography component="div" data-testid="map-words">
              {[...mapLines(fillers), ...mapNotes(fillers, look?.fillers.counted ?? 0)].map((line) => (
                <div key={line}>{line}</div>
              ))}
            </Typography>
          )}
          {isPhoto ? (
            <PhotoView jobId={job.id} pieceId={piece.id} name={piece.name} look={look}>
              {sheet}
            </PhotoView>
          ) : (
            sheet
          )}
          {!isPhoto && look && look.lookOver.length > 0 && (
            <Box data-testid="look-over">
              <Typography sx={{ fontWeight: 650 }}>When it hangs, step back and look:</Typography>
              <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
                {look.lookOver.map((line) => (
                  <li key={line}>{line}</li>
                ))}
              </Box>
            </Box>
          )}
        </Stack>
      </DialogContent>
      <DialogActions sx={{ flexWrap: 'wrap', gap: 1 }}>
        {!isPhoto && (
          <>
            <Button onClick={() => void saveAsSvg(file, sheet)}>Save as SVG</Button>
            <Button onClick={() => void saveAsPng(file, sheet, w / h)}>Save as PNG</Button>
            <Button onClick={() => void saveAsPdf(file, [sheet], paperFor(units))}>Save as PDF</Button>
          </>
        )}
        <Button variant="contained" onClick={onClose}>
          Close
        </Button>
      </DialogActions>
    </Dialog>
  );
}
