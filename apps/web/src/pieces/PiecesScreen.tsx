import type { Point } from '@early-lantern/contract';
import AddIcon from '@mui/icons-material/Add';
import { Box, Button, Chip, MenuItem, Paper, Stack, TextField, Typography } from '@mui/material';
import { useCallback, useMemo, useState } from 'react';
import { useJob } from '../job/context.ts';
import { EmptyState } from '../parts/EmptyState.tsx';
import { type PaletteCommand, useCommands } from '../parts/palette.tsx';
import { Elevation } from './Elevation.tsx';
import { GarlandPanel } from './GarlandPanel.tsx';
import { newGarland } from './new-garland.ts';

/** The spot's elevation with its pieces, and the chosen piece's settings beside it. */
export function PiecesScreen() {
  const { store, document, file, planned, changePiece } = useJob();
  const { site, workshop } = file;
  const { pieces } = document;
  const [chosenId, setChosenId] = useState<string>();
  const chosen = pieces.find((piece) => piece.id === chosenId) ?? pieces[0];
  const [spotId, setSpotId] = useState<string>();
  const spot = site.spots.find((one) => one.id === (spotId ?? chosen?.spotId)) ?? site.spots[0];
  const onSpot = useMemo(() => pieces.filter((piece) => piece.spotId === spot?.id), [pieces, spot?.id]);

  const choose = (id: string) => {
    setChosenId(id);
    setSpotId(undefined);
  };
  const add = useCallback(() => {
    if (!spot) return;
    const piece = newGarland(spot, workshop.colours, pieces);
    store.change((before) => ({ ...before, pieces: [...before.pieces, piece] }));
    setChosenId(piece.id);
    setSpotId(undefined);
  }, [spot, workshop.colours, pieces, store]);
  const remove = useCallback(
    (id: string) =>
      store.change((before) => ({ ...before, pieces: before.pieces.filter((piece) => piece.id !== id) })),
    [store],
  );
  useCommands(
    useMemo<PaletteCommand[]>(
      () => [{ id: 'add-garland', group: 'Do', label: 'Add a garland', run: add }],
      [add],
    ),
  );
  if (!spot) return null;

  const onLine = (id: string, line: Point[], gesture: string) =>
    changePiece(id, (piece) => ({ ...piece, line }), `${id}-${gesture}`);

  return (
    <Box
      sx={{
        flexGrow: 1,
        px: { xs: 1, sm: 3 },
        pb: 2,
        display: 'grid',
        gap: 2,
        gridTemplateColumns: { xs: '1fr', md: 'minmax(0, 1fr) 372px' },
        gridTemplateRows: { md: 'minmax(440px, calc(100vh - 236px))' },
      }}
    >
      <Paper
        variant="outlined"
        sx={{ p: 1, display: 'flex', flexDirection: 'column', gap: 1, minHeight: { xs: 380, md: 0 } }}
      >
        <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap', alignItems: 'center' }}>
          <TextField
            select
            value={spot.id}
            onChange={(event) => setSpotId(event.target.value)}
            slotProps={{ htmlInput: { 'aria-label': 'Spot' } }}
            sx={{ minWidth: 150, '& .MuiSelect-select': { py: 0.6 } }}
          >
            {site.spots.map((one) => (
              <MenuItem key={one.id} value={one.id}>
                {one.name}
              </MenuItem>
            ))}
          </TextField>
          {pieces.map((piece) => (
            <Chip
              key={piece.id}
              label={piece.name}
              variant={piece.id === chosen?.id ? 'filled' : 'outlined'}
              color={piece.id === chosen?.id ? 'primary' : 'default'}
              aria-pressed={piece.id === chosen?.id}
              onClick={() => choose(piece.id)}
              sx={{ maxWidth: 220 }}
            />
          ))}
          <Button startIcon={<AddIcon />} onClick={add} size="small" variant="outlined">
            Add a garland
          </Button>
        </Stack>
        <Box sx={{ flexGrow: 1, minHeight: 0 }}>
          <Elevation
            spot={spot}
            indoors={site.indoors}
            workshop={workshop}
            pieces={onSpot}
            planned={planned}
            chosenId={chosen?.id}
            onChoose={choose}
            onLine={onLine}
          />
        </Box>
        <Typography sx={{ fontSize: 13, color: 'text.secondary' }}>
          Drag a point of the line, or walk to it with Tab and move it with the arrow keys. + adds a point,
          Delete takes one away.
        </Typography>
      </Paper>
      <Paper variant="outlined" sx={{ overflow: { md: 'auto' }, p: 2 }}>
        {chosen ? (
          <GarlandPanel key={chosen.id} piece={chosen} onRemove={() => remove(chosen.id)} />
        ) : (
          <EmptyState
            title="No piece yet"
            action={
              <Button variant="contained" startIcon={<AddIcon />} onClick={add}>
                Add a garland
              </Button>
            }
          >
            Put a first garland on the wall and pull its line where it shall hang. Its balloons are counted as
            you draw.
          </EmptyState>
        )}
      </Paper>
    </Box>
  );
}
