import type { Fix, LampName, Plan } from '@early-lantern/contract';
import { Box, ButtonBase, Dialog, DialogContent, DialogTitle, Skeleton, Typography } from '@mui/material';
import { useState } from 'react';
import { LampAnswer } from './LampAnswer.tsx';
import { Lantern, stateWord } from './Lantern.tsx';

export const lampWords: Record<LampName, { word: string; question: string }> = {
  enough: { word: 'Enough', question: 'Are there balloons and materials for it, with spares?' },
  lasts: { word: 'Lasts', question: 'Will it still look right at the end of the event?' },
  fits: { word: 'Fits', question: 'Does it go into the bags, vehicles and doors we have?' },
  holds: { word: 'Holds', question: 'Will it stay up, and the place unharmed?' },
  full: { word: 'Full', question: 'Will mechanics, gaps or colour clumps show?' },
  onTime: { word: 'On time', question: 'Is it built, checked and signed off before doors?' },
};
const order: LampName[] = ['enough', 'lasts', 'fits', 'holds', 'full', 'onTime'];
/** How far each lantern hangs below the ends of the line, pixels: a shallow sag. */
const SAG = [4, 9, 12, 12, 9, 4];

interface LanternStringProps {
  plan: Plan | undefined;
  /** Smaller, for cards. */
  compact?: boolean;
  /** What applying a fix does; without it fixes are told, not offered. */
  onApply?: (fix: Fix) => void;
}

/** The six answers on a line: word and figure under each lantern; each opens into its reason, working and fixes. */
export function LanternString({ plan, compact = false, onApply }: LanternStringProps) {
  const [open, setOpen] = useState<LampName>();
  const lamp = open && plan?.lamps[open];
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
            disabled={!plan}
            aria-label={
              plan
                ? `${lampWords[name].word}: ${stateWord[plan.lamps[name].state]}, ${plan.lamps[name].figure}`
                : lampWords[name].word
            }
            sx={{
              flexDirection: 'column',
              justifyContent: 'flex-start',
              pt: `${SAG[i]}px`,
              px: 0.25,
              pb: 0.5,
              borderRadius: 2,
              minWidth: 0,
            }}
          >
            <Lantern state={plan?.lamps[name].state ?? 'unlit'} size={compact ? 42 : 48} />
            <Typography
              component="span"
              sx={{ fontSize: compact ? 13 : 14, fontWeight: 700, lineHeight: 1.3, mt: 0.25 }}
            >
              {lampWords[name].word}
            </Typography>
            {plan ? (
              <Typography
                component="span"
                sx={{
                  fontSize: 12.5,
                  lineHeight: 1.2,
                  textAlign: 'center',
                  color: plan.lamps[name].state === 'out' ? 'var(--mui-palette-out)' : 'text.secondary',
                  fontWeight: ['out', 'low'].includes(plan.lamps[name].state) ? 700 : 400,
                }}
              >
                {plan.lamps[name].figure}
              </Typography>
            ) : (
              <Skeleton width="60%" />
            )}
          </ButtonBase>
        ))}
      </Box>
      <Dialog open={lamp !== undefined} onClose={() => setOpen(undefined)} maxWidth="sm" fullWidth>
        {open && lamp && (
          <>
            <DialogTitle component="div" sx={{ display: 'flex', gap: 2, alignItems: 'center', pb: 1 }}>
              <Lantern state={lamp.state} size={56} />
              <div>
                <Typography variant="h2" component="h2">
                  {lampWords[open].word}: {stateWord[lamp.state]}
                </Typography>
                <Typography sx={{ color: 'text.secondary' }}>{lampWords[open].question}</Typography>
              </div>
            </DialogTitle>
            <DialogContent>
              <LampAnswer
                lamp={lamp}
                onApply={
                  onApply &&
                  ((fix) => {
                    onApply(fix);
                    setOpen(undefined);
                  })
                }
              />
            </DialogContent>
          </>
        )}
      </Dialog>
    </Box>
  );
}
