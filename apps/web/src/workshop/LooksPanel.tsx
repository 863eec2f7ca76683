import {
  LookedKind,
  type LookLimits,
  type WorkshopRow,
  type WorkshopSettings,
} from '@early-lantern/contract';
import { kindNames, usualLimits } from '@early-lantern/core';
import { Box, MenuItem, Paper, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { keys } from '../api/queries.ts';
import { CommitField } from '../parts/CommitField.tsx';
import { UnitField } from '../parts/UnitField.tsx';
import { useRowSave } from '../parts/useRowSave.ts';
import { readBetween, without } from './own-figures.ts';

const words: Record<keyof LookLimits, { label: string; min: number; max: number; isPct?: true }> = {
  gapM: { label: 'Close gaps from', min: 0.01, max: 0.3 },
  stringM: { label: 'String bare for', min: 0.005, max: 0.5 },
  wideM: { label: 'Seen by every guest from', min: 0.02, max: 1 },
  offM: { label: 'Off the line drawn', min: 0.01, max: 1 },
  narrowPct: { label: 'Narrowest, % of its width', min: 10, max: 100, isPct: true },
  footM: { label: 'Foot above the floor', min: 0.005, max: 0.5 },
  cornerPct: { label: 'Corners, least % as full as the rest', min: 10, max: 150, isPct: true },
  hiddenPct: { label: 'Large ones that may hide, %', min: 0, max: 100, isPct: true },
  creviceM: { label: 'Crevice as deep as', min: 0.03, max: 1 },
  clumpPct: { label: 'Clumps larger than in … of 100 mixes', min: 50, max: 100, isPct: true },
  apartTimes: { label: 'Accents: longest gap, in even spacings', min: 1, max: 20, isPct: true },
};

/** What the eye is not to find: for everything, or for one kind of piece. */
export function LooksPanel({ row }: { row: WorkshopRow }) {
  const save = useRowSave<WorkshopSettings>(keys.workshop, '/workshop', row);
  const [kind, setKind] = useState<LookedKind | 'all'>('all');
  const { looks = {}, looksOfKind = {} } = row.data;
  const own = kind === 'all' ? looks : (looksOfKind[kind] ?? {});
  // What holds where nothing is typed: the usual, or for a kind what the house has for everything.
  const usual = kind === 'all' ? usualLimits : { ...usualLimits, ...looks };
  const take = (limit: keyof LookLimits, value: number | undefined) => {
    const set = (now: Partial<LookLimits>) =>
      value === undefined ? without(now, limit) : { ...now, [limit]: value };
    save((now) =>
      kind === 'all'
        ? { looks: set(now.looks ?? {}) }
        : { looksOfKind: { ...now.looksOfKind, [kind]: set(now.looksOfKind?.[kind] ?? {}) } },
    );
  };
  return (
    <Paper
      variant="outlined"
      component="section"
      aria-label="What the eye is not to find"
      sx={{ p: 2.5, display: 'grid', gap: 1.5 }}
    >
      <Typography variant="h2">What the eye is not to find</Typography>
      <Typography sx={{ fontSize: 14, color: 'text.secondary' }}>
        The lamp Full goes low where one of these is exceeded.
      </Typography>
      <TextField
        select
        label="For"
        value={kind}
        onChange={(event) => setKind(event.target.value as LookedKind | 'all')}
        sx={{ maxWidth: 260 }}
      >
        <MenuItem value="all">Every kind</MenuItem>
        {LookedKind.options.map((one) => (
          <MenuItem key={one} value={one}>
            {kindNames[one]}
          </MenuItem>
        ))}
      </TextField>
      <Box key={kind} sx={{ display: 'grid', gap: 1.25, gridTemplateColumns: '1fr 1fr' }}>
        {(Object.keys(words) as (keyof LookLimits)[]).map((limit) => {
          const { label, min, max, isPct } = words[limit];
          return isPct ? (
            <CommitField
              key={limit}
              label={label}
              value={own[limit] === undefined ? '' : String(own[limit])}
              placeholder={`${usual[limit]} as usual`}
              slotProps={{ inputLabel: { shrink: true } }}
              onCommit={(text) => readBetween(text, min, max, (value) => take(limit, value))}
            />
          ) : (
            <UnitField
              key={limit}
              label={label}
              quantity="small"
              value={own[limit]}
              min={min}
              max={max}
              usual={usual[limit]}
              onCommit={(value) => take(limit, value)}
            />
          );
        })}
      </Box>
    </Paper>
  );
}
