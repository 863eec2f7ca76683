import type { FullPiece, Piece } from '@early-lantern/contract';
import { plural, withFillersNeeded } from '@early-lantern/core';
import { Button, Popover, Stack, Typography } from '@mui/material';
import { useJob } from '../job/context.ts';
import { useUnits } from '../preferences.tsx';

interface GapQuestionProps {
  piece: Piece;
  look: FullPiece;
  /** Which gap, and its mark on the drawing. */
  asked: { index: number; mark: Element };
  onClose: () => void;
}

const FROM = { front: 'from the front', left: 'from the left', right: 'from the right' } as const;

/** A gap that was pressed: how wide it is, what closes it, and all that close the piece with one press. */
export function GapQuestion({ piece, look, asked, onClose }: GapQuestionProps) {
  const { planned, changePiece } = useJob();
  const { short } = useUnits();
  const gap = look.gaps[asked.index];
  if (!gap) return null;
  const { needed, counted } = look.fillers;
  const lengthM = planned?.plan.pieces.find(({ id }) => id === piece.id)?.lengthM ?? 0;
  return (
    <Popover
      open
      anchorEl={asked.mark}
      onClose={onClose}
      anchorOrigin={{ vertical: 'bottom', horizontal: 'center' }}
      transformOrigin={{ vertical: 'top', horizontal: 'center' }}
      slotProps={{ paper: { role: 'dialog', 'aria-label': `Gap ${asked.index + 1}` } }}
    >
      <Stack sx={{ p: 2, gap: 1, maxWidth: 300 }}>
        <Typography sx={{ fontWeight: 650 }}>
          Gap {asked.index + 1}: {short(2 * gap.radiusM)} wide, seen {FROM[gap.view]}
        </Typography>
        <Typography>Close it with {gap.closeWith}</Typography>
        {needed > counted && (
          <Button
            variant="contained"
            onClick={() => {
              changePiece(piece.id, (now) => withFillersNeeded(now, lengthM, look.fillers) ?? now);
              onClose();
            }}
          >
            Take the {plural(needed - counted, 'filler')} that close all
          </Button>
        )}
      </Stack>
    </Popover>
  );
}
