import type { Plan, Task } from '@early-lantern/contract';
import { type Happened, sizeName } from '@early-lantern/core';
import { Box, Typography } from '@mui/material';
import { Swatch } from '../parts/Swatch.tsx';
import { BigButton } from './BigButton.tsx';
import { BottomSheet } from './BottomSheet.tsx';
import type { TakenJob } from './kept-on-device.ts';
import { leftOver, type Product } from './spares.ts';

interface PoppedSheetProps {
  task: Task | undefined;
  taken: TakenJob;
  happened: Happened;
  onPopped: (product: Product) => void;
  onClose: () => void;
}

/** Which balloon popped: those of the piece in hand first, each with what is left of its spares. */
export function PoppedSheet({ task, taken, happened, onPopped, onClose }: PoppedSheetProps) {
  const { file, plan } = taken;
  const own = new Set(rowsOf(plan, task).map(productKey));
  const products = leftOver(plan, happened).sort(
    (one, other) => Number(own.has(productKey(other))) - Number(own.has(productKey(one))),
  );
  const colours = new Map(file.workshop.colours.map((colour) => [colour.id as string, colour]));
  return (
    <BottomSheet title="What popped?" onClose={onClose}>
      <Box sx={{ display: 'grid', gap: 1 }}>
        {products.map((product) => {
          const colour = colours.get(product.colour);
          return (
            <BigButton
              key={productKey(product)}
              onClick={() => onPopped(product)}
              sx={{ justifyContent: 'flex-start', textAlign: 'left', gap: 1.5, px: 1.5, py: 0.5 }}
            >
              <Swatch hex={colour?.hex ?? '#888888'} size={28} />
              <Box component="span" sx={{ flex: 1 }}>
                {sizeName(product.nominalIn)} {colour?.name ?? product.colour}
                <Typography
                  component="span"
                  sx={{
                    display: 'block',
                    fontSize: '0.9375rem',
                    fontWeight: product.left < 0 ? 700 : 400,
                    color: product.left < 0 ? 'var(--mui-palette-out)' : 'text.secondary',
                  }}
                >
                  {spareWords(product)}
                </Typography>
              </Box>
              {product.popped > 0 && <span>{product.popped} popped</span>}
            </BigButton>
          );
        })}
      </Box>
    </BottomSheet>
  );
}

const spareWords = ({ left, spare }: Product): string =>
  left < 0 ? `${-left} too few: blow more or mend` : `${left} of ${spare} spares left`;

const rowsOf = (plan: Plan, task: Task | undefined) =>
  plan.pieces.find(({ id }) => id === task?.pieceId)?.balloons ?? [];
const productKey = ({ nominalIn, colour }: { nominalIn: number; colour: string }) => `${nominalIn} ${colour}`;
