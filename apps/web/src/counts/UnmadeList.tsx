import type { Alternative, ColourId, Piece, PlanPiece, Unmade } from '@early-lantern/contract';
import { plural, sizeName } from '@early-lantern/core';
import { Alert, Box, Button, Stack, Typography } from '@mui/material';
import { dequal } from 'dequal';
import { useJob } from '../job/context.ts';
import { colourOf } from './product-name.ts';

const isFor =
  (unmade: Pick<Unmade, 'nominalIn' | 'colour'>) => (one: { nominalIn: number; colour: ColourId }) =>
    one.nominalIn === unmade.nominalIn && one.colour === unmade.colour;

/** Balloons that do not exist in their size and colour, with the ways round it; one click takes or drops one. */
export function UnmadeList() {
  const { planned } = useJob();
  const found = (planned?.plan.pieces ?? []).flatMap((piece) =>
    piece.unmade.map((unmade) => ({ piece, unmade })),
  );
  if (found.length === 0) return null;
  return (
    <Stack spacing={1.5}>
      {found.map(({ piece, unmade }) => (
        <UnmadeRow key={`${piece.id}-${unmade.nominalIn}-${unmade.colour}`} piece={piece} unmade={unmade} />
      ))}
    </Stack>
  );
}

function UnmadeRow({ piece, unmade }: { piece: PlanPiece; unmade: Unmade }) {
  const { file, document, changePiece } = useJob();
  const designed = document.pieces.find((one) => one.id === piece.id);
  const chosen = designed && 'standIns' in designed ? designed.standIns?.find(isFor(unmade)) : undefined;
  const colour = colourOf(file.workshop, unmade.colour);
  const take = (standIn: Alternative['standIn'] | undefined) =>
    changePiece(piece.id, (before) => {
      const others = ('standIns' in before ? (before.standIns ?? []) : []).filter(
        (one) => !isFor(unmade)(one),
      );
      return { ...before, standIns: standIn ? [...others, standIn] : others } as Piece;
    });
  return (
    <Alert
      severity={chosen ? 'info' : 'warning'}
      icon={false}
      variant="outlined"
      sx={{ '& .MuiAlert-message': { width: '100%' } }}
    >
      <Typography sx={{ fontWeight: 700 }}>
        {piece.name}: {unmade.count} of {sizeName(unmade.nominalIn)} {colour.name.toLowerCase()} are not made
        {chosen && ', and stood in for'}
      </Typography>
      {unmade.alternatives.map((way) => {
        const isChosen = dequal(chosen, way.standIn);
        return (
          <Box
            key={way.label}
            sx={{
              display: 'grid',
              gap: 1,
              gridTemplateColumns: 'minmax(0, 1fr) auto',
              alignItems: 'center',
              mt: 1,
            }}
          >
            <Box>
              <Typography>
                {way.label}: {plural(way.balloons, 'balloon')}, {minutesText(way.minutes)}
              </Typography>
              <Typography sx={{ fontSize: 13, color: 'text.secondary' }}>{way.note}</Typography>
            </Box>
            <Button
              size="small"
              variant={isChosen ? 'contained' : 'outlined'}
              aria-pressed={isChosen}
              onClick={() => take(isChosen ? undefined : way.standIn)}
            >
              {isChosen ? 'Taken' : 'Take this'}
            </Button>
          </Box>
        );
      })}
    </Alert>
  );
}

const minutesText = (minutes: number) =>
  Math.abs(minutes) < 0.5
    ? 'no more time'
    : `${Math.abs(Math.round(minutes))} min ${minutes > 0 ? 'more' : 'less'}`;
