import type { BalloonRow } from '@early-lantern/contract';
import { productNeeds, sizeName, wantedDay } from '@early-lantern/core';
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
  Typography,
} from '@mui/material';
import { Fragment } from 'react';
import { useJob } from '../job/context.ts';
import { blownWords } from '../parts/blown-words.ts';
import { Swatch } from '../parts/Swatch.tsx';
import { useUnits } from '../preferences.tsx';
import { PieceCounts, sum } from './PieceCounts.tsx';
import { ProductMenu } from './ProductMenu.tsx';
import { colourOf } from './product-name.ts';
import { StandInList } from './StandInList.tsx';
import { StockField } from './StockField.tsx';
import { UnmadeList } from './UnmadeList.tsx';

/** How many balloons of each size, diameter and colour, with spares, beside what there is. */
export function BalloonsView() {
  const { planned, file } = useJob();
  if (!planned) return null;
  const { totals } = planned.plan;
  const sizes = [...new Set(totals.balloons.map((row) => row.nominalIn))];
  const products = productNeeds(totals.balloons, file.workshop, wantedDay(file));
  const anyHeld = products.some((product) => product.reserved > 0);
  const anyArriving = products.some((product) => product.arriving > 0);
  const anyKept = totals.balloons.some(({ kept }) => kept > 0);
  const columns = 7 + Number(anyKept) + Number(anyHeld) + Number(anyArriving);
  return (
    <Box
      sx={{
        display: 'grid',
        gap: 2,
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', lg: 'minmax(0, 1.8fr) minmax(0, 1fr)' },
        alignItems: 'start',
      }}
    >
      <Stack spacing={2} sx={{ minWidth: 0 }}>
        <UnmadeList />
        <StandInList />
        <TableContainer component={Paper} variant="outlined">
          <Table
            size="small"
            aria-label="Balloons by size and colour"
            sx={{ '& td, & th': { px: 1 }, '& td:first-of-type, & th:first-of-type': { pl: 2 } }}
          >
            <TableHead>
              <TableRow>
                <TableCell>Colour</TableCell>
                <TableCell>Blow to</TableCell>
                <TableCell align="right">Need</TableCell>
                {anyKept && <TableCell align="right">Kept</TableCell>}
                <TableCell align="right">Spare</TableCell>
                <TableCell align="right">Take</TableCell>
                <TableCell align="right">On the shelf</TableCell>
                {anyHeld && <TableCell align="right">Held</TableCell>}
                {anyArriving && <TableCell align="right">Coming</TableCell>}
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
                        {sizeName(size)} balloons
                      </TableCell>
                      <TableCell align="right">{sum(rows, 'need')}</TableCell>
                      {anyKept && <TableCell align="right">{sum(rows, 'kept') || ''}</TableCell>}
                      <TableCell align="right">{sum(rows, 'spare')}</TableCell>
                      <TableCell align="right">
                        {sum(rows, 'need') - sum(rows, 'kept') + sum(rows, 'spare')}
                      </TableCell>
                      <TableCell colSpan={columns - (anyKept ? 6 : 5)} />
                    </TableRow>
                    {rows.map((row, i) => (
                      <CountRow
                        key={[
                          row.colour,
                          ...Object.values(row.inflatedIn),
                          ...Object.values(row.blowToIn ?? {}),
                        ].join()}
                        row={row}
                        // A product blown two ways is one product on the shelf: shown with its first row.
                        product={
                          rows.findIndex((one) => one.colour === row.colour) === i
                            ? products.find(
                                (one) => one.nominalIn === row.nominalIn && one.colour === row.colour,
                              )
                            : undefined
                        }
                        anyKept={anyKept}
                        anyHeld={anyHeld}
                        anyArriving={anyArriving}
                      />
                    ))}
                  </Fragment>
                );
              })}
            </TableBody>
          </Table>
        </TableContainer>
      </Stack>
      <PieceCounts />
    </Box>
  );
}

interface CountRowProps {
  row: BalloonRow;
  product: ReturnType<typeof productNeeds>[number] | undefined;
  anyKept: boolean;
  anyHeld: boolean;
  anyArriving: boolean;
}

function CountRow({ row, product, anyKept, anyHeld, anyArriving }: CountRowProps) {
  const { file } = useJob();
  const { range } = useUnits();
  const { name, hex, finish } = colourOf(file.workshop, row.colour);
  const isCounted = file.workshop.stock.some(
    (held) => held.nominalIn === row.nominalIn && held.colour === row.colour,
  );
  const over = product?.over ?? 0;
  return (
    <TableRow>
      <TableCell>
        <Stack direction="row" sx={{ gap: 1, alignItems: 'center' }}>
          <Swatch hex={hex} /> {name}
          {finish && (
            <Typography component="span" sx={{ fontSize: 13, color: 'text.secondary' }}>
              {finish}
            </Typography>
          )}
          {product && <ProductMenu nominalIn={row.nominalIn} colour={row.colour} />}
        </Stack>
        {product?.fromFamily.map((other) => (
          <Typography key={other.nominalIn} sx={{ fontSize: 13, color: 'text.secondary' }}>
            {other.count} of them of {sizeName(other.nominalIn)}, blown alike
          </Typography>
        ))}
        {product && product.forFamily > 0 && (
          <Typography sx={{ fontSize: 13, color: 'text.secondary' }}>
            {product.forFamily} more used as a neighbouring size
          </Typography>
        )}
      </TableCell>
      <TableCell sx={{ whiteSpace: 'nowrap' }}>
        {blownWords(row, row.blowToIn ?? row.inflatedIn, range)}
      </TableCell>
      <TableCell align="right">{row.need}</TableCell>
      {anyKept && <TableCell align="right">{row.kept || ''}</TableCell>}
      <TableCell align="right">{row.spare}</TableCell>
      <TableCell align="right">{row.need - row.kept + row.spare}</TableCell>
      <TableCell align="right" sx={{ py: 0.25 }}>
        {product && (
          <StockField
            nominalIn={row.nominalIn}
            colour={row.colour}
            name={name}
            onHand={isCounted ? product.onHand : undefined}
          />
        )}
      </TableCell>
      {anyHeld && <TableCell align="right">{product?.reserved || ''}</TableCell>}
      {anyArriving && <TableCell align="right">{product?.arriving || ''}</TableCell>}
      <TableCell
        align="right"
        sx={over < 0 && product ? { color: 'var(--mui-palette-out)', fontWeight: 700 } : undefined}
      >
        {product && (isCounted || product.arriving > 0 || product.fromFamily.length > 0)
          ? over < 0
            ? `short ${-over}`
            : over
          : ''}
      </TableCell>
    </TableRow>
  );
}
