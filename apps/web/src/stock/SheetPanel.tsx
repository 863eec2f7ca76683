import type { SheetFormat, SheetName, SheetPreview, SheetUpload } from '@early-lantern/contract';
import {
  Alert,
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  Paper,
  Stack,
  Table,
  TableBody,
  TableCell,
  TableHead,
  TableRow,
  Typography,
} from '@mui/material';
import { useRef, useState } from 'react';
import { ApiProblem, call } from '../api/client.ts';
import { keys, queryClient } from '../api/queries.ts';
import { base64Of } from '../parts/base64.ts';
import { useNotice } from '../parts/notices.tsx';

interface Pending {
  name: SheetName;
  upload: SheetUpload;
  preview: SheetPreview;
}

const sheetWords: Record<SheetName, string> = { stock: 'Stock', catalogue: 'Catalogue of colours' };

const reasons = (error: Error) =>
  (error instanceof ApiProblem ? error.problem.faults : undefined)
    ?.map((fault) => `${fault.path}: ${fault.reason}`)
    .join('; ') ?? error.message;

/** Stock and catalogue as files, out and in; what comes in is shown line by line before it is taken. */
export function SheetPanel() {
  const notify = useNotice();
  const [pending, setPending] = useState<Pending>();
  const open = async (name: SheetName, file: File) => {
    const format: SheetFormat = /\.xlsx$/i.test(file.name) ? 'xlsx' : 'csv';
    const upload = { format, content: await base64Of(file) };
    await call<SheetPreview>('POST', `/sheets/${name}/preview`, upload)
      .then((preview) => setPending({ name, upload, preview }))
      .catch((error: Error) => notify({ text: `Not read. ${reasons(error)}` }));
  };
  const take = async ({ name, upload }: Pending) => {
    await call('POST', `/sheets/${name}`, upload)
      .then(() => {
        setPending(undefined);
        notify({ text: `${sheetWords[name]} taken over.` });
      })
      .catch((error: Error) => notify({ text: `Not taken. ${reasons(error)}` }));
    await Promise.all([
      queryClient.invalidateQueries({ queryKey: keys.workshop }),
      queryClient.invalidateQueries({ queryKey: keys.movements }),
    ]);
  };
  return (
    <Paper variant="outlined" sx={{ p: 2 }} component="section" aria-label="Sheets">
      <Typography variant="h2">Sheets</Typography>
      <Typography sx={{ color: 'text.secondary', fontSize: 14, mb: 1 }}>
        As CSV or spreadsheet. What comes in is shown line by line first; any error cancels the import.
      </Typography>
      {(['stock', 'catalogue'] as const).map((name) => (
        <SheetRow key={name} name={name} onOpen={open} />
      ))}
      {pending && (
        <PreviewDialog
          pending={pending}
          onClose={() => setPending(undefined)}
          onTake={() => void take(pending)}
        />
      )}
    </Paper>
  );
}

function SheetRow({
  name,
  onOpen,
}: {
  name: SheetName;
  onOpen: (name: SheetName, file: File) => Promise<void>;
}) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <Stack direction="row" sx={{ gap: 1, alignItems: 'center', flexWrap: 'wrap', mt: 0.5 }}>
      <Typography sx={{ minWidth: 160, flexGrow: 1 }}>{sheetWords[name]}</Typography>
      <Button size="small" component="a" href={`/api/v1/sheets/${name}.csv`} download>
        Save as CSV
      </Button>
      <Button size="small" component="a" href={`/api/v1/sheets/${name}.xlsx`} download>
        Save as spreadsheet
      </Button>
      <Button size="small" variant="outlined" onClick={() => input.current?.click()}>
        Bring in a file
      </Button>
      <input
        ref={input}
        type="file"
        hidden
        accept=".csv,.xlsx"
        aria-label={`${sheetWords[name]} file`}
        onChange={(event) => {
          const file = event.target.files?.[0];
          // The same file can be chosen again after it was mended.
          event.target.value = '';
          if (file) void onOpen(name, file);
        }}
      />
    </Stack>
  );
}

interface PreviewDialogProps {
  pending: Pending;
  onClose: () => void;
  onTake: () => void;
}

function PreviewDialog({ pending, onClose, onTake }: PreviewDialogProps) {
  const { rows, faults } = pending.preview;
  const changes = rows.filter((row) => row.change !== 'same' || row.faults.length > 0);
  const columns = Object.keys(rows[0]?.values ?? {});
  return (
    <Dialog open onClose={onClose} maxWidth="lg" fullWidth>
      <DialogTitle>{sheetWords[pending.name]}: what the file would change</DialogTitle>
      <DialogContent>
        {faults > 0 ? (
          <Alert severity="error">
            {faults} of {rows.length} lines are at fault. Mend them in the file; nothing is imported until all
            are sound.
          </Alert>
        ) : (
          <Alert severity="success" icon={false}>
            {rows.length} lines, all sound: {rows.filter((row) => row.change === 'new').length} new,{' '}
            {rows.filter((row) => row.change === 'changed').length} changed, the rest as they are.
          </Alert>
        )}
        <Box sx={{ overflowX: 'auto', mt: 1 }}>
          <Table size="small" aria-label="Lines of the file">
            <TableHead>
              <TableRow>
                <TableCell>Line</TableCell>
                {columns.map((column) => (
                  <TableCell key={column}>{column}</TableCell>
                ))}
                <TableCell>Effect</TableCell>
              </TableRow>
            </TableHead>
            <TableBody>
              {changes.slice(0, 200).map((row) => (
                <TableRow key={row.line}>
                  <TableCell>{row.line}</TableCell>
                  {columns.map((column) => (
                    <TableCell key={column}>{row.values[column]}</TableCell>
                  ))}
                  <TableCell
                    sx={row.faults.length ? { color: 'var(--mui-palette-out)', fontWeight: 700 } : undefined}
                  >
                    {row.faults.join('; ') || row.change}
                  </TableCell>
                </TableRow>
              ))}
            </TableBody>
          </Table>
        </Box>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Leave it</Button>
        <Button variant="contained" disabled={faults > 0 || rows.length === 0} onClick={onTake}>
          Take it over
        </Button>
      </DialogActions>
    </Dialog>
  );
}
