import type { ColourShare, Mix } from '@early-lantern/contract';
import { sizeName } from '@early-lantern/core';
import { Box, Button, FormControlLabel, Popover, Switch, Typography } from '@mui/material';
import { useState } from 'react';
import { ShareField } from './ShareField.tsx';

interface SizesOfColourProps {
  name: string;
  share: ColourShare;
  mix: Mix;
  onChange: (inSizes: ColourShare['inSizes']) => void;
}

/** The sizes a colour is used in, each with its share among the colours of that size. */
export function SizesOfColour({ name, share, mix, onChange }: SizesOfColourProps) {
  const [anchor, setAnchor] = useState<HTMLElement>();
  const { inSizes } = share;
  const sizes = [
    ...new Set([
      ...mix.sizes.map(({ nominalIn }) => nominalIn),
      ...(mix.fillers.triosPerM > 0 ? [mix.fillers.nominalIn] : []),
      ...(mix.largeFillers ? [mix.largeFillers.nominalIn] : []),
    ]),
  ].sort((a, b) => a - b);
  const used = inSizes?.filter(({ sharePct }) => sharePct > 0).map(({ nominalIn }) => nominalIn);
  const all = () => sizes.map((nominalIn) => ({ nominalIn, sharePct: share.sharePct }));
  /** Another colour is used in the size too: this one may leave it. */
  const mayLeave = (nominalIn: number) =>
    mix.colours.some(
      (other) =>
        other.colour !== share.colour &&
        (other.inSizes
          ? other.inSizes.some((one) => one.nominalIn === nominalIn && one.sharePct > 0)
          : other.sharePct > 0),
    );
  const set = (nominalIn: number, sharePct: number) => {
    const others = (inSizes ?? all()).filter((one) => one.nominalIn !== nominalIn);
    if (sharePct === 0 && !mayLeave(nominalIn)) return;
    onChange([...others, { nominalIn, sharePct }].sort((a, b) => a.nominalIn - b.nominalIn));
  };
  return (
    <>
      <Button
        size="small"
        sx={{ gridColumn: '2 / 5', justifySelf: 'start', fontSize: 13, py: 0, minHeight: 24 }}
        aria-label={`Sizes of ${name}`}
        onClick={(event) => setAnchor(event.currentTarget)}
      >
        {used ? `in ${used.join(', ')} in.` : 'in every size'}
      </Button>
      <Popover open={anchor !== undefined} anchorEl={anchor ?? null} onClose={() => setAnchor(undefined)}>
        <Box sx={{ p: 2, display: 'grid', gap: 1, width: 280 }}>
          <Typography sx={{ fontWeight: 650 }}>{name}, by size</Typography>
          <FormControlLabel
            control={
              <Switch
                size="small"
                checked={inSizes === undefined}
                onChange={(event) => onChange(event.target.checked ? undefined : all())}
              />
            }
            label="in every size alike"
          />
          {inSizes &&
            sizes.map((nominalIn) => {
              const sharePct = inSizes.find((one) => one.nominalIn === nominalIn)?.sharePct ?? 0;
              return (
                <Box
                  key={nominalIn}
                  sx={{ display: 'grid', gridTemplateColumns: '1fr 64px', alignItems: 'center' }}
                >
                  <FormControlLabel
                    control={
                      <Switch
                        size="small"
                        checked={sharePct > 0}
                        disabled={sharePct > 0 && !mayLeave(nominalIn)}
                        onChange={(event) =>
                          set(nominalIn, event.target.checked ? Math.max(1, share.sharePct) : 0)
                        }
                      />
                    }
                    label={sizeName(nominalIn)}
                  />
                  {sharePct > 0 && (
                    <ShareField
                      label={`${name} in ${sizeName(nominalIn)}`}
                      sharePct={sharePct}
                      onCommit={(value) => set(nominalIn, value)}
                    />
                  )}
                </Box>
              );
            })}
          <Typography sx={{ fontSize: 13, color: 'text.secondary' }}>
            Each size is shared among its colours in these proportions.
          </Typography>
        </Box>
      </Popover>
    </>
  );
}
