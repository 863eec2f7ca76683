import type { BalloonRow, WorkshopRow, WorkshopSettings } from '@early-lantern/contract';
import {
  Box,
  Paper,
  Stack,
  Table,
  TableBody,
  TableCell,
  TableContainer,
  TableHead,
  TableRow,
  TextField,
  Typography,
} from '@mui/material';
import { Fragment } from 'react';
import { keys, useSettings } from '../api/queries.ts';
import { useJob } from '../job/context.ts';
import { EmptyState } from '../parts/EmptyState.tsx';
import { Swatch } from '../parts/Swatch.tsx';
import { useRowSave } from '../parts/useRowSave.ts';
import { WorkingButton } from '../parts/WorkingButton.tsx';
import { useUnits } from '../preferences.tsx';

/** How many balloons of each size and colour, with spares, beside what is on the shelf. */
export function CountsScreen() {
  const { planned, file } = useJob();
  const { long, short } = useUnits();
  if (!planned) return null;
  const { pieces, totals } = planned.plan;
  if (pieces.length === 0) {
    return (
      <EmptyState title="Nothing to count yet">
        Draw the first garland under Pieces; its balloons are counted as you draw.
      </EmptyState>
    );
  }
  const sizes = [...new Set(totals.balloons.map((row) => row.nominalIn))];
  const sum = (rows: readonly BalloonRow[], part: 'need' | 'spare') =>
    rows.reduce((all, row) => all + row[part], 0);
  const colour = (id: string) => file.workshop.colours.find((one) => one.id === id);

  return (
    <Box
      sx={{
        px: { xs: 1.5, sm: 3 },
        pb: 3,
        display: 'grid',
        gap: 2,
        gridTemplateColumns: { xs: '1fr', lg: 'minmax(0, 1.5fr) minmax(0, 1fr)' },
        alignItems: 'start',
      }}
    >
      <TableContainer component={Paper} variant="outlined">
        <Table size="small" aria-label="Balloons by size and colour">
          <TableHead>
            <TableRow>
              <TableCell>Colour</TableCell>
              <TableCell>Blow to</TableCell>
              <TableCell align="right">Need</TableCell>
              <TableCell align="right">Spare</TableCell>
              <TableCell align="right">Take</TableCell>
              <TableCell align="right">On the shelf</TableCell>
              <TableCell align="right">Over</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {sizes.map((size) => {
              const rows = totals.balloons.filter((row) => row.nominalIn === size);
              return (
                <Fragment key={size}>
                  <TableRow sx={{ '& td, & th': { bgcolor: 'background.default', fontWeight: 700 } }}>
                    <TableCell component="th" scope="rowgroup" colSpan={2}>
                      {size} in. balloons
                    </TableCell>
                    <TableCell align="right">{sum(rows, 'need')}</TableCell>
                    <TableCell align="right">{sum(rows, 'spare')}</TableCell>
                    <TableCell align="right">{sum(rows, 'need') + sum(rows, 'spare')}</TableCell>
                    <TableCell colSpan={2} />
                  </TableRow>
                  {rows.map((row, i) => (
                    <CountRow
                      key={`${row.colour}-${row.inflatedIn.min}-${row.inflatedIn.max}`}
                      row={row}
                      name={colour(row.colour)?.name ?? row.colour}
                      hex={colour(row.colour)?.hex ?? '#888888'}
                      // A product blown two ways is one product on the shelf: shown with its first row.
                      isFirstOfProduct={rows.findIndex((one) => one.colour === row.colour) === i}
                      wanted={rows
                        .filter((one) => one.colour === row.colour)
                        .reduce((all, one) => all + one.need + one.spare, 0)}
                    />
                  ))}
                </Fragment>
              );
            })}
          </TableBody>
        </Table>
      </TableContainer>
      <Stack spacing={2}>
        <Paper variant="outlined" sx={{ p: 2 }}>
          <Typography variant="h2">In all</Typography>
          <Typography sx={{ fontSize: 34, fontWeight: 700, lineHeight: 1.2 }} data-testid="total-balloons">
            {sum(totals.balloons, 'need')}{' '}
            <Box component="span" sx={{ fontSize: 17, fontWeight: 500 }}>
              balloons and {sum(totals.balloons, 'spare')} spare
            </Box>
          </Typography>
          <Typography component="div" sx={{ color: 'text.secondary' }}>
            Spares follow from quality:{' '}
            <WorkingButton title="The spares" working={totals.working}>
              show working
            </WorkingButton>
          </Typography>
        </Paper>
        {pieces.map((piece) => (
          <Paper key={piece.id} variant="outlined" sx={{ p: 2 }}>
            <Typography variant="h2">{piece.name}</Typography>
            <Typography component="div">
              {long(piece.lengthM)} long, {short(piece.visibleWidthM)} wide ·{' '}
              <WorkingButton title={piece.name} working={piece.working}>
                {piece.clusters} clusters of {piece.clusterSize}
              </WorkingButton>{' '}
              · {piece.fillerTrios} filler trios · {sum(piece.balloons, 'need')} balloons ·{' '}
              {Math.round(piece.benchMin)} min at the bench
            </Typography>
            {piece.notes.map((note) => (
              <Typography key={note} sx={{ mt: 1, fontSize: 14, color: 'text.secondary' }}>
                {note}
              </Typography>
            ))}
          </Paper>
        ))}
      </Stack>
    </Box>
  );
}

interface CountRowProps {
  row: BalloonRow;
  name: string;
  hex: string;
  isFirstOfProduct: boolean;
  wanted: number;
}

function CountRow({ row, name, hex, isFirstOfProduct, wanted }: CountRowProps) {
  const { file } = useJob();
  const { range } = useUnits();
  const held = file.workshop.stock.find(
    (one) => one.nominalIn === row.nominalIn && one.colour === row.colour,
  );
  const over = (held?.onHand ?? 0) - wanted;
  return (
    <TableRow>
      <TableCell>
        <Stack direction="row" sx={{ gap: 1, alignItems: 'center' }}>
          <Swatch hex={hex} /> {name}
        </Stack>
      </TableCell>
      <TableCell sx={{ whiteSpace: 'nowrap' }}>{range(row.inflatedIn)}</TableCell>
      <TableCell align="right">{row.need}</TableCell>
      <TableCell align="right">{row.spare}</TableCell>
      <TableCell align="right">{row.need + row.spare}</TableCell>
      <TableCell align="right" sx={{ py: 0.25 }}>
        {isFirstOfProduct && (
          <StockField nominalIn={row.nominalIn} colour={row.colour} name={name} onHand={held?.onHand} />
        )}
      </TableCell>
      <TableCell
        align="right"
        sx={over < 0 && held ? { color: 'var(--mui-palette-out)', fontWeight: 700 } : undefined}
      >
        {isFirstOfProduct && held ? (over < 0 ? `short ${-over}` : over) : ''}
      </TableCell>
    </TableRow>
  );
}

interface StockFieldProps {
  nominalIn: number;
  colour: string;
  name: string;
  onHand: number | undefined;
}

/** What is on the shelf of one product; typed after counting, kept when left. */
function StockField(props: StockFieldProps) {
  const settings = useSettings().data;
  return settings ? <StockInput {...props} row={settings} /> : null;
}

function StockInput({ nominalIn, colour, name, onHand, row }: StockFieldProps & { row: WorkshopRow }) {
  const save = useRowSave<WorkshopSettings>(keys.workshop, '/workshop', row);
  const commit = (text: string) => {
    const count = Number(text);
    if (text.trim() === '' || !Number.isInteger(count) || count < 0 || count === onHand) return;
    save(({ stock }) => ({
      stock: [
        ...stock.filter((held) => held.nominalIn !== nominalIn || held.colour !== colour),
        { nominalIn, colour, onHand: count },
      ],
    }));
  };
  return (
    <TextField
      key={onHand}
      defaultValue={onHand ?? ''}
      type="number"
      placeholder="count"
      onBlur={(event) => commit(event.target.value)}
      onKeyDown={(event) => event.key === 'Enter' && commit((event.target as HTMLInputElement).value)}
      slotProps={{
        htmlInput: {
          'aria-label': `${nominalIn} in. ${name} on the shelf`,
          min: 0,
          style: { textAlign: 'right', padding: '4px 8px' },
        },
      }}
      sx={{ width: 88 }}
    />
  );
}
