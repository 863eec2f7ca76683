import type { BenchBatch } from '@early-lantern/contract';
import { nameIn, namesFor, sizeName } from '@early-lantern/core';
import PrintIcon from '@mui/icons-material/Print';
import { Box, Button, Paper, Stack, Typography } from '@mui/material';
import { useJob } from '../job/context.ts';
import { blownWords } from '../parts/blown-words.ts';
import { EmptyState } from '../parts/EmptyState.tsx';
import { familyNotes } from '../parts/family-notes.ts';
import { PrintHead } from '../parts/PrintHead.tsx';
import { Swatch } from '../parts/Swatch.tsx';
import { clockTime, dayName } from '../parts/time.ts';
import { useUnits } from '../preferences.tsx';
import { headFont } from '../theme.ts';

/** Every batch on a card of its own, to be read from across the workshop: what, to what diameter, how many of which. */
export function BoardView() {
  const { planned, file } = useJob();
  const { area } = useUnits();
  const { batches, floorM2 } = planned?.plan.bench ?? { batches: [], floorM2: 0 };
  const room = file.workshop.floorM2;
  if (batches.length === 0) {
    return (
      <EmptyState title="No batch has an hour yet">
        {planned?.plan.lamps.onTime.reason ?? 'Nothing of this job is blown.'}
      </EmptyState>
    );
  }
  const zone = planned?.plan.timeZone ?? 'utc';
  const days = [...new Set(batches.map((batch) => dayName(batch.start, zone)))];
  return (
    <Stack spacing={2}>
      <PrintHead what="Bench board" />
      <Box className="no-print">
        <Button size="small" variant="outlined" startIcon={<PrintIcon />} onClick={() => window.print()}>
          Print the board
        </Button>
      </Box>
      {floorM2 > 0 && (
        <Typography data-testid="floor">
          Finished sections lie on <strong>{area(floorM2)}</strong> of floor until they are loaded
          {room && floorM2 > room ? (
            <Box component="span" sx={{ color: 'var(--mui-palette-out)', fontWeight: 650 }}>
              : the workshop has {area(room)}; hang some, or load before all are done.
            </Box>
          ) : room ? (
            ` of ${area(room)} there are.`
          ) : (
            '.'
          )}
        </Typography>
      )}
      {familyNotes(planned?.plan.totals.balloons ?? [], file).map((note) => (
        <Typography key={note}>{note}</Typography>
      ))}
      {days.map((day) => (
        <Box key={day} component="section" aria-label={day}>
          <Typography variant="h2" sx={{ mb: 1 }}>
            {day}
          </Typography>
          <Box
            sx={{
              display: 'grid',
              gap: 1.5,
              gridTemplateColumns: 'repeat(auto-fill, minmax(min(100%, 290px), 1fr))',
              '@media print': { gridTemplateColumns: 'repeat(3, 1fr)', gap: 1 },
            }}
          >
            {batches
              .filter((batch) => dayName(batch.start, zone) === day)
              .map((batch) => (
                <BatchCard key={batch.id} batch={batch} zone={zone} />
              ))}
          </Box>
        </Box>
      ))}
    </Stack>
  );
}

function BatchCard({ batch, zone }: { batch: BenchBatch; zone: string }) {
  const { file, planned } = useJob();
  const { range } = useUnits();
  const { workshop } = file;
  const nameOf = (id: string) => nameIn(id, namesFor(file));
  const piece = planned?.plan.pieces.find(({ id }) => id === batch.pieceId);
  return (
    <Paper
      variant="outlined"
      sx={{
        p: 2,
        display: 'grid',
        gap: 0.5,
        alignContent: 'start',
        breakInside: 'avoid',
        '@media print': { p: 1, gap: 0.25 },
      }}
    >
      <Typography sx={{ fontSize: 15, color: 'text.secondary', '@media print': { fontSize: 11.5 } }}>
        {clockTime(batch.start, zone)}–{clockTime(batch.end, zone)} · {batch.crew.map(nameOf).join(', ')}
        {batch.gear.length > 0 && ` · ${batch.gear.map(nameOf).join(', ')}`}
        {batch.place === 'site' && ' · on site'}
      </Typography>
      <Typography
        sx={{
          fontFamily: headFont,
          fontSize: 30,
          lineHeight: 1.1,
          fontWeight: 700,
          '@media print': { fontSize: 21 },
        }}
      >
        {sizeName(batch.nominalIn)} → {blownWords(batch, batch.blowToIn, range)}
      </Typography>
      <Typography sx={{ fontWeight: 600 }}>{piece?.name}</Typography>
      <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0, display: 'grid', gap: 0.25 }}>
        {batch.lots.map(({ id, colour, count }) => {
          const found = workshop.colours.find((one) => one.id === colour);
          return (
            <Box
              component="li"
              key={id}
              sx={{
                display: 'flex',
                gap: 1,
                alignItems: 'center',
                fontSize: 18,
                '@media print': { fontSize: 14 },
              }}
            >
              <Swatch hex={found?.hex ?? '#888888'} />
              <strong>{count}</strong> {found?.name ?? colour}
              <Typography component="span" sx={{ ml: 'auto', color: 'text.secondary' }}>
                {id}
              </Typography>
            </Box>
          );
        })}
      </Box>
    </Paper>
  );
}
