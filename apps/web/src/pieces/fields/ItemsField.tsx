import type { Furnishing, Piece } from '@early-lantern/contract';
import { usuallyRides } from '@early-lantern/core';
import AddIcon from '@mui/icons-material/Add';
import DeleteIcon from '@mui/icons-material/DeleteOutlined';
import { Box, Button, IconButton, MenuItem, Stack, TextField, Typography } from '@mui/material';
import { CommitField, someName } from '../../parts/CommitField.tsx';
import { LengthField } from '../../parts/LengthField.tsx';
import { UnitField } from '../../parts/UnitField.tsx';

type Item = Furnishing['items'][number];

interface ItemsFieldProps {
  label: string;
  piece: Furnishing;
  onCommit: (piece: Piece) => string | undefined;
}

/** Furniture, linen and props, one box each. */
export function ItemsField({ label, piece, onCommit }: ItemsFieldProps) {
  const { items } = piece;
  const setItems = (next: Item[]) => onCommit({ ...piece, items: next });
  const set = (index: number, edit: Partial<Item>) =>
    setItems(items.map((item, i) => (i === index ? { ...item, ...edit } : item)));
  const number = (index: number, key: 'count' | 'minutesEach' | 'massKg', text: string) => {
    const value = Number(text.replace(',', '.'));
    if (text.trim() === '' || !(value >= 0)) return 'A number, please';
    return set(index, { [key]: value });
  };
  return (
    <Stack spacing={1.25} component="section" aria-label={label}>
      <Typography variant="h3">{label}</Typography>
      {items.map((item, i) => (
        <Box
          // Items have no id: their place is their name.
          // biome-ignore lint/suspicious/noArrayIndexKey: see above
          key={i}
          sx={{ border: 1, borderColor: 'divider', borderRadius: 1, p: 1, display: 'grid', gap: 1 }}
        >
          <Stack direction="row" sx={{ gap: 1 }}>
            <CommitField
              fullWidth
              label="Thing"
              value={item.name}
              onCommit={(text) => someName(text, (name) => void set(i, { name }))}
            />
            <IconButton
              aria-label={`Delete ${item.name}`}
              disabled={items.length === 1}
              onClick={() => setItems(items.filter((_, j) => j !== i))}
            >
              <DeleteIcon />
            </IconButton>
          </Stack>
          <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr 1fr', gap: 1 }}>
            <CommitField
              label="Count"
              value={String(item.count)}
              onCommit={(text) => number(i, 'count', text)}
            />
            <CommitField
              label="Minutes each"
              value={String(item.minutesEach)}
              onCommit={(text) => number(i, 'minutesEach', text)}
            />
            <UnitField
              label="Each"
              quantity="mass"
              value={item.massKg}
              min={0}
              max={200}
              onCommit={(massKg) => massKg !== undefined && void set(i, { massKg })}
            />
            <LengthField
              label="Width"
              max={6}
              valueM={item.widthM}
              onCommit={(widthM) => void set(i, { widthM })}
            />
            <LengthField
              label="Height"
              max={6}
              valueM={item.heightM}
              onCommit={(heightM) => void set(i, { heightM })}
            />
            <TextField
              select
              size="small"
              label="Rides"
              value={item.rides ?? usuallyRides(item.name)}
              onChange={({ target }) => void set(i, { rides: target.value as NonNullable<Item['rides']> })}
            >
              <MenuItem value="folded">folded</MenuItem>
              <MenuItem value="stacked">in stacks</MenuItem>
              <MenuItem value="as-it-stands">as it stands</MenuItem>
            </TextField>
          </Box>
        </Box>
      ))}
      <Button
        startIcon={<AddIcon />}
        sx={{ alignSelf: 'start' }}
        onClick={() =>
          setItems([
            ...items,
            { name: 'Chair', count: 10, minutesEach: 0.5, massKg: 4, widthM: 0.45, heightM: 0.85 },
          ])
        }
      >
        Add a thing
      </Button>
    </Stack>
  );
}
