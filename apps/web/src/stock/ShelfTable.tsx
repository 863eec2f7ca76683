import type { ColourId, WorkshopRow } from '@early-lantern/contract';
import { comesIn, sizeName } from '@early-lantern/core';
import {
  Box,
  Paper,
  Table,
  TableBody,
  TableCell,
  TableContainer,
  TableHead,
  TableRow,
  Tooltip,
} from '@mui/material';
import { StockField } from '../counts/StockField.tsx';
import { Swatch } from '../parts/Swatch.tsx';

/** Colours by sizes: what lies on the shelf, each count to be typed over. */
export function ShelfTable({ row }: { row: WorkshopRow }) {
  const { colours, stock, onOrder = [] } = row.data;
  const sizes = [...new Set([5, 11, 17, ...stock.map((held) => held.nominalIn)])].sort((a, b) => a - b);
  return (
    <TableContainer component={Paper} variant="outlined">
      <Table size="small" aria-label="The shelf" sx={{ '& td, & th': { px: 0.5 } }}>
        <TableHead>
          <TableRow>
            <TableCell>Colour</TableCell>
            {sizes.map((size) => (
              <TableCell key={size} align="right">
                {sizeName(size)}
              </TableCell>
            ))}
          </TableRow>
        </TableHead>
        <TableBody>
          {colours.map((colour) => (
            <TableRow key={colour.id}>
              <TableCell sx={{ whiteSpace: 'nowrap' }}>
                <Box sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
                  <Swatch hex={colour.hex} /> {colour.name}
                </Box>
              </TableCell>
              {sizes.map((size) => {
                const isIt = (one: { nominalIn: number; colour: ColourId }) =>
                  one.nominalIn === size && one.colour === colour.id;
                const coming = onOrder.filter(isIt).reduce((sum, order) => sum + order.count, 0);
                const held = stock.find(isIt);
                return (
                  <TableCell key={size} align="right" sx={{ py: 0.25 }}>
                    {comesIn(colour, size) || held ? (
                      <Tooltip title={coming ? `${coming} on order` : ''}>
                        <Box
                          component="span"
                          sx={
                            coming
                              ? {
                                  display: 'inline-block',
                                  borderBottom: '2px dashed',
                                  borderColor: 'text.secondary',
                                }
                              : undefined
                          }
                        >
                          <StockField
                            nominalIn={size}
                            colour={colour.id}
                            name={colour.name}
                            onHand={held?.onHand}
                          />
                        </Box>
                      </Tooltip>
                    ) : (
                      <Box component="span" sx={{ color: 'text.secondary', fontSize: 13 }}>
                        not made
                      </Box>
                    )}
                  </TableCell>
                );
              })}
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </TableContainer>
  );
}
