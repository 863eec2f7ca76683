import type { Colour } from '@early-lantern/contract';
import { matchOf, type PatternCard } from '@early-lantern/core';
import { Box, IconButton, Stack, Typography } from '@mui/material';
import { useState } from 'react';
import { Swatch } from '../parts/Swatch.tsx';

const verdicts = {
  turn: 'It fits: turn it until the colours stand over their gaps.',
  'turn over': 'It fits only upside down: turn it over, then turn it into place.',
  'no match': 'It does not belong here, whichever way it is turned.',
} as const;

interface LayerCheckProps {
  pattern: PatternCard;
  colours: readonly Colour[];
}

/** A layer as it lies in the hand, checked against the card: click its balloons through the colours. */
export function LayerCheck({ pattern, colours }: LayerCheckProps) {
  const wanted = pattern.layers[0]?.word ?? [];
  const used = [...new Set(wanted)];
  const [held, setHeld] = useState<string[]>(() => [...wanted].reverse());
  if (used.length < 2) return null;
  const known = (id: string) => colours.find((colour) => colour.id === id);
  const step = (at: number) =>
    setHeld((before) =>
      before.map((id, i) => (i === at ? (used[(used.indexOf(id) + 1) % used.length] as string) : id)),
    );
  return (
    <Box component="section" aria-label="Is this layer right?">
      <Typography variant="h3">Is this layer right?</Typography>
      <Stack direction="row" sx={{ alignItems: 'center', gap: 0.25, flexWrap: 'wrap' }}>
        <Typography sx={{ mr: 1, fontSize: 14, color: 'text.secondary' }}>
          In the hand, to the left round:
        </Typography>
        {held.map((id, i) => (
          <IconButton
            // A place round the layer has no other name.
            // biome-ignore lint/suspicious/noArrayIndexKey: see above
            key={i}
            size="small"
            aria-label={`Balloon ${i + 1}: ${known(id)?.name ?? id}`}
            onClick={() => step(i)}
          >
            <Swatch hex={known(id)?.hex ?? '#888888'} size={24} />
          </IconButton>
        ))}
      </Stack>
      <Typography role="status">{verdicts[matchOf(held, wanted)]}</Typography>
    </Box>
  );
}
