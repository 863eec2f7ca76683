import { BaseId, type HoldPiece, MethodId, type Piece } from '@early-lantern/contract';
import { baseOf, loadsOf, methodOf } from '@early-lantern/core';
import CloseIcon from '@mui/icons-material/Close';
import { Box, IconButton, MenuItem, Stack, TextField, Typography } from '@mui/material';
import { useJob } from '../job/context.ts';
import { CommitField, someName } from '../parts/CommitField.tsx';
import { newId } from '../parts/ids.ts';
import { useUnits } from '../preferences.tsx';
import { withHold } from './points.ts';

interface HoldFieldsProps {
  piece: Piece;
  held: HoldPiece;
}

const FOUND = 'found';

/** What can be chosen of how a piece is carried: base, ballast and lines, or points and heavy things on its line. */
export function HoldFields({ piece, held }: HoldFieldsProps) {
  if (held.ballastKg.length > 0) return <StandingFields piece={piece} held={held} />;
  if (piece.kind === 'organic-garland') return <HangingFields piece={piece} held={held} />;
  return <Typography sx={{ color: 'text.secondary' }}>Nothing to choose: {held.carrier}.</Typography>;
}

function useHoldEdit(piece: Piece) {
  const { changePiece } = useJob();
  return (edit: Parameters<typeof withHold>[1]) => changePiece(piece.id, (before) => withHold(before, edit));
}

function StandingFields({ piece, held }: HoldFieldsProps) {
  const edit = useHoldEdit(piece);
  const { mass } = useUnits();
  const each = held.ballastKg[0] ?? 0;
  return (
    <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: '1fr 1fr' }}>
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
      <CommitField
        label="Ballast on each base, kg"
        value={piece.hold?.ballastKg === undefined ? '' : String(piece.hold.ballastKg)}
        placeholder={`${each} found`}
        slotProps={{ inputLabel: { shrink: true } }}
        onCommit={(text) => {
          if (!text.trim()) return void edit({ ballastKg: undefined });
          const kg = Number(text.replace(',', '.'));
          if (!(kg >= 0 && kg <= 500)) return 'A number from 0 to 500, or nothing';
          edit({ ballastKg: kg });
          return undefined;
        }}
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
      <Typography sx={{ gridColumn: '1 / -1', fontSize: 15 }} data-testid="ballast">
        {held.ballastKg.length > 1 ? `${held.ballastKg.length} bases with ` : 'One base with '}
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
  const { workshop } = useJob().file;
  const { mass } = useUnits();
  const loads = loadsOf(workshop);
  const points = piece.hold?.points ?? [];
  const picks = piece.hold?.picks ?? [];
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
            aria-label={`Let go of the point at ${Math.round(point.at * 100)} %`}
            onClick={() => edit({ points: points.filter((one) => one !== point) })}
          >
            <CloseIcon />
          </IconButton>
        </Stack>
      ))}
      <Typography variant="h3">Florals, foils, plush, signs</Typography>
      {picks.map((pick) => {
        const change = (more: Partial<typeof pick>) =>
          edit({ picks: picks.map((one) => (one === pick ? { ...one, ...more } : one)) });
        return (
          <Stack key={pick.id} direction="row" sx={{ gap: 1, alignItems: 'center' }}>
            <CommitField
              label="What"
              value={pick.label}
              onCommit={(text) => someName(text, (label) => change({ label }))}
              sx={{ flex: 2 }}
            />
            <CommitField
              label="kg"
              value={String(pick.massKg)}
              onCommit={(text) => {
                const massKg = Number(text.replace(',', '.'));
                if (text.trim() === '' || !(massKg >= 0 && massKg <= 50)) return '0 to 50';
                change({ massKg });
                return undefined;
              }}
              sx={{ flex: 1 }}
            />
            <CommitField
              label="% along"
              value={String(Math.round(pick.at * 100))}
              onCommit={(text) => {
                const at = Number(text.replace(',', '.')) / 100;
                if (text.trim() === '' || !(at >= 0 && at <= 1)) return '0 to 100';
                change({ at });
                return undefined;
              }}
              sx={{ flex: 1 }}
            />
            <IconButton
              aria-label={`Leave ${pick.label} out`}
              onClick={() => edit({ picks: picks.filter((one) => one !== pick) })}
            >
              <CloseIcon />
            </IconButton>
          </Stack>
        );
      })}
      <Box>
        <TextField
          select
          fullWidth
          size="small"
          label="Add something heavy"
          value=""
          onChange={(event) => {
            const load = loads.find(({ id }) => id === event.target.value);
            if (!load) return;
            const { name: label, what, massKg } = load;
            edit({ picks: [...picks, { id: newId('pick'), label, what, massKg, at: 0.5 }] });
          }}
        >
          {loads.map(({ id, name, massKg }) => (
            <MenuItem key={id} value={id}>
              {name}, {mass(massKg)}
            </MenuItem>
          ))}
        </TextField>
      </Box>
    </Stack>
  );
}
