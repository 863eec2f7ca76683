import type { HoldTime, WorkshopRow, WorkshopSettings } from '@early-lantern/contract';
import { usualHoldTimes } from '@early-lantern/core';
import { Box, Paper, Typography } from '@mui/material';
import { keys } from '../api/queries.ts';
import { CommitField } from '../parts/CommitField.tsx';
import { UnitField } from '../parts/UnitField.tsx';
import { useRowSave } from '../parts/useRowSave.ts';
import { useUnits } from '../preferences.tsx';

const isFor = (a: HoldTime, b: HoldTime) => a.fromIn === b.fromIn && a.gas === b.gas;

/** How long balloons stay as they should, and the air they are blown in. */
export function LastingPanel({ row }: { row: WorkshopRow }) {
  const save = useRowSave<WorkshopSettings>(keys.workshop, '/workshop', row);
  const { tempUnit, tempNumber } = useUnits();
  const { holdTimes = [], benchC } = row.data;
  const setHours = (usual: HoldTime, text: string): string | undefined => {
    const hours = Number(text.replace(',', '.'));
    if (text.trim() && !(hours >= 0.5 && hours <= 2000))
      return 'From 0.5 to 2000 h, or nothing for the usual';
    const { fromIn, gas } = usual;
    save((now) => {
      const others = (now.holdTimes ?? []).filter((one) => !isFor(one, usual));
      return { holdTimes: text.trim() ? [...others, { fromIn, gas, hours }] : others };
    });
    return undefined;
  };
  return (
    <Paper
      variant="outlined"
      component="section"
      aria-label="How long balloons last"
      sx={{ p: 2, display: 'grid', gap: 1.25 }}
    >
      <Typography variant="h2">How long balloons last</Typography>
      <Typography sx={{ fontSize: 14, color: 'text.secondary' }}>
        Hours at 21 °C or 70 °F; heat shortens them. Your own go before ours.
      </Typography>
      <Box sx={{ display: 'grid', gap: 1.25, gridTemplateColumns: '1fr 1fr' }}>
        {usualHoldTimes.map((usual) => (
          <CommitField
            key={`${usual.gas} ${usual.fromIn}`}
            label={`${usual.gas === 'air' ? 'Air' : 'Helium'}, ${usual.fromIn === 1 ? 'small' : `from ${usual.fromIn} in.`}, hours`}
            value={String(holdTimes.find((one) => isFor(one, usual))?.hours ?? '')}
            placeholder={`${usual.hours} as usual`}
            slotProps={{ inputLabel: { shrink: true } }}
            onCommit={(text) => setHours(usual, text)}
          />
        ))}
        <CommitField
          label={`Workshop's air, ${tempUnit}`}
          value={benchC === undefined ? '' : String(Math.round(tempNumber(benchC)))}
          placeholder={`${Math.round(tempNumber(20))} as usual`}
          slotProps={{ inputLabel: { shrink: true } }}
          onCommit={(text) => {
            const typed = Number(text.replace(',', '.'));
            const celsius = tempUnit === '°F' ? (typed - 32) / 1.8 : typed;
            if (!text.trim() || !(celsius >= -10 && celsius <= 45)) return 'Type an air temperature';
            save(() => ({ benchC: Number(celsius.toFixed(1)) }));
            return undefined;
          }}
        />
        <UnitField
          label="Elevation of the workshop"
          quantity="height"
          value={row.data.altitudeM ?? 0}
          min={-400}
          max={5000}
          onCommit={(altitudeM = 0) => save(() => ({ altitudeM }))}
        />
      </Box>
    </Paper>
  );
}
