import { Piece, type PieceKind, type Point, read } from '@early-lantern/contract';
import {
  allCarriedBy,
  kindNames,
  moved,
  movesWith,
  newPiece,
  proposalsFor,
  whereThereIsRoom,
} from '@early-lantern/core';
import AddIcon from '@mui/icons-material/Add';
import { Box, Button, Paper, Typography } from '@mui/material';
import { replaceEqualDeep } from '@tanstack/react-query';
import { useCallback, useMemo, useState } from 'react';
import { GroundView } from '../ground/GroundView.tsx';
import type { SpotView } from '../ground/ViewToggle.tsx';
import { useJob } from '../job/context.ts';
import { EmptyState } from '../parts/EmptyState.tsx';
import { newId } from '../parts/ids.ts';
import { type PaletteCommand, useCommands } from '../parts/palette.tsx';
import { AddPieceDialog } from './AddPieceDialog.tsx';
import { CarriedQuestion } from './CarriedQuestion.tsx';
import { Elevation } from './Elevation.tsx';
import type { Grip } from './editors/index.ts';
import { HangQuestion } from './HangQuestion.tsx';
import { PiecePanel } from './PiecePanel.tsx';
import { broughtOut, movedWith } from './PositionFields.tsx';
import { SpotBar } from './SpotBar.tsx';

/** The spot's elevation with its pieces, and the chosen piece's settings beside it. */
export function PiecesScreen() {
  const { store, document, file, planned, changePiece } = useJob();
  const { site, workshop } = file;
  const { pieces } = document;
  const [chosenId, setChosenId] = useState<string>();
  const [adding, setAdding] = useState(false);
  const [droppedId, setDroppedId] = useState<string>();
  const [asked, setAsked] = useState<{ doing: 'copy' | 'delete'; id: string }>();
  const [spotId, setSpotId] = useState<string>();
  const [view, setView] = useState<SpotView>('front');
  const chosen =
    pieces.find((piece) => piece.id === chosenId) ??
    pieces.find((piece) => piece.spotId === spotId) ??
    pieces[0];
  const spot = site.spots.find((one) => one.id === (spotId ?? chosen?.spotId)) ?? site.spots[0];
  const onSpot = useMemo(() => pieces.filter((piece) => piece.spotId === spot?.id), [pieces, spot?.id]);

  const named = useStableList(pieces.map(({ id, name, spotId }) => ({ id, name, spotId })));
  const openAdding = useCallback(() => setAdding(true), []);
  const choose = useCallback((id: string) => {
    setChosenId(id);
    setSpotId(undefined);
  }, []);
  const put = useCallback(
    (...added: [Piece, ...Piece[]]) => {
      store.change((before) => ({ ...before, pieces: [...before.pieces, ...added] }));
      choose(added[0].id);
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
      const seed = Math.floor(Math.random() * 1_000_000);
      put(whereThereIsRoom(newPiece(kind, { id: newId(name), name, spot, colours, seed }), spot, pieces));
    },
    [spot, workshop.colours, pieces, put],
  );
  // Seen from above a copy is put in front of what it is copied from, else beside it.
  const held = planned?.plan.holds.pieces;
  const aside = useCallback(
    (id: string): Aside => {
      const ground = held?.find((one) => one.id === id)?.ground ?? [];
      if (view === 'front' || ground.length === 0) return { dxM: COPY_ASIDE_M, dOutM: 0 };
      const [back, front] = [
        Math.min(...ground.map(({ outM }) => outM)),
        Math.max(...ground.map(({ outM, depthM }) => outM + depthM)),
      ];
      return { dxM: 0, dOutM: front - back + COPY_ASIDE_M };
    },
    [held, view],
  );
  const copy = useCallback(
    (id: string) => {
      const { pieces: all } = store.getSnapshot().document;
      if (allCarriedBy(id, all).length > 0) setAsked({ doing: 'copy', id });
      else put(...copiesOf([id], all, aside(id)));
    },
    [store, put, aside],
  );
  const remove = useCallback(
    (id: string) => {
      const { pieces: all } = store.getSnapshot().document;
      // Whoever deletes a piece goes on looking at its spot.
      setSpotId(all.find((one) => one.id === id)?.spotId);
      if (allCarriedBy(id, all).length > 0) setAsked({ doing: 'delete', id });
      else store.change((before) => ({ ...before, pieces: without(before.pieces, [id]) }));
    },
    [store],
  );
  const onDrop = useCallback(
    (id: string) => {
      const { pieces: all } = store.getSnapshot().document;
      const piece = all.find((one) => one.id === id);
      const [likeliest] = piece ? proposalsFor(piece, all) : [];
      // What it hangs on already need not be asked about again.
      const isKnown =
        likeliest?.on.pieceId === piece?.on?.pieceId || likeliest?.on.pieceId === piece?.alsoOn?.pieceId;
      setDroppedId(likeliest && !isKnown ? id : undefined);
    },
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
        const along = new Set(piece ? movesWith(piece, before.pieces).map((one) => one.id) : []);
        return { ...before, pieces: movedWith(before.pieces, along, dxM, dyM) };
      }, `${id}-${gesture}`),
    [store],
  );
  const onGround = useCallback(
    (id: string, dxM: number, dOutM: number, gesture: string) =>
      store.change((before) => {
        const piece = before.pieces.find((one) => one.id === id);
        const along = new Set(piece ? movesWith(piece, before.pieces).map((one) => one.id) : []);
        return { ...before, pieces: broughtOut(movedWith(before.pieces, along, dxM, 0), along, dOutM) };
      }, `${id}-${gesture}`),
    [store],
  );
  if (!spot) return null;

  const dropped = pieces.find(({ id }) => id === droppedId);
  const proposals = dropped ? proposalsFor(dropped, pieces) : [];
  const hang = (piece: Piece) => {
    changePiece(piece.id, () => piece);
    setDroppedId(undefined);
  };
  const questioned = pieces.find(({ id }) => id === asked?.id);

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
              onHang={hang}
              onClose={() => setDroppedId(undefined)}
            />
          )}
          {view === 'above' ? (
            <GroundView
              spot={spot}
              pieces={onSpot}
              held={planned?.plan.holds.pieces ?? []}
              chosenId={chosen?.id}
              onChoose={choose}
              onMove={onGround}
            />
          ) : (
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
              onDrop={onDrop}
            />
          )}
        </Box>
        <Typography sx={{ fontSize: 13, color: 'text.secondary' }}>
          {view === 'above'
            ? 'Drag a piece along the spot or out from it, or walk to it with Tab and move it with the arrow keys. A copy is put in front.'
            : chosen?.kind === 'organic-garland'
              ? 'Drag a point of the line, or walk to it with Tab and move it with the arrow keys. + adds a point, Delete takes one away.'
              : 'Drag a piece to move it, or pull its grips; Tab walks to them, the arrow keys move them.'}
        </Typography>
      </Paper>
      <Paper variant="outlined" sx={{ overflow: { md: 'auto' }, p: 2 }}>
        {chosen ? (
          <PiecePanel
            key={chosen.id}
            piece={chosen}
            pieces={onSpot}
            onRemove={remove}
            onCopy={copy}
            onMove={onMove}
          />
        ) : (
          <EmptyState
            title="No piece yet"
            action={
              <Button variant="contained" startIcon={<AddIcon />} onClick={openAdding}>
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
          onAll={() => {
            const ids = [questioned, ...allCarriedBy(questioned.id, pieces)].map(({ id }) => id);
            if (asked.doing === 'copy') put(...copiesOf(ids, pieces, aside(questioned.id)));
            else store.change((before) => ({ ...before, pieces: without(before.pieces, ids) }));
            setAsked(undefined);
          }}
          onAlone={() => {
            if (asked.doing === 'copy') put(...copiesOf([questioned.id], pieces, aside(questioned.id)));
            else store.change((before) => ({ ...before, pieces: without(before.pieces, [questioned.id]) }));
            setAsked(undefined);
          }}
          onClose={() => setAsked(undefined)}
        />
      )}
      {adding && <AddPieceDialog colours={workshop.colours} onAdd={add} onClose={() => setAdding(false)} />}
    </Box>
  );
}

/** Beside or before what is copied, m. */
const COPY_ASIDE_M = 0.3048;

/** Where a copy is put: to the right, and out from the wall. */
interface Aside {
  dxM: number;
  dOutM: number;
}

/** Copies of pieces, those that hang on each other hanging on each other's copies. The first one leads. */
function copiesOf(ids: readonly string[], all: readonly Piece[], { dxM, dOutM }: Aside): [Piece, ...Piece[]] {
  const chosen = ids.flatMap((id) => all.find((one) => one.id === id) ?? []);
  const named = new Map(
    chosen.map(({ id, name }) => {
      const copy = `${name}, another`.slice(0, 120);
      return [id, { id: newId(copy), name: copy }];
    }),
  );
  const hungAlike = <K extends 'on' | 'alsoOn'>(piece: Piece, key: K) => {
    const on = piece[key];
    const copy = on && named.get(on.pieceId);
    return on && copy ? { [key]: { ...on, pieceId: copy.id } } : {};
  };
  const copies = chosen.map((piece) =>
    moved(
      { ...piece, ...hungAlike(piece, 'on'), ...hungAlike(piece, 'alsoOn'), ...named.get(piece.id) } as Piece,
      dxM,
      0,
    ),
  );
  return broughtOut(copies, new Set(copies.map(({ id }) => id)), dOutM) as [Piece, ...Piece[]];
}

/** The pieces without some; what hung on one of those says nothing of a carrier any more. */
function without(pieces: readonly Piece[], ids: readonly string[]): Piece[] {
  const isGone = (id: string | undefined) => id !== undefined && ids.includes(id);
  return pieces
    .filter(({ id }) => !isGone(id))
    .map((piece) => {
      if (!isGone(piece.on?.pieceId) && !isGone(piece.alsoOn?.pieceId)) return piece;
      const { on, alsoOn, ...rest } = piece;
      return {
        ...rest,
        ...(isGone(on?.pieceId) || on === undefined ? {} : { on }),
        ...(isGone(alsoOn?.pieceId) || alsoOn === undefined ? {} : { alsoOn }),
      } as Piece;
    });
}

/** The list, the same object for as long as it says the same: a drag changes none of it. */
function useStableList<T>(list: T[]): T[] {
  const [kept, setKept] = useState(list);
  const next = replaceEqualDeep(kept, list);
  if (next !== kept) setKept(next);
  return next;
}
