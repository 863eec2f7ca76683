import type { Plan } from '@early-lantern/contract';
import type { OutOfOrder } from '@early-lantern/core';
import { Dialog, DialogActions, DialogContent, DialogTitle, Typography } from '@mui/material';
import { BigButton } from './BigButton.tsx';
import { aboutWords, taskWords } from './task-words.ts';

/** So many are named. */
const NAMED = 5;

interface OutOfOrderDialogProps {
  found: OutOfOrder;
  plan: Plan;
  /** What was pressed. */
  does: string;
  goOn: () => void;
  onClose: () => void;
}

/** Something should come first: told where it must, asked where it may have been left out on purpose. */
export function OutOfOrderDialog({ found, plan, does, goOn, onClose }: OutOfOrderDialogProps) {
  const { kind, first, why } = found;
  return (
    <Dialog open onClose={onClose} aria-labelledby="first-title" fullWidth>
      <DialogTitle id="first-title">{kind === 'refused' ? 'First' : 'Not yet?'}</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 1 }}>
        {first.slice(0, NAMED).map((task) => (
          <Typography key={task.id} sx={{ fontSize: '1.125rem', fontWeight: 650 }}>
            {taskWords(task, plan)} ({aboutWords(task, plan)})
          </Typography>
        ))}
        {first.length > NAMED && <Typography>and {first.length - NAMED} more</Typography>}
        <Typography sx={{ fontSize: '1.0625rem' }}>{why}</Typography>
      </DialogContent>
      <DialogActions sx={{ display: 'grid', gap: 1, p: 2 }}>
        <BigButton variant="contained" onClick={onClose} sx={{ m: '0 !important' }}>
          Go back
        </BigButton>
        {kind === 'asked' && (
          <BigButton
            sx={{ m: '0 !important' }}
            onClick={() => {
              goOn();
              onClose();
            }}
          >
            {does} all the same
          </BigButton>
        )}
      </DialogActions>
    </Dialog>
  );
}
