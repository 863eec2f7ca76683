import type { GearAway, PackingRow } from '@early-lantern/contract';
import { Box, ButtonBase, Typography } from '@mui/material';
import { useJob } from '../job/context.ts';
import { TickBox } from '../parts/TickBox.tsx';
import { clockTime, shortDay } from '../parts/time.ts';
import { useUnits } from '../preferences.tsx';
import { rowWords } from './row-words.ts';

/** What became of it, before the name of the job. */
export const awayWords: Record<GearAway['fate'], string> = {
  damaged: 'Damaged at',
  missing: 'Missing since',
  'kept on site': 'Left at',
};

interface PackingLineProps {
  row: PackingRow;
  tick: { by: string; at: string } | undefined;
  away: GearAway | undefined;
  onToggle: () => void;
}

/** A line to tick with a thumb: what, how many, and who has ticked it when. */
export function PackingLine({ row, tick, away, onToggle }: PackingLineProps) {
  const { file } = useJob();
  const { units } = useUnits();
  const who = file.workshop.crew.find(({ id }) => id === tick?.by)?.name.split(' ')[0];
  return (
    <ButtonBase
      role="checkbox"
      aria-checked={tick !== undefined}
      onClick={onToggle}
      data-packing={row.id}
      sx={{
        width: '100%',
        minHeight: 48,
        justifyContent: 'flex-start',
        textAlign: 'left',
        gap: 1.25,
        px: 0.5,
        borderTop: 1,
        borderColor: 'divider',
        font: 'inherit',
      }}
    >
      <TickBox isTicked={tick !== undefined} />
      <Box component="span" sx={{ flex: 1, minWidth: 0 }}>
        <Typography
          component="span"
          sx={{ display: 'block', fontSize: 16, textDecoration: tick ? 'line-through' : 'none' }}
        >
          {rowWords(row, units)}
        </Typography>
        <Typography component="span" sx={{ display: 'block', fontSize: 13, color: 'text.secondary' }}>
          {away && !tick && (
            <Box component="strong" sx={{ display: 'block', color: 'var(--mui-palette-out)' }}>
              {awayWords[away.fate]} {away.job}, {shortDay(away.at, file.workshop.timeZone)}
            </Box>
          )}
          {tick ? `${who ?? 'ticked'}, ${clockTime(tick.at, file.workshop.timeZone)}` : row.why}
        </Typography>
      </Box>
    </ButtonBase>
  );
}
