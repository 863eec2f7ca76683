import {
  type Colour,
  type HoldPiece,
  Piece,
  type PieceOf,
  type PlanPiece,
  read,
  type Workshop,
} from '@early-lantern/contract';
import {
  backOf,
  chainLength,
  kindNames,
  outerOverMean,
  type Picture,
  plural,
  scaleToLength,
  smoothLine,
} from '@early-lantern/core';
import CopyIcon from '@mui/icons-material/ContentCopyOutlined';
import DeleteIcon from '@mui/icons-material/DeleteOutlined';
import { Alert, Box, IconButton, MenuItem, Stack, TextField, Tooltip, Typography } from '@mui/material';
import { memo, useCallback, useDeferredValue, useMemo, useRef, useState } from 'react';
import { type JobContextValue, useJob } from '../job/context.ts';
import { balloonsWords } from '../parts/balloons-words.ts';
import { CommitField } from '../parts/CommitField.tsx';
import { LengthField } from '../parts/LengthField.tsx';
import { madeOf } from '../parts/made-of.ts';
import { WorkingButton } from '../parts/WorkingButton.tsx';
import { useUnits } from '../preferences.tsx';
import { AssemblyCard } from './AssemblyCard.tsx';
import { AttachmentFields } from './AttachmentFields.tsx';
import { ColourMix } from './ColourMix.tsx';
import { editorOf } from './editors/index.ts';
import { FieldList } from './fields/FieldList.tsx';
import { HangsOn } from './HangsOn.tsx';
import { HoldLine } from './HoldLine.tsx';
import { KeptFields } from './KeptFields.tsx';
import { Making } from './Making.tsx';
import { edited } from './mix-props.ts';
import { PatternButton } from './PatternButton.tsx';
import { PositionFields } from './PositionFields.tsx';
import { isAlikeButPlace, rebased } from './rebased.ts';
import { SchoolsPanel } from './SchoolsPanel.tsx';
import { SizeMix } from './SizeMix.tsx';
import { SpreadNote } from './SpreadNote.tsx';

interface PiecePanelProps {
  piece: Piece;
  /** All pieces of its spot. */
  pieces: readonly Piece[];
  /** Moves it, and whatever moves with it. */
  onMove: (id: string, dxM: number, dyM: number, gesture: string) => void;
  onRemove: (id: string) => void;
  onCopy: (id: string) => void;
}

/**
 * Everything about a piece that is not drawn on the elevation. While a hand drags, the drawing goes first: the panel
 * follows when there is time.
 */
export function PiecePanel({ piece, pieces, onRemove, onCopy, onMove }: PiecePanelProps) {
  const { planned, changePiece, file } = useJob();
  const plan = planned?.plan.pieces.find((one) => one.id === piece.id);
  const held = planned?.plan.holds.pieces.find((one) => one.id === piece.id);
  const picture = planned?.pictures[piece.id];
  const { workshop, site } = file;
  const back = backOf(site.spots.find(({ id }) => id === piece.spotId)?.kind);
  const now = useMemo(
    () => ({ piece, pieces, plan, held, picture, workshop, back }),
    [piece, pieces, plan, held, picture, workshop, back],
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
      />
      <Panel {...shown} changePiece={changePiece} onMove={onMove} />
    </Stack>
  );
}

interface NameRowProps
  extends Omit<PiecePanelProps, 'piece' | 'pieces' | 'onMove'>,
    Pick<Piece, 'id' | 'kind' | 'name'> {
  changePiece: JobContextValue['changePiece'];
}

const NameRow = memo(function NameRow({ id, kind, name, changePiece, onRemove, onCopy }: NameRowProps) {
  return (
    <Stack direction="row" sx={{ alignItems: 'center', gap: 0.5 }}>
      <TextField
        fullWidth
        label={kindNames[kind]}
        value={name}
        error={!name.trim()}
        onChange={(event) =>
          changePiece(id, (before) => ({ ...before, name: event.target.value.slice(0, 120) }), `${id}-name`)
        }
        slotProps={{ htmlInput: { 'aria-label': 'Piece' } }}
      />
      <Tooltip title="Make another like it">
        <IconButton aria-label={`Copy ${name}`} onClick={() => onCopy(id)}>
          <CopyIcon />
        </IconButton>
      </Tooltip>
      <Tooltip title="Delete this piece (undo brings it back)">
        <IconButton aria-label={`Delete ${name}`} onClick={() => onRemove(id)}>
          <DeleteIcon />
        </IconButton>
      </Tooltip>
    </Stack>
  );
});

interface PanelProps extends Pick<PiecePanelProps, 'piece' | 'pieces' | 'onMove'> {
  plan: PlanPiece | undefined;
  held: HoldPiece | undefined;
  picture: Picture | undefined;
  workshop: Workshop;
  /** What its distance from back to front is measured from. */
  back: string;
  changePiece: JobContextValue['changePiece'];
}

const Panel = memo(function Panel(props: PanelProps) {
  const { piece, pieces, plan, held, picture, workshop, back, changePiece, onMove } = props;
  const typed = useRef(0);
  const [fault, setFault] = useState<string>();
  const { colours } = workshop;

  const still = useStill(piece);

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
      {plan && <CountLine plan={plan} />}
      {held && <HoldLine held={held} />}
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
      <AttachmentFields piece={piece} />
      {plan && <KeptFields piece={still} balloons={plan.balloons} onCommit={commitStill} />}
      <GradeAndGroup piece={still} onCommit={commitStill} />
      <SchoolsPanel piece={still} workshop={workshop} onCommit={commitStill} />
      <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap' }}>
        {plan && <AssemblyCard name={piece.name} steps={plan.steps} materials={plan.materials} />}
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

interface PartProps {
  piece: Piece;
  onCommit: (piece: Piece) => string | undefined;
}

/** The quality of its balloons, and what it moves with. */
const GradeAndGroup = memo(function GradeAndGroup({ piece, onCommit }: PartProps) {
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

/** How many balloons, tied into what. */
const CountLine = memo(function CountLine({ plan }: { plan: PlanPiece }) {
  const balloons = plan.balloons.reduce((sum, row) => sum + row.need, 0);
  const things = plan.materials.reduce((sum, row) => sum + (row.isGear ? row.count : 0), 0);
  const parts = madeOf(plan);
  return (
    <Typography component="div" data-testid="piece-counts">
      <WorkingButton title={plan.name} working={plan.working}>
        <Box component="strong" sx={{ fontSize: 17 }}>
          {balloons > 0 ? balloonsWords(plan.balloons) : `${plural(things, 'thing')} to carry`}
        </Box>
      </WorkingButton>
      {parts.length > 0 && ` · ${parts.join(' · ')}`}
    </Typography>
  );
});

const points = (piece: PieceOf<'organic-garland'>) => piece.line.map(({ xM, yM }) => ({ x: xM, y: yM }));

type Garland = PieceOf<'organic-garland'>;
/** What is shown may be a moment behind what was typed: an edit that goes by what is there is worked out from it. */
type GarlandEdit = Partial<Garland> | ((now: Garland) => Partial<Garland>);

interface GarlandPartsProps {
  piece: PieceOf<'organic-garland'>;
  colours: readonly Colour[];
  changePiece: JobContextValue['changePiece'];
}

/** What an organic garland is asked first: how long, how wide, of what. */
function GarlandParts({ piece, colours, changePiece }: GarlandPartsProps) {
  const change = useCallback(
    (edit: GarlandEdit, gesture?: string) =>
      changePiece(
        piece.id,
        (before) => edited(before as PieceOf<'organic-garland'>, edit),
        gesture && `${piece.id}-${gesture}`,
      ),
    [changePiece, piece.id],
  );
  const lengthM = chainLength(smoothLine(points(piece)));
  const { widthM, taper } = piece;
  const { short } = useUnits();
  const setLength = (wanted: number) =>
    change((now) => ({
      line: scaleToLength(points(now), wanted).map(({ x, y }) => ({
        xM: Number(x.toFixed(5)),
        yM: Number(y.toFixed(5)),
      })),
    }));
  return (
    <>
      <Box sx={{ display: 'grid', gridTemplateColumns: '1.3fr 1fr 1fr', gap: 1.25 }}>
        <LengthField label="Length" valueM={lengthM} min={0.3} max={60} onCommit={setLength} />
        <WidthAndTip widthM={widthM} taper={taper} onChange={change} />
      </Box>
      <Typography sx={{ fontSize: 13, color: 'text.secondary', mt: -0.75 }}>
        Width is the average of the outline; single balloons stick out to{' '}
        {short(widthM * outerOverMean(piece.sizes))}.
      </Typography>
      <ColourMix mix={piece} known={colours} onChange={change} />
      <SizeMix mix={piece} onChange={change} />
      <Making mix={piece} onChange={change} />
    </>
  );
}

interface WidthAndTipProps extends Pick<PieceOf<'organic-garland'>, 'widthM' | 'taper'> {
  onChange: (edit: GarlandEdit) => void;
}

const WidthAndTip = memo(function WidthAndTip({ widthM, taper, onChange }: WidthAndTipProps) {
  return (
    <>
      <LengthField
        label="Width"
        short
        valueM={widthM}
        min={0.1}
        max={3}
        onCommit={(metres) => onChange({ widthM: metres })}
      />
      <LengthField
        label="Tip"
        short
        valueM={widthM * taper}
        min={widthM * 0.2}
        max={widthM}
        onCommit={(tipM) =>
          onChange((now) => ({
            taper: Number(Math.min(1, Math.max(0.2, tipM / now.widthM)).toFixed(4)),
          }))
        }
      />
    </>
  );
});
