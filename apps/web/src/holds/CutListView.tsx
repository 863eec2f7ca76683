import type { CutBar, Plan } from '@early-lantern/contract';
import {
  formatBore,
  inTheirUnits,
  type LengthUnits,
  materialItems,
  pipes,
  plural,
} from '@early-lantern/core';
import PrintIcon from '@mui/icons-material/Print';
import { Box, Button, Paper, Stack, Typography } from '@mui/material';
import { useJob } from '../job/context.ts';
import { EmptyState } from '../parts/EmptyState.tsx';
import { PrintHead } from '../parts/PrintHead.tsx';
import { useUnits } from '../preferences.tsx';
import { FitsTable } from './FitsTable.tsx';

/** The longest length sold. */
const SOLD_M = Math.max(...pipes.map(({ stockM }) => stockM));

const labelOf = (stock: string) => materialItems.find(({ item }) => item === stock)?.label ?? stock;

/** Every stock length as a bar with what is cut from it, pipe by pipe. */
export function CutListView() {
  const { planned, file } = useJob();
  const { units } = useUnits();
  const { cutList = [], cutBounds = [], joints = [] } = planned?.plan ?? {};
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
      <PrintHead what="Cut list" />
      <Box className="no-print">
        <Button size="small" variant="outlined" startIcon={<PrintIcon />} onClick={() => window.print()}>
          Print the cut list
        </Button>
      </Box>
      {cutBounds.map(({ stock, lengths, atLeast, saws, sawsAtLeast }) => {
        const owned = file.workshop.materials?.find((one) => one.item === stock)?.onHand ?? 0;
        return (
          <Paper key={stock} variant="outlined" className="holds-print" sx={{ p: 2 }}>
            <Typography variant="h2" sx={{ fontSize: 20 }}>
              {labelOf(stock)}: {lengths === 0 ? 'nothing but offcuts' : plural(lengths, 'whole length')}
            </Typography>
            <Typography sx={{ color: 'text.secondary', mb: 1.5 }}>
              {saws === 0 ? 'Nothing to saw' : plural(saws, 'cut')}.{' '}
              {lengths === atLeast
                ? 'No cut list takes fewer lengths'
                : `At least ${atLeast} are needed; fewer than ${lengths} were not found`}
              {saws === sawsAtLeast
                ? ', and none with so many saws less often.'
                : `; with so many, at least ${plural(sawsAtLeast, 'cut')}.`}{' '}
              {lengths > 0 &&
                (owned >= lengths
                  ? `The workshop owns ${owned}: nothing to buy.`
                  : `The workshop owns ${owned}: ${lengths - owned} to buy.`)}
            </Typography>
            <Stack spacing={1}>
              {cutList
                .filter((bar) => bar.stock === stock)
                .map((bar, i) => (
                  // Bars have no other name than their place.
                  // biome-ignore lint/suspicious/noArrayIndexKey: see above
                  <Bar key={i} bar={bar} number={i + 1} />
                ))}
            </Stack>
          </Paper>
        );
      })}
      {joints.length > 0 && (
        <Paper variant="outlined" className="holds-print" sx={{ p: 2 }}>
          <Typography variant="h2" sx={{ fontSize: 20 }}>
            To join this job's pipes
          </Typography>
          <Typography sx={{ color: 'text.secondary' }}>Push them home and tape over every joint.</Typography>
          {joints.map(({ label, count, fits }) => (
            <Typography key={`${label} ${fits.map(({ odM }) => odM).join()}`} sx={{ mt: 0.75 }}>
              <strong>
                {count} × {label}
              </strong>
              : {fits.map((fit) => fitWords(fit, units)).join('; ')}.
            </Typography>
          ))}
        </Paper>
      )}
      <Box className="no-print">
        <FitsTable />
      </Box>
    </Stack>
  );
}

/** "½ in. PVC pipe slides in, 0.1 mm of play". */
function fitWords(
  { what, odM, clearanceMm, verdict }: Plan['joints'][number]['fits'][number],
  units: LengthUnits,
): string {
  const { value, unit } = inTheirUnits(Math.abs(clearanceMm), 'mm', units);
  const play = `${value.toFixed(unit === 'mm' ? 1 : 2)} ${unit}`;
  const rod = `${what}, ${formatBore(odM, units)} thick,`;
  switch (verdict) {
    case 'does not go':
      return `${rod} does not go in: ${play} too thick on each side`;
    case 'no joint':
      return `${rod} has no hold: ${play} of play on each side`;
    case 'loose: tape or shim':
      return `${rod} sits loose, ${play} of play on each side: tape or shim it`;
    case 'slides':
      return `${rod} slides in`;
  }
}

/** One length with its cuts; what is left over is hatched. */
function Bar({ bar, number }: { bar: CutBar; number: number }) {
  const { long } = useUnits();
  return (
    <Stack direction="row" sx={{ gap: 1.5, alignItems: 'center' }}>
      <Typography sx={{ width: 28, fontWeight: 700 }}>{number}</Typography>
      <Box sx={{ flexGrow: 1, minWidth: 0 }}>
        {/* Drawn as long as it is, against the longest length sold. */}
        <div className="cut-bar" style={{ width: `${(bar.stockM / Math.max(SOLD_M, bar.stockM)) * 100}%` }}>
          {bar.cuts.map((cut, k) => (
            <span
              // biome-ignore lint/suspicious/noArrayIndexKey: as above
              key={k}
              style={{ flex: `${cut.lengthM} 1 0` }}
              title={`${cut.label}, ${long(cut.lengthM)}${cut.job ? `, for ${cut.job}` : ''}`}
            >
              {long(cut.lengthM)} · {cut.label}
              {cut.job ? ` (${cut.job})` : ''}
            </span>
          ))}
          {bar.wasteM > 0.001 && (
            <span className="waste" style={{ flex: `${bar.wasteM} 1 0` }} title="left over" />
          )}
        </div>
      </Box>
      <Typography sx={{ width: 170, fontSize: 14, color: 'text.secondary' }}>
        {bar.isOwned ? `offcut of ${long(bar.stockM)}, ` : ''}
        {bar.wasteM > 0.001 ? `${long(bar.wasteM)} left over` : 'whole'}
      </Typography>
    </Stack>
  );
}
