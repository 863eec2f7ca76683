import { Piece, type PieceKind, type Point, read, type Template } from '@early-lantern/contract';
import {
  allCarriedBy,
  asideToRoom,
  closedPiece,
  kindNames,
  moved,
  movesWith,
  newPiece,
  proposalsFor,
  whereThereIsRoom,
} from '@early-lantern/core';
import { useCallback, useMemo, useState } from 'react';
import type { SpotView } from '../ground/ViewToggle.tsx';
import { useJob } from '../job/context.ts';
import { newId } from '../parts/ids.ts';
import { useCommands } from '../parts/palette.tsx';
import type { PaletteCommand } from '../parts/palette-command.ts';
import { stillOffered } from '../parts/still-offered.ts';
import { piecesOf, templateOfPieces } from '../templates/taken.ts';
import { useTemplateActions } from '../templates/use-templates.ts';
import { asideOf, copiesOf, without } from './copies.ts';
import type { Grip } from './editors/index.ts';
import { broughtOut, movedWith } from './moving.ts';

/** What is asked before a piece that carries others is copied or deleted. */
interface Asked {
  doing: 'copy' | 'delete';
  id: string;
}

/** Which spot and piece are looked at, and how. */
export function useChosen() {
  const { document, file } = useJob();
  const { pieces } = document;
  const [chosenId, setChosenId] = useState<string>();
  const [spotId, setSpotId] = useState<string>();
  const [view, setView] = useState<SpotView>('front');
  const chosen =
    pieces.find((piece) => piece.id === chosenId) ??
    pieces.find((piece) => piece.spotId === spotId) ??
    pieces[0];
  const { spots } = file.site;
  const spot = spots.find((one) => one.id === (spotId ?? chosen?.spotId)) ?? spots[0];
  const onSpot = useMemo(() => pieces.filter((piece) => piece.spotId === spot?.id), [pieces, spot?.id]);
  const choose = useCallback((id: string) => {
    setChosenId(id);
    setSpotId(undefined);
  }, []);
  return { chosen, spot, onSpot, choose, setSpotId, view, setView };
}

/** Adding, copying and deleting pieces of the spot that is looked at; what is carried by one is asked about. */
export function useComings({ spot, choose, setSpotId, view }: ReturnType<typeof useChosen>) {
  const { store, document, file, planned } = useJob();
  const { pieces } = document;
  const { workshop } = file;
  const [adding, setAdding] = useState(false);
  const [asked, setAsked] = useState<Asked>();
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
      const colours = stillOffered(workshop.colours).map((colour) => colour.id);
      const seed = Math.floor(Math.random() * 1_000_000);
      const made = newPiece(kind, { id: newId(name), name, spot, colours, seed });
      put(closedPiece(whereThereIsRoom(made, spot, pieces), workshop));
    },
    [spot, workshop, pieces, put],
  );
  const held = planned?.plan.holds.pieces;
  const doIt = useCallback(
    ({ doing, id }: Asked, ids: readonly string[]) => {
      const { pieces: all } = store.getSnapshot().document;
      const ground = held?.find((one) => one.id === id)?.ground ?? [];
      if (doing === 'copy') put(...copiesOf(ids, all, asideOf(ground, view)));
      else store.change((before) => ({ ...before, pieces: without(before.pieces, ids) }));
    },
    [store, put, held, view],
  );
  const askOrDo = useCallback(
    (what: Asked) => {
      const { pieces: all } = store.getSnapshot().document;
      if (allCarriedBy(what.id, all).length > 0) setAsked(what);
      else doIt(what, [what.id]);
    },
    [store, doIt],
  );
  const copy = useCallback((id: string) => askOrDo({ doing: 'copy', id }), [askOrDo]);
  const remove = useCallback(
    (id: string) => {
      // Whoever deletes a piece goes on looking at its spot.
      setSpotId(store.getSnapshot().document.pieces.find((one) => one.id === id)?.spotId);
      askOrDo({ doing: 'delete', id });
    },
    [store, setSpotId, askOrDo],
  );
  /** @param withCarried also what hangs on the piece that is asked about */
  const answer = (withCarried: boolean) => {
    if (!asked) return;
    const carried = withCarried ? allCarriedBy(asked.id, pieces).map(({ id }) => id) : [];
    doIt(asked, [asked.id, ...carried]);
    setAsked(undefined);
  };
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
  const open = useCallback(() => setAdding(true), []);
  const { keep: keepTemplate } = useTemplateActions();
  const keep = useCallback(
    (id: string) => {
      const { pieces: all } = store.getSnapshot().document;
      const piece = all.find((one) => one.id === id);
      if (piece) void keepTemplate(templateOfPieces([piece, ...allCarriedBy(id, all)]));
    },
    [store, keepTemplate],
  );
  const addTemplate = (template: Template) => {
    if (!spot) return;
    const [first, ...rest] = piecesOf(template, () => spot.id, pieces);
    if (!first) return;
    const dxM = asideToRoom(first, spot, pieces);
    put(moved(first, dxM, 0), ...rest.map((piece) => moved(piece, dxM, 0)));
  };
  return {
    adding,
    open,
    keep,
    addTemplate,
    close: () => setAdding(false),
    add,
    copy,
    remove,
    asked,
    setAsked,
    answer,
  };
}

/** Moving pieces by hand, from the front and from above, and the question what a dropped one hangs on. */
export function useMoves() {
  const { store, document, changePiece } = useJob();
  const { pieces } = document;
  const [droppedId, setDroppedId] = useState<string>();
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
  const move = useCallback(
    (id: string, dxM: number, dyM: number, dOutM: number, gesture: string) =>
      store.change((before) => {
        const piece = before.pieces.find((one) => one.id === id);
        const along = new Set(piece ? movesWith(piece, before.pieces).map((one) => one.id) : []);
        const aside = movedWith(before.pieces, along, dxM, dyM);
        return { ...before, pieces: dOutM === 0 ? aside : broughtOut(aside, along, dOutM) };
      }, `${id}-${gesture}`),
    [store],
  );
  const onMove = useCallback(
    (id: string, dxM: number, dyM: number, gesture: string) => move(id, dxM, dyM, 0, gesture),
    [move],
  );
  const onGround = useCallback(
    (id: string, dxM: number, dOutM: number, gesture: string) => move(id, dxM, 0, dOutM, gesture),
    [move],
  );
  const dropped = pieces.find(({ id }) => id === droppedId);
  return {
    onDrop,
    onMove,
    onGround,
    dropped,
    proposals: dropped ? proposalsFor(dropped, pieces) : [],
    hang(piece: Piece) {
      changePiece(piece.id, () => piece);
      setDroppedId(undefined);
    },
    leave: () => setDroppedId(undefined),
    onLine: (id: string, line: Point[], gesture: string) =>
      changePiece(id, (piece) => ({ ...piece, line }) as Piece, `${id}-${gesture}`),
    // A grip pulled beyond what can be built stays where it last could.
    onPull: (id: string, grip: Grip<Piece>, to: Point, gesture: string) =>
      changePiece(
        id,
        (piece) => {
          const pulled = grip.pull(piece, to);
          return read(Piece, pulled).ok ? pulled : piece;
        },
        `${id}-${gesture}`,
      ),
  };
}
