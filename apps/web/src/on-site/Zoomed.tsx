import type { Picture } from '@early-lantern/core';
import { Box } from '@mui/material';
import { type ReactNode, useState } from 'react';
import { boundsOf } from '../looks/PieceSheet.tsx';
import { BigButton } from './BigButton.tsx';

/** Longer than this for its height a piece is shown in parts from the first: whole it would be a line on a phone. */
const LONG = 2;
const MOST_TIMES = 6;

/** How wide a picture is shown with each press, in widths of the phone. */
export function widthsOf(picture: Picture): number[] {
  const { w, h } = boundsOf(picture);
  const legible = Math.min(MOST_TIMES, w / h / LONG);
  return legible > 1.2 ? [legible, legible * 2, 1] : [1, 2, 3.5];
}

interface ZoomedProps {
  name: string;
  /** In widths of the phone, one press after the other. */
  widths: readonly number[];
  children: (timesAsWide: number) => ReactNode;
}

/** A picture that a press makes larger: then it is pushed about with a finger, or with the arrow keys. */
export function Zoomed({ name, widths, children }: ZoomedProps) {
  const [at, setAt] = useState(0);
  const width = widths[at] as number;
  const next = (at + 1) % widths.length;
  return (
    <Box sx={{ display: 'grid', gap: 1, mb: 1 }}>
      <Box
        role="region"
        aria-label={`Picture of ${name}`}
        // Pushed with the arrow keys as well.
        tabIndex={0}
        sx={{ overflow: 'auto', maxHeight: '70vh', border: 1, borderColor: 'divider', borderRadius: 1 }}
      >
        <Box sx={{ width: `${width * 100}%` }}>{children(width)}</Box>
      </Box>
      <BigButton onClick={() => setAt(next)}>
        {(widths[next] as number) > width ? 'Larger' : 'Smaller'}
      </BigButton>
    </Box>
  );
}
