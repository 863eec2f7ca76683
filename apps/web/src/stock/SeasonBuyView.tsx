import type { WorkshopRow } from '@early-lantern/contract';
import { plural, purchasesOf } from '@early-lantern/core';
import { Box, Button, LinearProgress, Stack, Typography } from '@mui/material';
import { DateTime } from 'luxon';
import { throwUnread, useLacks } from '../api/queries.ts';
import { EmptyState } from '../parts/EmptyState.tsx';
import { useMay } from '../people/me.ts';
import { PurchaseTable } from './PurchaseTable.tsx';
import { priceWords } from './price-words.ts';
import { SaveListButtons } from './SaveListButtons.tsx';
import { useOrdering } from './use-ordering.ts';

/** What to buy for all coming jobs together: by supplier, and by the last day to order. */
export function SeasonBuyView({ row }: { row: WorkshopRow }) {
  const seesMoney = useMay('see money');
  const lacks = useLacks(row.revision);
  const today = DateTime.now().setZone(row.data.timeZone).toISODate() as string;
  const order = useOrdering(row, today);
  throwUnread(lacks);
  if (!lacks.data) return <LinearProgress aria-label="Looking through the coming jobs" />;
  const { onOrder = [], suppliers = [], currency } = row.data;
  const rows = purchasesOf(lacks.data, row.data, today).map((purchase) => ({
    ...purchase,
    missing: purchase.jobs.reduce((sum, { count }) => sum + count, 0),
    others: purchase.jobs,
    late: onOrder.filter(
      (one) =>
        one.nominalIn === purchase.nominalIn &&
        one.colour === purchase.colour &&
        one.arrives > purchase.wanted,
    ),
  }));
  const named = [...suppliers, undefined].filter((one) =>
    rows.some(({ supplier }) => supplier?.id === one?.id),
  );
  const fileAddress = (format: string) => `/api/v1/stock/buy.${format}?today=${today}`;
  if (rows.length === 0) {
    return (
      <EmptyState title="Nothing to buy">Shelf and orders cover every coming job with its spares.</EmptyState>
    );
  }
  return (
    <Box sx={{ display: 'grid', gap: 3 }}>
      <Stack direction="row" sx={{ gap: 1, alignItems: 'center', flexWrap: 'wrap' }}>
        <Typography sx={{ flexGrow: 1, flexBasis: 320 }}>
          For {plural(new Set(rows.flatMap(({ jobs }) => jobs.map(({ job }) => job))).size, 'coming job')}{' '}
          together: what one job’s packs leave over goes to the next.{' '}
          {seesMoney && priceWords(rows, currency)}
        </Typography>
        <SaveListButtons addressOf={fileAddress} />
      </Stack>
      {named.map((supplier) => {
        const theirs = rows.filter((one) => one.supplier?.id === supplier?.id);
        const name = supplier?.name ?? 'Any supplier';
        const toOrder = theirs.filter(({ late, arrives }) => late.length === 0 && arrives);
        return (
          <Box key={supplier?.id ?? ''} component="section" aria-label={name}>
            <Stack direction="row" sx={{ gap: 1, alignItems: 'center', mb: 1 }}>
              <Typography variant="h2" sx={{ flexGrow: 1 }}>
                {name}
                <Box component="span" sx={{ fontWeight: 400, fontSize: 15, color: 'text.secondary', ml: 1 }}>
                  {plural(theirs[0]?.leadDays ?? 0, 'day')} from order to arrival
                </Box>
              </Typography>
              <Button
                size="small"
                variant="contained"
                disabled={toOrder.length === 0}
                onClick={() => order(toOrder)}
              >
                Mark all as ordered
              </Button>
            </Stack>
            <PurchaseTable
              label={`To buy from ${name}`}
              workshop={row.data}
              rows={theirs}
              isOfOne
              onOrder={(one) => order([one])}
            />
          </Box>
        );
      })}
    </Box>
  );
}
