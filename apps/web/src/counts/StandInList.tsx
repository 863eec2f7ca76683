import type { Piece, StandIn } from '@early-lantern/contract';
import { comesIn, sizeName } from '@early-lantern/core';
import { Box, Button, Paper, Typography } from '@mui/material';
import { useJob } from '../job/context.ts';
import { colourOf } from './product-name.ts';

/** What is used in place of what, piece by piece; each can be taken back, today or next week. */
export function StandInList() {
  const { document, file, changePiece } = useJob();
  const { workshop } = file;
  const name = (id: string) => colourOf(workshop, id).name;
  const found = document.pieces.flatMap((piece) =>
    ('standIns' in piece ? (piece.standIns ?? []) : []).map((standIn) => ({ piece, standIn })),
  );
  // What is not made at all has its ways round it above.
  const chosen = found.filter(({ standIn }) =>
    comesIn(
      workshop.colours.find(({ id }) => id === standIn.colour),
      standIn.nominalIn,
      workshop,
    ),
  );
  if (chosen.length === 0) return null;
  const takeBack = (piece: Piece, standIn: StandIn) =>
    changePiece(piece.id, (before) =>
      'standIns' in before
        ? ({
            ...before,
            standIns: before.standIns?.filter(
              (one) => one.nominalIn !== standIn.nominalIn || one.colour !== standIn.colour,
            ),
          } as Piece)
        : before,
    );
  const words = (one: StandIn): string => {
    switch (one.way) {
      case 'other-colour':
        return name(one.useColour);
      case 'other-size':
        return `${sizeName(one.useIn)} ${name(one.colour)}`;
      case 'stuffed':
        return `${sizeName(one.innerIn)} ${name(one.colour)} inside ${name(one.outerColour)}`;
      case 'folded':
        return `${sizeName(one.fromIn)} ${name(one.colour)}, folded in two`;
    }
  };
  return (
    <Paper variant="outlined" sx={{ p: 2 }} component="section" aria-label="Used in place of another">
      <Typography variant="h2">Used in place of another</Typography>
      {chosen.map(({ piece, standIn }) => (
        <Box
          key={`${piece.id}-${standIn.nominalIn}-${standIn.colour}`}
          sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap' }}
        >
          <Typography sx={{ flexGrow: 1 }}>
            {piece.name}: {sizeName(standIn.nominalIn)} {name(standIn.colour)} →{' '}
            <strong>{words(standIn)}</strong>
          </Typography>
          <Button
            size="small"
            aria-label={`${piece.name}: take ${sizeName(standIn.nominalIn)} ${name(standIn.colour)} again`}
            onClick={() => takeBack(piece, standIn)}
          >
            Take back
          </Button>
        </Box>
      ))}
    </Paper>
  );
}
