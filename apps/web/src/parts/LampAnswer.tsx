import type { Fix, Lamp, LampName } from '@early-lantern/contract';
import { Box, Button, Stack, Typography } from '@mui/material';
import { fixesToday, fixVerb } from './fixes-today.ts';
import { WorkingList } from './WorkingList.tsx';
import { useWorkings } from './workings.ts';

interface LampAnswerProps {
  name: LampName;
  lamp: Lamp;
  onApply?: ((fix: Fix) => void) | undefined;
  /** Whether the working is unfolded from the start. */
  isOpen?: boolean;
}

/** What one lamp has to say: a sentence, the fixes that were tried, and below them, folded, the working. */
export function LampAnswer({ name, lamp, onApply, isOpen = false }: LampAnswerProps) {
  const working = useWorkings((whole) => whole.lamps[name].working);
  const fixes = fixesToday(lamp);
  return (
    <Stack spacing={2}>
      <Typography sx={{ fontSize: 17 }}>{lamp.reason}</Typography>
      {fixes.length > 0 && (
        <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0, display: 'grid', gap: 1 }}>
          {fixes.map((fix) => (
            <Stack
              component="li"
              key={fix.label}
              direction="row"
              spacing={2}
              sx={{ alignItems: 'center', justifyContent: 'space-between' }}
            >
              <span>
                {fix.label} → <strong>{fix.gain}</strong>
              </span>
              {onApply && (
                <Button variant="contained" size="small" onClick={() => onApply(fix)}>
                  {fixVerb(fix)}
                </Button>
              )}
            </Stack>
          ))}
        </Box>
      )}
      {working && working.length > 0 && (
        <Box
          component="details"
          open={isOpen}
          sx={{ '& > summary': { cursor: 'pointer', fontWeight: 650, py: 0.75 } }}
        >
          <summary>Working</summary>
          <WorkingList working={working} />
        </Box>
      )}
    </Stack>
  );
}
