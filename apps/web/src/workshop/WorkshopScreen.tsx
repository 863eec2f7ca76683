import { Box, LinearProgress, Typography } from '@mui/material';
import { useCrew, useSettings } from '../api/queries.ts';
import { CrewPanel } from './CrewPanel.tsx';
import { GearPanel } from './GearPanel.tsx';
import { RatesPanel } from './RatesPanel.tsx';
import { SettingsPanel } from './SettingsPanel.tsx';

/** The business: its people and hours, its colours, its own pace. */
export function WorkshopScreen() {
  const settings = useSettings();
  const crew = useCrew();
  const failure = settings.error ?? crew.error;
  if (failure) throw failure;
  if (!settings.data || !crew.data) return <LinearProgress aria-label="Opening the workshop" />;
  return (
    <Box sx={{ px: { xs: 1.5, sm: 3 }, pb: 4 }}>
      <Typography variant="h1" sx={{ mb: 2 }}>
        Workshop
      </Typography>
      <Box
        sx={{
          display: 'grid',
          gap: 2,
          gridTemplateColumns: { xs: '1fr', lg: '1fr 1fr' },
          alignItems: 'start',
        }}
      >
        <Box sx={{ display: 'grid', gap: 2 }}>
          <SettingsPanel row={settings.data} />
          <CrewPanel rows={crew.data} />
          <GearPanel row={settings.data} />
        </Box>
        <RatesPanel row={settings.data} />
      </Box>
    </Box>
  );
}
