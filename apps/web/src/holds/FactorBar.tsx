import type { HoldPiece } from '@early-lantern/contract';
import { heldAt } from '@early-lantern/core';
import { Box, ButtonBase, Typography } from '@mui/material';

interface FactorBarProps {
  held: HoldPiece;
  gustMs: number;
  isChosen: boolean;
  onChoose: () => void;
}

/** The bar ends here, in factors over what is asked. */
const FULL = 2.5;

/** A piece with its factor at the gust looked at, against what is asked. */
export function FactorBar({ held, gustMs, isChosen, onChoose }: FactorBarProps) {
  const now = heldAt(held, gustMs);
  const margin = now ? now.factor / now.required : undefined;
  const isOut = held.troubles.length > 0 || (margin !== undefined && margin < 1 - 1e-9);
  return (
    <ButtonBase
      onClick={onChoose}
      aria-pressed={isChosen}
      data-testid={`factor-${held.id}`}
      sx={{
        display: 'block',
        width: '100%',
        textAlign: 'left',
        p: 1,
        borderRadius: 2,
        bgcolor: isChosen ? 'action.selected' : 'transparent',
      }}
    >
      <Box sx={{ display: 'flex', justifyContent: 'space-between', gap: 1 }}>
        <Typography component="span" noWrap sx={{ fontWeight: isChosen ? 700 : 500 }}>
          {held.name}
        </Typography>
        <Typography
          component="span"
          sx={{
            fontWeight: 700,
            whiteSpace: 'nowrap',
            color: isOut ? 'var(--mui-palette-out)' : 'text.primary',
          }}
        >
          {held.unasked.length > 0
            ? 'not surveyed'
            : now
              ? `${isOut ? '✕ ' : ''}${factorText(now.factor)}, needs ${now.required}`
              : 'set down'}
        </Typography>
      </Box>
      {held.unasked.length === 0 && now && margin !== undefined && (
        <Box aria-hidden="true" sx={{ position: 'relative', height: 8, mt: 0.5 }}>
          <Box sx={{ position: 'absolute', inset: 0, borderRadius: 4, border: 1, borderColor: 'divider' }} />
          <Box
            sx={{
              position: 'absolute',
              inset: '0 auto 0 0',
              width: `${Math.min(1, margin / FULL) * 100}%`,
              borderRadius: 4,
              bgcolor: isOut ? 'var(--mui-palette-out)' : 'text.primary',
            }}
          />
          <Box
            sx={{
              position: 'absolute',
              left: `${100 / FULL}%`,
              top: -3,
              bottom: -3,
              width: '2px',
              bgcolor: 'text.primary',
              outline: '1px solid var(--mui-palette-background-paper)',
            }}
          />
        </Box>
      )}
      <Typography component="div" sx={{ fontSize: 13, color: 'text.secondary', mt: 0.5 }}>
        {held.troubles.length > 0 && margin !== undefined && margin >= 1
          ? 'needs a change'
          : (now?.label ?? held.carrier)}
      </Typography>
    </ButtonBase>
  );
}

/** A factor as people read it. */
export const factorText = (factor: number): string =>
  !Number.isFinite(factor) || factor >= 99 ? '99+' : factor.toFixed(factor < 10 ? 1 : 0);
