import type { LastingLot } from '@early-lantern/contract';
import {
  Box,
  Chip,
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
import { useJob } from '../job/context.ts';
import { Lantern } from '../parts/Lantern.tsx';
import { WorkingButton } from '../parts/WorkingButton.tsx';
import { useUnits } from '../preferences.tsx';
import { WeatherCard } from './WeatherCard.tsx';

const RANK = { out: 0, low: 1, lit: 2, unlit: 3 } as const;

/** The weather looked at, and every lot from inflation to the end of the event, the weakest first. */
export function LastingView() {
  const { planned, file, store } = useJob();
  const { range, temp } = useUnits();
  const shaded = file.job.shaded ?? [];
  const letSunIn = (id: string) =>
    store.change((before) => {
      const { shaded: _, ...head } = before.head;
      const left = shaded.filter((one) => one !== id);
      return { ...before, head: left.length > 0 ? { ...head, shaded: left } : head };
    });
  const lots = [...(planned?.plan.lasts.lots ?? [])].sort(
    (a, b) => RANK[a.state] - RANK[b.state] || leftOf(a) - leftOf(b),
  );
  return (
    <Stack spacing={2}>
      <WeatherCard />
      {shaded.length > 0 && (
        <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap', alignItems: 'center' }}>
          <Typography>A canopy keeps the sun off:</Typography>
          {shaded.map((id) => (
            <Chip
              key={id}
              label={file.site.spots.find((one) => one.id === id)?.name ?? id}
              onDelete={() => letSunIn(id)}
            />
          ))}
        </Stack>
      )}
      <TableContainer component={Paper} variant="outlined">
        <Table size="small" aria-label="Every lot to the end of the event">
          <TableHead>
            <TableRow>
              <TableCell>Lot</TableCell>
              <TableCell align="right">Held</TableCell>
              <TableCell align="right">Holds</TableCell>
              <TableCell align="right">To spare</TableCell>
              <TableCell align="right">Blow to</TableCell>
              <TableCell align="right">Hottest</TableCell>
              <TableCell align="right">Sun</TableCell>
              <TableCell>What becomes of it</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {lots.map((lot) => (
              <TableRow key={`${lot.pieceId} ${lot.id}`}>
                <TableCell>
                  <Stack direction="row" sx={{ gap: 1, alignItems: 'center' }}>
                    <Lantern state={lot.state} size={22} />
                    <Box>
                      <strong>{lot.id}</strong> {lot.label}
                    </Box>
                  </Stack>
                </TableCell>
                <TableCell align="right">{lot.hoursHeld.toFixed(0)} h</TableCell>
                <TableCell align="right">{lot.hoursLimit.toFixed(0)} h</TableCell>
                <TableCell align="right">
                  <WorkingButton
                    title={`How long ${lot.id} lasts`}
                    working={(whole) =>
                      whole.lasts.lots.find(({ id, pieceId }) => id === lot.id && pieceId === lot.pieceId)
                        ?.working
                    }
                  >
                    {leftOf(lot).toFixed(0)} h
                  </WorkingButton>
                </TableCell>
                <TableCell align="right">{range({ min: lot.blowToIn, max: lot.blowToIn })}</TableCell>
                <TableCell align="right">{temp(lot.hottestSkinC)}</TableCell>
                <TableCell align="right">{lot.sunHours ? `${lot.sunHours.toFixed(0)} h` : ''}</TableCell>
                <TableCell>
                  <Typography sx={{ fontSize: 14 }}>{lot.reason}</Typography>
                </TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </TableContainer>
      <Typography sx={{ fontSize: 14, color: 'text.secondary' }}>
        An hour in heat counts for more. Hold times are defaults from memory until your own are entered; “blow
        to” is the largest of the lot, in the workshop's air.
      </Typography>
    </Stack>
  );
}

const leftOf = ({ hoursLimit, hoursAged }: LastingLot): number => hoursLimit - hoursAged;
