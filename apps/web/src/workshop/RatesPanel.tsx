import { type Rate, RateKey, type WorkshopRow, type WorkshopSettings } from '@early-lantern/contract';
import { defaultRates } from '@early-lantern/core';
import {
  Button,
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
import { keys } from '../api/queries.ts';
import { CommitField } from '../parts/CommitField.tsx';
import { useRowSave } from '../parts/useRowSave.ts';

const parts = [
  ['quickS', 'quick'],
  ['usualS', 'usual'],
  ['slowS', 'slow'],
] as const;

/** How long each kind of work takes: the engine's figures until the business puts in its own. */
export function RatesPanel({ row }: { row: WorkshopRow }) {
  const save = useRowSave<WorkshopSettings>(keys.workshop, '/workshop', row);
  const { rates } = row.data;
  const set = (key: RateKey, part: keyof Rate, text: string): string | undefined => {
    const seconds = Number(text);
    if (text.trim() === '' || !(seconds >= 0)) return 'Seconds';
    const { quickS, usualS, slowS } = { ...defaultRates[key], ...rates[key] };
    const rate = { quickS, usualS, slowS, [part]: seconds };
    if (rate.quickS > rate.usualS || rate.usualS > rate.slowS) return 'quick ≤ usual ≤ slow';
    save((data) => ({ rates: { ...data.rates, [key]: rate } }));
    return undefined;
  };
  const reset = (key: RateKey) =>
    save((data) => {
      const { [key]: _, ...rest } = data.rates;
      return { rates: rest };
    });
  return (
    <Paper variant="outlined" sx={{ p: 2 }}>
      <Typography variant="h2">Working rates</Typography>
      <Typography sx={{ color: 'text.secondary', fontSize: 14, mb: 1 }}>
        Seconds for one, quick, usual and slow. Your own replace ours and can be reset.
      </Typography>
      <TableContainer>
        <Table size="small" sx={{ '& td, & th': { px: 0.75 } }}>
          <TableHead>
            <TableRow>
              <TableCell>Work</TableCell>
              {parts.map(([part, word]) => (
                <TableCell key={part} align="right">
                  {word}
                </TableCell>
              ))}
              <TableCell />
            </TableRow>
          </TableHead>
          <TableBody>
            {RateKey.options.map((key) => {
              const { label, per, tag } = defaultRates[key];
              const shown = rates[key] ?? defaultRates[key];
              return (
                <TableRow key={key}>
                  <TableCell title={rates[key] ? 'your own rate' : tag}>
                    {label}{' '}
                    <Typography component="span" sx={{ fontSize: 13, color: 'text.secondary' }}>
                      per {per}
                    </Typography>
                  </TableCell>
                  {parts.map(([part, word]) => (
                    <TableCell key={part} align="right">
                      <CommitField
                        variant="standard"
                        value={String(shown[part])}
                        onCommit={(text) => set(key, part, text)}
                        slotProps={{
                          htmlInput: { 'aria-label': `${label}, ${word}`, style: { textAlign: 'right' } },
                        }}
                        sx={{ width: 56 }}
                      />
                    </TableCell>
                  ))}
                  <TableCell>
                    <Stack sx={{ minWidth: 54 }}>
                      {rates[key] && (
                        <Button size="small" onClick={() => reset(key)}>
                          Reset
                        </Button>
                      )}
                    </Stack>
                  </TableCell>
                </TableRow>
              );
            })}
          </TableBody>
        </Table>
      </TableContainer>
    </Paper>
  );
}
