import type { Piece } from '@early-lantern/contract';
import { hungOn, type Proposal } from '@early-lantern/core';
import { Button, Paper, Stack, Typography } from '@mui/material';
import { useEffect, useRef } from 'react';

interface HangQuestionProps {
  piece: Piece;
  proposals: readonly Proposal[];
  pieces: readonly Piece[];
  onHang: (piece: Piece) => void;
  onClose: () => void;
}

/** So many parts are offered; the rest stand in the panel's list. */
const MOST = 3;

/** A piece lies on another: does that carry it, and by which part? The likeliest is in focus; Escape leaves it. */
export function HangQuestion({ piece, proposals, pieces, onHang, onClose }: HangQuestionProps) {
  const first = useRef<HTMLButtonElement>(null);
  useEffect(() => first.current?.focus(), []);
  return (
    <Paper
      elevation={4}
      role="dialog"
      aria-label={`What carries ${piece.name}`}
      onKeyDown={(event) => event.key === 'Escape' && onClose()}
      sx={{
        position: 'absolute',
        left: 12,
        right: 12,
        bottom: 12,
        zIndex: 2,
        p: 1.25,
        mx: 'auto',
        maxWidth: 620,
      }}
    >
      <Typography sx={{ fontWeight: 650, mb: 0.75, overflowWrap: 'anywhere' }}>
        Does {piece.name} hang on what it lies on?
      </Typography>
      <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap' }}>
        {proposals.slice(0, MOST).map(({ on, carrier, part }, i) => (
          <Button
            key={`${on.pieceId}/${on.part}`}
            ref={i === 0 ? first : undefined}
            size="small"
            variant={i === 0 ? 'contained' : 'outlined'}
            onClick={() => onHang(hungOn(piece, 'on', on, pieces))}
          >
            On the {part.label} of {carrier.name}
          </Button>
        ))}
        <Button size="small" onClick={() => onHang(hungOn(piece, 'on', null, pieces))}>
          No, on the place
        </Button>
        <Button size="small" onClick={onClose}>
          Decide later
        </Button>
      </Stack>
    </Paper>
  );
}
