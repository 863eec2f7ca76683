import type { WorkshopRow } from '@early-lantern/contract';
import { Box, LinearProgress, Typography } from '@mui/material';
import { useSettings } from '../api/queries.ts';
import { LedgerPanel } from './LedgerPanel.tsx';
import { MovementForm } from './MovementForm.tsx';
import { OrdersPanel } from './OrdersPanel.tsx';
import { SheetPanel } from './SheetPanel.tsx';
import { ShelfTable } from './ShelfTable.tsx';

/** The shelf: what is there, what comes and goes, what is on order. */
export function StockScreen() {
  const settings = useSettings();
  if (settings.error) throw settings.error;
  if (!settings.data) return <LinearProgress aria-label="Opening the stock" />;
  return <Stock row={settings.data} />;
}

function Stock({ row }: { row: WorkshopRow }) {
  return (
    <Box sx={{ px: { xs: 1.5, sm: 3 }, pb: 4 }}>
      <Typography variant="h1" sx={{ mb: 2 }}>
        Stock
      </Typography>
      <Box
        sx={{
          display: 'grid',
          gap: 2,
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', lg: 'minmax(0, 1.3fr) minmax(0, 1fr)' },
          alignItems: 'start',
        }}
      >
        <Box sx={{ display: 'grid', gap: 2, minWidth: 0 }}>
          <ShelfTable row={row} />
          <SheetPanel />
        </Box>
        <Box sx={{ display: 'grid', gap: 2, minWidth: 0 }}>
          <MovementForm row={row} />
          <OrdersPanel row={row} />
          <LedgerPanel row={row} />
        </Box>
      </Box>
    </Box>
  );
}
