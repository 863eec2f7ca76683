import type { ColourId, CrewMember } from '@early-lantern/contract';
import { productKey, type Said, sizeName } from '@early-lantern/core';
import { Box, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { Swatch } from '../parts/Swatch.tsx';
import { Contradiction } from './Contradiction.tsx';
import type { TakenJob } from './kept-on-device.ts';
import { leftOver } from './spares.ts';
import type { SiteLogHere } from './use-log.ts';

interface KeptViewProps {
  who: CrewMember;
  taken: TakenJob;
  log: SiteLogHere;
}

/** What comes down whole and is kept for another job, counted by product. */
export function KeptView({ who, taken, log }: KeptViewProps) {
  const { file, plan } = taken;
  return (
    <Box sx={{ display: 'grid', gap: 2 }}>
      <Typography variant="h1" sx={{ fontSize: '1.75rem' }}>
        Kept balloons
      </Typography>
      <Typography sx={{ fontSize: '1.0625rem' }}>
        Whole ones that are used again: tie them anew and top them up with a hand pump. All others are burst
        and collected.
      </Typography>
      {leftOver(plan, log.happened).map(({ nominalIn, colour }) => {
        const key = productKey({ nominalIn, colour });
        const said = log.happened.kept.get(key);
        const found = file.workshop.colours.find(({ id }) => id === colour);
        return (
          <KeptLine
            // Counted anew elsewhere it shows what was counted there.
            key={`${key} ${said?.entry.id}`}
            label={`${sizeName(nominalIn)} ${found?.name ?? colour}`}
            hex={found?.hex}
            said={said}
            onKeep={(count) =>
              void log.write(
                who.id,
                { kind: 'kept', nominalIn, colour: colour as ColourId, count },
                said?.entries.map(({ id }) => id),
              )
            }
          />
        );
      })}
    </Box>
  );
}

interface KeptLineProps {
  label: string;
  hex: string | undefined;
  said: Said<'kept'> | undefined;
  onKeep: (count: number) => void;
}

function KeptLine({ label, hex, said, onKeep }: KeptLineProps) {
  const before = said ? String(said.entry.event.count) : '';
  const [typed, setTyped] = useState(before);
  const isCount = /^\d{0,4}$/.test(typed.trim());
  return (
    <Box sx={{ borderTop: 1, borderColor: 'divider', pt: 1, display: 'grid', gap: 1 }}>
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap' }}>
        <Swatch hex={hex ?? '#888888'} size={30} />
        <Typography sx={{ flex: 1, minWidth: 0, fontSize: '1.125rem', fontWeight: 650 }}>{label}</Typography>
        <TextField
          label="Kept"
          value={typed}
          error={!isCount}
          helperText={!isCount && 'A whole number, please.'}
          onChange={({ target }) => setTyped(target.value.slice(0, 8))}
          onBlur={() => {
            if (isCount && typed.trim() !== '' && typed.trim() !== before) onKeep(Number(typed));
          }}
          slotProps={{
            htmlInput: { inputMode: 'numeric', 'aria-label': `Kept of ${label}` },
            input: { sx: { fontSize: '1.25rem', minHeight: 56, width: '7rem' } },
          }}
        />
      </Box>
      {said?.isContradicted && (
        <Contradiction says={said.entries.map(({ by, event }) => `${by}: ${event.count}`)} />
      )}
    </Box>
  );
}
