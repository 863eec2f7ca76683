import type { ColourId } from '@early-lantern/contract';
import { sizeName } from '@early-lantern/core';
import { Box } from '@mui/material';
import { useJob } from '../job/context.ts';
import { Swatch } from '../parts/Swatch.tsx';
import { colourOf } from './product-name.ts';

/** A product of the job's workshop: its colour as a balloon, its size, its name. */
export function ProductName({ nominalIn, colour }: { nominalIn: number; colour: ColourId }) {
  const { file } = useJob();
  const { name, hex } = colourOf(file.workshop, colour);
  return (
    <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', whiteSpace: 'nowrap' }}>
      <Swatch hex={hex} /> {sizeName(nominalIn)} {name}
    </Box>
  );
}
