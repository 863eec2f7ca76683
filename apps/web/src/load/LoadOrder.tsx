import type { LoadedItem } from '@early-lantern/contract';
import { Box, ButtonBase, Paper, Typography } from '@mui/material';
import { itemName } from './item-name.ts';
import { looks } from './kinds.ts';

interface LoadOrderProps {
  items: readonly LoadedItem[];
  chosen: string | undefined;
  /** So many are in. */
  upTo: number;
  onChoose: (id: string) => void;
}

/** Everything in the order of loading: the first lies furthest from the door. */
export function LoadOrder({ items, chosen, upTo, onChoose }: LoadOrderProps) {
  return (
    <Paper variant="outlined" sx={{ p: 2 }}>
      <Typography variant="h2">In this order</Typography>
      <Box
        component="ol"
        sx={{ m: 0, mt: 1, p: 0, listStyle: 'none', maxHeight: { lg: 420 }, overflowY: 'auto' }}
        className="print-whole"
      >
        {items.map(({ id, order, label, place, kind }) => (
          <Box component="li" key={id} sx={{ opacity: order > upTo ? 0.45 : 1 }}>
            <ButtonBase
              aria-pressed={id === chosen}
              onClick={() => onChoose(id)}
              sx={{
                width: '100%',
                justifyContent: 'flex-start',
                textAlign: 'left',
                gap: 1,
                px: 0.5,
                py: 0.4,
                borderRadius: 1,
                font: 'inherit',
                fontSize: 14,
                bgcolor: id === chosen ? 'action.selected' : 'transparent',
              }}
            >
              <Box
                component="span"
                sx={{ minWidth: 24, textAlign: 'right', fontVariantNumeric: 'tabular-nums' }}
              >
                {order}
              </Box>
              <Box
                component="span"
                aria-hidden="true"
                sx={{
                  flex: 'none',
                  width: 14,
                  height: 14,
                  bgcolor: looks[kind].fill,
                  border: '1px solid #1f2637',
                  borderRadius: looks[kind].isSoft ? '5px' : '1px',
                }}
              />
              {itemName({ label, place })}
            </ButtonBase>
          </Box>
        ))}
      </Box>
    </Paper>
  );
}
