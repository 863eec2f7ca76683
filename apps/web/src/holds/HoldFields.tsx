import { BaseId, type HoldPiece, MethodId, type Piece } from '@early-lantern/contract';
import { baseOf, methodOf } from '@early-lantern/core';
import CloseIcon from '@mui/icons-material/Close';
import { Box, IconButton, MenuItem, Stack, TextField, Typography } from '@mui/material';
import { UnitField } from '../parts/UnitField.tsx';
import { AttachmentFields } from '../pieces/AttachmentFields.tsx';
import { useUnits } from '../preferences.tsx';
import { useHoldEdit } from './use-hold-edit.ts';

interface HoldFieldsProps {
  piece: Piece;
  held: HoldPiece;
}

const FOUND = 'found';

/** What can be chosen of how a piece is carried: base, ballast and lines, or points and heavy things on its line. */
export function HoldFields({ piece, held }: HoldFieldsProps) {
  if (held.ballastKg.length > 0)
    return (
      <Stack spacing={1.5}>
        <StandingFields piece={piece} held={held} />
        <AttachmentFields piece={piece} />
      </Stack>
    );
  if (piece.kind === 'organic-garland') return <HangingFields piece={piece} held={held} />;
  return <Typography sx={{ color: 'text.secondary' }}>Nothing to choose: {held.carrier}.</Typography>;
}

function BasePick({ piece, held }: HoldFieldsProps) {
  const edit = useHoldEdit(piece);
  const { mass } = useUnits();
  return (
    <TextField
      select
      label="Stands on"
      value={piece.hold?.base ?? FOUND}
      onChange={(event) =>
        edit({ base: event.target.value === FOUND ? undefined : (event.target.value as BaseId) })
      }
      sx={{ gridColumn: '1 / -1' }}
    >
      <MenuItem value={FOUND}>as is usual here: {held.carrier.split(' on ').at(-1)}</MenuItem>
      {BaseId.options
        .filter((id) => id !== 'clamps')
        .map((id) => (
          <MenuItem key={id} value={id}>
            {baseOf(id).label}, {mass(baseOf(id).massKg)}
          </MenuItem>
        ))}
    </TextField>
  );
}

function StandingFields({ piece, held }: HoldFieldsProps) {
  const edit = useHoldEdit(piece);
  const { mass } = useUnits();
  const each = held.ballastKg[0] ?? 0;
  const isTable = piece.kind === 'table-arch';
  return (
    <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: '1fr 1fr' }}>
      {!isTable && <BasePick piece={piece} held={held} />}
      <UnitField
        label={isTable ? 'Weight on each end' : 'Ballast on each base'}
        quantity="mass"
        value={piece.hold?.ballastKg}
        min={0}
        max={500}
        usual={each}
        onCommit={(ballastKg) => edit({ ballastKg })}
      />
      <TextField
        select
        label="Tie lines"
        value={String(piece.hold?.tieLines ?? 0)}
        onChange={(event) => edit({ tieLines: Number(event.target.value) || undefined })}
      >
        <MenuItem value="0">none</MenuItem>
        {[2, 4, 6, 8].map((count) => (
          <MenuItem key={count} value={String(count)}>
            {count}: {count / 2} forward, {count / 2} back
          </MenuItem>
        ))}
      </TextField>
      {piece.kind === 'packed-arch' && piece.hold?.tieLines !== undefined && (
        <TextField
          select
          label="Lines tied"
          value={piece.hold.tiedAt ?? 'crown'}
          onChange={({ target }) => edit({ tiedAt: target.value === 'crown' ? undefined : 'shoulders' })}
        >
          <MenuItem value="crown">at the crown</MenuItem>
          <MenuItem value="shoulders">at the shoulders, 0.4 and 0.6 of the arc</MenuItem>
        </TextField>
      )}
      <Typography sx={{ gridColumn: '1 / -1', fontSize: 15 }} data-testid="ballast">
        {held.ballastKg.length > 1
          ? `${held.ballastKg.length} ${isTable ? 'ends' : 'bases'} with `
          : 'One base with '}
        <strong>{mass(each)}</strong>
        {held.ballastKg.length > 1 ? ' each' : ''}
        {held.weights.length > 0 && `: ${held.weights.map((one) => `${one.count} × ${one.name}`).join(', ')}`}
        {piece.hold?.ballastKg === undefined ? ', the least that holds.' : ', as typed.'}
      </Typography>
    </Box>
  );
}

function HangingFields({ piece, held }: HoldFieldsProps) {
  const edit = useHoldEdit(piece);
  const points = piece.hold?.points ?? [];
  return (
    <Stack spacing={1.5}>
      <Typography variant="h3">Points placed by hand</Typography>
      {points.length === 0 && (
        <Typography sx={{ color: 'text.secondary', fontSize: 14 }}>
          None: the engine takes the fewest that hold ({held.points.length}).
        </Typography>
      )}
      {points.map((point) => (
        <Stack key={point.id} direction="row" sx={{ gap: 1, alignItems: 'center' }}>
          <TextField
            select
            fullWidth
            label={`At ${Math.round(point.at * 100)} % of the line`}
            value={point.method ?? FOUND}
            onChange={(event) =>
              edit({
                points: points.map((one) => {
                  if (one !== point) return one;
                  const { method: _, ...rest } = one;
                  return event.target.value === FOUND
                    ? rest
                    : { ...rest, method: event.target.value as MethodId };
                }),
              })
            }
          >
            <MenuItem value={FOUND}>what suits the place</MenuItem>
            {MethodId.options.map((id) => (
              <MenuItem key={id} value={id}>
                {methodOf(id).label}
              </MenuItem>
            ))}
          </TextField>
          <IconButton
            aria-label={`Remove the point at ${Math.round(point.at * 100)} %`}
            onClick={() => edit({ points: points.filter((one) => one !== point) })}
          >
            <CloseIcon />
          </IconButton>
        </Stack>
      ))}
      <AttachmentFields piece={piece} />
    </Stack>
  );
}
