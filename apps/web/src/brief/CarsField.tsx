import type { JobHead } from '@early-lantern/contract';
import CloseIcon from '@mui/icons-material/Close';
import { Box, Button, IconButton, Typography } from '@mui/material';
import { useJob } from '../job/context.ts';
import { CommitField, someName, wholeNumber } from '../parts/CommitField.tsx';
import { newId } from '../parts/ids.ts';

type Car = NonNullable<JobHead['cars']>[number];

/** Cars besides the workshop's vehicles: somebody's own, or hired for this job. */
export function CarsField() {
  const { store, document } = useJob();
  const cars = document.head.cars ?? [];
  const change = (edit: (cars: readonly Car[]) => Car[]) =>
    store.change((before) => {
      const { cars: had = [], ...head } = before.head;
      const now = edit(had);
      return { ...before, head: now.length > 0 ? { ...head, cars: now } : head };
    });
  const edit = (id: string, more: Partial<Car>) =>
    change((now) => now.map((one) => (one.id === id ? { ...one, ...more } : one)));
  return (
    <>
      <Typography variant="h3">Other cars</Typography>
      {cars.map(({ id, name, seats }) => (
        <Box key={id} sx={{ display: 'grid', gap: 1, gridTemplateColumns: 'minmax(0, 1fr) 92px auto' }}>
          <CommitField
            label="Car: whose, or from where"
            value={name}
            onCommit={(text) => someName(text, (typed) => edit(id, { name: typed }))}
          />
          <CommitField
            label="Seats"
            value={String(seats)}
            onCommit={(text) => wholeNumber(text, 1, 9, (typed) => edit(id, { seats: typed }))}
          />
          <IconButton
            aria-label={`Delete ${name}`}
            onClick={() => change((now) => now.filter((one) => one.id !== id))}
          >
            <CloseIcon />
          </IconButton>
        </Box>
      ))}
      <Button
        size="small"
        sx={{ alignSelf: 'start' }}
        onClick={() => change((now) => [...now, { id: newId('car'), name: 'Another car', seats: 4 }])}
      >
        Add a car
      </Button>
    </>
  );
}
