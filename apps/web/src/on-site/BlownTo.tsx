import type { ColourId, Plan } from '@early-lantern/contract';
import { Typography } from '@mui/material';
import { blownWords } from '../parts/blown-words.ts';
import { useUnits } from '../preferences.tsx';

interface BlownToProps {
  plan: Plan;
  product: { nominalIn: number; colour: ColourId };
}

/** To what diameter each piece has balloons of a product blown. */
export function BlownTo({ plan: { bench, pieces }, product }: BlownToProps) {
  const { range } = useUnits();
  const { nominalIn, colour } = product;
  return bench.batches
    .filter((batch) => batch.nominalIn === nominalIn && batch.lots.some((lot) => lot.colour === colour))
    .map(({ id, pieceId, blowToIn }) => (
      <Typography key={id} sx={{ fontSize: '1.0625rem' }}>
        {pieces.find((one) => one.id === pieceId)?.name}: to {blownWords(product, blowToIn, range)}
      </Typography>
    ));
}
