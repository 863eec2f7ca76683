import type { Task } from '@early-lantern/contract';
import { Button, Stack, Typography } from '@mui/material';
import { useJob } from '../job/context.ts';
import { leftOut, putBack, withChoices } from './pins.ts';

/** Leaves the chosen step out of this job, where nothing stands or falls by it. */
export function LeaveOutButton({ task }: { task: Task }) {
  const { store } = useJob();
  if (!task.mayBeLeftOut) return null;
  return (
    <Button
      size="small"
      variant="outlined"
      onClick={() =>
        store.change((before) => ({
          ...before,
          head: withChoices(before.head, (all) => leftOut(all, task.id)),
        }))
      }
    >
      Leave this step out
    </Button>
  );
}

/** What has been left out of this job, each to be put back. */
export function LeftOutSteps() {
  const { store, document } = useJob();
  const left = document.head.clock?.leftOut ?? [];
  if (left.length === 0) return null;
  const nameOf = (id: string) => {
    const [pieceId, step] = id.split('--');
    const piece = document.pieces.find((one) => one.id === pieceId);
    return piece ? `${piece.name}, ${stepWords[step ?? ''] ?? 'a step'}` : (stepWords[id] ?? 'a step');
  };
  return (
    <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap', alignItems: 'center' }}>
      <Typography sx={{ fontSize: 14 }}>Left out of this job:</Typography>
      {left.map((id) => (
        <Button
          key={id}
          size="small"
          onClick={() =>
            store.change((before) => ({
              ...before,
              head: withChoices(before.head, (all) => putBack(all, id)),
            }))
          }
        >
          Put back: {nameOf(id)}
        </Button>
      ))}
    </Stack>
  );
}

/** Steps that may be left out, in a few words; those of attached things are named by their piece alone. */
const stepWords: Record<string, string> = {
  'look-again': 'second look',
  roof: 'roof',
  dress: 'fluff',
  place: 'accents',
  topper: 'topper',
  edges: 'edges',
  fill: 'fillers',
  corners: 'corners',
  shine: 'shine',
  foot: 'foot pulled down',
};
