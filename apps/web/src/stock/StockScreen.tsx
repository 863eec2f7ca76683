import type { WorkshopRow } from '@early-lantern/contract';
import { Box, LinearProgress, Typography } from '@mui/material';
import type { ComponentType } from 'react';
import { throwUnread, useSettings } from '../api/queries.ts';
import { TabbedViews } from '../parts/TabbedViews.tsx';
import { LedgerPanel } from './LedgerPanel.tsx';
import { MovementForm } from './MovementForm.tsx';
import { OrdersPanel } from './OrdersPanel.tsx';
import { RecordView } from './RecordView.tsx';
import { SeasonBuyView } from './SeasonBuyView.tsx';
import { SheetPanel } from './SheetPanel.tsx';
import { ShelfList } from './ShelfList.tsx';
import { ShelfTable } from './ShelfTable.tsx';

/** The shelf: what is there, what comes and goes, what to buy, and what jobs that are over used. */
export function StockScreen() {
  return (
    <>
      <Typography variant="h1" sx={{ px: { xs: 1.5, sm: 3 }, mb: 1 }}>
        Stock
      </Typography>
      <TabbedViews name="stock" label="Stock" views={views} />
    </>
  );
}

/** A view of the shelf, once it is there. */
const ofShelf = (View: ComponentType<{ row: WorkshopRow }>) =>
  function ShelfView() {
    const settings = useSettings();
    throwUnread(settings);
    return settings.data ? <View row={settings.data} /> : <LinearProgress aria-label="Opening the stock" />;
  };

const views = [
  { id: 'shelf', label: 'Shelf', View: ofShelf(Shelf) },
  { id: 'list', label: 'List', View: ofShelf(ShelfList) },
  { id: 'buy', label: 'To buy', View: ofShelf(SeasonBuyView) },
  { id: 'record', label: 'Jobs to record', View: ofShelf(RecordView) },
  { id: 'ledger', label: 'Ledger', View: ofShelf(LedgerPanel) },
] as const;

function Shelf({ row }: { row: WorkshopRow }) {
  return (
    <Box
      sx={{
        display: 'grid',
        gap: 2,
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', lg: 'minmax(0, 1.3fr) minmax(0, 1fr)' },
        alignItems: 'start',
      }}
    >
      <ShelfTable row={row} />
      <Box sx={{ display: 'grid', gap: 2, minWidth: 0 }}>
        <OrdersPanel row={row} />
        <MovementForm row={row} />
        <SheetPanel />
      </Box>
    </Box>
  );
}
