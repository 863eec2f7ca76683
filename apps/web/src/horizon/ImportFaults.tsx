import type { Problem } from '@early-lantern/contract';
import {
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  Table,
  TableBody,
  TableCell,
  TableRow,
  Typography,
} from '@mui/material';

/** Every fault of a refused file, with its place. */
export function ImportFaults({ problem, onClose }: { problem: Problem; onClose: () => void }) {
  return (
    <Dialog open onClose={onClose} maxWidth="md" fullWidth>
      <DialogTitle>The file was not imported</DialogTitle>
      <DialogContent>
        <Typography sx={{ mb: 1 }}>
          Nothing was imported. {problem.faults ? 'What is wrong, and where:' : problem.detail}
        </Typography>
        <Table size="small">
          <TableBody>
            {problem.faults?.map((fault) => (
              <TableRow key={`${fault.path} ${fault.reason}`}>
                <TableCell sx={{ fontWeight: 650 }}>{fault.path}</TableCell>
                <TableCell>{fault.reason}</TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}
