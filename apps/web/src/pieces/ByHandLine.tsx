import type { ByHand } from '@early-lantern/contract';
import { listed, plural } from '@early-lantern/core';
import { Button, Stack, Typography } from '@mui/material';
import type { MixProps } from './mix-props.ts';

/** What was changed on a piece by hand after it was looked at, with a way back. */
export function ByHandLine({ mix: { byHand = [] }, onChange }: MixProps) {
  if (byHand.length === 0) return null;
  return (
    <Stack
      direction="row"
      component="section"
      aria-label="Changed by hand"
      sx={{ alignItems: 'center', justifyContent: 'space-between', gap: 1, mt: 0.5 }}
    >
      <Typography sx={{ fontSize: 14, color: 'text.secondary' }}>
        By hand: {byHandInWords(byHand)}. Where, its look-over says.
      </Typography>
      <Button size="small" sx={{ flexShrink: 0 }} onClick={() => onChange({ byHand: [] })}>
        Take back
      </Button>
    </Stack>
  );
}

/** "2 clusters turned and 1 tied in". */
function byHandInWords(byHand: readonly ByHand[]): string {
  let [swapped, turned, tied, singles] = [0, 0, 0, 0];
  for (const one of byHand) {
    if (one.what === 'swap') swapped += 1;
    else if (one.what === 'turn') turned += 1;
    else if (one.what === 'widen') tied += one.clusters;
    else singles += one.singles;
  }
  return listed([
    ...(swapped > 0 ? [`colours of ${plural(swapped, 'pair')} of clusters swapped`] : []),
    ...(turned > 0 ? [`${plural(turned, 'cluster')} turned`] : []),
    ...(tied > 0 ? [`${plural(tied, 'cluster')} tied in`] : []),
    ...(singles > 0 ? [`${plural(singles, 'single')} on edges`] : []),
  ]);
}
