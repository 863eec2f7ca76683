import type { Piece, PieceOf } from '@early-lantern/contract';
import { Box, MenuItem, TextField } from '@mui/material';
import { memo } from 'react';
import { CommitField } from '../parts/CommitField.tsx';

interface GradeAndGroupProps {
  piece: Piece;
  onCommit: (piece: Piece) => string | undefined;
}

/** The quality of its balloons, and what it moves with. */
export const GradeAndGroup = memo(function GradeAndGroup({ piece, onCommit }: GradeAndGroupProps) {
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.25 }}>
      {'grade' in piece && (
        <TextField
          select
          label="Quality"
          value={piece.grade}
          onChange={(event) => onCommit({ ...piece, grade: event.target.value as PieceOf<'bunch'>['grade'] })}
        >
          <MenuItem value="professional">professional</MenuItem>
          <MenuItem value="standard">standard</MenuItem>
          <MenuItem value="budget">budget</MenuItem>
        </TextField>
      )}
      <CommitField
        label="Moves with group"
        value={piece.group ?? ''}
        onCommit={(text) => {
          const { group: _, ...rest } = piece;
          return onCommit((text.trim() ? { ...rest, group: text.trim() } : rest) as Piece);
        }}
      />
    </Box>
  );
});
