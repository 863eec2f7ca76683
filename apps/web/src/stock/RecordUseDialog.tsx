import type { Booked, JobFile, JobUse, Plan, WorkshopSettings } from '@early-lantern/contract';
import { onShelf, plural, sizeName } from '@early-lantern/core';
import {
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  LinearProgress,
  Table,
  TableBody,
  TableCell,
  TableHead,
  TableRow,
  Typography,
} from '@mui/material';
import { useState } from 'react';
import { ApiProblem, call } from '../api/client.ts';
import { colourOf } from '../counts/product-name.ts';
import { CommitField, wholeNumber } from '../parts/CommitField.tsx';
import { useNotice } from '../parts/notices.tsx';
import { Swatch } from '../parts/Swatch.tsx';
import { usePlan } from '../workers/planner.ts';
import { refreshStock } from './refresh-stock.ts';

interface RecordUseDialogProps {
  file: JobFile;
  onClose: () => void;
}

/** What a job used, proposed from its counts; typed over where it went otherwise. */
export function RecordUseDialog({ file, onClose }: RecordUseDialogProps) {
  const plan = usePlan(file);
  return (
    <Dialog open onClose={onClose} maxWidth="md" fullWidth>
      <DialogTitle>What {file.job.name} used</DialogTitle>
      {plan ? (
        <UseForm plan={plan} file={file} onClose={onClose} />
      ) : (
        <LinearProgress aria-label="Counting the job" />
      )}
    </Dialog>
  );
}

/** Needed balloons of each product and counted consumables, as if nothing had gone wrong. */
function proposed({ totals }: Plan, { materials = [] }: WorkshopSettings): JobUse {
  const balloons: JobUse['balloons'] = [];
  for (const { nominalIn, colour, need, kept } of totals.balloons) {
    const known = balloons.find((row) => row.nominalIn === nominalIn && row.colour === colour);
    if (known) known.used += need - kept;
    else balloons.push({ nominalIn, colour, used: need - kept, popped: 0 });
  }
  const used = new Map<string, number>();
  for (const { item, count, isGear } of totals.materials)
    if (!isGear && materials.some((row) => row.item === item)) used.set(item, (used.get(item) ?? 0) + count);
  return { balloons, materials: [...used].map(([item, count]) => ({ item, used: Math.ceil(count) })) };
}

function UseForm({ plan, file, onClose }: RecordUseDialogProps & { plan: Plan }) {
  const notify = useNotice();
  const { workshop, job } = file;
  const [use, setUse] = useState(() => proposed(plan, workshop));
  const [isSending, setSending] = useState(false);
  const change = (at: number, edit: Partial<JobUse['balloons'][number]>) =>
    setUse((now) => ({
      ...now,
      balloons: now.balloons.map((row, i) => (i === at ? { ...row, ...edit } : row)),
    }));
  const unknown = use.balloons.reduce(
    (sum, row) => sum + Math.max(0, row.used + row.popped - onShelf(workshop.stock, row)),
    0,
  );
  const record = async () => {
    setSending(true);
    await call<Booked>('POST', `/jobs/${job.id}/use`, use)
      .then(() => {
        notify({ text: `Recorded for ${job.name}.` });
        onClose();
      })
      .catch((error: Error) => {
        const faults = error instanceof ApiProblem ? error.problem.faults : undefined;
        notify({ text: `Not recorded. ${faults?.map(({ reason }) => reason).join('; ') ?? error.message}` });
      });
    setSending(false);
    await refreshStock();
  };
  const labelOf = (item: string) => plan.totals.materials.find((row) => row.item === item)?.label ?? item;
  return (
    <>
      <DialogContent>
        <Typography sx={{ mb: 1 }}>
          Proposed from the counts. What was taken along and is neither used nor popped stays on the shelf.
        </Typography>
        <Box sx={{ overflowX: 'auto' }}>
          <Table size="small" aria-label="Balloons used">
            <TableHead>
              <TableRow>
                <TableCell>Balloon</TableCell>
                <TableCell align="right">On the shelf</TableCell>
                <TableCell align="right">Used</TableCell>
                <TableCell align="right">Popped</TableCell>
                <TableCell align="right">Left on the shelf</TableCell>
              </TableRow>
            </TableHead>
            <TableBody>
              {use.balloons.map((row, i) => {
                const { name, hex } = colourOf(workshop, row.colour);
                const words = `${sizeName(row.nominalIn)} ${name}`;
                const there = onShelf(workshop.stock, row);
                const figure = (key: 'used' | 'popped', label: string) => (
                  <TableCell align="right">
                    <CommitField
                      value={String(row[key])}
                      onCommit={(text) =>
                        wholeNumber(text, 0, 100_000, (value) => change(i, { [key]: value }))
                      }
                      slotProps={{ htmlInput: { inputMode: 'numeric', 'aria-label': `${words}, ${label}` } }}
                      sx={{ width: 84 }}
                    />
                  </TableCell>
                );
                return (
                  <TableRow key={`${row.nominalIn}-${row.colour}`}>
                    <TableCell>
                      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
                        <Swatch hex={hex} /> {words}
                      </Box>
                    </TableCell>
                    <TableCell align="right">{there}</TableCell>
                    {figure('used', 'used')}
                    {figure('popped', 'popped')}
                    <TableCell align="right">{Math.max(0, there - row.used - row.popped)}</TableCell>
                  </TableRow>
                );
              })}
            </TableBody>
          </Table>
        </Box>
        {use.materials.map((row, i) => (
          <Box key={row.item} sx={{ display: 'flex', gap: 1, alignItems: 'center', mt: 1 }}>
            <Typography sx={{ flexGrow: 1 }}>{labelOf(row.item)}</Typography>
            <CommitField
              label="Used"
              value={String(row.used)}
              onCommit={(text) =>
                wholeNumber(text, 0, 100_000, (used) =>
                  setUse((now) => ({
                    ...now,
                    materials: now.materials.map((one, k) => (k === i ? { ...one, used } : one)),
                  })),
                )
              }
              slotProps={{ htmlInput: { inputMode: 'numeric', 'aria-label': `${labelOf(row.item)}, used` } }}
              sx={{ width: 110 }}
            />
          </Box>
        ))}
        {unknown > 0 && (
          <Typography sx={{ mt: 2 }}>
            {plural(unknown, 'balloon')} more than the shelf shows: counted in first, so that nothing goes
            below zero.
          </Typography>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button variant="contained" disabled={isSending} onClick={() => void record()}>
          Record
        </Button>
      </DialogActions>
    </>
  );
}
