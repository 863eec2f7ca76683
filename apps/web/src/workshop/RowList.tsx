import AddIcon from '@mui/icons-material/Add';
import DeleteIcon from '@mui/icons-material/DeleteOutlined';
import { Box, Button, IconButton, MenuItem, Stack, TextField, Typography } from '@mui/material';
import { Fragment, type ReactNode } from 'react';
import { CommitField, someName, wholeNumber } from '../parts/CommitField.tsx';
import { LengthField } from '../parts/LengthField.tsx';
import { type Quantity, UnitField } from '../parts/UnitField.tsx';

/** One cell of a row: how wide, and the field that changes it. */
interface Column<T> {
  width: string;
  field: (row: T, set: (edit: Partial<T>) => void) => ReactNode;
}

/** Keys of a row whose values are of one type. */
type KeyOf<T, V> = { [K in keyof T]-?: NonNullable<T[K]> extends V ? K : never }[keyof T];

const edit = <T,>(key: keyof T, value: unknown) => ({ [key]: value }) as Partial<T>;

/** A name, as wide as there is room. */
export const nameColumn = <T,>(label: string, key: KeyOf<T, string>): Column<T> => ({
  width: 'minmax(0, 1fr)',
  field: (row, set) => (
    <CommitField
      label={label}
      value={String(row[key])}
      onCommit={(text) => someName(text, (name) => set(edit(key, name)))}
    />
  ),
});

/** A figure; `commit` reads what is typed, says what is wrong with it, or takes it. */
const figureColumn = <T,>(
  label: string,
  key: KeyOf<T, number>,
  commit: (text: string, take: (value: number) => void) => string | undefined,
): Column<T> => ({
  width: '92px',
  field: (row, set) => (
    <CommitField
      label={label}
      value={row[key] === undefined ? '' : String(row[key])}
      slotProps={{ inputLabel: { shrink: true } }}
      onCommit={(text) => commit(text, (value) => set(edit(key, value)))}
    />
  ),
});

export const wholeColumn = <T,>(label: string, key: KeyOf<T, number>, min: number, max: number) =>
  figureColumn<T>(label, key, (text, take) => wholeNumber(text, min, max, take));

/** A figure typed in the shop's own unit of its quantity. */
const unitColumn =
  (quantity: Quantity) =>
  <T,>(label: string, key: KeyOf<T, number>, min: number, max: number): Column<T> => ({
    width: quantity === 'flow' ? '132px' : '112px',
    field: (row, set) => (
      <UnitField
        slotProps={{ inputLabel: { shrink: true } }}
        label={label}
        quantity={quantity}
        value={row[key] === undefined ? undefined : Number(row[key])}
        min={min}
        max={max}
        onCommit={(value) => value !== undefined && set(edit(key, value))}
      />
    ),
  });

export const massColumn = unitColumn('mass');
export const forceColumn = unitColumn('force');
export const flowColumn = unitColumn('flow');

export const lengthColumn = <T,>(
  label: string,
  key: KeyOf<T, number>,
  min: number,
  max: number,
): Column<T> => ({
  width: '124px',
  field: (row, set) => (
    <LengthField
      label={label}
      valueM={row[key] === undefined ? undefined : Number(row[key])}
      min={min}
      max={max}
      onCommit={(metres) => set(edit(key, metres))}
    />
  ),
});

export const choiceColumn = <T,>(
  label: string,
  key: KeyOf<T, string>,
  choices: readonly { id: string; label: string }[],
): Column<T> => ({
  width: 'minmax(120px, 1fr)',
  field: (row, set) => (
    <TextField
      select
      label={label}
      value={String(row[key] ?? choices[0]?.id ?? '')}
      // A choice without a name says nothing: the key is left out again.
      onChange={(event) => set(edit(key, event.target.value || undefined))}
      slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
    >
      {choices.map((choice) => (
        <MenuItem key={choice.id} value={choice.id}>
          {choice.label}
        </MenuItem>
      ))}
    </TextField>
  ),
});

interface RowListProps<T extends { id: string }> {
  title: string;
  rows: readonly T[];
  columns: readonly Column<T>[];
  /** How a row is called when it is deleted. */
  nameOf: (row: T) => string;
  /** Takes a change of the rows as they are by then: an earlier one may still be on its way. */
  onChange: (change: (rows: readonly T[]) => T[]) => void;
  /** What the button says, and the row it adds. */
  add: { label: string; row: () => T };
  /** Said while there is none. */
  empty?: string;
  /** So many must stay. */
  least?: number;
}

/** Things of the workshop, a line each: changed in place, deleted, added. */
export function RowList<T extends { id: string }>(props: RowListProps<T>) {
  const { title, rows, columns, nameOf, onChange, add, empty, least = 0 } = props;
  const template = `${columns.map(({ width }) => width).join(' ')} auto`;
  return (
    <Stack spacing={1.25}>
      <Typography variant="h2">{title}</Typography>
      {rows.length === 0 && empty && <Typography sx={{ color: 'text.secondary' }}>{empty}</Typography>}
      {rows.map((row) => (
        <Box
          key={row.id}
          sx={{
            display: 'grid',
            gap: 1,
            gridTemplateColumns: { xs: 'repeat(2, minmax(0, 1fr))', sm: template },
          }}
        >
          {columns.map((column, i) => (
            // Columns never change places.
            // biome-ignore lint/suspicious/noArrayIndexKey: see above
            <Fragment key={i}>
              {column.field(row, (edited) =>
                onChange((now) => now.map((one) => (one.id === row.id ? { ...one, ...edited } : one))),
              )}
            </Fragment>
          ))}
          <IconButton
            aria-label={`Delete ${nameOf(row)}`}
            sx={{ justifySelf: 'end', gridColumn: { xs: '-2 / -1', sm: 'auto' } }}
            disabled={rows.length <= least}
            onClick={() => onChange((now) => now.filter((one) => one.id !== row.id))}
          >
            <DeleteIcon />
          </IconButton>
        </Box>
      ))}
      <Button
        startIcon={<AddIcon />}
        sx={{ alignSelf: 'start' }}
        onClick={() => {
          const added = add.row();
          onChange((now) => [...now, added]);
        }}
      >
        {add.label}
      </Button>
    </Stack>
  );
}
