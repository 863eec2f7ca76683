import type { WorkshopRow, WorkshopSettings } from '@early-lantern/contract';
import AddIcon from '@mui/icons-material/Add';
import DeleteIcon from '@mui/icons-material/DeleteOutlined';
import { Box, Button, IconButton, Paper, Stack, Typography } from '@mui/material';
import { keys } from '../api/queries.ts';
import { CommitField, someName, wholeNumber } from '../parts/CommitField.tsx';
import { newId } from '../parts/ids.ts';
import { useRowSave } from '../parts/useRowSave.ts';

/** Inflators and vehicles: how many there are decides how much can happen at once. */
export function GearPanel({ row }: { row: WorkshopRow }) {
  const { inflators, vehicles } = row.data;
  const change = useRowSave<WorkshopSettings>(keys.workshop, '/workshop', row);
  return (
    <Paper variant="outlined" sx={{ p: 2, display: 'grid', gap: 2 }}>
      <GearList
        title="Inflators"
        what="inflator"
        count="Nozzles"
        most={4}
        items={inflators.map(({ id, name, nozzles }) => ({ id, name, size: nozzles }))}
        onChange={(items) =>
          change(() => ({ inflators: items.map(({ id, name, size }) => ({ id, name, nozzles: size })) }))
        }
      />
      <GearList
        title="Vehicles"
        what="vehicle"
        count="Seats"
        most={20}
        items={vehicles.map(({ id, name, seats }) => ({ id, name, size: seats }))}
        onChange={(items) =>
          change(() => ({ vehicles: items.map(({ id, name, size }) => ({ id, name, seats: size })) }))
        }
      />
    </Paper>
  );
}

interface Gear {
  id: string;
  name: string;
  /** Nozzles or seats. */
  size: number;
}

interface GearListProps {
  title: string;
  what: string;
  count: string;
  most: number;
  items: Gear[];
  onChange: (items: Gear[]) => void;
}

function GearList({ title, what, count, most, items, onChange }: GearListProps) {
  const set = (index: number, edit: Partial<Gear>) =>
    onChange(items.map((item, i) => (i === index ? { ...item, ...edit } : item)));
  return (
    <Stack spacing={1.25}>
      <Typography variant="h2">{title}</Typography>
      {items.map((item, i) => (
        <Box key={item.id} sx={{ display: 'grid', gap: 1, gridTemplateColumns: '1fr 96px auto' }}>
          <CommitField
            label="Name"
            value={item.name}
            onCommit={(text) => someName(text, (name) => set(i, { name }))}
          />
          <CommitField
            label={count}
            value={String(item.size)}
            onCommit={(text) => wholeNumber(text, 1, most, (size) => set(i, { size }))}
          />
          <IconButton
            aria-label={`Delete ${item.name}`}
            disabled={items.length === 1}
            onClick={() => onChange(items.filter((_, j) => j !== i))}
          >
            <DeleteIcon />
          </IconButton>
        </Box>
      ))}
      <Button
        startIcon={<AddIcon />}
        sx={{ alignSelf: 'start' }}
        onClick={() => onChange([...items, { id: newId(what), name: `New ${what}`, size: 2 }])}
      >
        Add {what === 'inflator' ? 'an' : 'a'} {what}
      </Button>
    </Stack>
  );
}
