import {
  type FullPiece,
  type HoldPiece,
  type LookFiller,
  Piece,
  type PlanPiece,
  read,
  type Spot,
  type Workshop,
} from '@early-lantern/contract';
import { backOf, mixOf, type Picture } from '@early-lantern/core';
import { Alert, Stack, Typography } from '@mui/material';
import { memo, useCallback, useDeferredValue, useMemo, useRef, useState } from 'react';
import { type JobContextValue, useJob } from '../job/context.ts';
import { LookLine } from '../looks/LookLine.tsx';
import { PaletteLine } from '../looks/PaletteLine.tsx';
import { AssemblyCard } from './AssemblyCard.tsx';
import { AttachmentFields } from './AttachmentFields.tsx';
import { CountLine } from './CountLine.tsx';
import { editorOf } from './editors/index.ts';
import { FieldList } from './fields/FieldList.tsx';
import { GarlandParts } from './GarlandParts.tsx';
import { GradeAndGroup } from './GradeAndGroup.tsx';
import { HangsOn } from './HangsOn.tsx';
import { HoldLine } from './HoldLine.tsx';
import { KeptFields } from './KeptFields.tsx';
import { NameRow } from './NameRow.tsx';
import { PatternButton } from './PatternButton.tsx';
import { PositionFields } from './PositionFields.tsx';
import { isAlikeButPlace, rebased } from './rebased.ts';
import { SchoolsPanel } from './SchoolsPanel.tsx';
import { SpreadNote } from './SpreadNote.tsx';

/** What is said first of a piece dressed organically: counts, what holds it, how it looks. */
const DRESSED_PX = 182;

interface PiecePanelProps {
  piece: Piece;
  /** All pieces of its spot. */
  pieces: readonly Piece[];
  /** Moves it, and whatever moves with it. */
  onMove: (id: string, dxM: number, dyM: number, gesture: string) => void;
  onRemove: (id: string) => void;
  onCopy: (id: string) => void;
  onKeep: (id: string) => void;
}

/**
 * Everything about a piece that is not drawn on the elevation. While a hand drags, the drawing goes first: the panel
 * follows when there is time.
 */
export function PiecePanel({ piece, pieces, onRemove, onCopy, onKeep, onMove }: PiecePanelProps) {
  const { planned, changePiece, file } = useJob();
  const plan = planned?.plan.pieces.find((one) => one.id === piece.id);
  const held = planned?.plan.holds.pieces.find((one) => one.id === piece.id);
  const look = planned?.plan.full.pieces.find((one) => one.id === piece.id);
  const isQuick = planned?.plan.full.isQuick ?? true;
  const allFillers = planned?.plan.full.fillers;
  const fillers = useMemo(
    () => (allFillers ?? []).filter(({ pieceId }) => pieceId === piece.id),
    [allFillers, piece.id],
  );
  const picture = planned?.pictures[piece.id];
  const { workshop, site } = file;
  const spot = site.spots.find(({ id }) => id === piece.spotId);
  const back = backOf(spot?.kind);
  const now = useMemo(
    () => ({ piece, pieces, plan, held, look, fillers, isQuick, picture, workshop, spot, back }),
    [piece, pieces, plan, held, look, fillers, isQuick, picture, workshop, spot, back],
  );
  const shown = useDeferredValue(now);
  return (
    <Stack spacing={2}>
      {/* What is typed letter by letter cannot wait. */}
      <NameRow
        id={piece.id}
        kind={piece.kind}
        name={piece.name}
        changePiece={changePiece}
        onRemove={onRemove}
        onCopy={onCopy}
        onKeep={onKeep}
      />
      <Panel {...shown} changePiece={changePiece} onMove={onMove} />
    </Stack>
  );
}

interface PanelProps extends Pick<PiecePanelProps, 'piece' | 'pieces' | 'onMove'> {
  plan: PlanPiece | undefined;
  held: HoldPiece | undefined;
  look: FullPiece | undefined;
  fillers: readonly LookFiller[];
  isQuick: boolean;
  picture: Picture | undefined;
  workshop: Workshop;
  spot: Spot | undefined;
  /** What its distance from back to front is measured from. */
  back: string;
  changePiece: JobContextValue['changePiece'];
}

const Panel = memo(function Panel(props: PanelProps) {
  const {
    piece,
    pieces,
    plan,
    held,
    look,
    fillers,
    isQuick,
    picture,
    workshop,
    spot,
    back,
    changePiece,
    onMove,
  } = props;
  const typed = useRef(0);
  const [fault, setFault] = useState<string>();
  const { colours } = workshop;

  const still = useStill(piece);
  const usedColours = useMemo(() => (plan?.balloons ?? []).map(({ colour }) => colour), [plan?.balloons]);

  /** Takes a piece over, changed from an older state of it, if it is sound; else says why not and leaves it. */
  const commitFrom = useCallback(
    (from: Piece, next: Piece, gesture?: string): string | undefined => {
      const checked = read(Piece, next);
      const reason = checked.ok ? undefined : checked.faults.map((one) => one.reason).join('; ');
      setFault(reason);
      if (checked.ok)
        changePiece(next.id, (before) => rebased(before, from, next), gesture && `${next.id}-${gesture}`);
      return reason;
    },
    [changePiece],
  );
  const commit = useCallback(
    (next: Piece, gesture?: string) => commitFrom(piece, next, gesture),
    [commitFrom, piece],
  );
  const commitStill = useCallback((next: Piece) => commitFrom(still, next), [commitFrom, still]);

  return (
    <Stack spacing={2}>
      {/* Its room is kept from the first: what stands below must not move under the hand when the plan comes. */}
      <Stack spacing={2} sx={{ minHeight: mixOf(piece) ? DRESSED_PX : undefined }}>
        {plan && <CountLine plan={plan} />}
        {held && <HoldLine held={held} />}
        {look && (
          <LookLine
            piece={piece}
            look={look}
            picture={picture}
            fillers={fillers}
            workshop={workshop}
            isQuick={isQuick}
            lengthM={plan?.lengthM ?? 0}
            onCommit={commit}
          />
        )}
      </Stack>
      {fault && (
        <Alert severity="warning" onClose={() => setFault(undefined)}>
          Not changed: {fault}.
        </Alert>
      )}
      <HangsOn
        piece={piece}
        pieces={pieces}
        onChange={(next) => changePiece(piece.id, (before) => rebased(before, piece, next))}
      />
      {piece.kind === 'organic-garland' && (
        <GarlandParts piece={piece} colours={colours} changePiece={changePiece} />
      )}
      <FieldList piece={piece} fields={editorOf(piece).fields(piece)} colours={colours} onCommit={commit} />
      <PositionFields
        piece={piece}
        pieces={pieces}
        onMove={(dxM, dyM) => {
          typed.current += 1;
          onMove(piece.id, dxM, dyM, `typed-${typed.current}`);
        }}
        onChange={(next) => void commit(next)}
        back={back}
      />
      <SpreadNote piece={piece} picture={picture} colours={colours} />
      {plan && (
        <PaletteLine piece={piece} used={usedColours} colours={colours} spot={spot} onCommit={commit} />
      )}
      <AttachmentFields piece={piece} />
      {plan && <KeptFields piece={still} balloons={plan.balloons} onCommit={commitStill} />}
      <GradeAndGroup piece={still} onCommit={commitStill} />
      <SchoolsPanel piece={still} workshop={workshop} onCommit={commitStill} />
      <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap' }}>
        {plan && <AssemblyCard piece={plan} />}
        <PatternButton piece={still} workshop={workshop} />
      </Stack>
      {plan?.notes.map((note) => (
        <Typography
          key={note}
          sx={{ fontSize: 14, color: 'text.secondary', borderLeft: 3, borderColor: 'divider', pl: 1.25 }}
        >
          {note}
        </Typography>
      ))}
    </Stack>
  );
});

/** The piece, the same object for as long as only its place changes: for parts that do not show where it is. */
function useStill(piece: Piece): Piece {
  const [still, setStill] = useState(piece);
  if (still === piece || isAlikeButPlace(still, piece)) return still;
  setStill(piece);
  return piece;
}
