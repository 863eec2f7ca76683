import type { JobHead, Workshop } from '@early-lantern/contract';
import { Chip, MenuItem, Stack, TextField, Typography } from '@mui/material';

interface SecondLoadProps {
  head: JobHead;
  pieces: readonly { id: string; name: string }[];
  workshop: Workshop;
  change: (edit: (before: JobHead) => JobHead) => void;
}

/** What comes with a second load, and what was hired for this job. */
export function SecondLoad({ head, pieces, workshop, change }: SecondLoadProps) {
  const second = head.secondLoad ?? [];
  const hired = head.hiredLadders ?? [];
  return (
    <>
      {pieces.length > 1 && (
        <TextField
          select
          label="The van comes back for"
          value={second}
          slotProps={{ select: { multiple: true, displayEmpty: true }, inputLabel: { shrink: true } }}
          helperText={
            second.length > 0
              ? 'One drives back for a second load; these pieces wait for it.'
              : 'nothing: all goes in one load'
          }
          onChange={(event) => {
            const ids = event.target.value as unknown as string[];
            change(({ secondLoad: _, ...rest }) => (ids.length > 0 ? { ...rest, secondLoad: ids } : rest));
          }}
        >
          {pieces.map(({ id, name }) => (
            <MenuItem key={id} value={id}>
              {name}
            </MenuItem>
          ))}
        </TextField>
      )}
      {hired.length > 0 && (
        <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap', alignItems: 'center' }}>
          <Typography>Hired for this job:</Typography>
          {hired.map((id) => (
            <Chip
              key={id}
              label={`one more ${workshop.ladders?.find((one) => one.id === id)?.name ?? id}`}
              onDelete={() =>
                change(({ hiredLadders = [], ...rest }) => {
                  const left = hiredLadders.filter((one) => one !== id);
                  return left.length > 0 ? { ...rest, hiredLadders: left } : rest;
                })
              }
            />
          ))}
        </Stack>
      )}
    </>
  );
}
