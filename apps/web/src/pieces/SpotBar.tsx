import type { Piece, Spot, SpotId } from '@early-lantern/contract';
import AddIcon from '@mui/icons-material/Add';
import { Button, Chip, MenuItem, Stack, TextField } from '@mui/material';
import { memo } from 'react';
import { type SpotView, ViewToggle } from '../ground/ViewToggle.tsx';

interface SpotBarProps {
  spots: readonly Spot[];
  spotId: SpotId;
  /** The job's pieces, without what a drag changes. */
  named: readonly Pick<Piece, 'id' | 'name' | 'spotId'>[];
  chosenId: string | undefined;
  onSpot: (id: string) => void;
  onChoose: (id: string) => void;
  onAdd: () => void;
  view: SpotView;
  onView: (view: SpotView) => void;
}

/** Which spot is looked at, and the job's pieces by name; those on other spots are paler. */
export const SpotBar = memo(function SpotBar(props: SpotBarProps) {
  const { spots, spotId, named, chosenId, onSpot, onChoose, onAdd, view, onView } = props;
  return (
    <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap', alignItems: 'center' }}>
      <TextField
        select
        value={spotId}
        onChange={(event) => onSpot(event.target.value)}
        slotProps={{ htmlInput: { 'aria-label': 'Spot' } }}
        sx={{ minWidth: 150, '& .MuiSelect-select': { py: 0.6 } }}
      >
        {spots.map((one) => (
          <MenuItem key={one.id} value={one.id}>
            {one.name}
          </MenuItem>
        ))}
      </TextField>
      <Stack
        direction="row"
        sx={{
          gap: 0.75,
          overflowX: 'auto',
          maxWidth: '100%',
          flexWrap: { xs: 'nowrap', md: 'wrap' },
          py: 0.25,
        }}
      >
        {named.map((piece) => (
          <Chip
            key={piece.id}
            size="small"
            label={piece.name}
            variant={piece.id === chosenId ? 'filled' : 'outlined'}
            color={piece.id === chosenId ? 'primary' : 'default'}
            aria-pressed={piece.id === chosenId}
            onClick={() => onChoose(piece.id)}
            sx={{ maxWidth: 200, opacity: piece.spotId === spotId ? 1 : 0.7 }}
          />
        ))}
      </Stack>
      <ViewToggle view={view} onView={onView} hasRound />
      <Button startIcon={<AddIcon />} onClick={onAdd} size="small" variant="outlined">
        Add a piece
      </Button>
    </Stack>
  );
});
