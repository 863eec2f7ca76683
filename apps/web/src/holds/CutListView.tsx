import { materialItems } from '@early-lantern/core';
import PrintIcon from '@mui/icons-material/Print';
import { Box, Button, Paper, Stack, Typography } from '@mui/material';
import { useJob } from '../job/context.ts';
import { EmptyState } from '../parts/EmptyState.tsx';
import { useUnits } from '../preferences.tsx';
import { FitsTable } from './FitsTable.tsx';

const labelOf = (stock: string) => materialItems.find(({ item }) => item === stock)?.label ?? stock;

/** Every stock length as a bar with what is cut from it, pipe by pipe. */
export function CutListView() {
  const { planned, file } = useJob();
  const { long } = useUnits();
  const { cutList = [], cutBounds = [] } = planned?.plan ?? {};
  if (cutList.length === 0) {
    return (
      <Stack spacing={2}>
        <EmptyState title="No pipe to cut">
          Pipe arches, photo frames and centrepieces are cut from stock lengths; their cuts stand here.
        </EmptyState>
        <FitsTable />
      </Stack>
    );
  }
  return (
    <Stack spacing={2}>
      <Box className="no-print">
        <Button size="small" variant="outlined" startIcon={<PrintIcon />} onClick={() => window.print()}>
          Print the cut list
        </Button>
      </Box>
      {cutBounds.map(({ stock, lengths, atLeast }) => {
        const owned = file.workshop.materials?.find((one) => one.item === stock)?.onHand ?? 0;
        return (
          <Paper key={stock} variant="outlined" className="holds-print" sx={{ p: 2 }}>
            <Typography variant="h2" sx={{ fontSize: 20 }}>
              {labelOf(stock)}: {lengths} {lengths === 1 ? 'length' : 'lengths'}
            </Typography>
            <Typography sx={{ color: 'text.secondary', mb: 1.5 }}>
              {lengths === atLeast
                ? 'No cut list takes fewer.'
                : `At least ${atLeast} are needed; fewer than ${lengths} were not found.`}{' '}
              {owned >= lengths
                ? `The workshop owns ${owned}: nothing to buy.`
                : `The workshop owns ${owned}: ${lengths - owned} to buy.`}
            </Typography>
            <Stack spacing={1}>
              {cutList
                .filter((bar) => bar.stock === stock)
                .map((bar, i) => (
                  <Stack
                    // Bars have no other name than their place.
                    // biome-ignore lint/suspicious/noArrayIndexKey: see above
                    key={i}
                    direction="row"
                    sx={{ gap: 1.5, alignItems: 'center' }}
                  >
                    <Typography sx={{ width: 28, fontWeight: 700 }}>{i + 1}</Typography>
                    <div className="cut-bar" style={{ flexGrow: 1 }}>
                      {bar.cuts.map((cut, k) => (
                        <span
                          // biome-ignore lint/suspicious/noArrayIndexKey: as above
                          key={k}
                          style={{ flex: `${cut.lengthM} 1 0` }}
                          title={`${cut.label}, ${long(cut.lengthM)}`}
                        >
                          {long(cut.lengthM)} · {cut.label}
                        </span>
                      ))}
                      {bar.wasteM > 0.001 && (
                        <span className="waste" style={{ flex: `${bar.wasteM} 1 0` }} title="left over" />
                      )}
                    </div>
                    <Typography sx={{ width: 130, fontSize: 14, color: 'text.secondary' }}>
                      {bar.wasteM > 0.001 ? `${long(bar.wasteM)} left over` : 'whole'}
                    </Typography>
                  </Stack>
                ))}
            </Stack>
          </Paper>
        );
      })}
      <FitsTable />
    </Stack>
  );
}
