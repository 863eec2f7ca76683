import type { Fix, LampName, LampState, Plan } from '@early-lantern/contract';
import { Button, Stack, type Theme, Typography, useMediaQuery } from '@mui/material';
import { memo, useState } from 'react';
import { fixesToday, fixVerb } from '../parts/fixes-today.ts';
import { LampDialog } from '../parts/LampDialog.tsx';
import { lampSays } from '../parts/lamp-words.ts';

const urgency: Record<LampState, number> = { out: 2, low: 1, lit: 0, unlit: 0 };

/** The lamp that most needs attention; undefined when none does. */
export function worstLamp(lamps: Plan['lamps']): LampName | undefined {
  const names = Object.keys(lamps) as LampName[];
  const worst = names.reduce((a, b) => (urgency[lamps[b].state] > urgency[lamps[a].state] ? b : a));
  return urgency[lamps[worst].state] > 0 ? worst : undefined;
}

interface VerdictProps {
  lamps: Plan['lamps'];
  /** Left out where whoever looks at it may not change it. */
  onApply: ((fix: Fix) => void) | undefined;
}

/** The sentence that says what is wrong first, with the fix that gains most. */
export const Verdict = memo(function Verdict({ lamps, onApply }: VerdictProps) {
  const [isOpen, setOpen] = useState(false);
  const isPhone = useMediaQuery((theme: Theme) => theme.breakpoints.down('sm'));
  const name = worstLamp(lamps);
  if (!name) return null;
  const lamp = lamps[name];
  const fix = fixesToday(lamp)[0];
  const isOut = lamp.state === 'out';
  return (
    <Stack
      direction="row"
      sx={{
        alignItems: 'center',
        columnGap: 1.5,
        rowGap: 0.5,
        '& .MuiButton-root': { flex: 'none' },
        borderLeft: 4,
        borderColor: isOut ? 'var(--mui-palette-out)' : 'text.primary',
        pl: 1.5,
      }}
    >
      <Typography
        component="p"
        sx={{
          lineHeight: 1.3,
          fontSize: { xs: 14, sm: 16 },
          flexGrow: 1,
          minWidth: 0,
          // On a phone two lines: the rest is a tap away.
          display: { xs: '-webkit-box', sm: 'block' },
          WebkitBoxOrient: 'vertical',
          WebkitLineClamp: { xs: 2, sm: 'none' },
          overflow: 'hidden',
        }}
      >
        <strong>{lampSays(name, lamp.state)}.</strong> {lamp.reason}
        {fix && (
          <>
            {' '}
            {fix.label}: <strong>{fix.gain}</strong>.
          </>
        )}
      </Typography>
      {fix && onApply && (
        <Button
          size="small"
          variant="contained"
          onClick={() => onApply(fix)}
          sx={{ display: { xs: 'none', sm: 'inline-flex' } }}
        >
          {fixVerb(fix)}
        </Button>
      )}
      <Button size="small" variant="outlined" aria-label="Show working" onClick={() => setOpen(true)}>
        {isPhone ? (fix && onApply ? 'Fix' : 'Why') : 'Show working'}
      </Button>
      {isOpen && (
        <LampDialog
          name={name}
          lamp={lamp}
          onApply={onApply}
          onClose={() => setOpen(false)}
          showsWorking={!isPhone}
        />
      )}
    </Stack>
  );
});
