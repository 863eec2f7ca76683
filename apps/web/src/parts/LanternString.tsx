import type { Fix, LampName, Plan } from '@early-lantern/contract';
import { Box, ButtonBase, Skeleton, type Theme, Typography, useMediaQuery } from '@mui/material';
import { visuallyHidden } from '@mui/utils';
import { memo, useState } from 'react';
import { LampDialog } from './LampDialog.tsx';
import { Lantern, stateWord } from './Lantern.tsx';
import { lampWords } from './lamp-words.ts';

const order: LampName[] = ['enough', 'lasts', 'fits', 'holds', 'full', 'onTime'];
/** How far each lantern hangs below the ends of the line, pixels: a shallow sag. */
const SAG = [4, 9, 12, 12, 9, 4];

interface LanternStringProps {
  lamps: Plan['lamps'] | undefined;
  /** Smaller, for cards. */
  compact?: boolean;
  /** What applying a fix does; without it fixes are told, not offered. */
  onApply?: ((fix: Fix) => void) | undefined;
}

/** The six answers on a line: word and figure under each lantern; each opens into its reason, working and fixes. */
export const LanternString = memo(function LanternString({
  lamps,
  compact = false,
  onApply,
}: LanternStringProps) {
  const [open, setOpen] = useState<LampName>();
  const isPhone = useMediaQuery((theme: Theme) => theme.breakpoints.down('sm'));
  // In a job's head on a phone: the words alone, so that the page below has its room; figures are a tap away.
  const isSmall = isPhone && !compact;
  return (
    <Box sx={{ position: 'relative', width: '100%' }} role="group" aria-label="The six lamps">
      <svg
        viewBox="0 0 100 16"
        preserveAspectRatio="none"
        aria-hidden="true"
        style={{ position: 'absolute', inset: '0 0 auto 0', width: '100%', height: 16 }}
      >
        <path
          d="M0 0 Q50 26 100 0"
          fill="none"
          stroke="currentColor"
          strokeWidth="1.400"
          vectorEffect="non-scaling-stroke"
        />
      </svg>
      <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(6, minmax(0, 1fr))' }}>
        {order.map((name, i) => (
          <ButtonBase
            key={name}
            onClick={() => setOpen(name)}
            disabled={!lamps}
            sx={{
              flexDirection: 'column',
              justifyContent: 'flex-start',
              pt: `${(SAG[i] as number) / (isSmall ? 2 : 1)}px`,
              px: 0.25,
              pb: 0.5,
              borderRadius: 2,
              minWidth: 0,
            }}
          >
            <Lantern state={lamps?.[name].state ?? 'unlit'} size={isSmall ? 30 : compact ? 42 : 48} />
            <Typography
              component="span"
              sx={{ fontSize: isSmall ? 12 : compact ? 13 : 14, fontWeight: 700, lineHeight: 1.3, mt: 0.25 }}
            >
              {lampWords[name].word}
              {lamps && (
                <Box component="span" sx={visuallyHidden}>
                  : {stateWord[lamps[name].state]},
                </Box>
              )}
            </Typography>
            {lamps ? (
              <Typography
                component="span"
                sx={{
                  ...(isSmall ? visuallyHidden : {}),
                  fontSize: 12.5,
                  lineHeight: 1.2,
                  textAlign: 'center',
                  color: lamps[name].state === 'out' ? 'var(--mui-palette-out)' : 'text.secondary',
                  fontWeight: ['out', 'low'].includes(lamps[name].state) ? 700 : 400,
                }}
              >
                {lamps[name].figure}
              </Typography>
            ) : (
              <Skeleton width="60%" />
            )}
          </ButtonBase>
        ))}
      </Box>
      {open && lamps && (
        <LampDialog name={open} lamp={lamps[open]} onApply={onApply} onClose={() => setOpen(undefined)} />
      )}
    </Box>
  );
});
