import { allCarriedBy } from '@early-lantern/core';
import AddIcon from '@mui/icons-material/Add';
import { Box, Button, LinearProgress, Paper, Typography } from '@mui/material';
import { replaceEqualDeep } from '@tanstack/react-query';
import { lazy, Suspense, useState } from 'react';
import { GroundView } from '../ground/GroundView.tsx';
import { useJob } from '../job/context.ts';
import { EmptyState } from '../parts/EmptyState.tsx';
import { AddPieceDialog } from './AddPieceDialog.tsx';
import { CarriedQuestion } from './CarriedQuestion.tsx';
import { Elevation } from './Elevation.tsx';
import { HangQuestion } from './HangQuestion.tsx';
import { PiecePanel } from './PiecePanel.tsx';
import { SpotBar } from './SpotBar.tsx';
import { useChosen, useComings, useMoves } from './use-spot-pieces.ts';

/** The picture in the round comes when it is asked for: its library is large. */
const RoundView = lazy(async () => ({ default: (await import('../looks/RoundView.tsx')).RoundView }));

/** The spot's elevation with its pieces, and the chosen piece's settings beside it. */
export function PiecesScreen() {
  const { document, file } = useJob();
  const { pieces } = document;
  const looked = useChosen();
  const comings = useComings(looked);
  const moves = useMoves();
  const { chosen, onSpot } = looked;
  const { asked } = comings;
  const questioned = pieces.find(({ id }) => id === asked?.id);
  if (!looked.spot) return null;
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
      <SpotWithPieces looked={looked} moves={moves} onAdd={comings.open} />
      <Paper variant="outlined" sx={{ overflow: { md: 'auto' }, p: 2 }}>
        {chosen ? (
          <PiecePanel
            key={chosen.id}
            piece={chosen}
            pieces={onSpot}
            onRemove={comings.remove}
            onCopy={comings.copy}
            onKeep={comings.keep}
            onMove={moves.onMove}
          />
        ) : (
          <EmptyState
            title="No piece yet"
            action={
              <Button variant="contained" startIcon={<AddIcon />} onClick={comings.open}>
                Add a piece
              </Button>
            }
          >
            Add your first piece, from a garland to a panel wall. Its balloons are counted as you draw.
          </EmptyState>
        )}
      </Paper>
      {asked && questioned && (
        <CarriedQuestion
          doing={asked.doing}
          piece={questioned}
          carried={allCarriedBy(questioned.id, pieces)}
          onAll={() => comings.answer(true)}
          onAlone={() => comings.answer(false)}
          onClose={() => comings.setAsked(undefined)}
        />
      )}
      {comings.adding && (
        <AddPieceDialog
          colours={file.workshop.colours}
          onAdd={comings.add}
          onTemplate={comings.addTemplate}
          onClose={comings.close}
        />
      )}
    </Box>
  );
}

interface SpotWithPiecesProps {
  looked: ReturnType<typeof useChosen>;
  moves: ReturnType<typeof useMoves>;
  onAdd: () => void;
}

/** The spot from the front or from above, with what stands and hangs there. */
function SpotWithPieces({ looked, moves, onAdd }: SpotWithPiecesProps) {
  const { document, file, planned } = useJob();
  const { pieces } = document;
  const { site, workshop } = file;
  const { spot, chosen, onSpot, choose, setSpotId, view, setView } = looked;
  const { dropped, proposals } = moves;
  const named = useStableList(pieces.map(({ id, name, spotId }) => ({ id, name, spotId })));
  if (!spot) return null;
  return (
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
        onAdd={onAdd}
        view={view}
        onView={setView}
      />
      <Box sx={{ flexGrow: 1, minHeight: 0, position: 'relative' }}>
        {dropped && proposals.length > 0 && (
          <HangQuestion
            key={dropped.id}
            piece={dropped}
            proposals={proposals}
            pieces={pieces}
            onHang={moves.hang}
            onClose={moves.leave}
          />
        )}
        {view === 'above' ? (
          <GroundView
            spot={spot}
            pieces={onSpot}
            held={planned?.plan.holds.pieces ?? []}
            chosenId={chosen?.id}
            onChoose={choose}
            onMove={moves.onGround}
          />
        ) : view === 'round' ? (
          <Suspense fallback={<LinearProgress />}>
            <RoundView
              spot={spot}
              indoors={site.indoors}
              pieces={onSpot}
              pictures={planned?.pictures ?? {}}
              workshop={workshop}
            />
          </Suspense>
        ) : (
          <Elevation
            spot={spot}
            indoors={site.indoors}
            workshop={workshop}
            pieces={onSpot}
            planned={planned}
            chosenId={chosen?.id}
            onChoose={choose}
            onLine={moves.onLine}
            onPull={moves.onPull}
            onMove={moves.onMove}
            onDrop={moves.onDrop}
          />
        )}
      </Box>
      <Typography sx={{ fontSize: 13, color: 'text.secondary' }}>
        {view === 'above'
          ? 'Drag a piece along the spot or out from it, or walk to it with Tab and move it with the arrow keys. A copy is put in front.'
          : view === 'round'
            ? 'Drag to walk round, scroll or pinch to come nearer. Balloons hang as they settle a moment after an edit.'
            : chosen?.kind === 'organic-garland'
              ? 'Drag a point of the line, or walk to it with Tab and move it with the arrow keys. + adds a point, Delete takes one away. A triangle moves a cut.'
              : 'Drag a piece to move it, or pull its grips; Tab walks to them, the arrow keys move them.'}
      </Typography>
    </Paper>
  );
}

/** The list, the same object for as long as it says the same: a drag changes none of it. */
function useStableList<T>(list: T[]): T[] {
  const [kept, setKept] = useState(list);
  const next = replaceEqualDeep(kept, list);
  if (next !== kept) setKept(next);
  return next;
}
