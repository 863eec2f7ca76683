import { Piece, type PieceKind, type Point, read } from '@early-lantern/contract';
import { kindNames, moved, movesWith, newPiece } from '@early-lantern/core';
import AddIcon from '@mui/icons-material/Add';
import { Box, Button, Paper, Typography } from '@mui/material';
import { replaceEqualDeep } from '@tanstack/react-query';
import { useCallback, useMemo, useState } from 'react';
import { useJob } from '../job/context.ts';
import { EmptyState } from '../parts/EmptyState.tsx';
import { newId } from '../parts/ids.ts';
import { type PaletteCommand, useCommands } from '../parts/palette.tsx';
import { AddPieceDialog } from './AddPieceDialog.tsx';
import { Elevation } from './Elevation.tsx';
import type { Grip } from './editors/index.ts';
import { PiecePanel } from './PiecePanel.tsx';
import { SpotBar } from './SpotBar.tsx';

/** The spot's elevation with its pieces, and the chosen piece's settings beside it. */
export function PiecesScreen() {
  const { store, document, file, planned, changePiece } = useJob();
  const { site, workshop } = file;
  const { pieces } = document;
  const [chosenId, setChosenId] = useState<string>();
  const [adding, setAdding] = useState(false);
  const chosen = pieces.find((piece) => piece.id === chosenId) ?? pieces[0];
  const [spotId, setSpotId] = useState<string>();
  const spot = site.spots.find((one) => one.id === (spotId ?? chosen?.spotId)) ?? site.spots[0];
  const onSpot = useMemo(() => pieces.filter((piece) => piece.spotId === spot?.id), [pieces, spot?.id]);

  const named = useStableList(pieces.map(({ id, name, spotId }) => ({ id, name, spotId })));
  const openAdding = useCallback(() => setAdding(true), []);
  const choose = useCallback((id: string) => {
    setChosenId(id);
    setSpotId(undefined);
  }, []);
  const put = useCallback(
    (piece: Piece) => {
      store.change((before) => ({ ...before, pieces: [...before.pieces, piece] }));
      choose(piece.id);
      setAdding(false);
    },
    [store, choose],
  );
  const add = useCallback(
    (kind: PieceKind) => {
      if (!spot) return;
      const alike = pieces.filter((piece) => piece.kind === kind).length;
      const name = alike ? `${kindNames[kind]} ${alike + 1}` : kindNames[kind];
      const colours = workshop.colours.map((colour) => colour.id);
      put(
        newPiece(kind, { id: newId(name), name, spot, colours, seed: Math.floor(Math.random() * 1_000_000) }),
      );
    },
    [spot, workshop.colours, pieces, put],
  );
  const copy = useCallback(
    (id: string) => {
      const piece = store.getSnapshot().document.pieces.find((one) => one.id === id);
      if (!piece) return;
      const name = `${piece.name}, another`.slice(0, 120);
      put(moved({ ...piece, id: newId(name), name }, 0.3, 0));
    },
    [store, put],
  );
  const remove = useCallback(
    (id: string) =>
      store.change((before) => ({ ...before, pieces: before.pieces.filter((piece) => piece.id !== id) })),
    [store],
  );
  useCommands(
    useMemo<PaletteCommand[]>(
      () =>
        (Object.keys(kindNames) as PieceKind[]).map((kind) => ({
          id: `add-${kind}`,
          group: 'Do',
          label: `Add: ${kindNames[kind].toLowerCase()}`,
          run: () => add(kind),
        })),
      [add],
    ),
  );
  const onMove = useCallback(
    (id: string, dxM: number, dyM: number, gesture: string) =>
      store.change((before) => {
        const piece = before.pieces.find((one) => one.id === id);
        const carried = new Set(piece ? movesWith(piece, before.pieces).map((one) => one.id) : []);
        return {
          ...before,
          pieces: before.pieces.map((one) => (carried.has(one.id) ? moved(one, dxM, dyM) : one)),
        };
      }, `${id}-${gesture}`),
    [store],
  );
  if (!spot) return null;

  const onLine = (id: string, line: Point[], gesture: string) =>
    changePiece(id, (piece) => ({ ...piece, line }) as Piece, `${id}-${gesture}`);
  // A grip pulled beyond what can be built stays where it last could.
  const onPull = (id: string, grip: Grip<Piece>, to: Point, gesture: string) =>
    changePiece(
      id,
      (piece) => {
        const pulled = grip.pull(piece, to);
        return read(Piece, pulled).ok ? pulled : piece;
      },
      `${id}-${gesture}`,
    );

  return (
    <Box
      sx={{
        flexGrow: 1,
        px: { xs: 1, sm: 3 },
        pb: 2,
        display: 'grid',
        gap: 2,
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 1fr) 372px' },
        gridTemplateRows: { md: 'minmax(440px, calc(100vh - 236px))' },
      }}
    >
      <Paper
        variant="outlined"
        sx={{
          p: 1,
          display: 'flex',
          flexDirection: 'column',
          gap: 1,
          minWidth: 0,
          minHeight: { xs: 380, md: 0 },
        }}
      >
        <SpotBar
          spots={site.spots}
          spotId={spot.id}
          named={named}
          chosenId={chosen?.id}
          onSpot={setSpotId}
          onChoose={choose}
          onAdd={openAdding}
        />
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
            onPull={onPull}
            onMove={onMove}
          />
        </Box>
        <Typography sx={{ fontSize: 13, color: 'text.secondary' }}>
          {chosen?.kind === 'organic-garland'
            ? 'Drag a point of the line, or walk to it with Tab and move it with the arrow keys. + adds a point, Delete takes one away.'
            : 'Drag a piece to move it, or pull its grips; Tab walks to them, the arrow keys move them.'}
        </Typography>
      </Paper>
      <Paper variant="outlined" sx={{ overflow: { md: 'auto' }, p: 2 }}>
        {chosen ? (
          <PiecePanel key={chosen.id} piece={chosen} onRemove={remove} onCopy={copy} />
        ) : (
          <EmptyState
            title="No piece yet"
            action={
              <Button variant="contained" startIcon={<AddIcon />} onClick={openAdding}>
                Add a piece
              </Button>
            }
          >
            Choose what shall stand or hang here, from a garland to a panel wall. Its balloons are counted as
            you draw.
          </EmptyState>
        )}
      </Paper>
      {adding && <AddPieceDialog colours={workshop.colours} onAdd={add} onClose={() => setAdding(false)} />}
    </Box>
  );
}

/** The list, the same object for as long as it says the same: a drag changes none of it. */
function useStableList<T>(list: T[]): T[] {
  const [kept, setKept] = useState(list);
  const next = replaceEqualDeep(kept, list);
  if (next !== kept) setKept(next);
  return next;
}
