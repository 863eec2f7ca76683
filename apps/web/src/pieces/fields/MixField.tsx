import type { Colour, Mix } from '@early-lantern/contract';
import { Stack, Typography } from '@mui/material';
import { useCallback, useEffect, useRef } from 'react';
import { ColourMix } from '../ColourMix.tsx';
import { Making } from '../Making.tsx';
import { edited, type MixEdit } from '../mix-props.ts';
import { SizeMix } from '../SizeMix.tsx';

interface MixFieldProps {
  label: string;
  mix: Mix;
  colours: readonly Colour[];
  onChange: (mix: Mix, gesture?: string) => void;
}

/** The organic dressing of something that is not itself a garland. */
export function MixField({ label, mix, colours, onChange }: MixFieldProps) {
  // The parts are drawn again only when what they show changes, so their callback has to stay the same.
  const latest = useRef({ mix, onChange });
  useEffect(() => {
    latest.current = { mix, onChange };
  });
  const change = useCallback((edit: MixEdit, gesture?: string) => {
    // Another edit may come before this one is drawn: it goes on from here.
    latest.current.mix = edited(latest.current.mix, edit);
    latest.current.onChange(latest.current.mix, gesture);
  }, []);
  return (
    <Stack spacing={1.5} component="section" aria-label={label}>
      <Typography variant="h3">{label}</Typography>
      <ColourMix mix={mix} known={colours} onChange={change} />
      <SizeMix mix={mix} onChange={change} />
      <Making mix={mix} onChange={change} />
    </Stack>
  );
}
