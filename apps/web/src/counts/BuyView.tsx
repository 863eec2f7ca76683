import type { WorkshopRow } from '@early-lantern/contract';
import { type BuyRow, buyList, shortMaterials, wantedDay } from '@early-lantern/core';
import { Box, Button, Paper, Stack, Typography } from '@mui/material';
import { DateTime } from 'luxon';
import { useState } from 'react';
import { useSettings } from '../api/queries.ts';
import { useJob } from '../job/context.ts';
import { useSavedFile } from '../job/saved-file.ts';
import { amountText } from '../parts/amounts.ts';
import { EmptyState } from '../parts/EmptyState.tsx';
import { dateWords } from '../parts/time.ts';
import { useMay } from '../people/me.ts';
import { useUnits } from '../preferences.tsx';
import { PurchaseTable } from '../stock/PurchaseTable.tsx';
import { priceWords } from '../stock/price-words.ts';
import { SaveListButtons } from '../stock/SaveListButtons.tsx';
import { useOrdering } from '../stock/use-ordering.ts';
import { SubstituteDialog } from './SubstituteDialog.tsx';

/** What to buy, by the last day on which an order still arrives in time. */
export function BuyView() {
  const settings = useSettings().data;
  const { planned } = useJob();
  return settings && planned ? <BuyList row={settings} /> : null;
}

function BuyList({ row: settings }: { row: WorkshopRow }) {
  const { planned, file } = useJob();
  const [soldOut, setSoldOut] = useState<BuyRow>();
  const { workshop, job } = file;
  const seesMoney = useMay('see money');
  const today = DateTime.now().setZone(workshop.timeZone).toISODate() as string;
  const order = useOrdering(settings, today);
  const download = useSavedFile();
  const wanted = wantedDay(file);
  const rows = buyList(planned?.plan.totals.balloons ?? [], workshop, wanted, today);
  const shown = rows.map((row) => ({ ...row, others: row.forOthers }));
  const toOrder = rows.filter(({ late, arrives }) => late.length === 0 && arrives);
  const fileAddress = (format: string) => `/api/v1/jobs/${job.id}/buy.${format}?today=${today}`;
  return (
    <Box sx={{ display: 'grid', gap: 2 }}>
      <Stack direction="row" sx={{ gap: 1, alignItems: 'center', flexWrap: 'wrap' }}>
        <Typography sx={{ flexGrow: 1, flexBasis: 320 }}>
          Needed in the workshop by <strong>{dateWords(wanted)}</strong>, the day before doors.{' '}
          {seesMoney && priceWords(rows, workshop.currency)}
        </Typography>
        <SaveListButtons addressOf={fileAddress} onDownload={download} />
        <Button
          size="small"
          variant="contained"
          disabled={toOrder.length === 0}
          onClick={() => order(toOrder)}
        >
          Mark all as ordered
        </Button>
      </Stack>
      {rows.length === 0 ? (
        <EmptyState title="Nothing to buy">
          Shelf and orders cover this job with its spares, and what earlier jobs hold.
        </EmptyState>
      ) : (
        <PurchaseTable
          label="To buy"
          workshop={workshop}
          rows={shown}
          onOrder={(row) => order([row])}
          onSubstitute={(row) =>
            setSoldOut(rows.find((one) => one.colour === row.colour && one.nominalIn === row.nominalIn))
          }
        />
      )}
      <MaterialsToBuy />
      {soldOut && (
        <SubstituteDialog
          row={soldOut}
          onOrder={(supplierId) => order([soldOut], supplierId)}
          onClose={() => setSoldOut(undefined)}
        />
      )}
    </Box>
  );
}

/** Materials that the shelf has been counted for and lacks; what was never counted is not judged. */
function MaterialsToBuy() {
  const { planned, file } = useJob();
  const { units } = useUnits();
  const missing = shortMaterials(planned?.plan.totals.materials ?? [], file.workshop);
  if (missing.length === 0) return null;
  return (
    <Paper variant="outlined" sx={{ p: 2 }}>
      <Typography variant="h2">Materials short of the count</Typography>
      {missing.map(({ row, lacks, held, away }) => (
        <Typography key={row.item}>
          {row.label}: {amountText(lacks, row.unit, units)}
          {held > 0 && ` (other jobs hold ${amountText(held, row.unit, units)})`}
          {away > 0 && ` (${amountText(away, row.unit, units)} not home from an earlier job)`}
        </Typography>
      ))}
    </Paper>
  );
}
