import type { BalloonRow, Kept, Piece } from '@early-lantern/contract';
import { sizeName } from '@early-lantern/core';
import CloseIcon from '@mui/icons-material/Close';
import { IconButton, MenuItem, Stack, TextField, Typography } from '@mui/material';
import { memo } from 'react';
import { colourOf } from '../counts/product-name.ts';
import { useJob } from '../job/context.ts';
import { CommitField, wholeNumber } from '../parts/CommitField.tsx';
import { Swatch } from '../parts/Swatch.tsx';

interface KeptFieldsProps {
  piece: Piece;
  /** What the piece takes. */
  balloons: readonly BalloonRow[];
  onCommit: (piece: Piece) => string | undefined;
}

/** Balloons that come from an earlier installation: counted in and topped up, neither bought nor blown anew. */
export const KeptFields = memo(function KeptFields({ piece, balloons, onCommit }: KeptFieldsProps) {
  const { file } = useJob();
  const kept = ('kept' in piece ? piece.kept : undefined) ?? [];
  const name = ({ nominalIn, colour }: Pick<Kept, 'nominalIn' | 'colour'>) =>
    `${sizeName(nominalIn)} ${colourOf(file.workshop, colour).name}`;
  const isIt = (a: Pick<Kept, 'nominalIn' | 'colour'>) => (b: Pick<Kept, 'nominalIn' | 'colour'>) =>
    a.nominalIn === b.nominalIn && a.colour === b.colour;
  const open = balloons.filter(
    (row, i) => balloons.findIndex(isIt(row)) === i && !kept.some(isIt(row)) && row.need > 0,
  );
  if (!('grade' in piece) || (balloons.length === 0 && kept.length === 0)) return null;
  const put = (next: Kept[]) => {
    const { kept: _, ...rest } = piece;
    return onCommit((next.length > 0 ? { ...rest, kept: next } : rest) as Piece);
  };
  return (
    <Stack spacing={1.25}>
      <Typography variant="h3">Kept from an earlier installation</Typography>
      {kept.map((one) => (
        <Stack
          key={`${one.nominalIn}-${one.colour}`}
          direction="row"
          sx={{ gap: 1, alignItems: 'center', borderLeft: 3, borderColor: 'divider', pl: 1.25 }}
        >
          <Swatch hex={colourOf(file.workshop, one.colour).hex} />
          <Typography sx={{ flexGrow: 1 }}>{name(one)}</Typography>
          <CommitField
            label="Kept"
            value={String(one.count)}
            onCommit={(text) =>
              wholeNumber(text, 1, 5000, (count) =>
                put(kept.map((other) => (other === one ? { ...one, count } : other))),
              )
            }
            sx={{ width: 90 }}
            slotProps={{ htmlInput: { 'aria-label': `${name(one)}, kept` } }}
          />
          <IconButton
            aria-label={`No ${name(one)} kept`}
            onClick={() => put(kept.filter((other) => other !== one))}
          >
            <CloseIcon />
          </IconButton>
        </Stack>
      ))}
      {open.length > 0 && (
        <TextField
          select
          fullWidth
          size="small"
          label="Add kept balloons"
          value=""
          onChange={(event) => {
            const row = open[Number(event.target.value)] as BalloonRow;
            const count = balloons.filter(isIt(row)).reduce((sum, { need }) => sum + need, 0);
            put([...kept, { nominalIn: row.nominalIn, colour: row.colour, count }]);
          }}
        >
          {open.map((row, i) => (
            <MenuItem key={`${row.nominalIn}-${row.colour}`} value={String(i)} sx={{ gap: 1 }}>
              <Swatch hex={colourOf(file.workshop, row.colour).hex} /> {name(row)}
            </MenuItem>
          ))}
        </TextField>
      )}
    </Stack>
  );
});
