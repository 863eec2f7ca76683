import type { OnOrder, WorkshopSettings } from '@early-lantern/contract';
import { type Purchase, plural, sizeName } from '@early-lantern/core';
import {
  Box,
  Button,
  Paper,
  type SxProps,
  Table,
  TableBody,
  TableCell,
  TableContainer,
  TableHead,
  TableRow,
} from '@mui/material';
import { colourOf } from '../counts/product-name.ts';
import { Swatch } from '../parts/Swatch.tsx';
import { dateWords } from '../parts/time.ts';
import { useMay } from '../people/me.ts';

interface PurchaseRow extends Purchase {
  /** Balloons that these jobs lack. */
  missing: number;
  /** Who else the packs are for. */
  others: readonly { job: string; count: number }[];
  /** On order, but not here in time. */
  late: readonly OnOrder[];
}

interface PurchaseTableProps {
  label: string;
  workshop: Pick<WorkshopSettings, 'colours' | 'currency'>;
  rows: readonly PurchaseRow[];
  /** All from one supplier, named above. */
  isOfOne?: boolean;
  onOrder: (row: PurchaseRow) => void;
  onSubstitute?: (row: PurchaseRow) => void;
}

/** On a phone each row is a card with every cell named, so that nothing lies off to the side. */
const asCards: SxProps = {
  '& thead': { display: { xs: 'none', md: 'table-header-group' } },
  '& tbody tr': {
    display: { xs: 'grid', md: 'table-row' },
    gridTemplateColumns: '1fr 1fr',
    borderBottom: { xs: '1px solid var(--mui-palette-divider)', md: 0 },
    py: { xs: 1, md: 0 },
  },
  '& tbody td': {
    borderBottom: { xs: 0, md: '1px solid var(--mui-palette-divider)' },
    py: { xs: 0.5, md: 0.75 },
  },
  '& tbody td[data-label]::before': {
    content: { xs: 'attr(data-label) ": "', md: 'none' },
    color: 'text.secondary',
  },
  '@media (max-width: 899.95px)': { '& tbody td': { textAlign: 'left' } },
  '& tbody td[data-wide]': { gridColumn: '1 / -1' },
};

/** Packs to be bought, by the last day to order them. */
export function PurchaseTable({ label, workshop, rows, isOfOne, onOrder, onSubstitute }: PurchaseTableProps) {
  const priced = useMay('see money') && rows.some((row) => row.cover.price !== undefined);
  const price = `Price${workshop.currency ? `, ${workshop.currency}` : ''}`;
  const anyOther = rows.some(({ others }) => others.length > 0);
  return (
    <TableContainer component={Paper} variant="outlined">
      <Table size="small" aria-label={label} sx={asCards}>
        <TableHead>
          <TableRow>
            <TableCell>Order by</TableCell>
            <TableCell>Balloon</TableCell>
            {!isOfOne && <TableCell>From</TableCell>}
            <TableCell align="right">Missing</TableCell>
            <TableCell>Packs</TableCell>
            <TableCell align="right">Left over</TableCell>
            {anyOther && <TableCell>Packs are for</TableCell>}
            {priced && <TableCell align="right">{price}</TableCell>}
            <TableCell />
          </TableRow>
        </TableHead>
        <TableBody>
          {rows.map((row) => {
            const { nominalIn, colour, cover, supplier, leadDays, orderBy, isTooLate } = row;
            const { name, hex } = colourOf(workshop, colour);
            return (
              <TableRow key={`${nominalIn}-${colour}-${row.wanted}`}>
                <TableCell
                  data-wide
                  sx={{
                    fontWeight: 700,
                    whiteSpace: { md: 'nowrap' },
                    ...(isTooLate ? { color: 'var(--mui-palette-out)' } : {}),
                  }}
                >
                  {dateWords(orderBy)}
                  {isTooLate && ', too late'}
                  <LateNote row={row} />
                </TableCell>
                <TableCell data-wide>
                  <Box sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
                    <Swatch hex={hex} /> {sizeName(nominalIn)} {name}
                  </Box>
                </TableCell>
                {!isOfOne && (
                  <TableCell data-label="From" sx={{ color: 'text.secondary' }}>
                    {supplier?.name ?? 'any supplier'}, {plural(leadDays, 'day')}
                  </TableCell>
                )}
                <TableCell data-label="Missing" align="right">
                  {row.missing}
                </TableCell>
                <TableCell data-label="Packs">
                  {cover.packs.map(({ pack, times }) => `${times} × ${pack.count}`).join(' + ')}
                </TableCell>
                <TableCell data-label="Left over" align="right">
                  {cover.surplus}
                </TableCell>
                {anyOther && (
                  <TableCell data-label="Packs are for" data-wide>
                    {row.others.map(({ job, count }) => `${job}: ${count}`).join(', ')}
                  </TableCell>
                )}
                {priced && (
                  <TableCell data-label={price} align="right">
                    {cover.price?.toFixed(2) ?? 'not known'}
                  </TableCell>
                )}
                <TableCell align="right" data-wide sx={{ whiteSpace: 'nowrap' }}>
                  {row.late.length === 0 && row.arrives && (
                    <Button size="small" onClick={() => onOrder(row)}>
                      Mark as ordered
                    </Button>
                  )}
                  {onSubstitute && (
                    <Button size="small" onClick={() => onSubstitute(row)}>
                      Find a substitute
                    </Button>
                  )}
                </TableCell>
              </TableRow>
            );
          })}
        </TableBody>
      </Table>
    </TableContainer>
  );
}

/** What is on its way but comes too late, or when an order of today would come. */
function LateNote({ row: { late, isTooLate, arrives } }: { row: PurchaseRow }) {
  if (late.length === 0 && !isTooLate) return null;
  const words =
    late.length > 0
      ? late.map(({ count, arrives: day }) => `${count} on order, here ${dateWords(day)}`).join('; ')
      : arrives
        ? `ordered today, here ${dateWords(arrives)}`
        : 'the supplier never opens';
  return <Box sx={{ fontSize: 13, fontWeight: 400, color: 'text.secondary' }}>{words}</Box>;
}
