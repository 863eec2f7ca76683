import type { ColourId, WorkshopRow, WorkshopSettings } from '@early-lantern/contract';
import { TextField } from '@mui/material';
import { keys, useSettings } from '../api/queries.ts';
import { useRowSave } from '../parts/useRowSave.ts';

interface StockFieldProps {
  nominalIn: number;
  colour: ColourId;
  name: string;
  onHand: number | undefined;
}

/** What is on the shelf of one product; typed after counting, kept when left. */
export function StockField(props: StockFieldProps) {
  const settings = useSettings().data;
  return settings ? <StockInput {...props} row={settings} /> : null;
}

function StockInput({ nominalIn, colour, name, onHand, row }: StockFieldProps & { row: WorkshopRow }) {
  const save = useRowSave<WorkshopSettings>(keys.workshop, '/workshop', row);
  const commit = (text: string) => {
    const count = Number(text);
    if (text.trim() === '' || !Number.isInteger(count) || count < 0 || count === onHand) return;
    save(({ stock }) => ({
      stock: [
        ...stock.filter((held) => held.nominalIn !== nominalIn || held.colour !== colour),
        { nominalIn, colour, onHand: count },
      ],
    }));
  };
  return (
    <TextField
      key={onHand}
      defaultValue={onHand ?? ''}
      type="number"
      placeholder="count"
      onBlur={(event) => commit(event.target.value)}
      onKeyDown={(event) => event.key === 'Enter' && commit((event.target as HTMLInputElement).value)}
      slotProps={{
        htmlInput: {
          'aria-label': `${nominalIn} in. ${name} on the shelf`,
          min: 0,
          style: { textAlign: 'right', padding: '4px 6px' },
        },
      }}
      sx={{ width: 68 }}
    />
  );
}
