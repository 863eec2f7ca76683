import type { BalloonRow, PlanPiece } from '@early-lantern/contract';
import { type HowLong, plural } from '@early-lantern/core';
import { Box, Button, Paper, Stack, Typography } from '@mui/material';
import { useState } from 'react';
import { useJob } from '../job/context.ts';
import { balloonsWords } from '../parts/balloons-words.ts';
import { madeOf } from '../parts/made-of.ts';
import { useNotice } from '../parts/notices.tsx';
import { pieceSize } from '../parts/piece-size.ts';
import { WorkingButton } from '../parts/WorkingButton.tsx';
import { workingOfPiece } from '../parts/workings.ts';
import { useUnits } from '../preferences.tsx';
import { askHowLong } from '../workers/planner.ts';

/** A part of the rows added up. */
export const sum = (rows: readonly BalloonRow[], part: 'need' | 'spare' | 'kept') =>
  rows.reduce((all, row) => all + row[part], 0);

/** In all, then piece by piece; pieces of one group under their group's sum. */
export function PieceCounts() {
  const { planned } = useJob();
  if (!planned) return null;
  const { pieces, totals } = planned.plan;
  const groups = [...new Set(pieces.flatMap((piece) => (piece.group ? [piece.group] : [])))];
  const kept = sum(totals.balloons, 'kept');
  return (
    <Stack spacing={2} sx={{ minWidth: 0 }}>
      <Paper variant="outlined" sx={{ p: 2 }}>
        <Typography variant="h2">In all</Typography>
        <Typography sx={{ fontSize: 34, fontWeight: 700, lineHeight: 1.2 }} data-testid="total-balloons">
          {sum(totals.balloons, 'need')}{' '}
          <Box component="span" sx={{ fontSize: 17, fontWeight: 500 }}>
            balloons{kept > 0 && `, ${kept} of them kept,`} and {sum(totals.balloons, 'spare')} spare
          </Box>
        </Typography>
        <Typography component="div" sx={{ color: 'text.secondary' }}>
          Spares follow from quality:{' '}
          <WorkingButton title="The spares" working={(whole) => whole.totals.working}>
            show working
          </WorkingButton>
        </Typography>
        {groups.map((group) => {
          const own = pieces.filter((piece) => piece.group === group);
          return (
            <Typography key={group}>
              {group}:{' '}
              {plural(
                own.reduce((all, piece) => all + sum(piece.balloons, 'need'), 0),
                'balloon',
              )}{' '}
              in {plural(own.length, 'piece')}
            </Typography>
          );
        })}
      </Paper>
      {pieces.map((piece) => (
        <PieceCard key={piece.id} piece={piece} />
      ))}
    </Stack>
  );
}

function PieceCard({ piece }: { piece: PlanPiece }) {
  const size = pieceSize(piece, useUnits());
  return (
    <Paper variant="outlined" sx={{ p: 2 }}>
      <Typography variant="h2">{piece.name}</Typography>
      <Typography component="div">
        {size && `${size} · `}
        <WorkingButton title={piece.name} working={workingOfPiece(piece.id)}>
          {madeOf(piece).join(' · ') || 'show working'}
        </WorkingButton>
        {piece.balloons.length > 0 && ` · ${balloonsWords(piece.balloons)}`}
        {piece.benchMin >= 0.5 && ` · ${Math.round(piece.benchMin)} min at the bench`}
      </Typography>
      {piece.notes.map((note) => (
        <Typography key={note} sx={{ mt: 1, fontSize: 14, color: 'text.secondary' }}>
          {note}
        </Typography>
      ))}
      {piece.kind === 'organic-garland' && <LengthThereIs piece={piece} />}
    </Paper>
  );
}

/** How long the balloons there are would make a garland: asked for, since it tries many lengths. */
function LengthThereIs({ piece }: { piece: PlanPiece }) {
  const { file } = useJob();
  const { long } = useUnits();
  const notify = useNotice();
  // An answer holds for the file that it was asked of.
  const [answer, setAnswer] = useState<{ of: typeof file; found: HowLong }>();
  const found = answer?.of === file ? answer.found : undefined;
  const ask = () =>
    askHowLong(file, piece.id)
      .then((one) => one && setAnswer({ of: file, found: one }))
      .catch((error: Error) => notify({ text: `Not worked out: ${error.message}` }));
  if (!found)
    return (
      <Button size="small" sx={{ mt: 0.5, ml: -0.5 }} onClick={() => void ask()}>
        How long could it be?
      </Button>
    );
  const length = (metres: number) => (metres > 0 ? long(metres) : 'nothing');
  return (
    <Typography role="status" sx={{ mt: 1 }}>
      What is there gives <strong>{length(found.thereM)}</strong> of it
      {found.withPacksM > found.thereM && (
        <>
          , with the packs to buy <strong>{length(found.withPacksM)}</strong>
        </>
      )}
      ; it is drawn {long(found.drawnM)} long.
    </Typography>
  );
}
