import type { BenchBatch } from '@early-lantern/contract';
import { blownKey, nameIn, namesFor, sizeName } from '@early-lantern/core';
import { Box, Paper, Typography } from '@mui/material';
import { blownWords } from '../parts/blown-words.ts';
import { familyNotes } from '../parts/family-notes.ts';
import { Swatch } from '../parts/Swatch.tsx';
import { clockTime } from '../parts/time.ts';
import { useUnits } from '../preferences.tsx';
import { headFont } from '../theme.ts';
import { BigButton } from './BigButton.tsx';
import type { TakenJob } from './kept-on-device.ts';
import { buzz } from './stay-awake.ts';
import type { SiteLogHere } from './use-log.ts';

/** So many are counted with one press: a twin nozzle blows two, a hand holds ten. */
const STEPS = [2, 10];

interface BatchBoardProps {
  batch: BenchBatch;
  taken: TakenJob;
  log: SiteLogHere;
}

/** One batch, to be read from across the workshop: to what diameter, and of each lot how many are blown. */
export function BatchBoard({ batch, taken, log }: BatchBoardProps) {
  const { file, plan } = taken;
  const { range } = useUnits();
  const names = namesFor(file);
  const isOver = log.happened.tasks.get(batch.id)?.state === 'done';
  const [by] = batch.crew;
  return (
    <Paper
      variant="outlined"
      component="section"
      aria-label={batch.label}
      sx={{ p: 2, display: 'grid', gap: 1, alignContent: 'start' }}
    >
      <Typography sx={{ fontSize: '1.0625rem', color: 'text.secondary' }}>
        {isOver && <strong>Done · </strong>}
        {clockTime(batch.start, plan.timeZone)} · {batch.crew.map((id) => nameIn(id, names)).join(', ')}
      </Typography>
      <Typography sx={{ fontFamily: headFont, fontSize: '2.125rem', lineHeight: 1.1, fontWeight: 700 }}>
        {sizeName(batch.nominalIn)} → {blownWords(batch, batch.blowToIn, range)}
      </Typography>
      <Typography sx={{ fontSize: '1.125rem', fontWeight: 600 }}>
        {plan.pieces.find(({ id }) => id === batch.pieceId)?.name}
      </Typography>
      {familyNotes(plan.totals.balloons, file, batch).map((note) => (
        <Typography key={note} sx={{ fontSize: '1rem' }}>
          {note}
        </Typography>
      ))}
      {batch.lots.map(({ id, colour, count }) => {
        const found = file.workshop.colours.find((one) => one.id === colour);
        const blown = isOver ? count : Math.min(count, log.happened.blown.get(blownKey(batch.id, id)) ?? 0);
        return (
          <Box
            key={id}
            role="group"
            aria-label={`Lot ${id}, ${found?.name ?? colour}`}
            sx={{
              display: 'flex',
              gap: 1,
              alignItems: 'center',
              borderTop: 1,
              borderColor: 'divider',
              pt: 1,
            }}
          >
            <Swatch hex={found?.hex ?? '#888888'} size={30} />
            <Box sx={{ flex: 1, minWidth: 0 }}>
              <Typography sx={{ fontSize: '1.5rem', fontWeight: 700, lineHeight: 1.1 }}>
                {blown} of {count}
              </Typography>
              <Typography sx={{ fontSize: '1.0625rem', overflowWrap: 'anywhere' }}>
                {id} {found?.name ?? colour}
              </Typography>
            </Box>
            {by &&
              STEPS.map((step) => {
                const more = Math.min(step, count - blown);
                return (
                  <BigButton
                    key={step}
                    fullWidth={false}
                    disabled={more <= 0}
                    aria-label={`${step} more of lot ${id}`}
                    onClick={() => {
                      buzz();
                      void log.write(by, { kind: 'blown', task: batch.id, lot: id, count: more });
                    }}
                    sx={{ minWidth: 64, flex: 'none' }}
                  >
                    +{step}
                  </BigButton>
                );
              })}
          </Box>
        );
      })}
    </Paper>
  );
}
